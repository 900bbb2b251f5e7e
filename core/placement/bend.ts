import type { Run } from '../base'
import { onRun, stationAt } from '../base'
import type { Material, Shelf } from '../material'
import { materialOf } from '../material'
import type { Said } from '../measure'
import { capital, clamp, degrees, quantity, radians, several, sum } from '../measure'
import type { Layer } from '../piece'
import type { Placement } from './placement'

/** How the stems of a layer take the bend that is asked of them, in words; empty where none of them bends. @param placements of the layer */
export function bendSaid(layer: Pick<Layer, 'bend' | 'mix'>, placements: readonly Placement[], shelf: Shelf): Said {
  const materials = layer.mix.flatMap(({ material }) => materialOf(shelf, material) ?? [])
  if (!materials.some(({ curve }) => curve !== null)) return []
  const said = materials.map(({ id, name, plural, curve, wired }): Said => {
    const own = capital(plural)
    if (curve === null) return [`${own} stay straight.`]
    const tight = placements.flatMap((each) => (each.material === id && each.tight !== null ? each.tight : []))
    const takes = sum`${own} ${wired ? 'are wired and take' : 'take'} a radius of ${quantity.length(curve)} at the tightest.`
    if (!tight.length) return takes
    const asked = quantity.length(Math.min(...tight))
    return [...takes, ...sum` ${several(tight.length, name, plural)} would have to bend to ${asked} here: they bend as far as they take.`]
  })
  return said.flatMap((each, i) => (i > 0 ? [' ', ...each] : each))
}

/** Bends are taken in steps of so many degrees from foot to tip, so that stems bent all but alike share a drawing. */
export const BEND_STEP = 10
/** No stem is bent further round than this, degrees. */
const FARTHEST = 270
/** Steps in which the turn of a run is followed along a stem, mm, and how many there are at least. */
const FOLLOWED = 15
const FEWEST = 4
/** A stem on the inside of a curve is asked for no more than so many times the curve of the middle. */
const TIGHTER = 1.6

/** A stem that is about to be bent, where it is held. */
export interface Straight {
  readonly run: Run
  /** mm along the run, and half widths across it */
  readonly s: number
  readonly t: number
  /** degrees */
  readonly bearing: number
  /** mm */
  readonly length: number
}

/** How a stem is bent. */
export interface Bent {
  /** From foot to tip, degrees clockwise, as far as it takes it. */
  readonly bend: number
  /** The radius it was asked for, mm, where that is tighter than it takes; else null. */
  readonly tight: number | null
}

const STRAIGHT: Bent = { bend: 0, tight: null }

/**
 * How far a run turns from one place on it to another, degrees clockwise as the drawing shows it, negative against the clock.
 * @param from mm along @param by mm from there, negative back; an open run ends where it ends
 */
export function turnOfRun(run: Run, from: number, by: number): number {
  const steps = Math.max(FEWEST, Math.ceil(Math.abs(by) / FOLLOWED))
  const headingAt = (i: number): number => {
    const { tx, ty } = stationAt(run, onRun(run, from + (by * i) / steps))
    return degrees(Math.atan2(ty, tx))
  }
  let turned = 0
  let last = headingAt(0)
  for (let i = 1; i <= steps; i++) {
    const next = headingAt(i)
    turned += ((next - last + 540) % 360) - 180
    last = next
  }
  return turned
}

/**
 * How far a stem bends that is to end on the run again, degrees clockwise: as the run turns where that is even, less where a corner comes
 * only toward its tip, since a stem that bends all the way up would leave the run long before.
 * @param from mm along @param by mm from there, negative back
 */
export function turnAlong(run: Run, from: number, by: number): number {
  const turned = turnOfRun(run, from, by)
  const foot = stationAt(run, from)
  const tip = stationAt(run, onRun(run, from + by))
  const way = Math.sign(by) || 1
  const [dx, dy] = [tip.x - foot.x, tip.y - foot.y]
  const [tx, ty] = [foot.tx * way, foot.ty * way]
  // Tangent and chord of an arc stand at half of its angle.
  const chord = 2 * degrees(Math.atan2(tx * dy - ty * dx, tx * dx + ty * dy))
  if (chord * turned <= 0) return 0
  return Math.abs(chord) < Math.abs(turned) ? chord : turned
}

/** The curve of a run that is asked of a stem that lies along it, degrees clockwise to the mm of the stem. */
function curveAlong({ run, s, t, bearing, length }: Straight): number {
  const { tx, ty, nx, ny, half } = stationAt(run, s)
  const way = Math.cos(radians(bearing)) * tx + Math.sin(radians(bearing)) * ty
  const by = length * way
  if (Math.abs(by) < 1) return 0
  const curve = turnAlong(run, s, by) / Math.abs(by)
  // Farther out the same turn is made on a longer way, half way up the stem by the mean: positive where the outer side is the right hand one.
  const outIsRight = (-nx * ty + ny * tx) * Math.sign(way)
  const out = Math.cos(radians(bearing)) * nx + Math.sin(radians(bearing)) * ny
  const share = 1 - radians(curve) * outIsRight * (t * half + (length / 2) * out)
  // A stem that keeps its angle to a circle runs in a spiral: its curve is the cosine of that angle of the circle's.
  return (curve * Math.abs(way)) / Math.max(1 / TIGHTER, share)
}

/** Which sides of a run a layer takes for its outer one and for onward: -1 where it is mirrored and the run is not, or runs the other way. */
export interface Sides {
  readonly outer: 1 | -1
  readonly onward: 1 | -1
}

/** The curve of a radius that hands bend stems to, toward one side of the run. */
function curveToward(radius: number, toward: 'in' | 'out', { outer, onward }: Sides, { run, s, bearing }: Straight): number {
  const { tx, ty, nx, ny } = stationAt(run, s)
  const [hx, hy] = [Math.cos(radians(bearing)), Math.sin(radians(bearing))]
  const out = outer * (nx * -hy + ny * hx)
  const along = onward * (tx * -hy + ty * hx)
  // What stands off the run has no inner side: it bends along it.
  const right = Math.abs(out) >= Math.abs(along) ? out : -along
  return ((toward === 'out' ? 1 : -1) * Math.sign(right || 1) * degrees(1)) / radius
}

/**
 * How a stem of a layer is bent: with its run, to a radius of its own, or not at all; never tighter than its material takes.
 * @param on whether it lies on another thing, and so along no run
 */
export function bendOf(
  layer: Pick<Layer, 'bend'>,
  straight: Straight,
  { curve }: Pick<Material, 'curve'>,
  on: boolean,
  sides: Sides,
): Bent {
  const { bend } = layer
  if (bend === 'straight' || curve === null || (bend === 'run' && on)) return STRAIGHT
  const asked = bend === 'run' ? curveAlong(straight) : curveToward(bend.radius, bend.toward, sides, straight)
  const most = degrees(1) / curve
  const turn = clamp(asked * straight.length, -FARTHEST, FARTHEST)
  // The nearest step that it takes: one more would be tighter.
  const all = Math.floor((most * straight.length) / BEND_STEP + 1e-9)
  const steps = clamp(Math.round(turn / BEND_STEP), -all, all)
  return { bend: steps * BEND_STEP || 0, tight: Math.abs(asked) > most * (1 + 1e-6) ? degrees(1) / Math.abs(asked) : null }
}
