import type { Base } from '#core/base'
import type { SceneItem } from '#core/glyph'
import { itemGlyph, LIGHT_FROM, looksKey, tuckGlyph } from '#core/glyph'
import { paintGlyph } from './paint'

/** A picture with its anchor at `x`, `y` in its own pixels. `scale` is its pixels to the millimetre where it is put. */
export interface Sprite { readonly image: HTMLCanvasElement, readonly x: number, readonly y: number, readonly scale: number }

/** How soft and how far the shadow of a whole item falls, mm. */
const SHADOW = { blur: 4, away: 3.2, colour: 'rgba(16, 10, 20, 0.5)' }
const MARGIN = SHADOW.blur + SHADOW.away + 2
/** How much darker each layer is than the one over it. */
const DIMMED = 0.06
/** Sprites kept before the oldest go. */
const KEPT = 2500
/** Lengths are drawn in steps of this ratio and stretched the rest of the way, so that tapered stems share sprites. */
const SIZE_STEP = 1.05

const kept = new Map<string, Sprite>()

function remembered(key: string, make: () => Sprite): Sprite {
  const known = kept.get(key)
  if (known) return known
  const sprite = make()
  kept.set(key, sprite)
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!)
  return sprite
}

/**
 * The sprite of an item at a scale, drawn once for all that look alike.
 * @param scale pixels to the millimetre
 */
export function spriteOf(item: SceneItem, scale: number): Sprite {
  const length = item.form === 'leaf' ? SIZE_STEP ** Math.round(Math.log(item.length) / Math.log(SIZE_STEP)) : item.length
  const looks = { ...item, length, width: item.form === 'leaf' ? (item.width * length) / item.length : item.width }
  const sprite = remembered(`${looksKey(looks)}@${scale.toFixed(3)}`, () => draw(looks, scale))
  return { ...sprite, scale: sprite.scale * (length / item.length) }
}

/** Steps in which the direction of what crosses over a foot is drawn. */
const TUCK_TURNS = 36
const TUCK_TWINS = 5

/** What of the base crosses over an item's foot. It is not turned when it is put in place. */
export function tuckSprite(base: Base, item: Pick<SceneItem, 'along' | 'bearing' | 'seed'>, scale: number): Sprite {
  const turned = (angle: number): number => (Math.round((angle / 360) * TUCK_TURNS) % TUCK_TURNS) * (360 / TUCK_TURNS)
  const [along, bearing, twin] = [turned(item.along), turned(item.bearing), Math.abs(item.seed) % TUCK_TWINS]
  return remembered(`tuck|${base.kind}|${base.colour}|${along}|${bearing}|${twin}@${scale.toFixed(3)}`, () => {
    const glyph = tuckGlyph(base, { x: 0, y: 0 }, along, bearing, twin * 31 + 5)
    const { left, top, right, bottom } = glyph.bounds
    const image = sheet(Math.max(1, Math.ceil((right - left + 4) * scale)), Math.max(1, Math.ceil((bottom - top + 4) * scale)))
    const ctx = image.getContext('2d')!
    ctx.setTransform(scale, 0, 0, scale, (2 - left) * scale, (2 - top) * scale)
    paintGlyph(ctx, glyph)
    return { image, x: (2 - left) * scale, y: (2 - top) * scale, scale }
  })
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
