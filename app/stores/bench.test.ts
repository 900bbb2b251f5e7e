import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { layerOf, pieceWith, shelf } from '#core/testing'
import type { Piece } from '#core/piece'
import { lotOf } from '#core/stock'
import { inBrief, work } from '#core/workings'
import type { OnBench } from '#core/workroom'
import { onBench } from '#core/workroom'
import type { Pricing } from '#core/price'
import { db } from '~/db'
import { savePiece, snapshotsOf } from '~/commands/pieces'
import { CATALOGUE } from '#core/material'
import { useStemEditing } from '~/composables/useStemEditing'
import { useBench } from './bench'
import { useNotices } from './notices'

// No worker outside a browser: the same sums, asked directly.
vi.mock('~/workers/workings', () => ({
  breakOff: () => {},
  askBriefs: (pieces: Piece[]) => Promise.resolve(pieces.map((one) => ({ ok: true, ...inBrief(one, shelf) }))),
  askNewestFirst: (answer: (workings: OnBench, of: Piece) => void) => (of: Piece, pricing: Pricing) =>
    answer(onBench(work(of, pricing.shelf), of, pricing), of),
}))

const kept = new Map<string, string>()
const piece = pieceWith([
  layerOf('a', 'bracken', { kind: 'compass', count: 6, start: 0 }),
  layerOf('b', 'daisy', { kind: 'single', at: 0.5, drop: 0 }),
])
const stored = async () => (await db().pieces.get(piece.id))!

async function opened() {
  const bench = useBench()
  expect(await bench.open(piece.id)).toBe(true)
  await vi.waitFor(() => expect(bench.workings).not.toBeNull())
  return bench
}

beforeEach(async () => {
  vi.stubGlobal('localStorage', {
    get length() {
      return kept.size
    },
    key: (i: number) => [...kept.keys()][i] ?? null,
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, text: string) => void kept.set(key, text),
    removeItem: (key: string) => void kept.delete(key),
  })
  kept.clear()
  setActivePinia(createPinia())
  await Promise.all(db().tables.map((table) => table.clear()))
  await savePiece(db(), piece, 0, 1)
})
afterEach(async () => {
  await useBench().close()
  vi.unstubAllGlobals()
})

it('takes what the house keeps along when its stage is set, also back', async () => {
  await db().lots.bulkPut([lotOf('fronds', 'bracken', { things: 9 })])
  const bench = await opened()
  const fronds = async () => {
    const lots = await db().lots.toArray()
    const sum = (owner: string | null) =>
      lots.reduce((n, { things, reserved }) => n + ((reserved?.piece ?? null) === owner ? things! : 0), 0)
    return { kept: sum(piece.id), free: sum(null) }
  }
  const set = async (stage: Piece['stage']) => {
    expect(bench.apply({ do: 'stage', stage }, `mark it ${stage}`)).toBeNull()
    expect(await bench.flush()).toBe(true)
    expect((await stored()).piece.stage).toBe(stage)
  }
  // Six, and one that breaks.
  await set('gathering')
  expect(await fronds()).toEqual({ kept: 7, free: 2 })
  await set('hung')
  expect(await fronds()).toEqual({ kept: 6, free: 3 })
  bench.undo()
  bench.undo()
  expect(await bench.flush()).toBe(true)
  expect(await fronds()).toEqual({ kept: 0, free: 9 })
})

describe('opening', () => {
  it('says when there is no such piece', async () => expect(await useBench().open('nowhere')).toBe(false))
  it('keeps a snapshot of how it was found', async () => {
    await opened()
    await vi.waitFor(async () => expect((await snapshotsOf(db(), piece.id))[0]?.piece).toEqual(piece))
  })
  it('takes up what a closing page left behind, and saves it', async () => {
    kept.set('ruddy-bramble:rescue:test:tab', JSON.stringify({ revision: 1, piece: { ...piece, stage: 'hung' } }))
    const bench = await opened()
    expect(bench.piece!.stage).toBe('hung')
    expect(await stored()).toMatchObject({ revision: 2, piece: { stage: 'hung' } })
    expect(kept.size).toBe(0)
  })
})

describe('editing', () => {
  it('shows what follows and saves it', async () => {
    const bench = await opened()
    expect(bench.apply({ do: 'layer', layer: 'a', set: { rule: { kind: 'compass', count: 9, start: 0 } } }, 'change the count')).toBeNull()
    expect(bench.saving).toBe('waiting')
    await vi.waitFor(() => expect(bench.workings!.layers[0]!.count).toBe(9))
    await bench.flush()
    expect(bench.saving).toBe('saved')
    expect(await stored()).toMatchObject({ revision: 2, piece: { layers: [{ rule: { count: 9 } }, {}] } })
  })
  it('says what an offered edit adds to what is opened, and nothing where it adds nothing', async () => {
    const bench = await opened()
    const said = vi.spyOn(useNotices(), 'note')
    const before = bench.workings!.bill.opened.value
    expect(bench.take({ do: 'layer', layer: 'a', set: { rule: { kind: 'compass', count: 5, start: 0 } } }, 'fewer')).toBeNull()
    await vi.waitFor(() => expect(bench.workings!.layers[0]!.count).toBe(5))
    expect(said).not.toHaveBeenCalled()
    expect(bench.take({ do: 'layer', layer: 'a', set: { rule: { kind: 'compass', count: 25, start: 0 } } }, 'more')).toBeNull()
    await vi.waitFor(() => expect(bench.workings!.layers[0]!.count).toBe(25))
    const more = bench.workings!.bill.opened.value - before
    expect(more).toBeGreaterThan(0)
    await vi.waitFor(() => expect(said).toHaveBeenCalledWith(expect.stringContaining(`It adds $${(more / 100).toFixed(2)}`), 'added cost'))
  })
  it('refuses in words what cannot be, and changes nothing', async () => {
    const bench = await opened()
    expect(bench.apply({ do: 'base', set: { shape: { form: 'ring', outer: 300, inner: 2000 } } }, 'set the inner size')).toBe(
      'The hole must be smaller than the ring.',
    )
    expect(bench.piece).toEqual(piece)
    expect(bench.history.done).toHaveLength(0)
  })
  it('takes no note of an edit that changes nothing', async () => {
    const bench = await opened()
    bench.apply({ do: 'stage', stage: piece.stage }, 'mark it')
    expect(bench.history.done).toHaveLength(0)
    expect(bench.saving).toBe('saved')
  })
  it('undoes and redoes, and says what', async () => {
    const bench = await opened()
    bench.apply({ do: 'stage', stage: 'making' }, 'mark it making')
    bench.undo()
    expect(bench.piece!.stage).toBe('planned')
    expect(useNotices().announced).toBe('Undone: mark it making')
    bench.redo()
    expect(bench.piece!.stage).toBe('making')
    bench.redo()
    expect(useNotices().announced).toBe('Done again: mark it making')
  })
})

describe('by hand', () => {
  it('counts moves in a row as one, and takes them back together', async () => {
    const bench = await opened()
    const hand = useStemEditing()
    const third = () => bench.byId.get('a:2')!
    const before = third()
    bench.select('a:2')
    hand.slide(1, false)
    await vi.waitFor(() => expect(third().s).toBeCloseTo(before.s + 6.35, 6))
    hand.slide(1, true)
    await vi.waitFor(() => expect(third().s).toBeCloseTo(before.s + 6.35 + 1.5875, 6))
    expect(bench.history.done).toHaveLength(1)
    expect(useNotices().announced).toMatch(/^bracken frond 3 at \d+:\d\d$/)
    expect(bench.history.done.at(-1)!.words).toMatch(/^slide bracken frond 3 to \d+:\d\d$/)
    bench.undo()
    expect(bench.layerOf('a')!.nudges).toEqual({})
  })
  it('moves, turns, trims, pins, copies and takes off what is chosen together, but not what is locked', async () => {
    const bench = await opened()
    const hand = useStemEditing()
    bench.selectAll(['a:1', 'a:4'])
    hand.turn(5)
    hand.pin()
    hand.trimTo(120)
    await vi.waitFor(() =>
      expect(bench.selectedPlacements.map(({ length, pinned }) => [length, pinned])).toEqual([
        [120, true],
        [120, true],
      ]),
    )
    expect(bench.layerOf('a')!.nudges['4']).toMatchObject({ turn: 5, trim: 120, pinned: true })
    hand.copy()
    expect(bench.layerOf('a')!.added).toHaveLength(2)
    hand.remove()
    expect(bench.layerOf('a')!.taken).toEqual(['1', '4'])
    expect(bench.selection).toEqual([])
    bench.apply({ do: 'layer', layer: 'a', set: { locked: true } }, 'lock')
    bench.select('a:2')
    hand.turn(5)
    expect(bench.layerOf('a')!.nudges['2']).toBeUndefined()
    expect(useNotices().announced).toBe('That layer is locked.')
  })
  it('puts a material where it is dropped: into a layer by hand of its own, then into that one', async () => {
    const bench = await opened()
    const hand = useStemEditing()
    const [run] = bench.runs
    hand.drop(CATALOGUE['pine-cone']!, run!, run!.length / 4, 0.2)
    expect(bench.piece!.layers.at(-1)).toMatchObject({ rule: { kind: 'hand' }, added: [{ id: 'h1', at: 0.25, material: 'pine-cone' }] })
    hand.drop(CATALOGUE['pine-cone']!, run!, run!.length / 2, 0)
    expect(bench.piece!.layers).toHaveLength(3)
    expect(bench.piece!.layers.at(-1)!.added.map(({ at }) => at)).toEqual([0.25, 0.5])
    expect(bench.selected).toBe(`${bench.piece!.layers.at(-1)!.id}:+h2`)
  })
  it('makes a layer of a length that is dropped, and does not copy what is made by its numbers', async () => {
    const bench = await opened()
    const hand = useStemEditing()
    const [run] = bench.runs
    const before = bench.piece!.layers.length
    hand.drop(CATALOGUE['ribbon-slate']!, run!, run!.length / 4, 0)
    expect(bench.piece!.layers.at(-1)).toMatchObject({ rule: { kind: 'bow', at: 0.25, means: null }, added: [] })
    hand.drop(CATALOGUE['mesh-honey']!, run!, run!.length / 4, 0)
    expect(bench.piece!.layers.at(-1)).toMatchObject({ rule: { kind: 'mesh' }, added: [] })
    expect(bench.piece!.layers).toHaveLength(before + 2)
    const mesh = bench.piece!.layers.at(-1)!.id
    await vi.waitFor(() => expect(bench.byId.has(`${mesh}:0.0`)).toBe(true))
    bench.select(`${mesh}:0.0`)
    hand.double()
    hand.mirror()
    expect(bench.layerOf(mesh)).toMatchObject({ added: [], taken: [] })
    expect(useNotices().announced).toContain('made of a length')
  })
  it('opens the layer of what is chosen', async () => {
    const bench = await opened()
    bench.select('b:0')
    expect(bench.openLayer).toBe('b')
    expect(bench.selectedPlacement).toMatchObject({ material: 'daisy', number: 1 })
    expect(bench.nameOf(bench.selectedPlacement!)).toBe('ox-eye daisy 1')
    bench.select(null)
    expect(bench.selectedPlacement).toBeNull()
  })
})

describe('two tabs', () => {
  it('follows another tab when there is nothing of its own to save', async () => {
    const bench = await opened()
    await savePiece(db(), { ...piece, stage: 'making' }, 1, 2)
    await vi.waitFor(() => expect(bench.piece!.stage).toBe('making'))
    expect(useNotices().announced).toContain('changed in another tab')
  })
  it('goes on with its own beside the other’s when both changed', async () => {
    const bench = await opened()
    bench.apply({ do: 'brief', set: { name: 'Mine' } }, 'name the piece')
    await savePiece(db(), { ...piece, brief: { ...piece.brief, name: 'Yours' } }, 1, 2)
    await bench.flush()
    const names = async () => (await db().pieces.toArray()).map((record) => record.piece.brief.name).sort()
    expect(await names()).toEqual(['Mine (kept from this tab)', 'Yours'])
    expect(bench.piece!.brief.name).toBe('Mine (kept from this tab)')
    expect(bench.piece!.id).not.toBe(piece.id)
    expect(useNotices().shown.at(-1)).toMatchObject({ severity: 'fault', title: 'Changed in two tabs at once' })
    bench.apply({ do: 'stage', stage: 'hung' }, 'mark it hung')
    await bench.flush()
    expect(await names()).toEqual(['Mine (kept from this tab)', 'Yours'])
    bench.undo()
    bench.undo()
    await bench.flush()
    expect(bench.saving).toBe('saved')
  })
  it('goes on as a piece of its own when another tab throws it away, and as one only', async () => {
    const bench = await opened()
    await db().pieces.delete(piece.id)
    await vi.waitFor(() => expect(useNotices().shown.at(-1)).toMatchObject({ title: 'Thrown away in another tab' }))
    for (const stage of ['making', 'hung', 'planned'] as const) {
      bench.apply({ do: 'stage', stage }, 'mark it')
      await bench.flush()
    }
    expect((await db().pieces.toArray()).map((record) => record.piece.brief.name)).toEqual(['Test ring (kept from this tab)'])
  })
})

describe('when storage fails', () => {
  const full = new DOMException('full', 'QuotaExceededError')
  it('tells it once, keeps every edit, tries again, goes on, and tells that it is saved', async () => {
    const bench = await opened()
    const put = vi.spyOn(db().pieces, 'put').mockRejectedValueOnce(full).mockRejectedValueOnce(full)
    bench.apply({ do: 'stage', stage: 'making' }, 'mark it making')
    expect(await bench.flush()).toBe(false)
    expect(bench.saving).toBe('failing')
    expect(JSON.parse([...kept.values()][0]!)).toMatchObject({ piece: { stage: 'making' } })
    bench.apply({ do: 'stage', stage: 'hung' }, 'mark it hung')
    expect(JSON.parse([...kept.values()][0]!)).toMatchObject({ piece: { stage: 'hung' } })
    expect(await bench.flush()).toBe(false)
    expect(useNotices().shown.filter(({ title }) => title === 'Your edits could not be saved')).toHaveLength(1)
    put.mockRestore()
    expect(await bench.flush()).toBe(true)
    expect(await stored()).toMatchObject({ piece: { stage: 'hung' } })
    expect(useNotices().announced).toContain('Saved after all')
    expect(kept.size).toBe(0)
  })
  it('tries again by itself', async () => {
    const bench = await opened()
    const put = vi.spyOn(db().pieces, 'put').mockRejectedValueOnce(full)
    bench.apply({ do: 'stage', stage: 'making' }, 'mark it making')
    await vi.waitFor(async () => expect(await stored()).toMatchObject({ piece: { stage: 'making' } }))
    put.mockRestore()
  })
  it('leaves the piece without losing it, and finds it again with what could not be written', async () => {
    const bench = await opened()
    const put = vi.spyOn(db().pieces, 'put').mockRejectedValue(full)
    bench.apply({ do: 'stage', stage: 'making' }, 'mark it making')
    await bench.close()
    expect(await stored()).toMatchObject({ piece: { stage: 'planned' } })
    kept.clear()
    expect(await bench.open(piece.id)).toBe(true)
    expect(bench.piece!.stage).toBe('making')
    put.mockRestore()
    expect(await bench.flush()).toBe(true)
    expect(await stored()).toMatchObject({ piece: { stage: 'making' } })
  })
})

it('writes steady edits within a third of a second, not only once they stop', async () => {
  const bench = await opened()
  const wrote: string[] = []
  const put = vi.spyOn(db().pieces, 'put').mockImplementation(((record: { piece: Piece }) => {
    wrote.push(record.piece.brief.name)
    return Promise.resolve('test')
  }) as never)
  for (let i = 0; i < 20; i++) {
    bench.apply({ do: 'brief', set: { name: `Ring ${i}` } }, 'name it')
    await new Promise((resolve) => {
      setTimeout(resolve, 50)
    })
  }
  expect(wrote.length).toBeGreaterThan(1)
  put.mockRestore()
})

it('leaves what is waiting where a closing page can write it, until it is saved', async () => {
  const bench = await opened()
  bench.apply({ do: 'stage', stage: 'hung' }, 'mark it hung')
  bench.rescue()
  expect(JSON.parse([...kept.values()][0]!)).toMatchObject({ revision: 1, piece: { stage: 'hung' } })
  await bench.flush()
  expect(kept.size).toBe(0)
  bench.rescue()
  expect(kept.size).toBe(0)
})
