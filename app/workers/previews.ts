import { startWorker } from './start'
import type { Shelf } from '#core/material'
import type { Piece } from '#core/piece'
import type { PreviewRecord } from '~/db'
import { bridgeTo } from './bridge'
import { telling } from './jobs'
import type { PreviewWorker } from './protocol'

const bridge = bridgeTo<PreviewWorker>('The worker that paints previews', () => startWorker('preview'))
const tell = telling<PreviewWorker, Shelf>(async (api, shelf) => {
  await api.setShelf(shelf)
})

/** Pixels of a preview: sharp at the size that a card has. */
const [WIDTH, HEIGHT] = [540, 405]

export const paintPreview = (piece: Piece, shelf: Shelf): Promise<Omit<PreviewRecord, 'id' | 'key'>> =>
  bridge.ask(async (api) => {
    await tell(api, shelf)
    return api.preview(piece, WIDTH, HEIGHT)
  })
