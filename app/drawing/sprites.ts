import type { Base } from '#core/base'
import type { Glyph, SceneItem } from '#core/glyph'
import { CAST, castAway, DIM, itemGlyph, LIGHT_FROM, looksKey, tuckGlyph, tuckTwin } from '#core/glyph'
import { paintMarks } from './paint'

/** A picture with its anchor at `x`, `y` in its own pixels. `scale` is its pixels to the millimetre where it is put. */
export interface Sprite { readonly image: OffscreenCanvas, readonly x: number, readonly y: number, readonly scale: number }

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
  const sprite = remembered(`${looksKey(looks)}@${scale.toFixed(3)}`, () => drawItem(looks, scale))
  return { ...sprite, scale: sprite.scale * (length / item.length) }
}

/** Steps in which the direction of what crosses over a foot is drawn. */
const TUCK_TURNS = 36

/** What of the base crosses over an item's foot. It is not turned when it is put in place. */
export function tuckSprite(base: Base, item: Pick<SceneItem, 'along' | 'bearing' | 'seed'>, scale: number): Sprite {
  const turned = (angle: number): number => (Math.round((angle / 360) * TUCK_TURNS) % TUCK_TURNS) * (360 / TUCK_TURNS)
  const [along, bearing, twin] = [turned(item.along), turned(item.bearing), tuckTwin(item.seed)]
  return remembered(`tuck|${base.kind}|${base.colour}|${along}|${bearing}|${twin}@${scale.toFixed(3)}`, () => {
    const glyph = tuckGlyph(base, { x: 0, y: 0 }, along, bearing, twin)
    const { canvas, x, y } = sheetFor(glyph, 2, scale)
    return { image: canvas, x, y, scale }
  })
}

/** A glyph on a sheet just large enough, with so many mm about it. */
function sheetFor({ marks, bounds }: Glyph, margin: number, scale: number): { readonly canvas: OffscreenCanvas, readonly ctx: OffscreenCanvasRenderingContext2D, readonly x: number, readonly y: number } {
  const [left, top] = [bounds.left - margin, bounds.top - margin]
  const canvas = new OffscreenCanvas(Math.max(1, Math.ceil((bounds.right - left + margin) * scale)), Math.max(1, Math.ceil((bounds.bottom - top + margin) * scale)))
  const ctx = canvas.getContext('2d')!
  ctx.setTransform(scale, 0, 0, scale, -left * scale, -top * scale)
  paintMarks(ctx, marks)
  return { canvas, ctx, x: -left * scale, y: -top * scale }
}

/** An item drawn afresh: its glyph, dimmed by what lies over it, with the shadow of the whole. @param scale pixels to the millimetre */
export function drawItem(item: SceneItem, scale: number): Sprite {
  const away = castAway(item.rise)
  const { canvas, ctx, x, y } = sheetFor(itemGlyph(item), CAST.blur + away + 2, scale)
  if (item.depth > 0) {
    ctx.setTransform(1, 0, 0, 1, 0, 0)
    ctx.globalCompositeOperation = 'source-atop'
    ctx.globalAlpha = DIM.each * item.depth
    ctx.fillStyle = DIM.colour
    ctx.fillRect(0, 0, canvas.width, canvas.height)
  }
  const image = new OffscreenCanvas(canvas.width, canvas.height)
  const over = image.getContext('2d')!
  const down = ((LIGHT_FROM + 180 - item.bearing) * Math.PI) / 180
  over.shadowColor = `${CAST.colour}${Math.round(CAST.opacity * 255).toString(16)}`
  over.shadowBlur = CAST.blur * scale
  over.shadowOffsetX = Math.cos(down) * away * scale
  over.shadowOffsetY = Math.sin(down) * away * scale
  over.drawImage(canvas, 0, 0)
  return { image, x, y, scale }
}
