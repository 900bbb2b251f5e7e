import type { CutJob, CutPlan, Planning } from '#core/cut'
import type { EvenedOut, Filling, Progress } from '#core/cover'
import type { Shelf } from '#core/material'
import type { Brief, Piece } from '#core/piece'
import type { Workings } from '#core/workings'
import type { PictureOrder } from '~/drawing/picture'

/** What the workings worker answers to. */
export interface WorkingsWorker {
  work(piece: Piece, shelf: Shelf): Workings
  fill(piece: Piece, shelf: Shelf, layer: string | null, fullness: Brief['fullness']): Filling | null
  /** Reports as it goes; ends early, with the best so far, once it was told to stop. */
  evenOut(piece: Piece, shelf: Shelf, seed: number, report: (progress: Progress) => void): Promise<EvenedOut>
  stop(): void
}

/** What the worker answers to that paints a picture; to stop it, end it. */
export interface PictureWorker {
  /** @param report is told how much is done, 0 to 1 */
  paint(order: PictureOrder, report: (share: number) => void | Promise<void>): Promise<Blob>
}

/** What the worker answers to that plans cuts. */
export interface CuttingWorker {
  /** Reports as it goes; ends early, with the best so far, once it was told to stop. */
  plan(job: CutJob, report: (progress: Planning) => void): Promise<CutPlan>
  stop(): void
}
