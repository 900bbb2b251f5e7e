import type { Shelf } from '#core/material'
import type { Piece } from '#core/piece'
import type { Workings } from '#core/workings'

/** What the workings worker answers to. */
export interface WorkingsWorker {
  work(piece: Piece, shelf: Shelf): Workings
}
