import type { Between, Countable } from '#core/counting'
import type { BeginningOf } from '#core/worker-jobs'
import type { Swap } from '#core/placement'
import type { Base, BaseShape } from '#core/base'
import type { Fitted, FittingProgress } from '#core/budget'
import type { Costs } from '#core/piece-costs'
import type { Have, Makeable } from '#core/makeable'
import type { Begun, EvenedOut, Filling, EvenOutProgress } from '#core/coverage'
import type { Headings, Mapping, ReadMaterials, ReadPiece, ReadPrices, ReadWhole, SvgOptions, Whole } from '#core/formats'
import type { Scene } from '#core/scene'
import type { Shelf } from '#core/material'
import type { Day, Delta, LengthUnits } from '#core/measure'
import type { Brief, Piece } from '#core/piece'
import type { BasketJob, Baskets, Pricing, ToBuy, Waiting } from '#core/price'
import type { Resized } from '#core/resize'
import type { Kit, KitMoney, SeasonJob, SeasonMend, SeasonPlan, SeasonProgress } from '#core/season'
import type { InBrief } from '#core/workings'
import type { OnBench, Plan, PlanProgress, Workroom } from '#core/workroom'
import type { PreviewRecord } from '~/db'
import type { PictureOrder } from '~/drawing/picture'

/** A piece in brief, or why that could not be worked out: one that cannot does not stand in the way of the others. */
export type BriefAnswer = ({ readonly ok: true } & InBrief) | { readonly ok: false; readonly error: string }

/** A job that can be stopped has an id of its asker's choice. */
export interface Stoppable {
  /** Ends that job early, with the best so far. */
  stop(job: string): void
}

/** What the workings worker answers to. It is told what things are priced by, the shelf with it, once, and again when that changes. */
export interface WorkingsWorker extends Stoppable {
  setPricing(pricing: Pricing): void
  /** Follows one piece through its edits: told what changed of it, answers what changed of its workings; both from nothing at first. */
  follow(change: Delta): Delta
  /** Works out a piece that is not followed. */
  work(piece: Piece): OnBench
  /** What each of these needs, and what is to be done for it. */
  brief(pieces: readonly Piece[]): BriefAnswer[]
  /** Reads the text of a piece file. */
  read(text: string): ReadPiece
  /** What stands in the first row of a table. */
  headings(text: string): Headings
  /** The materials, and the prices, that a table brings. */
  materialsIn(text: string, mapping: Mapping, units: LengthUnits): ReadMaterials
  pricesIn(text: string, mapping: Mapping, units: LengthUnits): ReadPrices
  fill(piece: Piece, layer: string | null, fullness: Brief['fullness']): Filling | null
  swap(piece: Piece, layer: string, from: string, to: string): Swap | null
  /** What of it can be counted otherwise, up to a number; and how many of one layer go between those of another. */
  countables(piece: Piece, most: number): Countable[]
  between(piece: Piece, those: string, these: string): Between | null
  /** A layer to begin with. */
  begin(piece: Piece, beginning: BeginningOf): Begun | null
  evenOut(job: string, piece: Piece, seed: number, report: (progress: EvenOutProgress) => void): Promise<EvenedOut>
  /** What there is to say of the money of a piece, by what it takes. */
  costs(piece: Pick<Piece, 'id' | 'brief' | 'asking'>, on: Pick<OnBench, 'needs' | 'bill' | 'schedule'>): Costs
  fitBudget(job: string, piece: Piece, report: (progress: FittingProgress) => void): Promise<Fitted | null>
  /** The same piece on a base of another size. */
  resize(piece: Piece, shape: BaseShape, id: string, name: string): Resized
  /** What would be made of what one has. */
  makeable(job: string, have: readonly Have[], bases: readonly Base[], report: (done: number) => void): Promise<Makeable[]>
}

/** What the worker answers to that makes the small pictures of the workroom. */
export interface PreviewWorker {
  setShelf(shelf: Shelf): void
  /** @param width of the picture, pixels */
  preview(piece: Piece, width: number, height: number): Promise<Omit<PreviewRecord, 'id' | 'key'>>
}

/** What the worker answers to that paints a picture; to stop it, end it. */
export interface PictureWorker {
  /** @param report is told how much is done, 0 to 1 */
  paint(order: PictureOrder, report: (share: number) => void | Promise<void>): Promise<Blob>
  /** Writes a scene as vectors. */
  write(scene: Scene, options: SvgOptions): string
}

/** What the worker answers to that plans everything in hand. */
export interface PlanWorker extends Stoppable {
  /** Reports as it goes. */
  plan(job: string, of: Workroom, report: (progress: PlanProgress) => void): Promise<Plan>
  /** A good basket, not proven. */
  basket(job: BasketJob): Baskets
  /** Whether to buy on a day or to wait. */
  wait(wants: readonly ToBuy[], from: Day, by: Day, pricing: Pricing): Waiting
  /** Plans the season, and says what would make it fit. Reports as it goes. */
  season(
    job: string,
    of: SeasonJob,
    report: (progress: SeasonProgress) => void,
  ): Promise<{ readonly plan: SeasonPlan; readonly mends: readonly SeasonMend[] }>
  /** What a class costs and what it must take. */
  kitMoney(kit: Kit, of: InBrief, pricing: Pricing): KitMoney
  writeWhole(whole: Whole, written: string): Uint8Array
  readWhole(bytes: Uint8Array): ReadWhole
}
