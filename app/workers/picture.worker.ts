import { expose } from 'comlink'
import { viewFor } from '~/drawing/picture'
import { paintingScene } from '~/drawing/scene'
import type { PictureWorker } from './protocol'

expose({
  async paint(order, report) {
    const view = viewFor(order)
    const canvas = new OffscreenCanvas(view.width, view.height)
    const ctx = canvas.getContext('2d')
    if (!ctx) throw new Error('This browser gives no canvas of that size.')
    for (const share of paintingScene(ctx, order.scene, view, { bare: order.bare })) await report(share)
    return canvas.convertToBlob({ type: 'image/png' })
  },
} satisfies PictureWorker)
