import { describe, expect, it } from 'vitest'
import { runsOf, usualBase } from '../base'
import type { Layer, Rule } from '../piece'
import { EACH } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { arrange } from './layout'

const compass = (count: number): Rule => ({ kind: 'compass', count, start: 0 })
const CRESCENT: Rule = { kind: 'crescent', from: 0.3, to: 0.8, count: 6, dense: 'middle', thin: 0.5 }
/** The slots of a layer on a ring, in the order in which hands lay them. */
const order = (rule: Rule, set: Partial<Layer> = {}, material = 'bay'): string =>
  laid(pieceWith([layerOf('a', material, rule, set)]))
    .map(({ slot }) => slot)
    .join(' ')
const laid = (piece: ReturnType<typeof pieceWith>) => arrange(piece, runsOf(piece.base), shelf)[0]!.placements

// Common practice: against the way in which the tips point, so that each hides the stem end of the last.
describe('stems', () => {
  it('that point clockwise are laid anticlockwise, from the seat round', () => {
    // Eight, an eighth of the ring apart from twelve on: the seat at six lies on the fourth, in the gap before it or after.
    expect(order(compass(8), { flow: 'clockwise' })).toBe('3 2 1 0 7 6 5 4')
    expect(order(compass(8), { flow: 'clockwise', seat: 0.1 })).toBe('0 7 6 5 4 3 2 1')
  })
  it('that point anticlockwise are laid clockwise', () => {
    expect(order(compass(8), { flow: 'anticlockwise', seat: 0.1 })).toBe('1 2 3 4 5 6 7 0')
    expect(order(compass(8), { flow: 'clockwise', lean: 170, seat: 0.1 })).toBe('1 2 3 4 5 6 7 0')
  })
  it('of a crescent begin at its own end, wherever the seat is', () => {
    expect(order(CRESCENT, { flow: 'clockwise' })).toBe('5 4 3 2 1 0')
    expect(order(CRESCENT, { flow: 'anticlockwise' })).toBe('0 1 2 3 4 5')
  })
  it('that part at a seat are laid towards it from both sides, and that meet there away from it', () => {
    // Seat at twelve, with one stem on it: 4 lies over against it, 0 at it.
    expect(order(compass(8), { flow: 'apart', seat: 0 })).toBe('4 3 5 2 6 1 7 0')
    expect(order(compass(8), { flow: 'together', seat: 0 })).toBe('0 1 7 2 6 3 5 4')
  })
  it('keep the order of their rule where none would hide anything, and so do heads', () => {
    for (const flow of ['outward', 'inward', 'nest'] as const) expect(order(compass(4), { flow })).toBe('0 1 2 3')
    expect(order(compass(4), { flow: 'clockwise' }, 'dahlia')).toBe('0 1 2 3')
  })
  it('of a swag are laid from its ends to the middle, left and right in turn where they are arms', () => {
    const swag = (rule: Rule) =>
      laid(pieceWith([layerOf('a', 'fir', rule, { run: EACH, flow: 'clockwise' })], { base: usualBase('tree-swag') })).map(
        ({ run, s }) => ({ run, s: Math.round(s) }),
      )
    const each = swag(compass(3))
    expect(each.map(({ run }) => run)).toEqual(['left', 'left', 'left', 'right', 'right', 'right'])
    expect(each[0]!.s).toBeGreaterThan(each[1]!.s)
    expect(each[1]!.s).toBeGreaterThan(each[2]!.s)
    const arms = swag({ kind: 'arms', count: 6, from: 0, to: 1 })
    expect(arms.map(({ run }) => run)).toEqual(['left', 'right', 'left', 'right', 'left', 'right'])
    expect(arms.map(({ s }) => s)).toEqual(arms.map(({ s }) => s).sort((a, b) => b - a))
  })
  it('that a hand adds come after those of the rule, and a nudge leaves the order', () => {
    const nudges = { 5: { along: 60, across: 0, turn: 0, lift: 0, trim: null, pinned: false } }
    const added = [{ id: 'h1', run: 'ring', at: 0.9, across: 0, turn: 0, material: 'bay' }]
    expect(order(compass(8), { flow: 'clockwise', seat: 0.1, nudges, added })).toBe('0 7 6 5 4 3 2 1 +h1')
  })
  it('in rows are laid row by row', () => {
    const rows = order({ kind: 'bands', outer: 3, between: 2, inner: 2, gaps: false }, { flow: 'clockwise', seat: 0.05 })
    expect(rows.replaceAll(/\.\d/g, '')).toBe('outer outer outer between between inner inner')
  })
})
