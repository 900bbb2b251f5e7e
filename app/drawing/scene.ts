import type { Base } from '#core/base'
import type { Scene, SceneItem } from '#core/scene'
import type { Bounds } from '#core/measure'
import { radians } from '#core/measure'
import { baseBounds, putBase } from '#core/looks'
import { AROUND_DOOR, cordMarks, doorBounds, lightMarks, putSurface } from '#core/scene'
import type { Workings } from '#core/workings'
import type { Context } from './paint'
import { CanvasSheet, paintMarks } from './paint'
import type { Sprite } from './sprites'
import { boxOf, drawItem, footOf, spriteOf, stepScale, tuckSprite } from './sprites'
import type { View } from './view'
import { regionOf } from './view'

/** How far out the clock ring lies: just outside everything but what hangs below, mm. */
export function ringRadius({ size, base }: Pick<Workings, 'size' | 'base'>): number {
  const { left, right, top, bottom } = base.bounds
  const reach = Math.max(right - left, bottom - top) / 2
  return Math.max(reach, -size.left, size.right, -size.top) + reach * 0.08
}

/** Whether the piece is read by the clock. */
export const hasClock = ({ tapes }: Pick<Workings, 'tapes'>): boolean => tapes[0]!.closed

/** All that one wants to see of a piece with its measuring marks, mm. */
export function pieceBounds(workings: Workings): Bounds {
  const { size } = workings
  if (hasClock(workings)) {
    const reach = ringRadius(workings) * 1.1 + 8
    return { left: -reach, right: reach, top: -reach, bottom: Math.max(reach, size.bottom + 12) }
  }
  const margin = Math.max(size.right - size.left, size.bottom - size.top) * 0.06 + 12
  return { left: size.left - margin, right: size.right + margin, top: size.top - margin, bottom: size.bottom + margin }
}

/** The most pixels that a picture of a bare base has: beyond it, it is stretched. */
const MOST_PIXELS = 9_000_000

/** A picture of a bare base, or of the part of it that is looked at, with where that lies, mm. */
export interface BasePicture {
  readonly image: OffscreenCanvas
  readonly bounds: Bounds
}

/** @param scale pixels to the millimetre at which it will be seen @param within the part of the drawing that is looked at, mm */
export function basePicture({ base, runs }: Pick<Scene, 'base' | 'runs'>, scale: number, within?: Bounds): BasePicture {
  const whole = baseBounds(runs)
  const bounds = (within && common(whole, within)) ?? whole
  const [wide, high] = [bounds.right - bounds.left, bounds.bottom - bounds.top]
  const own = Math.min(stepScale(scale), Math.sqrt(MOST_PIXELS / (wide * high)))
  const image = new OffscreenCanvas(Math.max(1, Math.round(wide * own)), Math.max(1, Math.round(high * own)))
  const ctx = image.getContext('2d')!
  ctx.setTransform(image.width / wide, 0, 0, image.height / high, (-bounds.left * image.width) / wide, (-bounds.top * image.height) / high)
  putBase(base, runs, new CanvasSheet(ctx, own))
  return { image, bounds }
}

/** What two rectangles have in common; null when nothing. */
export function common(a: Bounds, b: Bounds): Bounds | null {
  const both = {
    left: Math.max(a.left, b.left),
    right: Math.min(a.right, b.right),
    top: Math.max(a.top, b.top),
    bottom: Math.min(a.bottom, b.bottom),
  }
  return both.left < both.right && both.top < both.bottom ? both : null
}

export function paintBase(ctx: Context, { image, bounds }: BasePicture): void {
  ctx.drawImage(image, bounds.left, bounds.top, bounds.right - bounds.left, bounds.bottom - bounds.top)
}

/** Paints things from sprites, back to front, in millimetres. @param scale pixels to the millimetre of the context */
export function paintItems(ctx: Context, base: Base, items: readonly SceneItem[], scale: number): void {
  for (const item of items) paintItem(ctx, base, item, spriteOf(item, scale), scale)
}

/** Sets a context to millimetres, so that it shows what the view says. */
export function toView(ctx: Context, { x, y, scale, width, height }: View): void {
  ctx.setTransform(scale, 0, 0, scale, width / 2 - x * scale, height / 2 - y * scale)
}

export function paintSurface(ctx: Context, scene: Scene, view: View): void {
  putSurface(scene.surface, regionOf(view), new CanvasSheet(ctx, view.scale))
  ctx.globalAlpha = 1
}

export function paintLight(ctx: Context, scene: Scene, items: readonly SceneItem[], view: View): void {
  paintMarks(ctx, lightMarks(scene.surface, items, regionOf(view)))
}

function paintItem(ctx: Context, base: Base, item: SceneItem, sprite: Sprite, scale: number): void {
  if (item.cord) paintMarks(ctx, cordMarks(item))
  ctx.save()
  ctx.translate(item.x, item.y)
  ctx.rotate(radians(item.bearing))
  ctx.drawImage(
    sprite.image,
    -sprite.x / sprite.scale,
    -sprite.y / sprite.scale,
    sprite.image.width / sprite.scale,
    sprite.image.height / sprite.scale,
  )
  ctx.restore()
  if (item.tucked === 'base') paintFoot(ctx, base, item, scale)
}

/** Paints what of the base crosses over a foot. */
function paintFoot(ctx: Context, base: Base, item: SceneItem, scale: number): void {
  const { image, x, y, scale: own } = tuckSprite(base, item, scale)
  ctx.drawImage(image, item.x - x / own, item.y - y / own, image.width / own, image.height / own)
}

/** Paints of things what is seen within a part of the drawing, from sprites, back to front; told of each thing, as it may take long. */
export function* paintingWithin(ctx: Context, base: Base, items: readonly SceneItem[], part: Bounds, scale: number): Generator<void, void> {
  for (const item of items) {
    const [seen, foot] = [meets(boxOf(item), part), item.tucked === 'base' && meets(footOf(item), part)]
    if (seen) paintItem(ctx, base, item, spriteOf(item, scale), scale)
    else if (foot) paintFoot(ctx, base, item, scale)
    if (seen || foot) yield
  }
}
const meets = (a: Bounds, b: Bounds): boolean => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom

/** The whole door, window or wall that a piece hangs on, with the piece, mm. */
export function wholeBounds(scene: Scene, around: Bounds): Bounds {
  const door = doorBounds(scene.surface) ?? around
  return {
    left: Math.min(door.left, around.left) - AROUND_DOOR,
    right: Math.max(door.right, around.right) + AROUND_DOOR,
    top: Math.min(door.top, around.top) - AROUND_DOOR,
    bottom: Math.max(door.bottom, around.bottom) + AROUND_DOOR * 0.8,
  }
}

export interface PaintOptions {
  /** Leaves out what it hangs on, and the light of the hour. */
  readonly bare?: boolean
  /** Only the things of one layer, without the base: to be laid over the rest. */
  readonly only?: string | null
}

/** Paints a whole scene onto a plain canvas, step by step: how much of it is done is told before each thing. */
export function* paintingScene(
  ctx: Context,
  scene: Scene,
  view: View,
  { bare = false, only = null }: PaintOptions = {},
  drawn: (item: SceneItem, scale: number) => Sprite = drawItem,
): Generator<number, void> {
  const { scale } = view
  const items = scene.items.filter(({ hidden, layer }) => !hidden && (only === null || layer === only))
  toView(ctx, view)
  if (!bare) paintSurface(ctx, scene, view)
  yield 0
  if (only === null) paintBase(ctx, basePicture(scene, scale))
  for (const [i, item] of items.entries()) {
    yield i / items.length
    paintItem(ctx, scene.base, item, drawn(item, scale), scale)
  }
  if (!bare) paintLight(ctx, scene, items, view)
}

/** How long a page may be kept from answering, ms. */
const SLICE = 10

/**
 * Paints a whole scene from sprites that are kept, a little at a time, so that the page answers meanwhile.
 * @param stopped asked between slices
 * @returns whether it was painted to the end
 */
export async function paintScene(ctx: Context, scene: Scene, view: View, options: PaintOptions, stopped: () => boolean): Promise<boolean> {
  let began = performance.now()
  const painting = paintingScene(ctx, scene, view, options, spriteOf)
  while (!painting.next().done) {
    if (performance.now() - began < SLICE) continue
    await new Promise((resolve) => {
      setTimeout(resolve)
    })
    if (stopped()) return false
    began = performance.now()
  }
  return true
}
