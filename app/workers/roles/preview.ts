import type { Shelf } from '#core/material'
import { work } from '#core/workings'
import { paintingScene } from '~/drawing/scene'
import { fitView } from '~/drawing/view'
import { spriteOf } from '~/drawing/sprites'
import type { PreviewWorker } from '../protocol'

/** A little of what the piece hangs on shows about it. */
const MARGIN = 1.14
let shelf: Shelf | null = null

export const previewRole = {
  setShelf(told) {
    shelf = told
  },
  async preview(piece, width, height) {
    if (!shelf) throw new Error('The worker was asked before it was told the shelf.')
    const { scene, size } = work(piece, shelf)
    const view = fitView(size, width, height, MARGIN)
    const canvas = new OffscreenCanvas(width, height)
    const ctx = canvas.getContext('2d')
    if (!ctx) throw new Error('This browser gives no canvas.')
    const going = paintingScene(ctx, scene, view, {}, spriteOf)
    while (!going.next().done) {
      /* painted to its end */
    }
    return { picture: await canvas.convertToBlob({ type: 'image/webp', quality: 0.86 }), view }
  },
} satisfies PreviewWorker
