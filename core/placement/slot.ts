import type { Run } from '../base'
import { onRun } from '../base'
import type { Material } from '../material'
import type { Flow } from '../piece'
import type { ShapedLength, MadePlace } from './construction-slots'

/** A place that a rule makes, before anything is put in it. */
export interface Slot {
  /** Stable within its layer, so that a hand's nudge stays with it when the count changes elsewhere. */
  readonly id: string
  readonly run: Run
  /** Distance along the run, mm. */
  readonly s: number
  /** Where it lies across the face besides where the layer lies: in half widths, positive to the outside. */
  readonly across: number
  /** Which number of the dealing it takes, from 0: mirrored places take the same. */
  readonly deal: number
  /** The material of the mix that it asks for by its place; null takes what is dealt. */
  readonly material: number | null
  /** Off how the layer lies, degrees. */
  readonly lean: number
  /** What share of its length it keeps. */
  readonly reach: number
  /** What lies here, when it is made of a length. */
  readonly made: ShapedLength | null
  /** The slot of the other layer's thing that bears it, and on which loop of a bow; null on the base. */
  readonly on: { readonly slot: string; readonly loop: number | null } | null
}

/** A thing of another layer, by its slot, as far as one may ask where it lies before anything is put there. */
export type Bearer = Pick<Slot, 'id' | 'run' | 's' | 'made'>

/** What a rule may ask about its surroundings. */
export interface SlotContext {
  readonly run: Run
  /** All runs of the base. */
  readonly runs: readonly Run[]
  /** The distances at which another layer's rule puts things on this run; null when there is no telling. */
  readonly pointsOf: (layer: string) => readonly number[] | null
  /** The things of another layer that may bear others, on every run; null when there is no telling, or they bear nothing. */
  readonly bearersOf: (layer: string) => readonly Bearer[] | null
  /** The width of each of the first `n` things that the layer deals, mm. */
  readonly widths: (n: number) => readonly number[]
  /** The materials of the mix. */
  readonly mix: readonly Material[]
  readonly seed: number
  readonly seat: number
  /** The shortest piece that the layer lays, as cut, mm. */
  readonly shortest: number
  readonly flow: Flow
  /** How much shorter stems get towards the ends, 0 to 1. */
  readonly taper: number
}

/** @param i its id; the number of the dealing that it takes, when it is a number */
export const slot = (run: Run, i: number | string, s: number, more: Partial<Omit<Slot, 'id' | 'run' | 's'>> = {}): Slot => ({
  id: String(i),
  run,
  s: onRun(run, s),
  across: 0,
  deal: typeof i === 'number' ? i : 0,
  material: null,
  lean: 0,
  reach: 1,
  made: null,
  on: null,
  ...more,
})

/** Slots of things that are made of lengths. */
export const madeSlots = (run: Run, places: readonly MadePlace[]): Slot[] =>
  places.map(({ id, s, across, material, made }) => slot(run, id, s, { across, material, made }))

/** Slots at these distances along a run, mm, in the order of the dealing. */
export const numbered = (run: Run, points: readonly number[]): Slot[] => points.map((s, i) => slot(run, i, s))
