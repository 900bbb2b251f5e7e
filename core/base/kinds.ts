import type { Minor } from '../measure'
import { inches } from '../measure'
import type { Base, BaseKind } from './schema'
import type { Run } from './run'
import { ringRun } from './run'

export interface UsualSize { readonly outer: number, readonly inner: number, readonly price: Minor }

export interface BaseSort {
  readonly kind: BaseKind
  readonly name: string
  /** What a hand should know before choosing it. */
  readonly note: string
  readonly colour: string
  readonly colours: readonly { readonly name: string, readonly colour: string }[]
  /** From small to large. */
  readonly sizes: readonly UsualSize[]
  /** What the join is called on this base. */
  readonly join: string
  readonly prepare: readonly string[]
}

const size = (outer: number, inner: number, price: Minor): UsualSize => ({ outer: inches(outer), inner: inches(inner), price })

/** Usual sizes and prices are common practice, not a standard: any size can be typed in. */
export const BASE_SORTS: Record<BaseKind, BaseSort> = {
  'grapevine': {
    kind: 'grapevine', name: 'Grapevine', colour: '#6B4B33',
    note: 'Stems push in between the vines and hold by themselves. Wire goes through.',
    colours: [{ name: 'Brown vine', colour: '#6B4B33' }, { name: 'Pale vine', colour: '#A58A63' }, { name: 'Whitewashed', colour: '#CFC6B6' }],
    sizes: [size(10, 6, 449), size(12, 8, 549), size(14, 9.5, 699), size(18, 13, 999), size(24, 18, 1599)],
    join: 'wrapped end', prepare: ['Shake out loose bark and clip stray tendrils you do not want.'],
  },
  'wire-ring': {
    kind: 'wire-ring', name: 'Wire ring', colour: '#37524A',
    note: 'Four wires with cross ties. Bundles and paddle wire hold on it; nothing tucks in.',
    colours: [{ name: 'Green wire', colour: '#37524A' }, { name: 'Bare wire', colour: '#8C8E8C' }, { name: 'White wire', colour: '#E4E4DF' }],
    sizes: [size(8, 5, 199), size(10, 7, 249), size(12, 8.5, 299), size(14, 10, 349), size(16, 12, 429), size(18, 13.5, 499), size(24, 19, 899)],
    join: 'weld', prepare: ['Bend it flat again if it came out of the packet warped.'],
  },
  'hoop': {
    kind: 'hoop', name: 'Hoop', colour: '#B08D4A',
    note: 'Thin and smooth: what is on it shows from all sides. Wire to place, glue to hold.',
    colours: [{ name: 'Brass', colour: '#B08D4A' }, { name: 'Black', colour: '#2F2D2C' }, { name: 'Copper', colour: '#A9683F' }, { name: 'Bent wood', colour: '#C29D6B' }],
    sizes: [size(8, 7.5, 299), size(10, 9.5, 349), size(12, 11.5, 429), size(14, 13.5, 499), size(16, 15.5, 629), size(20, 19.5, 899)],
    join: 'join', prepare: ['Wipe it with a dry cloth: glue does not hold on grease.'],
  },
  'straw': {
    kind: 'straw', name: 'Straw', colour: '#C9A75E',
    note: 'Pins and picks hold in it. Its plastic wrap stays on.',
    colours: [{ name: 'Straw', colour: '#C9A75E' }, { name: 'Pale straw', colour: '#DCC68C' }],
    sizes: [size(8, 4, 349), size(10, 6, 449), size(12, 7, 549), size(14, 9, 649), size(18, 12.5, 949)],
    join: 'twine knot', prepare: ['Leave the plastic wrap on: it keeps the straw together.'],
  },
}

/** The runs that a base offers. A ring offers one closed run. */
export function runsOf(base: Pick<Base, 'kind' | 'outer' | 'inner'>): Run[] {
  return [ringRun('ring', 'ring', base.outer, base.inner)]
}

/** What the usual size nearest to this one costs, minor units. */
export function usualPrice(base: Pick<Base, 'kind' | 'outer'>): Minor {
  const sizes = BASE_SORTS[base.kind].sizes
  return sizes.reduce((best, each) =>
    (Math.abs(each.outer - base.outer) < Math.abs(best.outer - base.outer) ? each : best)).price
}

/** A base of its kind in its middle usual size. */
export function usualBase(kind: BaseKind): Base {
  const sort = BASE_SORTS[kind]
  const middle = sort.sizes[Math.floor(sort.sizes.length / 2)]!
  return { kind, outer: middle.outer, inner: middle.inner, colour: sort.colour, join: 180, price: null }
}
