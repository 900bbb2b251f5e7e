import type { Base } from '#core/base'
import type { Bounds, Mark, Scene, SceneItem } from '#core/glyph'
import { baseBounds, baseGlyph, surfaceMarks } from '#core/glyph'
import type { Workings } from '#core/workings'
import { paintMarks } from './paint'
import { spriteOf, tuckSprite } from './sprites'

/** What part of the drawing is shown: its middle, mm, and pixels to the millimetre. */
export interface View { readonly x: number, readonly y: number, readonly scale: number, readonly width: number, readonly height: number }

export function regionOf({ x, y, scale, width, height }: View): Bounds {
  return { left: x - width / 2 / scale, right: x + width / 2 / scale, top: y - height / 2 / scale, bottom: y + height / 2 / scale }
}

/** How far out the clock ring lies: just outside everything, mm. */
export function ringRadius({ size, base }: Pick<Workings, 'size' | 'base'>): number {
  const { left, right, top, bottom } = base.bounds
  const reach = Math.max(right - left, bottom - top) / 2
  return Math.max(reach, -size.left, size.right, -size.top, size.bottom) + reach * 0.08
}

/** Whether the piece is read by the clock. */
export const hasClock = ({ tapes }: Pick<Workings, 'tapes'>): boolean => tapes[0]!.closed

/** All that one wants to see of a piece with its measuring marks, mm. */
export function pieceBounds(workings: Workings): Bounds {
  const { size } = workings
  if (hasClock(workings)) {
    const reach = ringRadius(workings) * 1.1 + 8
    return { left: -reach, right: reach, top: -reach, bottom: reach }
  }
  const margin = Math.max(size.right - size.left, size.bottom - size.top) * 0.06 + 12
  return { left: size.left - margin, right: size.right + margin, top: size.top - margin, bottom: size.bottom + margin }
}

/** The view in which these bounds just fit. */
export function fitting(bounds: Bounds, width: number, height: number, margin = 1.08): View {
  const scale = Math.min(width / (bounds.right - bounds.left), height / (bounds.bottom - bounds.top)) / margin
  return { x: (bounds.left + bounds.right) / 2, y: (bounds.top + bounds.bottom) / 2, scale, width, height }
}

/** The cords that something hangs from. */
export function cordMarks(item: SceneItem): readonly Mark[] {
  if (!item.cord) return []
  const top = item.y - item.width * 0.4
  return [-1, 1].map((side): Mark => ({
    d: `M${item.cord!.x} ${item.cord!.y}L${item.x + side * item.length * 0.39} ${top}`,
    stroke: { paint: '#8a7350', width: 1.6 },
  }))
}

/** The most pixels that a picture of a bare base has: beyond it, it is stretched. */
const MOST_PIXELS = 9_000_000

/** A picture of a bare base, with its left top corner, mm. */
export interface BasePicture { readonly image: HTMLCanvasElement, readonly bounds: Bounds }

export function basePicture(base: Base, scale: number): BasePicture {
  const bounds = baseBounds(base)
  const [wide, high] = [bounds.right - bounds.left, bounds.bottom - bounds.top]
  const own = Math.min(scale, Math.sqrt(MOST_PIXELS / (wide * high)))
  const image = document.createElement('canvas')
  image.width = Math.max(1, Math.round(wide * own))
  image.height = Math.max(1, Math.round(high * own))
  const ctx = image.getContext('2d')!
  ctx.setTransform(own, 0, 0, own, -bounds.left * own, -bounds.top * own)
  paintMarks(ctx, baseGlyph(base).marks)
  return { image, bounds }
}

export function paintBase(ctx: CanvasRenderingContext2D, { image, bounds }: BasePicture): void {
  ctx.drawImage(image, bounds.left, bounds.top, bounds.right - bounds.left, bounds.bottom - bounds.top)
}

/** Paints things from sprites, back to front, in millimetres. @param scale pixels to the millimetre of the context */
export function paintItems(ctx: CanvasRenderingContext2D, base: Base, items: readonly SceneItem[], scale: number): void {
  for (const item of items) {
    if (item.cord) paintMarks(ctx, cordMarks(item))
    const sprite = spriteOf(item, scale)
    ctx.save()
    ctx.translate(item.x, item.y)
    ctx.rotate((item.bearing * Math.PI) / 180)
    ctx.drawImage(sprite.image, -sprite.x / sprite.scale, -sprite.y / sprite.scale, sprite.image.width / sprite.scale, sprite.image.height / sprite.scale)
    ctx.restore()
    if (!item.tucked) continue
    const tuck = tuckSprite(base, item, scale)
    ctx.drawImage(tuck.image, item.x - tuck.x / tuck.scale, item.y - tuck.y / tuck.scale, tuck.image.width / tuck.scale, tuck.image.height / tuck.scale)
  }
}

/** Paints a whole scene onto a plain canvas: for previews and for print. @param bare leaves the surface out */
export function paintScene(ctx: CanvasRenderingContext2D, scene: Scene, view: View, bare = false): void {
  const { scale } = view
  ctx.setTransform(scale, 0, 0, scale, view.width / 2 - view.x * scale, view.height / 2 - view.y * scale)
  if (!bare) paintMarks(ctx, surfaceMarks(scene.surface, regionOf(view)))
  paintBase(ctx, basePicture(scene.base, scale))
  paintItems(ctx, scene.base, scene.items.filter(({ hidden }) => !hidden), scale)
}
