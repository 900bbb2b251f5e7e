import { describe, expect, it } from 'vitest'
import { runsOf, usualBase } from '../base'
import { inches, radians } from '../measure'
import type { Layer, Piece, Rule, RuleOf } from '../piece'
import { edit, mirrorPiece, STILL, usualRule } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { canLieOn, dropOnThing, movedAlone, putOnBase, putOnThing, takenOffWith, takeOffBearing } from './bearing-edits'
import { arrange } from './layout'
import type { Placement } from './placement'
import { arrangeProblems } from './problems'

const compass = (count: number, start = 0): Rule => ({ kind: 'compass', count, start })
const on = (of: string, set: Partial<RuleOf<'on'>> = {}): Rule => ({ ...usualRule('on', of), ...set })
/** As a layer that is laid on others is begun. */
const guest = (id: string, material: string, rule: Rule, set: Partial<Layer> = {}): Layer =>
  layerOf(id, material, rule, { run: 'each', clear: false, reserve: null, ...set })

function laidOf(piece: Piece): { of: (layer: string) => readonly Placement[]; all: readonly Placement[]; codes: readonly string[] } {
  const runs = runsOf(piece.base)
  const laid = arrange(piece, runs, shelf)
  return {
    of: (id) => laid.find(({ layer }) => layer.id === id)!.placements,
    all: laid.flatMap(({ placements }) => placements),
    codes: arrangeProblems({ piece, runs, laid, shelf }).map(({ code }) => code.replace('placement.', '')),
  }
}
const lay = (...layers: Layer[]) => laidOf(pieceWith(layers))
const edited = (piece: Piece, how: Parameters<typeof edit>[1]): Piece => {
  const result = edit(piece, how, 'test')
  if (!result.ok) throw new Error(result.error)
  return result.change.piece
}
const near = ({ x, y }: { x: number; y: number }) => [expect.closeTo(x, 4), expect.closeTo(y, 4)]
const at = ({ x, y }: Placement) => [x, y]

describe('what lies on other things', () => {
  const roses = layerOf('r', 'rose', compass(4))

  it('has one in the middle of each, over it and under what lies over that', () => {
    const { of } = lay(roses, guest('b', 'acorn', on('r')), layerOf('c', 'cone-small', compass(4)))
    expect(of('b').map(at)).toEqual(of('r').map(near))
    expect(of('b').map(({ bearer }) => bearer)).toEqual(of('r').map(({ id }) => id))
    for (const { lift } of of('b')) {
      expect(lift).toBeGreaterThan(of('r')[0]!.lift)
      expect(lift).toBeLessThan(of('c')[0]!.lift)
    }
  })

  it('comes on each, on every so many, or on those that are named', () => {
    const bearers = (set: Partial<RuleOf<'on'>>) =>
      lay(roses, guest('b', 'acorn', on('r', set)))
        .of('b')
        .map(({ bearer }) => bearer)
    expect(bearers({})).toEqual(['r:0', 'r:1', 'r:2', 'r:3'])
    expect(bearers({ every: 2, from: 2 })).toEqual(['r:1', 'r:3'])
    expect(bearers({ every: 3 })).toEqual(['r:0', 'r:3'])
    expect(bearers({ only: ['2', 'gone'] })).toEqual(['r:2'])
  })

  it('lies along a stem from its end to its tip', () => {
    // By hand: at twelve a clockwise sprig points right from (0, -127), held a tenth of its length up, so that its middle is 0.4 of it ahead.
    const { length, width } = shelf.materials['bay']!
    const sprig = layerOf('s', 'bay', compass(1))
    const spot = (set: Partial<RuleOf<'on'>>) => at(lay(sprig, guest('b', 'acorn', on('s', set))).of('b')[0]!)
    expect(spot({})).toEqual(near({ x: 0.4 * length, y: -inches(5) }))
    expect(spot({ spot: 'tip' })).toEqual(near({ x: 0.825 * length, y: -inches(5) }))
    expect(spot({ spot: 'stem end' })).toEqual(near({ x: 0.075 * length, y: -inches(5) }))
    expect(spot({ spot: 'place', along: 0.5, across: -0.5 })).toEqual(near({ x: 0.65 * length, y: -inches(5) - width / 4 }))
  })

  it('stands on the upper edge of what stands level, tilted with it', () => {
    const sign = layerOf('s', 'ticket-sign', { kind: 'single', at: 0, drop: 0 }, { lean: 30 })
    const { width } = shelf.materials['ticket-sign']!
    const { of } = lay(sign, guest('b', 'hare', on('s', { spot: 'top' })))
    // Thirty degrees clockwise take what is straight up to the right.
    expect(at(of('b')[0]!)).toEqual(near({ x: (Math.sin(radians(30)) * width) / 2, y: -inches(5) - (Math.cos(radians(30)) * width) / 2 }))
    expect(of('b')[0]!.bearing).toBeCloseTo(30)
    expect(lay(sign, guest('b', 'hare', on('s', { turns: false }))).of('b')[0]!.bearing).toBe(0)
  })

  it('sits in the knot of a bow, or on each of its loops', () => {
    const bow = layerOf('bow', 'ribbon-slate', { ...usualRule('bow', ''), means: 'visible' } as Rule)
    const { of } = lay(bow, guest('k', 'spray-rose', on('bow')), guest('l', 'acorn', on('bow', { spot: 'loops' })))
    const [{ made, x, y }] = of('bow') as [Placement]
    expect(at(of('k')[0]!)).toEqual(near({ x, y }))
    const loops = made?.as === 'bow' ? made.moves.filter(({ what }) => what === 'loop') : []
    expect(loops.length).toBeGreaterThan(1)
    expect(of('l')).toHaveLength(loops.length)
    of('l').forEach((each, i) => {
      // On the loop: along its own direction, and no farther than it reaches.
      const far = Math.hypot(each.x - x, each.y - y)
      expect(far).toBeLessThan(loops[i]!.length)
      expect((each.x - x) / far).toBeCloseTo(Math.cos(radians(loops[i]!.angle)))
    })
  })

  it('moves and goes with what bears it, and chains do', () => {
    const piece = pieceWith([roses, guest('b', 'cone-small', on('r')), guest('c', 'acorn', on('b'))])
    const before = laidOf(piece)
    const moved = laidOf(
      edited(piece, { do: 'nudge', layer: 'r', slot: '1', nudge: { along: 25, across: 0.4, turn: 0, lift: 0, trim: null, pinned: false } }),
    )
    expect(moved.of('b').map(at)).toEqual(moved.of('r').map(near))
    expect(moved.of('c').map(at)).toEqual(moved.of('r').map(near))
    expect(at(moved.of('c')[1]!)).not.toEqual(at(before.of('c')[1]!))
    const off = laidOf(edited(piece, { do: 'take off', layer: 'r', slots: ['1'] }))
    expect([off.of('b').length, off.of('c').length]).toEqual([3, 3])
  })

  it('keeps what a hand did to it when what bears it moves', () => {
    const nudge = { along: 0, across: 0.5, turn: 0, lift: 0, trim: null, pinned: false }
    const piece = pieceWith([roses, guest('b', 'acorn', on('r'))])
    const [first] = laidOf(piece).of('b')
    const nudged = edited(piece, { do: 'nudge', layer: 'b', slot: first!.slot, nudge })
    // At twelve outward is up: half of half the face of 2 in.
    expect(at(laidOf(nudged).of('b')[0]!)).toEqual(near({ x: 0, y: -inches(5) - inches(0.5) }))
    const quarter = edited(nudged, { do: 'layer', layer: 'r', set: { rule: compass(4, 0.25) } })
    // Now it lies at three, where outward is right.
    expect(at(laidOf(quarter).of('b')[0]!)).toEqual(near({ x: inches(5.5), y: 0 }))
  })

  it('is told of where it has nothing to lie on, with what would mend it', () => {
    expect(lay(guest('b', 'acorn', on('gone'))).codes).toEqual(['no-bearer'])
    expect(lay(guest('a', 'acorn', on('b')), guest('b', 'acorn', on('a'))).codes).toEqual(['no-bearer', 'no-bearer'])
    expect(lay(layerOf('a', 'ribbon-slate', usualRule('wound', '')), guest('b', 'acorn', on('a'))).codes).toContain('no-bearer')
    expect(lay(roses, guest('b', 'acorn', on('r', { only: ['77'] }))).codes).toEqual(['bears-nothing'])
    expect(lay(roses, guest('b', 'acorn', on('r', { spot: 'loops' }))).codes).toEqual(['no-loops'])
    for (const layers of [
      [roses, guest('b', 'acorn', on('r', { only: ['77'] }))],
      [roses, guest('b', 'acorn', on('r', { spot: 'loops' }))],
    ]) {
      const piece = pieceWith(layers)
      const runs = runsOf(piece.base)
      const [problem] = arrangeProblems({ piece, runs, laid: arrange(piece, runs, shelf), shelf })
      expect(laidOf(edited(piece, problem!.mends[0]!.edit!)).of('b')).toHaveLength(4)
    }
  })

  it('is no clash with what bears it, and one with what does not', () => {
    const sign = layerOf('s', 'plank-sign', { kind: 'single', at: 0.5, drop: 0 })
    const small = layerOf('f', 'rose', { kind: 'single', at: 0.5, drop: 0 }, { role: 'focal', clear: false })
    expect(lay(sign, small).codes).toContain('reaches-into')
    expect(lay(sign, { ...guest('f', 'rose', on('s')), role: 'focal' }).codes).toEqual([])
    // Another rose beside it on the base still is in the way.
    expect(lay(sign, { ...guest('f', 'rose', on('s')), role: 'focal' }, { ...small, id: 'g' }).codes).toContain('reaches-into')
  })

  it('is told once with what bears it, where both are in the way of the same; alone it is taken off, not slid off its bearer', () => {
    const sign = layerOf('s', 'plank-sign', { kind: 'single', at: 0.5, drop: 0 })
    const cone = layerOf('c', 'cone-large', { kind: 'single', at: 0.5, drop: 0 }, { role: 'accent', clear: false })
    const clashes = (...layers: Layer[]) => {
      const piece = pieceWith(layers)
      const laid = arrange(piece, runsOf(piece.base), shelf)
      return arrangeProblems({ piece, runs: runsOf(piece.base), laid, shelf }).filter(({ id }) => id.startsWith('clash'))
    }
    const star = { ...guest('g', 'cone-small', on('c')), role: 'accent' as const }
    expect(clashes(sign, cone, star).map(({ id }) => id)).toEqual(['clash:c:0:s:0'])
    const beside = { ...cone, nudges: { '0': { ...STILL, along: inches(14) } } }
    const far = { ...star, nudges: { 'ring/on0': { ...STILL, along: -inches(14) } } }
    const [alone] = clashes(sign, beside, far)
    expect(alone!.id).toBe('clash:g:ring/on0:s:0')
    const mended = edited(pieceWith([sign, beside, far]), alone!.mends[0]!.edit!)
    expect(laidOf(mended).all.map(({ id }) => id)).toEqual(['s:0', 'c:0'])
  })

  it('is the mirror image of itself on the other of a pair, thing for thing', () => {
    for (const kind of ['grapevine', 'heart', 'tree-swag', 'gourd'] as const) {
      const base = usualBase(kind)
      const run = runsOf(base).length > 1 ? 'each' : runsOf(base)[0]!.id
      const piece = pieceWith(
        [
          layerOf('a', 'bracken', compass(3, 0.1), { run, lean: 25 }),
          layerOf('d', 'rose', { kind: 'crescent', from: 0.2, to: 0.6, count: 4, dense: 'start', thin: 0.5 }, { run }),
          layerOf('s', 'ticket-sign', { kind: 'single', at: 0.2, drop: 0 }, { run: runsOf(base)[0]!.id, lean: 15 }),
          guest('b', 'heather', on('a', { spot: 'place', along: 0.4, across: 0.6 }), { lean: 20 }),
          guest('c', 'heather', on('d', { spot: 'place', along: 0.7, across: -0.6, every: 2 }), { lean: 35 }),
          guest('e', 'acorn', on('s', { spot: 'place', along: 0.8, across: -0.9 })),
        ],
        { base },
      )
      const [one, other] = [piece, mirrorPiece(piece, 'twin', 'twin')].map((each) =>
        laidOf(each).all.filter(({ layer }) => 'bce'.includes(layer)),
      ) as [Placement[], Placement[]]
      const key = (layer: string, x: number, y: number) => `${layer} ${x.toFixed(3)} ${y.toFixed(3)}`.replaceAll('-0.000', '0.000')
      expect(other.map(({ layer, x, y }) => key(layer, -x, y)).sort(), kind).toEqual(one.map(({ layer, x, y }) => key(layer, x, y)).sort())
      const points = (all: Placement[], side: 1 | -1) =>
        all
          .filter(({ layer }) => layer !== 'e')
          .map(({ layer, bearing }) => key(layer, side * Math.cos(radians(bearing)), Math.sin(radians(bearing))))
          .sort()
      expect(points(other, -1), kind).toEqual(points(one, 1))
    }
  })

  it('lays the same whether it remembers the last piece or not', async () => {
    const { LaidMemory } = await import('./layout')
    const memory = new LaidMemory()
    const piece = pieceWith([roses, guest('b', 'acorn', on('r'))])
    const runs = runsOf(piece.base)
    arrange(piece, runs, shelf, memory)
    const next = edited(piece, {
      do: 'nudge',
      layer: 'r',
      slot: '2',
      nudge: { along: 30, across: 0, turn: 0, lift: 0, trim: null, pinned: false },
    })
    expect(arrange(next, runs, shelf, memory)).toEqual(arrange(next, runs, shelf))
  })
})

describe('hands that put things on things', () => {
  const sign = layerOf('s', 'plank-sign', { kind: 'single', at: 0.5, drop: 0 })
  const roses = layerOf('r', 'rose', compass(5))
  const context = (piece: Piece) => ({ piece, runs: runsOf(piece.base), ...laidOf(piece) })

  it('drop one in the middle of a thing, and the next of its kind into the same layer', () => {
    const { piece, of } = context(pieceWith([roses]))
    const first = dropOnThing(piece, shelf.materials['acorn']!, of('r')[1]!)
    const one = edited(piece, first.edit)
    expect(at(laidOf(one).of(first.layer)[0]!)).toEqual(near(of('r')[1]!))
    const second = dropOnThing(one, shelf.materials['acorn']!, of('r')[3]!)
    expect(second.layer).toBe(first.layer)
    expect(
      laidOf(edited(one, second.edit))
        .of(first.layer)
        .map(({ bearer }) => bearer),
    ).toEqual(['r:1', 'r:3'])
    expect(dropOnThing(one, shelf.materials['acorn']!, of('r')[1]!).edit).toMatchObject({ set: { rule: { only: ['1'] } } })
  })

  it('take a thing from the base onto another, and off it again', () => {
    const { piece, of } = context(pieceWith([sign, roses]))
    const put = edited(piece, putOnThing(piece, of('r')[0]!, of('s')[0]!, false, shelf)!)
    expect(laidOf(put).of('r')).toHaveLength(4)
    const [lying] = laidOf(put).all.filter(({ bearer }) => bearer !== null)
    expect(at(lying!)).toEqual(near(of('s')[0]!))
    const [run] = runsOf(piece.base)
    const off = edited(put, putOnBase(put, lying!, { run: run!, s: run!.length / 4, across: 0 }, true, shelf)!)
    const [free] = laidOf(off).of(lying!.layer)
    expect(free).toMatchObject({ bearer: null, x: expect.closeTo(inches(5)), y: expect.closeTo(0) })
    // All that its layer lays: the layer itself lies on the other from then on.
    const alone = pieceWith([sign, layerOf('x', 'rose', { kind: 'single', at: 0, drop: 0 })])
    const one = edited(alone, putOnThing(alone, laidOf(alone).of('x')[0]!, laidOf(alone).of('s')[0]!, true, shelf)!)
    expect(one.layers).toHaveLength(2)
    expect(laidOf(one).of('x')[0]!.bearer).toBe('s:0')
  })

  it('take one of several off what bears it, and put it there again', () => {
    const { piece, of } = context(pieceWith([roses]))
    const acorn = shelf.materials['acorn']!
    const drop = (on: Piece, slot: number) => edited(on, dropOnThing(on, acorn, laidOf(on).of('r')[slot]!).edit)
    const two = drop(drop(piece, 1), 3)
    const { id } = two.layers[1]!
    const [first] = laidOf(two).of(id)
    const [run] = runsOf(piece.base)
    const off = edited(two, putOnBase(two, first!, { run: run!, s: 0, across: 0 }, false, shelf)!)
    expect(
      laidOf(off)
        .of(id)
        .map(({ bearer }) => bearer),
    ).toEqual(['r:3'])
    expect(
      laidOf(drop(off, 1))
        .of(id)
        .map(({ bearer }) => bearer),
    ).toEqual(['r:1', 'r:3'])
    // From one straight onto another of the same layer it stays in its own.
    const moved = edited(two, putOnThing(two, first!, of('r')[4]!, false, shelf)!)
    expect(moved.layers).toHaveLength(2)
    expect(
      laidOf(moved)
        .of(id)
        .map(({ bearer }) => bearer),
    ).toEqual(['r:3', 'r:4'])
    // Taken off by key it can be put there again as well.
    const gone = edited(two, takeOffBearing(two, takenOffWith([first!], null, laidOf(two).all), false, runsOf(piece.base), shelf))
    expect(laidOf(drop(gone, 1)).of(id)).toHaveLength(2)
  })

  it('take off a thing and what it lies on, of both at once', () => {
    const { piece, of, all, runs } = context(
      pieceWith([roses, guest('b', 'cone-small', on('r', { only: ['0', '1', '2'] })), guest('c', 'acorn', on('b'))]),
    )
    const off = takenOffWith([of('r')[0]!, of('b')[1]!], null, all)
    expect(off.borne.map(({ layer }) => layer).sort()).toEqual(['b', 'c', 'c'])
    const next = edited(piece, takeOffBearing(piece, off, false, runs, shelf))
    expect(next.layers[1]!.rule).toMatchObject({ only: ['2'] })
    expect(laidOf(next).of('c')).toHaveLength(1)
  })

  it('put nothing on itself, on what it bears, or on what bears nothing', () => {
    const { piece, of } = context(
      pieceWith([roses, guest('b', 'cone-small', on('r')), layerOf('w', 'ribbon-slate', usualRule('wound', ''))]),
    )
    expect(canLieOn(piece, 'r', 'b')).toBe(false)
    expect(canLieOn(piece, 'r', 'r')).toBe(false)
    expect(canLieOn(piece, 'b', 'r')).toBe(true)
    expect(canLieOn(piece, null, 'w')).toBe(false)
    expect(putOnThing(piece, of('r')[0]!, of('b')[0]!, false, shelf)).toBeNull()
  })

  it('move what bears a thing without moving that twice', () => {
    const { of, all } = context(pieceWith([roses, guest('b', 'acorn', on('r'))]))
    expect(movedAlone([of('r')[0]!, of('b')[0]!, of('b')[1]!], all)).toEqual([of('r')[0]!, of('b')[1]!])
  })

  it('take away what bears others, and these with it', () => {
    const { piece, of, all, runs } = context(pieceWith([roses, guest('b', 'cone-small', on('r')), guest('c', 'acorn', on('b'))]))
    const off = takenOffWith(of('r'), 'r', all)
    expect(off.borne).toHaveLength(10)
    expect(edited(piece, takeOffBearing(piece, off, false, runs, shelf)).layers).toEqual([])
  })

  it('take away what bears others, and leave these where they are', () => {
    const { piece, of, all, runs } = context(
      pieceWith([roses, guest('b', 'heather', on('r', { spot: 'place', along: 0.5, across: 0.3 }), { lean: 40 })]),
    )
    const left = edited(piece, takeOffBearing(piece, takenOffWith(of('r'), 'r', all), true, runs, shelf))
    const now = laidOf(left)
    expect(now.all).toHaveLength(5)
    now.all.forEach((each, i) => {
      expect(Math.hypot(each.x - of('b')[i]!.x, each.y - of('b')[i]!.y)).toBeLessThan(0.1)
      expect(Math.cos(radians(each.bearing - of('b')[i]!.bearing))).toBeCloseTo(1, 6)
      expect(each.bearer).toBeNull()
    })
  })

  it('take off one of those that bear others: only what lay on it goes, and a rule that named it does so no more', () => {
    const { piece, of, all, runs } = context(
      pieceWith([roses, guest('b', 'acorn', on('r', { only: ['0', '2'] })), guest('c', 'acorn', on('r', { only: ['2'] }))]),
    )
    const next = edited(piece, takeOffBearing(piece, takenOffWith([of('r')[2]!], null, all), false, runs, shelf))
    expect(next.layers.map(({ id }) => id)).toEqual(['r', 'b'])
    expect(next.layers[1]!.rule).toMatchObject({ only: ['0'] })
    expect(
      laidOf(next)
        .of('b')
        .map(({ bearer }) => bearer),
    ).toEqual(['r:0'])
  })
})
