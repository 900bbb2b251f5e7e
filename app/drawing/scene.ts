import type { Bounds, Mark, Scene, SceneItem } from '#core/glyph'
import { baseGlyph, runBearing, surfaceMarks, tuckGlyph } from '#core/glyph'
import type { Workings } from '#core/workings'
import { paintMarks } from './paint'
import { spriteOf } from './sprites'

/** What part of the drawing is shown: its middle, mm, and pixels to the millimetre. */
export interface View { readonly x: number, readonly y: number, readonly scale: number, readonly width: number, readonly height: number }

export function regionOf({ x, y, scale, width, height }: View): Bounds {
  return { left: x - width / 2 / scale, right: x + width / 2 / scale, top: y - height / 2 / scale, bottom: y + height / 2 / scale }
}

/** How far out the clock ring lies: just outside everything, mm. */
export function ringRadius({ size, scene }: Pick<Workings, 'size' | 'scene'>): number {
  return Math.max(scene.base.outer / 2, -size.left, size.right, -size.top, size.bottom) + scene.base.outer * 0.04
}

/** The view in which these bounds just fit. */
export function fitting(bounds: Bounds, width: number, height: number, margin = 1.08): View {
  const scale = Math.min(width / (bounds.right - bounds.left), height / (bounds.bottom - bounds.top)) / margin
  return { x: (bounds.left + bounds.right) / 2, y: (bounds.top + bounds.bottom) / 2, scale, width, height }
}

/** The cords that something hangs from, and what of the base crosses over a foot. */
export function overMarks(scene: Scene, item: SceneItem): readonly Mark[] {
  if (!item.tucked) return []
  return tuckGlyph(scene.base, item, scene.base.kind === 'grapevine' ? runBearing(scene.base, item) : item.bearing, item.seed).marks
}

export function cordMarks(item: SceneItem): readonly Mark[] {
  if (!item.cord) return []
  const top = item.y - item.width * 0.4
  return [-1, 1].map((side): Mark => ({
    d: `M${item.cord!.x} ${item.cord!.y}L${item.x + side * item.length * 0.39} ${top}`,
    stroke: { paint: '#8a7350', width: 1.6 },
  }))
}

/** Paints a whole scene onto a plain canvas: for previews and for print. @param bare leaves the surface out */
export function paintScene(ctx: CanvasRenderingContext2D, scene: Scene, view: View, bare = false): void {
  const { scale } = view
  ctx.setTransform(scale, 0, 0, scale, view.width / 2 - view.x * scale, view.height / 2 - view.y * scale)
  if (!bare) paintMarks(ctx, surfaceMarks(scene.surface, regionOf(view)))
  paintMarks(ctx, baseGlyph(scene.base).marks)
  for (const item of scene.items) {
    paintMarks(ctx, cordMarks(item))
    const sprite = spriteOf(item, scale)
    ctx.save()
    ctx.translate(item.x, item.y)
    ctx.rotate((item.bearing * Math.PI) / 180)
    ctx.drawImage(sprite.image, -sprite.x / sprite.scale, -sprite.y / sprite.scale, sprite.image.width / sprite.scale, sprite.image.height / sprite.scale)
    ctx.restore()
    paintMarks(ctx, overMarks(scene, item))
  }
}
