import type { Figure } from '../measure'

/** A figure with its name. */
export interface NamedFigure { readonly id: string, readonly name: string, readonly figure: Figure }

/** A length that a construction takes from a roll, a spool or a paddle. */
export interface Taken {
  /** The material that it is cut from. */
  readonly material: string
  /** What it is for: "binding". */
  readonly use: string
  /** Of each, mm. */
  readonly length: number
  readonly count: number
  /** May be made up of several shorter lengths. */
  readonly joins: boolean
}

/** What a construction comes to, for one copy. */
export interface MakeUp { readonly layer: string, readonly figures: readonly NamedFigure[], readonly takes: readonly Taken[] }
