/** A length that is wanted, so many times. */
export interface Want {
  readonly id: string
  /** mm, over 0. */
  readonly length: number
  readonly count: number
  /** May be made up of several shorter pieces, each join lapping by `JOIN_LAP`. */
  readonly joins: boolean
}

/** Where what is cut from comes from: out of the house, a roll as it is usually bought, or one of another length that is sold as well. */
export type StockFrom = 'house' | 'roll' | 'other roll'

/** What pieces can be cut from. */
export interface Stock {
  readonly from: StockFrom
  /** Of its lot, its cut piece, or its other length; two of the same are known apart by where they come from. */
  readonly id: string
  /** mm, over 0. */
  readonly length: number
  /** For one, minor units. What is already in the house costs nothing. */
  readonly price: number
  /** How many there are; null is as many as one buys. */
  readonly supply: number | null
}

export interface CutJob {
  readonly wants: readonly Want[]
  readonly stocks: readonly Stock[]
  /** A rest shorter than this is waste, mm. */
  readonly least: number
}

export interface Cut {
  readonly want: string
  readonly length: number
  readonly part: boolean
}

/** One roll or offcut, its cuts in the order in which they are made. */
export interface CutRoll {
  readonly from: StockFrom
  /** The id of its stock. */
  readonly stock: string
  readonly length: number
  readonly cuts: readonly Cut[]
  /** What is left of it, mm, and whether that is of use. */
  readonly rest: number
  readonly usable: boolean
}

export interface CutPlan {
  readonly rolls: readonly CutRoll[]
  /** How many are bought. */
  readonly opened: number
  /** The longest rest that is of use, mm; 0 when all of it is waste. */
  readonly kept: number
  /** Of what is bought, minor units. */
  readonly cost: number
  /** No plan costs less than this. */
  readonly floor: number
  /** Whether the cost is the least there is. */
  readonly proven: boolean
  /** What could not be cut from anything, by want. */
  readonly short: readonly { readonly want: string; readonly count: number }[]
  /** Of those, one that is joined and of which parts are cut: how much more it takes with its laps, mm. */
  readonly begun?: readonly { readonly want: string; readonly left: number }[]
}

/** How far two parts of a piece lap where they are joined, mm: rule of thumb. */
export const JOIN_LAP = 25
/** No part of a joined piece is shorter than this, mm: rule of thumb. */
export const LEAST_PART = 150

/** Lengths are planned to the tenth of a millimetre, in whole numbers, so that no rounding decides. */
export const GRAIN = 0.1
/** @example grains(12.34) // 123 */
export const grains = (length: number): number => Math.round(length / GRAIN)
