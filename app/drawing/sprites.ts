import type { SceneItem } from '#core/glyph'
import { itemGlyph, LIGHT_FROM, looksKey } from '#core/glyph'
import { paintGlyph } from './paint'

/** A picture of one item, pointing right. `x`, `y` say where its anchor is in it, in its own pixels. */
export interface Sprite { readonly image: HTMLCanvasElement, readonly x: number, readonly y: number, readonly scale: number }

/** How soft and how far the shadow of a whole item falls, mm. */
const SHADOW = { blur: 4, away: 3.2, colour: 'rgba(16, 10, 20, 0.5)' }
const MARGIN = SHADOW.blur + SHADOW.away + 2
/** How much darker each layer is than the one over it. */
const DIMMED = 0.06
/** Sprites kept before the oldest go. */
const KEPT = 1500

const kept = new Map<string, Sprite>()

/**
 * The sprite of an item at a scale, drawn once for all that look alike.
 * @param scale pixels to the millimetre
 */
export function spriteOf(item: SceneItem, scale: number): Sprite {
  const key = `${looksKey(item)}@${scale.toFixed(3)}`
  const known = kept.get(key)
  if (known) return known
  const sprite = draw(item, scale)
  kept.set(key, sprite)
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!)
  return sprite
}

function draw(item: SceneItem, scale: number): Sprite {
  const glyph = itemGlyph(item)
  const left = glyph.bounds.left - MARGIN
  const top = glyph.bounds.top - MARGIN
  const width = Math.max(1, Math.ceil((glyph.bounds.right - left + MARGIN) * scale))
  const height = Math.max(1, Math.ceil((glyph.bounds.bottom - top + MARGIN) * scale))
  const body = sheet(width, height)
  const ctx = body.getContext('2d')!
  ctx.setTransform(scale, 0, 0, scale, -left * scale, -top * scale)
  paintGlyph(ctx, glyph)
  if (item.depth > 0) {
    ctx.setTransform(1, 0, 0, 1, 0, 0)
    ctx.globalCompositeOperation = 'source-atop'
    ctx.fillStyle = `rgba(20, 14, 30, ${DIMMED * item.depth})`
    ctx.fillRect(0, 0, width, height)
  }
  const image = sheet(width, height)
  const over = image.getContext('2d')!
  const away = ((LIGHT_FROM + 180 - item.bearing) * Math.PI) / 180
  over.shadowColor = SHADOW.colour
  over.shadowBlur = SHADOW.blur * scale
  over.shadowOffsetX = Math.cos(away) * SHADOW.away * scale
  over.shadowOffsetY = Math.sin(away) * SHADOW.away * scale
  over.drawImage(body, 0, 0)
  return { image, x: -left * scale, y: -top * scale, scale }
}

function sheet(width: number, height: number): HTMLCanvasElement {
  const canvas = document.createElement('canvas')
  canvas.width = width
  canvas.height = height
  return canvas
}
