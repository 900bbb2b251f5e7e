import type { Mark, Paint } from '#core/glyph'

export type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D

/** Paints marks as they are, in the context's own coordinates. */
export function paintMarks(ctx: Context, marks: readonly Mark[]): void {
  ctx.lineCap = 'round'
  ctx.lineJoin = 'round'
  for (const mark of marks) {
    const path = new Path2D(mark.d)
    ctx.globalAlpha = mark.opacity ?? 1
    if (mark.fill !== undefined) {
      ctx.fillStyle = styleOf(ctx, mark.fill)
      ctx.fill(path)
    }
    if (mark.stroke) {
      ctx.strokeStyle = styleOf(ctx, mark.stroke.paint)
      ctx.lineWidth = mark.stroke.width
      ctx.stroke(path)
    }
  }
  ctx.globalAlpha = 1
}

function styleOf(ctx: Context, paint: Paint): string | CanvasGradient {
  if (typeof paint === 'string') return paint
  const gradient = paint.kind === 'linear'
    ? ctx.createLinearGradient(...paint.from, ...paint.to)
    : ctx.createRadialGradient(...paint.focus, 0, ...paint.centre, paint.radius)
  for (const [at, colour] of paint.stops) gradient.addColorStop(at, colour)
  return gradient
}
