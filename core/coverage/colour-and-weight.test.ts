import { describe, expect, it } from 'vitest'
import { arrange } from '../placement'
import { runsOf, usualBase } from '../base'
import type { BaseKind } from '../base'
import { inches, say, showSum } from '../measure'
import type { Brief, Edit, Layer, Piece } from '../piece'
import { edit, STILL, usualRule } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import type { EvenedOut } from './even-out'
import { evenOut, unevennessOf } from './even-out'
import { colourFamily, visualWeight } from './colour-and-weight'

const manner = { units: 'in', currency: 'USD' } as const
const after = (piece: Piece, how: Edit): Piece => {
  const edited = edit(piece, how, 'mend')
  if (!edited.ok) throw new Error(edited.error)
  return edited.change.piece
}
const balanced = (school: Brief['balance']['school'], towards = 0) => ({
  brief: { fullness: 'sparse' as const, balance: { school, towards } },
})
const roses = (...at: number[]): Layer[] =>
  at.map((place, i) => layerOf(`r${i}`, 'rose', { kind: 'single', at: place, drop: 0 }, { role: 'focal' }))
const problem = (piece: Piece, id: string) => work(piece, shelf).problems.find((each) => each.id === id)

describe('colour families', () => {
  it.each([
    ['#ffffff', 'white'],
    ['#888888', 'grey'],
    ['#151515', 'black'],
    ['#6b4b33', 'brown'],
    ['#ae2639', 'red'],
    ['#d9a39a', 'pink'],
    ['#d9732c', 'orange'],
    ['#d9b22b', 'yellow'],
    ['#3d5a3a', 'green'],
    ['#4e6a85', 'blue'],
    ['#6f4a90', 'purple'],
  ] as const)('%s is %s', (hex, name) => expect(colourFamily(hex)).toBe(name))
})

it('gives an eye more of what is large, dark, strong and coarse', () => {
  const { rose } = shelf.materials
  const weigh = (change: Partial<NonNullable<typeof rose>>, size = rose!.length) => {
    const on = { ...shelf, materials: { ...shelf.materials, rose: { ...rose!, ...change, length: size, width: size } } }
    const [thing] = arrange(pieceWith(roses(0)), runsOf(pieceWith([]).base), on)[0]!.placements
    return visualWeight(thing!, on)
  }
  expect(weigh({}, 100)).toBeGreaterThan(weigh({}, 60))
  expect(weigh({ colours: ['#3a0d18'] })).toBeGreaterThan(weigh({ colours: ['#f4efe6'] }))
  expect(weigh({ texture: 'coarse' })).toBeGreaterThan(weigh({ texture: 'fine' }))
})

describe('balance', () => {
  it('says the heavy side by the clock, and how far off', () => {
    const { balance } = work(pieceWith(roses(0.25), balanced('even')), shelf)
    expect(balance.heavy).toBeCloseTo(90, 6)
    expect(balance.off.value).toBeGreaterThan(0.5)
    expect(balance.asMeant).toBe(false)
    expect(work(pieceWith(roses(0, 0.25, 0.5, 0.75), balanced('even')), shelf).balance.asMeant).toBe(true)
    expect(work(pieceWith([]), shelf).balance).toMatchObject({ heavy: null, off: { value: 0 } })
  })
  it('takes mirrored for left and right only, and offset for the side that is meant', () => {
    expect(work(pieceWith(roses(0.4, 0.6), balanced('mirrored')), shelf).balance.asMeant).toBe(true)
    expect(work(pieceWith(roses(0.4, 0.6), balanced('even')), shelf).balance.asMeant).toBe(false)
    expect(work(pieceWith(roses(0.6), balanced('offset', 200)), shelf).balance.asMeant).toBe(true)
    expect(problem(pieceWith(roses(0.6), balanced('offset', 20)), 'balance')!.mends[0]!.edit).toMatchObject({
      set: { balance: { towards: expect.closeTo(216, 0) } },
    })
    expect(problem(pieceWith(roses(0.6), balanced('offset', 200)), 'balance')).toBeUndefined()
  })
  it('offers the counterpart of an accent on the heavy side, and it evens', () => {
    const piece = pieceWith(roses(0.2), balanced('even'))
    const found = problem(piece, 'balance')!
    expect(say(found.says, manner)).toMatch(/^Heavy towards 2:25/)
    expect(say(found.mends[0]!.says, manner)).toMatch(/^Another blush garden rose at 9:35 \(\d/)
    const mended = after(piece, found.mends[0]!.edit!)
    expect(work(mended, shelf).balance.off.value).toBeLessThan(work(piece, shelf).balance.off.value)
    // The two are twins, not copies: their petals differ by a few per cent.
    expect(Math.abs(work(mended, shelf).balance.centre.x)).toBeLessThan(6)
  })
  it('is left and right where there is no clock', () => {
    const base = usualBase('mantel-garland')
    const piece = pieceWith(
      roses(0.8).map((layer) => ({ ...layer, run: 'garland' })),
      { ...balanced('even'), base },
    )
    expect(say(problem(piece, 'balance')!.says, manner)).toMatch(/^Heavy to the right/)
  })
})

describe('colour carry', () => {
  it('tells on which sides each colour shows, and names one that keeps to one place', () => {
    const greens = layerOf('g', 'bay', { kind: 'compass', count: 12, start: 0 })
    const piece = pieceWith([greens, ...roses(0.3)], balanced('even'))
    const carry = work(piece, shelf).carry
    expect(carry[0]).toMatchObject({ family: 'green', sides: ['top', 'right', 'bottom', 'left'] })
    expect(carry.find(({ family }) => family === 'pink')!.sides).toEqual(['right', 'bottom'])
    expect(carry.reduce((total, { share }) => total + share.value, 0)).toBeCloseTo(1, 6)
    expect(say(problem(piece, 'colour:pink')!.says, manner)).toBe('Pink shows only at the right and bottom.')
    expect(problem(pieceWith([greens, ...roses(0.05, 0.3, 0.55, 0.8)], balanced('even')), 'colour:pink')).toBeUndefined()
  })
})

describe('contrast', () => {
  it('tells a piece that is lost on its surface', () => {
    const layer = layerOf('g', 'bay', { kind: 'compass', count: 12, start: 0 })
    const on = (colour: string) =>
      problem(pieceWith([layer], { brief: { fullness: 'sparse', surface: { kind: 'plaster', colour } } }), 'lost')
    expect(on('#41663A')).toBeDefined()
    expect(on('#EFE9DC')).toBeUndefined()
  })
  it('names the tie that shows least, and warns of green wire on a pale base', () => {
    const hoop = { ...usualBase('hoop'), colour: '#E6E5DF' }
    const piece = pieceWith([layerOf('g', 'wheat', { kind: 'compass', count: 3, start: 0 })], { base: hoop })
    expect(work(piece, shelf).contrast.tie.name).toBe('white wire')
    expect(problem(piece, 'tie')).toBeDefined()
    expect(problem({ ...piece, base: usualBase('wire-ring') }, 'tie')).toBeUndefined()
  })
})

describe('a join in sight', () => {
  const bare = (turn: number, at = 0.5) =>
    pieceWith([layerOf('bow', 'bow-honey', { kind: 'single', at, drop: 0 })], {
      brief: { fullness: 'sparse' },
      base: { join: 0.5, turn, hook: null },
    })
  it('is told, and turning the base or moving the bow hides it', () => {
    expect(problem(bare(0), 'join')).toBeUndefined()
    const seen = problem(bare(140), 'join')!
    expect(say(seen.says, manner)).toBe('The wrapped end shows at 10:40.')
    expect(say(seen.mends[0]!.says, manner)).toBe('Turn the grapevine 140° back and the honey ribbon bow covers it')
    for (const { edit: how } of seen.mends) expect(problem(after(bare(140), how!), 'join')).toBeUndefined()
  })
  it('is not hidden by turning what hangs on its own hook', () => {
    const piece = bare(140)
    const hooked = problem({ ...piece, base: { ...piece.base, hook: 0 } }, 'join')!
    expect(hooked.mends.map(({ says }) => say(says, manner))).toEqual(['Move the honey ribbon bow over it'])
  })
  it('is not hidden by what hangs on cords', () => {
    const piece = bare(140)
    const [bow] = piece.layers
    const hanging = { ...piece, layers: [{ ...bow!, rule: { kind: 'single' as const, at: 0.5, drop: inches(8) } }] }
    for (const { edit: how } of problem(hanging, 'join')!.mends) expect(how).toBeNull()
  })
  it('has nothing to hide behind on a bare base', () => {
    const piece = pieceWith([layerOf('a', 'wheat', { kind: 'single', at: 0, drop: 0 })], { base: { join: 0.5 } })
    expect(problem(piece, 'join')!.mends[0]!.edit).toBeNull()
  })
})

describe('proportion', () => {
  it('tells a bow that takes the lead from the focals, and one that is lost', () => {
    const focals = roses(0.3)
    const bow = (id: string) => layerOf('bow', id, { kind: 'single', at: 0.5, drop: 0 })
    expect(problem(pieceWith([bow('bow-cream'), ...focals], balanced('even')), 'bow:large')).toBeDefined()
    expect(problem(pieceWith([bow('bow-cream')], balanced('even')), 'bow:large')).toBeUndefined()
    expect(problem(pieceWith([bow('bow-honey')], { ring: { outer: 900, inner: 600 } }), 'bow:small')).toBeDefined()
  })
})

describe('evenOut', () => {
  const run = (piece: Piece, seed = 1, stopAfter = Infinity): { evened: EvenedOut; reports: number[] } => {
    const runs = runsOf(piece.base)
    const going = evenOut(piece, runs, arrange(piece, runs, shelf), shelf, seed)
    const reports: number[] = []
    let step = going.next()
    while (!step.done) {
      reports.push(step.value.now)
      step = going.next(reports.length > stopAfter)
    }
    return { evened: step.value, reports }
  }
  const messy = (kind: BaseKind = 'grapevine') => {
    const base = usualBase(kind)
    const runs = runsOf(base)
    const nudges = Object.fromEntries(
      [0, 3, 4, 7].map((i) => [runs.length > 1 ? `${runs[0]!.id}/${i}` : String(i), { ...STILL, along: (i % 2 ? -1 : 1) * 20 }]),
    )
    const mix = [
      { material: 'bay', share: 2, only: null },
      { material: 'heather', share: 1, only: null },
    ]
    return pieceWith(
      [layerOf('a', 'bay', { kind: 'compass', count: 12, start: 0 }, { run: runs.length > 1 ? 'each' : runs[0]!.id, mix, nudges })],
      { base },
    )
  }
  it.each<BaseKind>(['grapevine', 'heart', 'tree-swag', 'mantel-garland', 'gourd', 'scallops'])(
    'makes a %s less uneven by what it says, in one edit',
    (kind) => {
      const piece = messy(kind)
      const { evened, reports } = run(piece)
      expect(evened.after.value).toBeLessThan(evened.before.value)
      expect(reports).toEqual([...reports].sort((a, b) => b - a))
      const done = after(piece, evened.edit!)
      const runs = runsOf(done.base)
      expect(unevennessOf(done, runs, arrange(done, runs, shelf), shelf).value).toBeCloseTo(evened.after.value, 2)
      expect(showSum(evened.after, manner)).toMatch(/for uneven gaps/)
    },
  )
  it.each<BaseKind>(['grapevine', 'tree-swag'])('on a %s reckons that what lies on a thing moves along with it', (kind) => {
    const piece = messy(kind)
    const borne = layerOf('b', 'cone-large', usualRule('on', 'a'), { run: 'each', clear: false, reserve: null })
    const laden = { ...piece, layers: [...piece.layers, { ...borne, rule: { ...usualRule('on', 'a'), every: 2 } }] }
    const { evened } = run(laden)
    const done = after(laden, evened.edit!)
    const runs = runsOf(done.base)
    expect(evened.after.value).toBeLessThan(evened.before.value)
    expect(unevennessOf(done, runs, arrange(done, runs, shelf), shelf).value).toBeCloseTo(evened.after.value, 2)
  })
  it('does the same again from the same seed', () => expect(run(messy()).evened).toEqual(run(messy()).evened))
  it('gives the best so far when it is stopped', () => {
    const { evened, reports } = run(messy(), 1, 2)
    expect(reports.length).toBeLessThanOrEqual(4)
    expect(evened.after.value).toBeLessThanOrEqual(evened.before.value)
  })
  it('leaves alone what is pinned, what is locked, and what is meant as it is', () => {
    const pinned = messy()
    const [layer] = pinned.layers
    const held: Piece = {
      ...pinned,
      layers: [{ ...layer!, nudges: { ...layer!.nudges, 3: { ...STILL, along: -20, pinned: true } } }, ...roses(0.2)],
    }
    const moves = JSON.stringify(run(held).evened.edit)
    expect(moves).not.toContain('"slot":"3"')
    expect(moves).not.toContain('"layer":"r0"')
    expect(run({ ...pinned, layers: [{ ...layer!, locked: true }] }).evened.edit).toBeNull()
  })
  it('moves nothing into a reserved place', () => {
    const piece = messy()
    const kept = pieceWith(
      [
        layerOf('bow', 'bow-honey', { kind: 'single', at: 0.5, drop: 0 }, { reserve: 20 }),
        { ...piece.layers[0]!, clear: true, nudges: {} },
        ...roses(0.1, 0.12, 0.15),
      ],
      { base: piece.base },
    )
    const { evened } = run(kept)
    const done = evened.edit ? after(kept, evened.edit) : kept
    const laid = arrange(done, runsOf(done.base), shelf)
    const [zone] = laid[0]!.zones
    for (const { s } of laid[1]!.placements) expect(s > zone!.from + 1e-3 && s < zone!.from + zone!.length - 1e-3).toBe(false)
  })
  it('has nothing to do on an empty piece', () => expect(run(pieceWith([])).evened).toMatchObject({ edit: null, moved: 0 }))
})
