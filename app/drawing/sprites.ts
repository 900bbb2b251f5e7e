import type { Base } from '#core/base'
import type { SceneItem } from '#core/scene'
import type { Bounds } from '#core/measure'
import { LIGHT_FROM, looksKey, measureItem, putBaseOfPart, putDown, thingsShown, tuckGlyph, tuckTwin } from '#core/looks'
import { CAST, castAway, DIM, OUT_OF_LEAVES } from '#core/scene'
import { onceFor, radians } from '#core/measure'
import { CanvasSheet, paintMarks } from './paint'

/** A picture with its anchor at `x`, `y` in its own pixels. `scale` is its pixels to the millimetre where it is put. */
export interface Sprite {
  readonly image: OffscreenCanvas
  readonly x: number
  readonly y: number
  readonly scale: number
}

/** What the sprites that are kept may take, bytes. */
const KEPT = 192 * 1024 * 1024
const BYTES = 4
/** Lengths are drawn in steps of this ratio and stretched the rest of the way, so that tapered stems share sprites. */
const SIZE_STEP = 1.05

/** Pictures by their key, the last used kept within a bound of bytes. */
export class SpriteCache {
  private readonly kept = new Map<string, Sprite>()
  private bytes = 0

  constructor(private readonly bound: number) {}

  get(key: string, make: () => Sprite): Sprite {
    const known = this.kept.get(key)
    if (known) {
      this.kept.delete(key)
      this.kept.set(key, known)
      return known
    }
    const sprite = make()
    this.kept.set(key, sprite)
    this.bytes += bytesOf(sprite)
    for (const [old, { image }] of this.kept) {
      if (this.bytes <= this.bound || old === key) break
      this.kept.delete(old)
      this.bytes -= bytesOf({ image })
    }
    return sprite
  }
}
const bytesOf = ({ image }: Pick<Sprite, 'image'>): number => image.width * image.height * BYTES

const cache = new SpriteCache(KEPT)

/**
 * The scale that things are drawn at to be shown at another: the next power of the root of two, so that a turn of the
 * wheel mostly finds what it needs.
 */
export const stepScale = (scale: number): number => 2 ** (Math.ceil(2 * Math.log2(scale) - 1e-6) / 2)

/** What a sprite of an item goes by, at a step of scale. */
function stepped(item: SceneItem): SceneItem {
  if (item.form !== 'leaf') return item
  const length = SIZE_STEP ** Math.round(Math.log(item.length) / Math.log(SIZE_STEP))
  return { ...item, length, width: (item.width * length) / item.length }
}
const keys = onceFor<SceneItem, { readonly looks: SceneItem; readonly key: string }>()
const keyed = (item: SceneItem) =>
  keys(item, () => {
    const looks = stepped(item)
    return { looks, key: `${looksKey(looks)}${item.tucked === 'leaves' ? ' in leaves' : ''}` }
  })

/**
 * The sprite of an item at a scale, drawn once for all that look alike.
 * @param scale pixels to the millimetre
 */
export function spriteOf(item: SceneItem, scale: number): Sprite {
  const step = stepScale(scale)
  const { looks, key } = keyed(item)
  const sprite = cache.get(`${key}@${step.toFixed(3)}`, () => drawItem(looks, step))
  return looks.length === item.length ? sprite : { ...sprite, scale: sprite.scale * (looks.length / item.length) }
}

/** Where an item is seen, its shadow and its cord included, mm. */
export const boxOf = onceBox()

function onceBox(): (item: SceneItem) => Bounds {
  const boxes = onceFor<SceneItem, Bounds>()
  return (item) =>
    boxes(item, () => {
      const { looks } = keyed(item)
      const { left, right, top, bottom } = measureItem(looks)
      const grown = item.length / looks.length
      const margin = grown * rim(item)
      const [cos, sin] = [Math.cos(radians(item.bearing)), Math.sin(radians(item.bearing))]
      const corners = [
        [left, top],
        [right, top],
        [left, bottom],
        [right, bottom],
      ].map(([u, v]) => [item.x + grown * (u! * cos - v! * sin), item.y + grown * (u! * sin + v! * cos)] as const)
      if (item.cord) corners.push([item.cord.x, item.cord.y])
      const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)]
      return {
        left: Math.min(...xs, item.x) - margin,
        right: Math.max(...xs, item.x) + margin,
        top: Math.min(...ys, item.y) - margin,
        bottom: Math.max(...ys, item.y) + margin,
      }
    })
}
/** What is left about a drawing for its shadow, mm. */
const rim = ({ rise }: Pick<SceneItem, 'rise'>): number => CAST.blur + castAway(rise) + 2

/** How far what crosses over a foot reaches from it, mm. */
export const FOOT = 30
/** Where what crosses over an item's foot is seen, mm. */
export const footOf = ({ x, y }: Pick<SceneItem, 'x' | 'y'>): Bounds => ({
  left: x - FOOT,
  right: x + FOOT,
  top: y - FOOT,
  bottom: y + FOOT,
})

/** Steps in which the direction of what crosses over a foot is drawn. */
const TUCK_TURNS = 36

/** What of the base crosses over an item's foot. It is not turned when it is put in place. */
export function tuckSprite(base: Base, item: Pick<SceneItem, 'along' | 'bearing' | 'seed'>, scale: number): Sprite {
  const turned = (angle: number): number => (Math.round((angle / 360) * TUCK_TURNS) % TUCK_TURNS) * (360 / TUCK_TURNS)
  const [along, bearing, twin] = [turned(item.along), turned(item.bearing), tuckTwin(item.seed)]
  const step = stepScale(scale)
  return cache.get(`tuck|${base.kind}|${base.colour}|${along}|${bearing}|${twin}@${step.toFixed(3)}`, () => {
    const { marks, bounds } = tuckGlyph(base, { x: 0, y: 0 }, along, bearing, twin)
    const { canvas, ctx, x, y } = blank(bounds, 2, step)
    paintMarks(ctx, marks)
    return { image: canvas, x, y, scale: step }
  })
}

/** A canvas just large enough, with so many mm about it, in millimetres. */
function blank(
  bounds: Bounds,
  margin: number,
  scale: number,
): { readonly canvas: OffscreenCanvas; readonly ctx: OffscreenCanvasRenderingContext2D; readonly x: number; readonly y: number } {
  const [left, top] = [bounds.left - margin, bounds.top - margin]
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.ceil((bounds.right - left + margin) * scale)),
    Math.max(1, Math.ceil((bounds.bottom - top + margin) * scale)),
  )
  const ctx = canvas.getContext('2d')!
  ctx.setTransform(scale, 0, 0, scale, -left * scale, -top * scale)
  return { canvas, ctx, x: -left * scale, y: -top * scale }
}

/** What is drawn turned into another picture is drawn so much finer, so that it is as sharp as the rest. */
const FINER = Math.SQRT2

/** Puts an item on a canvas in millimetres; the things of a part by their own sprites, so that alike ones are drawn once. */
function putItem(ctx: OffscreenCanvasRenderingContext2D, item: SceneItem, scale: number): void {
  if (!item.part) {
    putDown(item, new CanvasSheet(ctx, scale))
    return
  }
  putBaseOfPart(item.part, item, new CanvasSheet(ctx, scale))
  ctx.imageSmoothingQuality = 'high'
  for (const { looks, x, y, turn, scale: larger } of thingsShown(item.part, item)) {
    const step = stepScale(FINER * scale * larger)
    const thing = cache.get(`bare ${looksKey({ ...looks, depth: 0, rise: 0 })}@${step.toFixed(3)}`, () => {
      const { canvas, ctx: own, x: left, y: top } = blank(measureItem(looks), 2, step)
      putDown(looks, new CanvasSheet(own, step))
      return { image: canvas, x: left, y: top, scale: step }
    })
    ctx.save()
    ctx.translate(x, y)
    ctx.rotate(radians(turn))
    ctx.scale(larger / step, larger / step)
    ctx.drawImage(thing.image, -thing.x, -thing.y)
    ctx.restore()
  }
}

/** Farther than anything reaches, mm. */
const FAR = 1e5

/** An item drawn afresh: its drawing, dimmed by what lies over it, with the shadow of the whole. @param scale pixels to the millimetre */
export function drawItem(item: SceneItem, scale: number): Sprite {
  const away = castAway(item.rise)
  const { canvas, ctx, x, y } = blank(measureItem(item), rim(item), scale)
  putItem(ctx, item, scale)
  if (item.tucked === 'leaves') ctx.clearRect(-FAR, -FAR, FAR + OUT_OF_LEAVES, 2 * FAR)
  if (item.depth > 0) {
    ctx.setTransform(1, 0, 0, 1, 0, 0)
    ctx.globalCompositeOperation = 'source-atop'
    ctx.globalAlpha = DIM.each * item.depth
    ctx.fillStyle = DIM.colour
    ctx.fillRect(0, 0, canvas.width, canvas.height)
  }
  const image = new OffscreenCanvas(canvas.width, canvas.height)
  const over = image.getContext('2d')!
  const down = radians(LIGHT_FROM + 180 - item.bearing)
  over.shadowColor = `${CAST.colour}${Math.round(CAST.opacity * 255).toString(16)}`
  over.shadowBlur = CAST.blur * scale
  over.shadowOffsetX = Math.cos(down) * away * scale
  over.shadowOffsetY = Math.sin(down) * away * scale
  over.drawImage(canvas, 0, 0)
  return { image, x, y, scale }
}
