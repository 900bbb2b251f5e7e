import type { Base } from '../base'
import type { MadeLooks } from './parts/made'

/** What one thing looks like, wherever it lies. */
export interface Looks {
  readonly species: string
  /** mm */
  readonly length: number
  readonly width: number
  readonly tint: string | null
  readonly words: string | null
  readonly seed: number
  /** How far a stem is bent from foot to tip, degrees clockwise; 0 is straight. */
  readonly bend: number
  /** Which way it will point, degrees clockwise from right. */
  readonly bearing: number
  /** How deep it lies: 0 on top. */
  readonly depth: number
  /** How far it stands off the base, in layers: 0 on it. */
  readonly rise: number
  /** For what is made of lengths: how it is made. */
  readonly made: MadeLooks | null
  /** For what is made beforehand: what it is of. */
  readonly part: PartLooks | null
}

/** A thing in a part, in its place there. */
export interface PlacedLooks extends Looks {
  readonly x: number
  readonly y: number
}

/** What a part looks like that is made beforehand: its base and what is laid on it, mm, and how that lies in the drawing of the whole. */
export interface PartLooks {
  /** Two parts with the same key look the same. */
  readonly key: string
  readonly base: Base
  /** From back to front. */
  readonly things: readonly PlacedLooks[]
  /** Where the middle of its base lies in the drawing, and how far it is turned there, degrees clockwise. */
  readonly x: number
  readonly y: number
  readonly turn: number
  /** How long the drawing is as it was made, mm: shown at another length, all of it is larger or smaller. */
  readonly length: number
}
