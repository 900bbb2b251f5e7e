import { describe, expect, it } from 'vitest'
import { runsOf, usualBase } from '../base'
import type { BaseKind } from '../base'
import type { Edit, Layer, Piece, Rule } from '../piece'
import { edit, STILL } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { fitTo, swap, withCount } from './counts-and-swaps'
import { copyAcross, duplicate, mirrorAll, nudgeAll, nudgeBy, takeOff } from './manual-edits'
import { arrange } from './layout'

const compass = (count: number) => ({ kind: 'compass' as const, count, start: 0 })
/** By layer and slot, in whatever order they are laid. */
const lay = (piece: Piece) =>
  arrange(piece, runsOf(piece.base), shelf).flatMap(({ placements }) => [...placements].sort((a, b) => a.number - b.number))
const after = (piece: Piece, how: Edit): Piece => {
  const edited = edit(piece, how, 'by hand')
  if (!edited.ok) throw new Error(edited.error)
  return edited.change.piece
}
const place = ({ x, y }: { x: number; y: number }) => [Math.round(x * 100) / 100 + 0, Math.round(y * 100) / 100 + 0]

describe('nudges', () => {
  const piece = pieceWith([layerOf('a', 'bracken', compass(6))])
  it('add up, and keep within what a piece may hold', () => {
    const [, one] = lay(piece)
    const twice = after(
      after(piece, nudgeBy(piece, one!, { along: 4, turn: 170, across: 1.5, lift: 1 })),
      nudgeBy(after(piece, nudgeBy(piece, one!, { along: 4, turn: 170, across: 1.5, lift: 1 })), one!, {
        along: 3,
        turn: 20,
        across: 1,
        trim: 90,
        pinned: true,
      }),
    )
    expect(twice.layers[0]!.nudges['1']).toEqual({ along: 7, across: 2, turn: -170, lift: 1, trim: 90, pinned: true })
    expect(lay(twice)[1]).toMatchObject({ length: 90, pinned: true, lift: 1 })
  })
  it('move many together', () => {
    const moved = lay(
      after(
        piece,
        nudgeAll(piece, lay(piece).slice(0, 3), () => ({ along: 10 })),
      ),
    )
    expect(moved.map(({ s, ruled }) => Math.round(s - ruled))).toEqual([10, 10, 10, 0, 0, 0])
  })
})

describe.each<BaseKind>(['grapevine', 'heart', 'tree-swag', 'mantel-garland', 'door-garland', 'gourd'])('on a %s', (kind) => {
  const base = usualBase(kind)
  const runs = runsOf(base)
  const piece = pieceWith(
    [
      layerOf(
        'a',
        'bracken',
        { kind: 'crescent', from: 0.1, to: 0.4, count: 4, dense: 'middle', thin: 0 },
        { run: runs[0]!.id, lean: 15, nudges: { 2: { ...STILL, across: 0.4, turn: 30 } } },
      ),
    ],
    { base },
  )
  const things = lay(piece)

  it('copies to the other side, as a mirror shows it', () => {
    const all = lay(after(piece, copyAcross(piece, things, runs, shelf)))
    expect(all).toHaveLength(8)
    const copies = all.filter(({ added }) => added)
    expect(copies.map((each) => place({ x: -each.x, y: each.y }))).toEqual(things.map(place))
    copies.forEach((copy, i) => expect(Math.cos(((copy.bearing - (180 - things[i]!.bearing)) * Math.PI) / 180)).toBeCloseTo(1, 3))
  })
  it('moves to the other side', () => {
    const all = lay(after(piece, mirrorAll(piece, things.slice(0, 2), runs, shelf)))
    expect(all).toHaveLength(4)
    expect(all.filter(({ added }) => added).map((each) => place({ x: -each.x, y: each.y }))).toEqual(things.slice(0, 2).map(place))
  })
  it('puts another beside each, and takes off what it is told to', () => {
    const doubled = after(piece, duplicate(piece, things, runs, shelf))
    expect(lay(doubled)).toHaveLength(8)
    const fewer = after(doubled, takeOff(lay(doubled).slice(2, 6)))
    expect(lay(fewer).map(({ slot }) => slot)).toEqual(['0', '1', '+h3', '+h4'])
  })
})

describe('fitTo', () => {
  const runs = runsOf(usualBase('grapevine'))
  const fit = (rule: Rule, stems: number, set: Partial<Layer> = {}) => fitTo(layerOf('a', 'bay', rule, set), stems, runs, shelf)
  it('spreads what is in hand as the rule goes, cut pieces counted', () => {
    expect(fit(compass(6), 10)).toEqual({ rule: compass(10), pieces: 10 })
    expect(fit(compass(6), 10, { cut: 150 })!.pieces).toBe(20)
    expect(fit({ kind: 'every', spacing: 10, start: 0 }, 8)!.rule).toMatchObject({ spacing: expect.closeTo(runs[0]!.length / 8, 6) })
    expect(fit({ kind: 'cluster', at: [0.1, 0.5], size: 3 }, 11)!.rule).toMatchObject({ size: 5 })
    expect(fit({ kind: 'halfway', of: 'x' }, 8)).toBeNull()
  })
  it('shares between the runs it lies on', () => {
    const arms = runsOf(usualBase('tree-swag'))
    expect(fitTo(layerOf('a', 'bay', compass(3), { run: 'each' }), 20, arms, shelf)!.rule).toMatchObject({ count: 10 })
    expect(fitTo(layerOf('a', 'bay', { kind: 'arms', count: 4, from: 0, to: 1 }, { run: 'each' }), 20, arms, shelf)!.rule).toMatchObject({
      count: 20,
    })
    expect(fitTo(layerOf('a', 'bay', compass(3), { run: 'gone' }), 20, arms, shelf)).toBeNull()
  })
  it('never asks for more than a layer holds', () =>
    expect(withCount(compass(1), 9999, { length: 1, closed: true, piece: 1 })).toMatchObject({ rule: { count: 500 }, takes: 500 }))
})

describe('swap', () => {
  const swapped = (layer: Layer, from: string, to: string) => {
    const piece = pieceWith([layer])
    const runs = runsOf(piece.base)
    const how = swap({ piece, runs, shelf }, arrange(piece, runs, shelf)[0]!, from, to)
    return how && { how, piece: after(piece, how.edit) }
  }
  it('covers as much: n round ones of diameter d like n d²', () => {
    const { how, piece } = swapped(layerOf('a', 'dahlia', compass(9)), 'dahlia', 'daisy')!
    const [big, small] = [shelf.materials['dahlia']!.length, shelf.materials['daisy']!.length]
    expect(how).toMatchObject({ before: 9, after: Math.round((9 * big ** 2) / small ** 2) })
    expect(lay(piece).every(({ material }) => material === 'daisy')).toBe(true)
    expect(lay(piece)).toHaveLength(how.after)
  })
  it('leaves the rest of a mix as many as they were', () => {
    const mix = [
      { material: 'bay', share: 1, only: null },
      { material: 'ivy', share: 1, only: null },
    ]
    const { how, piece } = swapped(layerOf('a', 'bay', compass(12), { mix }), 'bay', 'boxwood')!
    const count = (id: string) => lay(piece).filter(({ material }) => material === id).length
    expect([count('ivy'), count('boxwood')]).toEqual([6, how.after])
  })
  it('replaces what hands put on, and changes no count that the rule does not own', () => {
    const layer = layerOf(
      'a',
      'rose',
      { kind: 'single', at: 0.2, drop: 0 },
      { added: [{ id: 'h1', run: 'ring', at: 0.5, across: 0, turn: 0, material: 'rose' }] },
    )
    const { how, piece } = swapped(layer, 'rose', 'peony')!
    expect(how).toMatchObject({ before: 1, after: 1 })
    expect(lay(piece).map(({ material }) => material)).toEqual(['peony', 'peony'])
  })
  it('knows what it cannot do', () => {
    expect(swapped(layerOf('a', 'rose', compass(3)), 'rose', 'rose')).toBeNull()
    expect(swapped(layerOf('a', 'rose', compass(3)), 'bay', 'rose')).toBeNull()
    expect(swapped(layerOf('a', 'rose', compass(3)), 'rose', 'moonwort')).toBeNull()
  })
})
