import type { Run } from '../base'
import { across, stationAt } from '../base'
import type { Point } from '../measure'
import { degrees, onceFor, radians } from '../measure'
import type { Layer, RuleOf } from '../piece'
import { bearerOf } from '../piece'
import { footprint, HELD, spotAlong } from './footprint'
import type { LaidLayer, Placement } from './placement'

/** What bears a thing, in its place, and where on it. */
export interface BearingPlace {
  readonly thing: Placement
  /** Whether it stands level, whatever its run does under it. */
  readonly level: boolean
  readonly run: Run
  readonly rule: RuleOf<'on'>
  /** Which loop of a bow. */
  readonly loop: number | null
  /** Whether the layer is laid as the mirror image of its rule. */
  readonly mirrored: boolean
}

/** How far from the middle of a stem its tip and its stem end are still broad enough to lie on, in half lengths; how far up a loop its middle is, share of its length. Rules of thumb. */
const NEAR_TIP = 0.85
const NEAR_END = 0.65
const UP_LOOP = 0.6

/** How far over what bears it a thing lies, in layers: under all that lies over that. */
export const OVER_BEARER = 0.1

/** Which way a thing's own length runs: a stem's, the tilt of what stands level, and of what is round the direction of its run. */
function axisOf(on: BearingPlace): number {
  const { thing, level, run } = on
  if (thing.bend !== 0) return thing.bearing + (thing.bend * spotFrom(on).along) / thing.length
  if (thing.form === 'leaf' || level) return thing.bearing
  const { tx, ty } = stationAt(run, thing.s)
  return degrees(Math.atan2(ty, tx))
}

/** How far along its line from where it is held a thing bears another at its spot, and how far to the right, mm. */
function spotFrom({ thing, level, run, rule, mirrored }: BearingPlace): { readonly along: number; readonly over: number } {
  const { spot } = rule
  const leafy = thing.form === 'leaf'
  const u = spot === 'tip' ? NEAR_TIP : spot === 'stem end' ? -NEAR_END : spot === 'place' ? rule.along : 0
  const v = spot === 'place' ? rule.across : 0
  // In the mirror what stands level keeps up and down, and a stem its tip; a round thing goes by its run.
  const backwards = level || (!leafy && run.mirror.reversed)
  const [along, over] = mirrored ? (backwards ? [-u, v] : [u, -v]) : [u, v]
  return { along: (leafy ? (0.5 - HELD) * thing.length : 0) + (along * thing.length) / 2, over: (over * thing.width) / 2 }
}

/** The bearing of what is turned with what bears it, degrees. @param lean off that, degrees */
export function turnedWith(on: BearingPlace, lean: number): number {
  const axis = axisOf(on)
  if (!on.mirrored) return axis + lean
  // A round thing goes by its run, and that runs backwards in the mirror.
  return axis - lean + (on.thing.form !== 'leaf' && !on.level && on.run.mirror.reversed ? 180 : 0)
}

/** Where on the drawing what is borne lies, mm: its middle, or of a stem where it is held. */
export function spotOn(on: BearingPlace): Point {
  const { thing, level, rule, loop } = on
  if (loop !== null && thing.made?.as === 'bow') {
    const move = thing.made.moves.filter(({ what }) => what === 'loop')[loop]!
    return from(thing, thing.bearing + move.angle, UP_LOOP * move.length, 0)
  }
  if (rule.spot === 'top') return level ? from(thing, thing.bearing, 0, -thing.width / 2) : highest(thing)
  const { along: far, over: off } = spotFrom(on)
  return thing.form === 'leaf' ? spotAlong(thing, far, off) : from(thing, axisOf(on), far, off)
}

/** From a thing so far along a bearing, and so far to the right of it, mm. */
function from({ x, y }: Point, bearing: number, along: number, over: number): Point {
  const [cos, sin] = [Math.cos(radians(bearing)), Math.sin(radians(bearing))]
  return { x: x + along * cos - over * sin, y: y + along * sin + over * cos }
}

const highest = (thing: Placement): Point => footprint(thing, thing.form).reduce((top, point) => (point.y < top.y ? point : top))

/** How far a thing lies from where the base alone would have it, mm: on a cord below, or on what bears it. */
export function offBase({ x, y, s, t }: Pick<Placement, 'x' | 'y' | 's' | 't'>, run: Run): Point {
  const on = across(stationAt(run, s), t)
  return { x: x - on.x, y: y - on.y }
}

/** What lies on these, on that, and so on, by what each lies on; some of these themselves, where they lie on others of them. */
function allOn<T extends { readonly id: string }>(under: ReadonlySet<string>, all: readonly T[], on: (each: T) => string | null): T[] {
  const found = new Map<string, T>()
  for (let before = -1; before < found.size;) {
    before = found.size
    for (const each of all) {
      const of = on(each)
      if (of !== null && (under.has(of) || found.has(of))) found.set(each.id, each)
    }
  }
  return [...found.values()]
}

/** The layers that lie on the things of these, on theirs, and so on. @param under their ids */
export const layersOn = (layers: readonly Layer[], under: ReadonlySet<string>): Layer[] =>
  allOn(under, layers, ({ rule }) => bearerOf(rule))

/** The things that things bear, and those on these. @param under their ids */
export const borneBy = (under: ReadonlySet<string>, placements: readonly Placement[]): Placement[] =>
  allOn(under, placements, ({ bearer }) => bearer)

/** Layers that are put aside: hidden ones, and those that lie on the things of one that is. */
export function putAside(layers: readonly Layer[]): ReadonlySet<string> {
  const hidden = new Set(layers.flatMap(({ id, hidden: is }) => (is ? [id] : [])))
  return new Set([...hidden, ...layersOn(layers, hidden).map(({ id }) => id)])
}

/** The chain from a thing to the one that lies on the base: what bears it, what bears that. */
export function bearersUnder(thing: Placement, byId: ReadonlyMap<string, Placement>): Placement[] {
  const found: Placement[] = []
  for (let on = thing.bearer; on !== null;) {
    const bearer = byId.get(on)
    if (!bearer) break
    found.push(bearer)
    on = bearer.bearer
  }
  return found
}

const inSlots = onceFor<LaidLayer, ReadonlyMap<string, Placement>>()

/** The thing in a slot of a laid layer. */
export const thingIn = (laid: LaidLayer, slot: string): Placement | undefined =>
  inSlots(laid, () => new Map(laid.placements.map((each) => [each.slot, each]))).get(slot)
