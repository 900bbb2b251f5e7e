import { placementId } from './placement'
import type { Run } from '../base'
import { across, along, onRun, stationAt } from '../base'
import type { BearingPlace } from './bearing'
import type { Sides } from './bend'
import { bendOf } from './bend'
import { OVER_BEARER, spotOn, turnedWith } from './bearing'
import type { Material, Shelf } from '../material'
import { materialOf, pieceLength } from '../material'
import type { Point } from '../measure'
import { degrees, radians, random, seedOf, wrapDegrees } from '../measure'
import type { Added, Layer, Nudge, RuleKind } from '../piece'
import { addedSlot, OTHER_WAY, partOfMaterial, STILL } from '../piece'
import { arrangingOf } from './rules'
import type { ShapedLength } from './construction-slots'
import type { Placement } from './placement'
import { runsFor } from './slots'

/** A thing that a hand puts into a layer, in its place; null when the base has no such run, or the shelf no such material. */
export function placeAdded(
  layer: Layer,
  { id, run: on, at, across: t, material: of, turn }: Added,
  { number, lift }: Pick<Laying, 'number' | 'lift'>,
  runs: readonly Run[],
  shelf: Shelf,
): Placement | null {
  const run = runs.find((each) => each.id === on)
  const material = materialOf(shelf, of)
  return run && material
    ? place(layerOn(layer, run, runs), {
        slot: addedSlot(id),
        run,
        ruled: at * run.length,
        number,
        lift,
        added: true,
        material,
        t,
        lean: layer.lean,
        turn,
        reach: 1,
        made: null,
        on: null,
      })
    : null
}

/** Kinds that hang level whatever the run does under them. */
const stands = ({ kind }: Pick<Material, 'kind'>): boolean => kind === 'bow' || kind === 'sign' || kind === 'letter' || kind === 'figure'

/** Whether a thing hangs level as it lies. */
export function standsLevel({ made, material: of }: Pick<Placement, 'made' | 'material'>, shelf: Shelf): boolean {
  const material = materialOf(shelf, of)
  return made ? made.turn === null : material !== undefined && stands(material)
}

/** A thing that is put in its place. */
export interface Laying {
  readonly slot: string
  readonly run: Run
  readonly ruled: number
  readonly number: number
  readonly material: Material
  readonly t: number
  readonly lean: number
  readonly turn: number
  readonly lift: number
  readonly added: boolean
  /** What share of its length it keeps. */
  readonly reach: number
  readonly made: ShapedLength | null
  /** What bears it; null on the base. */
  readonly on: BearingPlace | null
}

/** Puts a thing of a layer in its place: bearing, length and all. */
export function place(
  layer: Layer,
  { slot, run, ruled, number, material, t: own, lean, turn, lift, added, reach, made, on }: Laying,
): Placement {
  const seed = seedOf(layer.seed, slot)
  const nudge: Nudge = layer.nudges[slot] ?? STILL
  const s = onRun(run, ruled + nudge.along)
  const station = stationAt(run, s)
  const t = (on ? on.thing.t : added ? own : own * sideOf(layer, run)) + nudge.across
  const arranging = arrangingOf<RuleKind>(layer.rule.kind)
  const drop = arranging.drop?.(layer.rule) ?? 0
  const { x, y } = on ? borneAt(on, across(station, t)) : across(station, t)
  const bearing = on
    ? borneBearing(layer, on, { run, s, seed }, material, lean)
    : made
      ? madeBearing(layer, run, s, made)
      : stands(material)
        ? layer.lean
        : direction(layer, { run, s, seed }, material, lean)
  // A part is laid as it was made.
  const asMade = partOfMaterial(material.id) !== null
  const whole = asMade ? material.length : pieceLength(material, layer.cut)
  const pointing = wrapDegrees(bearing + turn + nudge.turn)
  const tapers = arranging.tapers === 'itself' ? 1 : taperAt(layer, run, s)
  const cut = (): number => (material.form === 'leaf' && !asMade ? Math.min(material.length, nudge.trim ?? whole * reach * tapers) : whole)
  const length = made ? made.length : cut()
  const lies = { run, s, t, bearing: pointing, length }
  const sides: Sides = { outer: sideOf(layer, run), onward: onwardOf(layer, run) }
  const bent = made || material.form !== 'leaf' ? null : bendOf(layer, lies, material, on !== null, sides)
  return {
    id: placementId(layer.id, slot),
    layer: layer.id,
    slot,
    number,
    material: material.id,
    run: run.id,
    s,
    ruled: onRun(run, ruled),
    t,
    x,
    y: y + drop,
    bearing: pointing,
    bend: bent?.bend ?? 0,
    tight: bent?.tight ?? null,
    length,
    whole: made ? made.length : whole,
    width: made ? made.width : material.width,
    form: made?.form ?? material.form,
    made,
    lift: (on ? on.thing.lift + OVER_BEARER : lift) + nudge.lift,
    bearer: on?.thing.id ?? null,
    seed,
    nudged: layer.nudges[slot] !== undefined,
    pinned: nudge.pinned,
    added,
    words: layer.words,
    cord: drop > 0 ? { x, y } : null,
  }
}

/** Where a borne thing lies, mm: at its spot, and so far from it as a hand moved it along the base. @param base where on the base that is */
function borneAt(on: BearingPlace, base: Point): Point {
  const spot = spotOn(on)
  const under = across(stationAt(on.run, on.thing.s), on.thing.t)
  return { x: spot.x + base.x - under.x, y: spot.y + base.y - under.y }
}

/** Where a borne thing points: with what bears it, or as it lies of itself; what stands level is tilted only with what does too. */
function borneBearing(layer: Layer, on: BearingPlace, lying: Lying, material: Material, lean: number): number {
  if (stands(material)) return on.rule.turns && on.level ? turnedWith(on, layer.lean) : layer.lean * (layer.mirrored ? -1 : 1)
  return on.rule.turns && material.form !== 'disc' ? turnedWith(on, lean) : direction(layer, lying, material, lean)
}

/** Where a made thing points: off its run, or level. */
function madeBearing(layer: Layer, run: Run, s: number, { turn }: ShapedLength): number {
  if (turn === null) return layer.lean
  const { tx, ty, nx, ny } = stationAt(run, s)
  const along = onwardOf(layer, run) * Math.cos(radians(turn))
  const out = sideOf(layer, run) * Math.sin(radians(turn))
  return degrees(Math.atan2(along * ty + out * ny, along * tx + out * nx))
}

/** -1 where a mirrored layer's outer side is the inner one of the run it lies on. */
const sideOf = ({ mirrored }: Layer, run: Run): 1 | -1 => (mirrored && run.mirror.flipped ? -1 : 1)

/** -1 where a mirrored layer goes on as the run it lies on goes back. */
const onwardOf = ({ mirrored }: Layer, run: Run): 1 | -1 => (mirrored && run.mirror.reversed ? -1 : 1)

/**
 * A layer as it lies on one of the base's runs. A mirrored layer's flow and seat are said for its first run; on one whose
 * places do not run backwards in the mirror they are its twin's.
 */
export function layerOn(layer: Layer, run: Run, runs: readonly Run[]): Layer {
  const first = runsFor(layer, runs)[0]
  return layer.mirrored && first?.mirror.reversed && !run.mirror.reversed
    ? { ...layer, flow: OTHER_WAY[layer.flow], seat: 1 - layer.seat }
    : layer
}

/** However much it tapers, a stem keeps this share of its length. */
const LEAST_TAPERED = 0.15

/** What share of its length a stem keeps here: longest in the middle of an open run or at a closed one's seat, shorter toward the ends. */
function taperAt({ taper, seat }: Layer, run: Run, s: number): number {
  if (taper === 0) return 1
  const out = run.closed
    ? Math.abs(((s - seat * run.length + 1.5 * run.length) % run.length) - run.length / 2) / (run.length / 2)
    : Math.abs(s - run.middle) / Math.max(run.middle, run.length - run.middle)
  return Math.max(LEAST_TAPERED, 1 - taper * Math.min(1, out))
}

/** Where a thing lies whose direction is asked for. */
interface Lying {
  readonly run: Run
  /** mm along it */
  readonly s: number
  readonly seed: number
}

function direction(layer: Layer, { run, s, seed }: Lying, material: Material, lean: number): number {
  if (material.form === 'disc') return random(seed).between(0, 360)
  const { tx, ty, nx, ny } = stationAt(run, s)
  const way = onwardOf(layer, run)
  const side = sideOf(layer, run)
  const off = radians(lean)
  /** The bearing of so much of the tangent and so much of the outward normal. */
  const bearing = (t: number, n: number): number => degrees(Math.atan2(t * ty + side * n * ny, t * tx + side * n * nx))
  const clockwise = bearing(Math.cos(off), Math.sin(off))
  const anticlockwise = bearing(-Math.cos(off), Math.sin(off))
  const { flow, seat } = layer
  const afterSeat = along(run, seat * run.length, s)
  const pastSeat = run.closed ? afterSeat < run.length / 2 : afterSeat >= 0
  switch (flow) {
    case 'clockwise':
      return clockwise
    case 'anticlockwise':
      return anticlockwise
    case 'apart':
      return pastSeat ? clockwise : anticlockwise
    case 'together':
      return pastSeat ? anticlockwise : clockwise
    case 'outward':
      return bearing(way * Math.sin(off), Math.cos(off))
    case 'inward':
      return bearing(way * Math.sin(off), -Math.cos(off))
    case 'nest':
      return random(seed).next() < 0.5 === way * side > 0 ? clockwise : anticlockwise
  }
}

/** Where a thing that a hand puts into a layer points of itself, degrees. @param id of the thing added */
export function layerBearing(
  layer: Layer,
  { run, s, id }: Omit<Lying, 'seed'> & { readonly id: string },
  runs: readonly Run[],
  material: Material,
): number {
  return stands(material)
    ? layer.lean
    : direction(layerOn(layer, run, runs), { run, s, seed: seedOf(layer.seed, addedSlot(id)) }, material, layer.lean)
}
