import type { Swap } from '#core/arrange'
import type { CutJob, CutPlan, Planning } from '#core/cut'
import type { Begun, EvenedOut, Filling, Progress } from '#core/cover'
import type { ReadPiece, SvgOptions } from '#core/exchange'
import type { Scene } from '#core/scene'
import type { TakenBy } from '#core/jobs'
import type { Shelf } from '#core/material'
import type { Delta } from '#core/measure'
import type { Brief, Piece, RuleKind } from '#core/piece'
import type { Workings } from '#core/workings'
import type { PreviewRecord } from '~/db'
import type { PictureOrder } from '~/drawing/picture'

/** What one piece takes, or why that could not be worked out: one that cannot does not stand in the way of the others. */
export type TakesAnswer = { readonly ok: true, readonly takes: readonly TakenBy[] } | { readonly ok: false, readonly error: string }

/** A job that can be stopped has an id of its asker's choice. */
interface Stoppable {
  /** Ends that job early, with the best so far. */
  stop(job: string): void
}

/** What the workings worker answers to. It is told the shelf once, and again when that changes. */
export interface WorkingsWorker extends Stoppable {
  setShelf(shelf: Shelf): void
  /** Follows one piece through its edits: told what changed of it, answers what changed of its workings; both from nothing at first. */
  follow(change: Delta): Delta
  /** Works out a piece that is not followed. */
  work(piece: Piece): Workings
  /** The lengths that each of these takes. */
  takes(pieces: readonly Piece[]): TakesAnswer[]
  /** Reads the text of a piece file. */
  read(text: string): ReadPiece
  fill(piece: Piece, layer: string | null, fullness: Brief['fullness']): Filling | null
  swap(piece: Piece, layer: string, from: string, to: string): Swap | null
  /** A layer to begin with. */
  begin(piece: Piece, id: string, material: string, seed: number, by: RuleKind | null): Begun | null
  evenOut(job: string, piece: Piece, seed: number, report: (progress: Progress) => void): Promise<EvenedOut>
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

/** What the worker answers to that plans cuts. */
export interface CuttingWorker extends Stoppable {
  /** Reports as it goes. */
  plan(job: string, of: CutJob, report: (progress: Planning) => void): Promise<CutPlan>
}
