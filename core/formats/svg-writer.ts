import type { Mark, Paint } from '../looks'

const n = (value: number): string => String(Math.round(value * 100) / 100)
export const escaped = (text: string): string => text.replace(/[&<>"']/g, (letter) => `&#${letter.codePointAt(0)};`)

/** Writes marks as SVG. Gradients are collected, each once, and given out by `defs`. */
export class SvgInk {
  private readonly ids = new Map<string, string>()

  /** @param prefix keeps the ids of several drawings on one page apart */
  constructor(private readonly prefix = 'p') {}

  /** All gradients asked for so far. */
  defs(): string {
    return [...this.ids].map(([body, id]) => body.replace('ID', id)).join('\n')
  }

  path({ d, fill, stroke, opacity }: Mark): string {
    const ink = fill === undefined ? 'fill="none"' : `fill="${this.paint(fill)}"`
    const line = stroke ? ` stroke="${this.paint(stroke.paint)}" stroke-width="${n(stroke.width)}"` : ''
    // The opacity of a path is that of a group, which readers paint apart: what has one paint only is told that paint's.
    const of = fill === undefined ? 'stroke-opacity' : stroke ? 'opacity' : 'fill-opacity'
    return `<path d="${d}" ${ink}${line}${opacity === undefined ? '' : ` ${of}="${n(opacity)}"`}/>`
  }

  marks(marks: readonly Mark[]): string {
    return marks.map((mark) => this.path(mark)).join('\n')
  }

  private paint(paint: Paint): string {
    if (typeof paint === 'string') return paint
    const stops = paint.stops.map(([at, colour]) => `<stop offset="${n(at)}" ${stopColour(colour)}/>`).join('')
    const body =
      paint.kind === 'linear'
        ? `<linearGradient id="ID" gradientUnits="userSpaceOnUse" x1="${n(paint.from[0])}" y1="${n(paint.from[1])}" x2="${n(paint.to[0])}" y2="${n(paint.to[1])}">${stops}</linearGradient>`
        : `<radialGradient id="ID" gradientUnits="userSpaceOnUse" cx="${n(paint.centre[0])}" cy="${n(paint.centre[1])}" r="${n(paint.radius)}" fx="${n(paint.focus[0])}" fy="${n(paint.focus[1])}">${stops}</radialGradient>`
    let id = this.ids.get(body)
    if (id === undefined) {
      id = `${this.prefix}${this.ids.size + 1}`
      this.ids.set(body, id)
    }
    return `url(#${id})`
  }
}

/** A stop's colour; SVG 1.1 readers want its opacity apart. */
function stopColour(colour: string): string {
  const alpha = /^(#[0-9a-f]{6})([0-9a-f]{2})$/i.exec(colour)
  return alpha ? `stop-color="${alpha[1]}" stop-opacity="${n(Number.parseInt(alpha[2]!, 16) / 255)}"` : `stop-color="${colour}"`
}
