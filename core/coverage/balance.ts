import type { LaidLayer, LaidPiece, Placement } from '../placement'
import type { Run } from '../base'
import { distanceBetween, mirrored } from '../base'
import type { Shelf } from '../material'
import type { Figure, Point, Rated } from '../measure'
import { degrees, figure, onceWith, quantity, radians, rate, RULE_OF_THUMB, sum, wrapDegrees } from '../measure'
import type { Brief } from '../piece'
import type { Sector } from './coverage'
import { visualWeight } from './colour-and-weight'
import { EVEN_WITHIN, MEANT_WITHIN } from './rules-of-thumb'

/** Where the eye's weight of a piece lies. */
export interface Balance {
  /** Its centre, mm from the base's middle. */
  readonly centre: Point
  /** How far that is, as a share of half the base's longer side. */
  readonly off: Figure
  /** The heavy side, degrees clockwise from twelve; null when it lies in the middle. */
  readonly heavy: number | null
  /** Whether it lies as the design means it to. */
  readonly asMeant: boolean
  /** Visual weight by sector, in the order of the coverage's sectors. */
  readonly sectors: readonly number[]
}

/** How far a centre is from where a school wants it, share of the reach: 0 is right. */
export function offBy({ school, towards }: Brief['balance'], { x, y }: Point, reach: number, by: Rated): number {
  if (school === 'mirrored') return Math.abs(x) / reach
  const off = Math.hypot(x, y) / reach
  if (school === 'even') return off
  const least = 2 * rate(EVEN_WITHIN, by)
  const [tx, ty] = [Math.sin(radians(towards)), -Math.cos(radians(towards))]
  const far = Math.max(off, least)
  return Math.hypot(x / reach - tx * far, y / reach - ty * far)
}

interface Weighed {
  readonly x: number
  readonly y: number
  readonly all: number
  readonly bySector: readonly number[]
}

const weighing = onceWith<LaidLayer, Weighed>()

/** A layer's weight and its moments. */
const layerWeight = (laid: LaidLayer, runs: readonly Run[], sectors: readonly Sector[], shelf: Shelf): Weighed =>
  weighing(laid, [runs, shelf.materials], () => {
    let [x, y, all] = [0, 0, 0]
    const bySector = sectors.map(() => 0)
    for (const placement of laid.placements) {
      const weight = visualWeight(placement, shelf)
      x += weight * placement.x
      y += weight * placement.y
      all += weight
      const own = sectors.findIndex((sector) => sector.run === placement.run && within(runs, sector, placement.s))
      if (own >= 0) bySector[own]! += weight
    }
    return { x, y, all, bySector }
  })

/** Towards which a piece is heavy: by the clock, degrees, or to one end of what lies along. */
export type HeavySide = { readonly towards: number } | { readonly to: 'left' | 'right' }

/** @returns null where it is heavy nowhere @param closed whether the piece is read by the clock */
export const heavySide = ({ heavy, centre }: Pick<Balance, 'heavy' | 'centre'>, closed: boolean): HeavySide | null =>
  heavy === null ? null : closed ? { towards: heavy } : { to: centre.x > 0 ? 'right' : 'left' }

/** @param reach half the bare base's longer side, mm */
export function balanceOf({ piece, laid, runs, shelf }: LaidPiece, reach: number, sectors: readonly Sector[]): Balance {
  const weighed = laid.map((each) => layerWeight(each, runs, sectors, shelf))
  const total = (of: 'x' | 'y' | 'all'): number => weighed.reduce((sum, each) => sum + each[of], 0)
  const [x, y, all] = [total('x'), total('y'), total('all')]
  const bySector = sectors.map((_, i) => weighed.reduce((sum, each) => sum + each.bySector[i]!, 0))
  // A hanging or a garland is not even about its own middle from top to bottom: only a closed base is.
  const closed = runs[0]!.closed
  const centre = all > 0 ? { x: x / all, y: closed ? y / all : 0 } : { x: 0, y: 0 }
  const off = Math.hypot(centre.x, centre.y) / reach
  const even = rate(EVEN_WITHIN, shelf)
  const heavy = off < even / 4 ? null : wrapDegrees(degrees(Math.atan2(centre.x, -centre.y)))
  const { school, towards } = piece.brief.balance
  const asMeant =
    school === 'offset'
      ? off >= even && heavy !== null && Math.abs(((heavy - towards + 540) % 360) - 180) <= rate(MEANT_WITHIN, shelf)
      : offBy(piece.brief.balance, centre, reach, shelf) <= even
  return {
    centre,
    heavy,
    asMeant,
    sectors: bySector,
    off: figure(
      quantity.share(off),
      all > 0
        ? sum`the mean place of all that is on it, by area, darkness, strength and texture, lies ${quantity.length(Math.hypot(centre.x, centre.y))} from the middle; ÷ half the base, ${quantity.length(reach)} = ${quantity.share(off)}`
        : sum`nothing laid yet`,
      RULE_OF_THUMB,
    ),
  }
}

function within(runs: readonly Run[], { run: id, from, length }: Sector, s: number): boolean {
  const run = runs.find((each) => each.id === id)!
  const into = run.closed ? (((s - from) % run.length) + run.length) % run.length : s - from
  return into >= 0 && into < length
}

/** Roles whose things an eye looks for on the other side as well. */
const ANSWERED = new Set(['accent', 'focal'])

export interface Unanswered {
  readonly thing: Placement
  readonly run: Run
  readonly s: number
}

/** Accents on the heavy side that have none like them on the other, heaviest first, with the place of their counterpart. */
export function unanswered(laid: readonly LaidLayer[], balance: Balance, runs: readonly Run[], shelf: Shelf): Unanswered[] {
  const side = Math.sign(balance.centre.x)
  if (!side) return []
  const all = laid.filter(({ layer }) => ANSWERED.has(layer.role)).flatMap(({ placements }) => placements)
  return all
    .filter(({ x }) => x * side > 0)
    .flatMap((thing): Unanswered[] => {
      const run = runs.find(({ id }) => id === thing.run)!
      const other = runs.find(({ id }) => id === run.mirror.run) ?? run
      const s = mirrored(run, thing.s)
      const answered = all.some(
        (each) =>
          each.id !== thing.id &&
          each.material === thing.material &&
          each.run === other.id &&
          distanceBetween(other, each.s, s) < thing.width * 1.2,
      )
      return answered || (other.id === run.id && distanceBetween(run, s, thing.s) < thing.width) ? [] : [{ thing, run: other, s }]
    })
    .sort((a, b) => visualWeight(b.thing, shelf) - visualWeight(a.thing, shelf))
}
