import type { Glyph, Lettering, Mark, Paint } from '#core/glyph'

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D

/** The face that signs are lettered in; shipped with the app. */
export const LETTER_FACE = 'Young Serif'

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

export function paintGlyph(ctx: Context, glyph: Glyph): void {
  paintMarks(ctx, glyph.marks)
  for (const letters of glyph.letters) paintLetters(ctx, letters)
}

function paintLetters(ctx: Context, { text, x, y, size, colour, spacing }: Lettering): void {
  ctx.font = `${size}px "${LETTER_FACE}"`
  ctx.letterSpacing = `${(size * spacing).toFixed(2)}px`
  ctx.textAlign = 'center'
  ctx.textBaseline = 'middle'
  ctx.fillStyle = colour
  ctx.fillText(text, x, y)
}

function styleOf(ctx: Context, paint: Paint): string | CanvasGradient {
  if (typeof paint === 'string') return paint
  const gradient = paint.kind === 'linear'
    ? ctx.createLinearGradient(...paint.from, ...paint.to)
    : ctx.createRadialGradient(...paint.focus, 0, ...paint.centre, paint.radius)
  for (const [at, colour] of paint.stops) gradient.addColorStop(at, colour)
  return gradient
}

/** Resolves when signs can be lettered. */
export const lettersReady = (): Promise<unknown> => document.fonts.load(`20px "${LETTER_FACE}"`)
