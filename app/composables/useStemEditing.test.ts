import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { layerOf, pieceWith } from '#core/testing'
import type { Piece } from '#core/piece'
import type { Pricing } from '#core/price'
import { work } from '#core/workings'
import type { OnBench } from '#core/workroom'
import { onBench } from '#core/workroom'
import { db } from '~/db'
import { savePiece } from '~/commands/pieces'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useStemEditing } from './useStemEditing'

vi.mock('~/workers/workings', () => ({
  breakOff: () => {},
  askNewestFirst: (answer: (workings: OnBench, of: Piece) => void) => (of: Piece, pricing: Pricing) =>
    answer(onBench(work(of, pricing.shelf), of, pricing), of),
}))

/** Six fronds from twelve o’clock on, two hours apart, and a daisy below them. */
const piece = pieceWith([
  layerOf('a', 'bracken', { kind: 'compass', count: 6, start: 0 }),
  layerOf('b', 'daisy', { kind: 'single', at: 0.5, drop: 0 }),
])

beforeEach(async () => {
  vi.stubGlobal('localStorage', { length: 0, key: () => null, getItem: () => null, setItem: () => {}, removeItem: () => {} })
  setActivePinia(createPinia())
  await Promise.all(db().tables.map((table) => table.clear()))
  await savePiece(db(), piece, 0, 1)
})
afterEach(async () => {
  await useBench().close()
  vi.unstubAllGlobals()
})
async function begin() {
  const bench = useBench()
  await bench.open(piece.id)
  await vi.waitFor(() => expect(bench.workings).not.toBeNull())
  return { bench, hand: useStemEditing(), heard: () => useNotices().announced }
}
const nudgeOf = (bench: ReturnType<typeof useBench>, slot: string) => bench.layerOf('a')!.nudges[slot]

describe('choosing by key', () => {
  it('goes from neighbour to neighbour along the run, round and back, and says where', async () => {
    const { bench, hand, heard } = await begin()
    hand.choose(1)
    expect([bench.selection, heard()]).toEqual([['a:0'], 'bracken frond 1 at 12:00'])
    hand.choose(1)
    expect([bench.selection, heard()]).toEqual([['a:1'], 'bracken frond 2 at 2:00'])
    hand.choose(-1)
    hand.choose(-1)
    expect([bench.selection, heard()]).toEqual([['a:5'], 'bracken frond 6 at 10:00'])
  })
  it('adds neighbours to what is chosen, and all of a layer at once', async () => {
    const { bench, hand, heard } = await begin()
    hand.choose(1)
    hand.choose(1, true)
    expect(bench.selection).toEqual(['a:0', 'a:1'])
    expect(heard()).toContain('2')
    hand.chooseAllOfLayer()
    expect([bench.selection.length, heard()]).toEqual([6, '6 chosen'])
  })
  it('goes from layer to layer, to the first of each', async () => {
    const { bench, hand, heard } = await begin()
    bench.select('a:3')
    hand.chooseLayer(1)
    expect([bench.openLayer, bench.selection, heard()]).toEqual(['b', ['b:0'], 'ox-eye daisy 1 at 6:00'])
    hand.chooseLayer(1)
    expect([bench.openLayer, bench.selection]).toEqual(['a', ['a:0']])
  })
})

describe('what hands do', () => {
  it('moves along the run by a quarter inch or a sixteenth, in centimetres by five millimetres or one', async () => {
    const { bench, hand } = await begin()
    bench.select('a:2')
    hand.slide(1, false)
    hand.slide(1, true)
    expect(nudgeOf(bench, '2')!.along).toBeCloseTo(25.4 / 4 + 25.4 / 16, 9)
    bench.undo()
    useSettings().set({ units: 'cm' })
    hand.slide(-1, false)
    hand.slide(-1, true)
    expect(nudgeOf(bench, '2')!.along).toBeCloseTo(-6, 9)
  })
  it('moves outward and inward, over and under, and says so', async () => {
    const { bench, hand, heard } = await begin()
    bench.select('a:2')
    hand.shift(0.1)
    expect([nudgeOf(bench, '2')!.across, heard()]).toEqual([0.1, 'bracken frond 3 moved outward'])
    hand.shift(-0.3)
    expect(nudgeOf(bench, '2')!.across).toBeCloseTo(-0.2, 9)
    hand.lift(1)
    expect([nudgeOf(bench, '2')!.lift, heard()]).toEqual([1, 'bracken frond 3 over the neighbours'])
  })
  it('trims each by as much, within what can be cut, and one to a length', async () => {
    const { bench, hand } = await begin()
    const before = bench.byId.get('a:1')!.length
    bench.selectAll(['a:1', 'a:2'])
    hand.trim(-20)
    expect([nudgeOf(bench, '1')!.trim, nudgeOf(bench, '2')!.trim]).toEqual([before - 20, before - 20])
    hand.trimTo(1)
    expect(nudgeOf(bench, '1')!.trim).toBe(5)
    // A flower has no length to trim.
    bench.select('b:0')
    hand.trim(-5)
    expect(bench.layerOf('b')!.nudges).toEqual({})
  })
  it('unpins only where all that is chosen is pinned', async () => {
    const { bench, hand } = await begin()
    bench.select('a:1')
    hand.pin()
    await vi.waitFor(() => expect(bench.byId.get('a:1')!.pinned).toBe(true))
    bench.selectAll(['a:1', 'a:2'])
    hand.pin()
    await vi.waitFor(() => expect(bench.byId.get('a:2')!.pinned).toBe(true))
    expect(bench.byId.get('a:1')!.pinned).toBe(true)
    hand.pin()
    await vi.waitFor(() => expect([bench.byId.get('a:1')!.pinned, bench.byId.get('a:2')!.pinned]).toEqual([false, false]))
  })
  it('puts back to the rule what was moved, in one step, and does nothing where nothing was', async () => {
    const { bench, hand, heard } = await begin()
    bench.selectAll(['a:1', 'a:2'])
    hand.turn(10)
    const steps = bench.history.done.length
    hand.putBack()
    expect([bench.layerOf('a')!.nudges, heard()]).toEqual([{}, '2 stems back at the rule'])
    expect(bench.history.done).toHaveLength(steps + 1)
    hand.putBack()
    expect(bench.history.done).toHaveLength(steps + 1)
    bench.undo()
    expect(Object.keys(bench.layerOf('a')!.nudges)).toEqual(['1', '2'])
  })
  it('doubles, and moves across to where the mirror image lies', async () => {
    const { bench, hand } = await begin()
    bench.select('a:1')
    hand.double()
    expect(bench.layerOf('a')!.added).toHaveLength(1)
    // From two o’clock to ten: two sixths of the way round on the other side.
    hand.mirror()
    await vi.waitFor(() => expect(bench.workings!.placements.filter(({ layer }) => layer === 'a')).toHaveLength(7))
    const ring = bench.runs[0]!
    const shares = bench.workings!.placements.filter(({ layer }) => layer === 'a').map(({ s }) => Math.round((6 * s) / ring.length) % 6)
    expect(shares.filter((n) => n === 5)).toHaveLength(2)
    expect(bench.selection).toEqual([])
  })
  it('does nothing with nothing chosen', async () => {
    const { bench, hand } = await begin()
    const before = bench.piece
    hand.slide(1, false)
    hand.turn(5)
    hand.trim(5)
    hand.pin()
    hand.copy()
    hand.remove()
    expect(bench.piece).toBe(before)
  })
})
