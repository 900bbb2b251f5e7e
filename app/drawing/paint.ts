import type { Mark, Paint, DrawnShape, DrawingSheet } from '#core/looks'

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

/** A line that covers less than this of a pixel's width, its opacity counted, is not seen. */
const UNSEEN = 0.04
/** A change of colour over fewer pixels than this is one colour. */
const ONE_COLOUR = 1.5

/** A sheet that is a canvas: shapes go straight onto it, in its own coordinates. What is too fine to be seen at its scale is left out. */
export class CanvasSheet implements DrawingSheet {
  /** @param scale pixels to the millimetre */
  constructor(
    private readonly ctx: Context,
    private readonly scale: number,
  ) {
    ctx.lineCap = 'round'
    ctx.lineJoin = 'round'
  }

  put(shape: DrawnShape, { fill, stroke, opacity = 1 }: Pick<Mark, 'fill' | 'stroke' | 'opacity'>): void {
    const { ctx, scale } = this
    if (fill === undefined && (!stroke || stroke.width * scale * opacity < UNSEEN)) return
    ctx.beginPath()
    trace(ctx, shape)
    ctx.globalAlpha = opacity
    if (fill !== undefined) {
      ctx.fillStyle = this.style(fill)
      ctx.fill()
    }
    if (stroke) {
      ctx.strokeStyle = this.style(stroke.paint)
      ctx.lineWidth = stroke.width
      ctx.stroke()
    }
    // What others put on the canvas next is not see-through because this was.
    ctx.globalAlpha = 1
  }

  private style(paint: Paint): string | CanvasGradient {
    if (typeof paint === 'string') return paint
    const reach = paint.kind === 'linear' ? Math.hypot(paint.to[0] - paint.from[0], paint.to[1] - paint.from[1]) : paint.radius
    return reach * this.scale < ONE_COLOUR ? paint.stops[Math.floor(paint.stops.length / 2)]![1] : styleOf(this.ctx, paint)
  }
}

function trace(ctx: Context, shape: DrawnShape): void {
  switch (shape.kind) {
    case 'lines':
      for (const line of shape.lines) {
        ctx.moveTo(line[0]![0], line[0]![1])
        for (let i = 1; i < line.length; i++) ctx.lineTo(line[i]![0], line[i]![1])
        if (shape.closed) ctx.closePath()
      }
      return
    case 'bends':
      ctx.moveTo(shape.start[0], shape.start[1])
      for (const [c1, c2, end] of shape.through) ctx.bezierCurveTo(c1[0], c1[1], c2[0], c2[1], end[0], end[1])
      if (shape.closed) ctx.closePath()
      return
    case 'discs':
      for (const [x, y, rx, ry] of shape.discs) {
        ctx.moveTo(x + rx, y)
        ctx.ellipse(x, y, rx, ry, 0, 0, 2 * Math.PI)
      }
  }
}

function styleOf(ctx: Context, paint: Paint): string | CanvasGradient {
  if (typeof paint === 'string') return paint
  const gradient =
    paint.kind === 'linear'
      ? ctx.createLinearGradient(...paint.from, ...paint.to)
      : ctx.createRadialGradient(...paint.focus, 0, ...paint.centre, paint.radius)
  for (const [at, colour] of paint.stops) gradient.addColorStop(at, colour)
  return gradient
}
