import type { CutPiece, CutPlan, Planning } from '../cut'
import type { BareBase, Lengths, Need } from '../material'
import type { Figure } from '../measure'
import type { Bought, Instead, PriceRange, Pricing, WantFor } from '../price'
import type { InHouse, Low } from '../stock'

/** A piece that is still to be made, by what it needs. */
export interface InHand {
  readonly id: string
  readonly name: string
  readonly copies: number
  /** For one copy. */
  readonly needs: readonly Need[]
}

/** A length that someone wrote on the list of what is to be cut, besides what pieces need. */
export interface Listed extends Omit<Lengths, 'of' | 'layer'> {
  readonly id: string
}

/** Everything in hand. */
export interface Workroom extends Pricing {
  readonly pieces: readonly InHand[]
  readonly list: readonly Listed[]
}

/** A length that is wanted, by whom and for what, and how many of it are cut. */
export interface WantedLength extends WantFor {
  readonly use: string
  readonly piece: string | null
  readonly made: number
}

/** The cutting of one material. */
export interface Cutting {
  readonly wants: readonly WantedLength[]
  readonly plan: CutPlan
  /** What it is cut from besides what is bought. */
  readonly house: readonly InHouse[]
  /** Pieces that were cut and that nothing wants any more. */
  readonly over: readonly CutPiece[]
}

/** One material over all pieces in hand: what is wanted, what the house gives, what is opened and left. */
export interface MaterialPlan {
  /** A material's id; bare bases by their kind and width. */
  readonly id: string
  /** The bare base that it is of; null for all else. */
  readonly base: BareBase | null
  readonly name: string
  readonly of: 'stems' | 'length' | 'base'
  /** Stems with their spare, or mm. */
  readonly needed: Figure
  readonly fromHouse: Figure
  /** How many packs or rolls, and what they cost. Without tax. */
  readonly packs: Figure
  readonly opened: Figure
  /** What of that goes into the pieces. */
  readonly used: Figure
  /** Things or rolls that are to be bought, whatever packs they come in. */
  readonly toBuy: number
  /** What is left when all is made: stems, or mm of what is opened. */
  readonly left: Figure
  readonly bought: readonly Bought[]
  /** What of the packs is used, and all that they hold: things, or mm. */
  readonly parts: readonly [used: number, all: number]
  readonly cutting: Cutting | null
  /** How much of it each piece takes, by their ids, in parts. */
  readonly taken: Readonly<Record<string, number>>
  /** How much is taken by what was only listed, which is nobody's. */
  readonly listed: number
  /** What it takes of lots that are not cut for anything yet: things, or mm. */
  readonly drawn: number
}

/** What is opened, and what of that is used: the two ledgers. */
export interface Money {
  readonly opened: PriceRange
  readonly used: PriceRange
}

/** What a piece costs: as if it were alone in hand, and its share of what is opened for all. Both for all its copies, with tax. */
export interface Ledger {
  readonly alone: Money
  readonly share: Money
}

/** What follows from everything in hand together. Plain data. */
export interface Plan {
  readonly materials: readonly MaterialPlan[]
  /** For all of it, with tax. */
  readonly opened: Figure
  readonly used: Figure
  /** What of it is opened and not used: it is left for the stash. */
  readonly left: Figure
  readonly tax: Figure | null
  /** What the pieces would cost, each bought for by itself, one after another. */
  readonly apart: Figure
  /** What planning them together saves: the difference of the two plans. */
  readonly saved: Figure
  readonly ledgers: Readonly<Record<string, Ledger>>
  /** What is to be bought though something that would do lies in the house. */
  readonly instead: readonly Instead[]
  /** Small things of which the plan leaves too little. */
  readonly low: readonly Low[]
}

/** How far a plan is. */
export interface PlanProgress extends Planning {
  readonly material: string
  readonly done: number
  readonly of: number
}

/** A need of one of several pieces. */
export type Of<N> = { readonly piece: InHand; readonly need: N }
