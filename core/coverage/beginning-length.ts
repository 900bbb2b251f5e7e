import type { Run } from '../base'
import type { Material } from '../material'
import { flexOf } from '../material'
import type { Rated } from '../measure'
import { clamp, degrees, inches, radians } from '../measure'
import type { Layer, Piece, RuleOf } from '../piece'
import { HELD, turnAlong } from '../placement'
import type { Room } from './beginning-room'
import { PLACES, roomOf } from './beginning-room'

/** A stem that is shorter than this does not hold, mm, and none is longer than this share of its run. Rules of thumb. */
const SHORTEST = 60
const OF_RUN = 0.6

/** A cut length as hands measure it: to the quarter inch. */
export const quarter = (mm: number): number => Math.max(inches(0.25), Math.round(mm / inches(0.25)) * inches(0.25))

/** What is left, mm, to each side of a base that spans what it hangs on, beside half of what a stem is wide. */
const beside = ({ width }: Material, { spare }: Room): number => Math.max(0, spare - width / 2)

/** Where the last stems of arms stand, a share of their run: on a base that spans what it hangs on their tips end with that. @param long of its longest, mm */
export function endOf({ taper }: Layer, material: Material, room: Room, long: number): number {
  if (!room.spans) return 1
  return clamp(1 - (long * (1 - HELD) * (1 - taper) - beside(material, room)) / room.shortest, 0.5, 1)
}

/** The cut at which the last of so many stems ends with what its base spans; as it was where nothing is too long. */
export function endingWithin({ cut, taper, rule }: Layer & { rule: RuleOf<'compass'> }, material: Material, room: Room): number | null {
  if (!room.spans) return cut
  const most = (beside(material, room) + room.shortest / (2 * rule.count)) / ((1 - HELD) * (1 - taper))
  return (cut ?? material.length) > most ? Math.max(inches(1), quarter(most - inches(0.125))) : cut
}

/** Stems cut as long as the base asks; wired ones, which nobody cuts up, whole along it where they follow it. */
export function asLong(layer: Layer, material: Material, room: Room): Layer {
  const whole = wholeAlong(layer, material, room)
  if (whole) return { ...layer, ...whole }
  if (layer.flow !== 'clockwise' && material.form !== 'leaf') return { ...layer, cut: null }
  const aimed = alongRing(layer, material, room)
  const cut = cutFor(aimed, material, room)
  return { ...aimed, cut: cut < material.length * 0.95 ? cut : null }
}

/**
 * Stems on a ring turned in by half of what it curves away under them, so that they lie along it by their middles: straight ones, held by
 * their feet, would stand off like rays.
 */
function alongRing(layer: Layer, material: Material, room: Room): Layer {
  if (!room.closed) return layer
  let aimed = layer
  for (let i = 0; i < AIMS; i++) {
    const away = degrees(cutFor(aimed, material, room) / awayRadius(layer, material, room))
    aimed = { ...layer, lean: Math.round(layer.lean - away / 2) }
  }
  return aimed
}

/** The radius, mm, by which a ring curves away under stems that bend with it as far as they take: under straight ones its own. */
function awayRadius({ bend }: Pick<Layer, 'bend'>, { curve }: Material, { curves }: Room): number {
  const bent = bend === 'run' && curve !== null ? Math.min(1 / curve, curves) : 0
  return 1 / Math.max(1 / FLAT, curves - bent)
}
/** A curve of this radius is none, mm. */
const FLAT = 1e6
/** Shorter stems curve away by less, and are turned in by less: two more looks settle it. */
const AIMS = 3

/** The least that whole stems lean and vary, degrees. */
const LEAST_LEAN = 4

/** How whole stems lie along a base that they are bent with, ending where they should beyond it; null of what is not wired or too long for it. */
function wholeAlong(layer: Layer, material: Material, room: Room): Pick<Layer, 'lean' | 'leanSpread'> | null {
  const { length, width, divides, curve } = material
  if (divides || flexOf(material) !== 'wired' || curve === null || layer.bend !== 'run') return null
  if (length > room.shortest * OF_RUN || !isEven(room.runs, length) || (room.closed && curve > room.radius - room.half)) return null
  // A stem that keeps its angle to its run ends the sine of it beyond.
  const reach = room.half * (1 - layer.acrossSpread) + room.beyond - width * 0.2
  const most = degrees(Math.asin(clamp(reach / (length * (1 - HELD)), 0, 1)))
  const lean = Math.min(layer.lean, Math.floor(most / 2))
  return { lean, leanSpread: Math.max(LEAST_LEAN, Math.min(layer.leanSpread, Math.floor(most - lean))) }
}

/** Whether runs curve alike wherever a stem of a length lies on them: at corners it would stand off. */
function isEven(runs: readonly Run[], length: number): boolean {
  const turns = runs.flatMap((run) =>
    Array.from({ length: PLACES }, (_, i) =>
      Math.abs(turnAlong(run, (i / PLACES) * (run.closed ? run.length : run.length - length), length)),
    ),
  )
  return Math.max(...turns) - Math.min(...turns) <= EVEN
}
const EVEN = 40

/** The length at which a stem that leans out as far as most do ends just so far beyond the face, mm. */
function cutFor(layer: Pick<Layer, 'lean' | 'leanSpread' | 'acrossSpread' | 'bend'>, material: Material, room: Room): number {
  const { lean, leanSpread, acrossSpread } = layer
  const { half, closed, shortest: length, beyond } = room
  const out = Math.sin(radians(closed ? Math.max(0, lean + leanSpread) : Math.abs(lean) + leanSpread))
  const from = half * acrossSpread
  const radius = closed ? awayRadius(layer, material, room) : 0
  // On a ring a straight stem leaves the run also without a lean: the chord from where it is held to the circle it may reach.
  const reach = closed
    ? Math.sqrt((radius + from) ** 2 * out ** 2 + Math.max(0, (radius + half + beyond) ** 2 - (radius + from) ** 2)) - (radius + from) * out
    : (half - from + beyond) / Math.max(0.05, out)
  // Half of what it is wide lies beyond its line.
  const most = Math.min(length * OF_RUN, Math.max(SHORTEST, (reach - material.width * 0.2) / (1 - HELD)))
  return quarter(Math.min(material.length, Math.max(Math.min(SHORTEST, length * OF_RUN), most)))
}

/** The length at which stems of a layer end where they should beyond the face of this base, mm. */
export const reachingCut = (piece: Piece, runs: readonly Run[], layer: Layer, material: Material, by: Rated): number =>
  cutFor(layer, material, roomOf(piece, runs, layer, by))
