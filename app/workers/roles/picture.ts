import { sceneSvg } from '#core/formats'
import { looksKey } from '#core/looks'
import { viewFor } from '~/drawing/picture'
import { paintingScene } from '~/drawing/scene'
import { drawItem, SpriteCache } from '~/drawing/sprites'
import type { PictureWorker } from '../protocol'

/** What looks alike is drawn once in a picture: its sprites may take so much, bytes. */
const KEPT = 256 * 1024 * 1024

export const pictureRole = {
  async paint(order, report) {
    const view = viewFor(order)
    const canvas = new OffscreenCanvas(view.width, view.height)
    const ctx = canvas.getContext('2d')
    if (!ctx) throw new Error('This browser gives no canvas of that size.')
    const looks = new SpriteCache(KEPT)
    for (const share of paintingScene(ctx, order.scene, view, { bare: order.bare }, (item, scale) =>
      looks.get(looksKey(item), () => drawItem(item, scale)),
    ))
      await report(share)
    return canvas.convertToBlob({ type: 'image/png' })
  },
  write: sceneSvg,
} satisfies PictureWorker
