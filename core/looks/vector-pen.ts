import type { Bounds, Random } from '../measure'
import { radians } from '../measure'
import type { Glyph, Mark, Paint, XY } from './vector-marks'
import type { Bend } from './path'
import { bends, Extent, pair, pathText } from './path'

/** The light comes from up and to the left. */
export const LIGHT_FROM = -125
/** What shadows are made of. */
export const SHADE = '#140d18'

/** How drawn coordinates are stretched and moved, so that a drawing comes out as large as it says. */
export interface Fit {
  readonly sx: number
  readonly sy: number
  readonly dx: number
  readonly dy: number
}
/** As large as it is drawn. */
export const AS_DRAWN: Fit = { sx: 1, sy: 1, dx: 0, dy: 0 }

/** A drawn shape as plain geometry, mm. */
export type DrawnShape =
  | { readonly kind: 'lines'; readonly lines: readonly (readonly XY[])[]; readonly closed: boolean }
  | { readonly kind: 'bends'; readonly start: XY; readonly through: readonly Bend[]; readonly closed: boolean }
  | { readonly kind: 'discs'; readonly discs: readonly (readonly [x: number, y: number, rx: number, ry: number])[] }

type Inked = Pick<Mark, 'fill' | 'stroke' | 'opacity' | 'cast'>

/** What a pen puts its shapes down on, from back to front. */
export interface DrawingSheet {
  put(shape: DrawnShape, ink: Inked): void
}

/** A sheet that keeps shapes as marks. */
export class MarkSheet implements DrawingSheet {
  readonly marks: Mark[] = []

  put(shape: DrawnShape, ink: Inked): void {
    this.marks.push({ d: pathOf(shape), ...ink })
  }
}

/** A sheet that keeps nothing: for when only the bounds are wanted. */
const NO_SHEET: DrawingSheet = { put: () => {} }

export interface PenOptions {
  /** How far the glyph will be turned on the drawing, degrees clockwise. */
  readonly turned?: number
  readonly fit?: Fit
  readonly sheet?: DrawingSheet
}

/**
 * Puts down shapes and keeps count of where they are. It knows where the light is, in the glyph's own frame,
 * so that shadows and bright sides agree however the glyph is turned on the base.
 */
export class Pen {
  readonly turned: number
  private readonly extent = new Extent()
  private readonly fit: Fit
  private readonly sheet: DrawingSheet
  /** How much lines and round things grow with the fit. */
  private readonly grown: number
  /** Unit vector to the light. */
  readonly light: XY

  constructor(
    readonly random: Random,
    { turned = 0, fit = AS_DRAWN, sheet = NO_SHEET }: PenOptions = {},
  ) {
    const angle = radians(LIGHT_FROM - turned)
    this.turned = turned
    this.light = [Math.cos(angle), Math.sin(angle)]
    this.fit = fit
    this.sheet = sheet
    this.grown = Math.sqrt(fit.sx * fit.sy)
  }

  get bounds(): Bounds {
    return this.extent.bounds
  }

  /** A point moved down the light. */
  away([x, y]: XY, by: number): XY {
    return [x - this.light[0] * by, y - this.light[1] * by]
  }

  /** A closed outline of straight lines. */
  shape(outline: readonly XY[], fill: Paint, opacity?: number): void {
    this.shapes([outline], fill, opacity)
  }

  /** Several closed outlines of straight lines as one mark, with holes where they overlap the other way round. */
  shapes(outlines: readonly (readonly XY[])[], fill: Paint, opacity?: number): void {
    if (!outlines.length) return
    const lines = outlines.map((outline) => outline.map(this.put))
    for (const line of lines) for (const point of line) this.extent.reach(point)
    this.ink({ kind: 'lines', lines, closed: true }, { fill }, opacity)
  }

  /** A closed smooth outline through its points. */
  blob(outline: readonly XY[], fill: Paint, opacity?: number): void {
    this.curved(outline, true, { fill }, 0, opacity)
  }

  circle(x: number, y: number, r: number, fill: Paint, opacity?: number): void {
    this.dots([[x, y, r]], fill, opacity)
  }

  /** Many dots of one colour in one mark. */
  dots(centres: readonly (readonly [x: number, y: number, r: number])[], fill: Paint, opacity?: number): void {
    if (!centres.length) return
    const discs = centres.map(([x, y, r]) => [...this.put([x, y]), r * this.fit.sx, r * this.fit.sy] as const)
    for (const [x, y, rx, ry] of discs) this.extent.reach([x, y], rx, ry)
    this.ink({ kind: 'discs', discs }, { fill }, opacity)
  }

  /** A smooth line through its points. */
  line(points: readonly XY[], width: number, paint: Paint, opacity?: number): void {
    this.curved(points, false, { stroke: { paint, width: width * this.grown } }, (width * this.grown) / 2, opacity)
  }

  /** Many straight strokes of one width and colour, in one mark. */
  strokes(lines: readonly (readonly [XY, XY])[], width: number, paint: Paint, opacity?: number): void {
    this.polylines(lines, width, paint, opacity)
  }

  /** Many lines of straight pieces, of one width and colour, in one mark. */
  polylines(all: readonly (readonly XY[])[], width: number, paint: Paint, opacity?: number): void {
    if (!all.length) return
    const lines = all.map((line) => line.map(this.put))
    const wide = width * this.grown
    for (const line of lines) for (const point of line) this.extent.reach(point, wide / 2)
    this.ink({ kind: 'lines', lines, closed: false }, { stroke: { paint, width: wide } }, opacity)
  }

  /** A soft dark copy, down the light: call it before the thing itself. */
  shadow(outline: readonly XY[], lift: number, strength = 0.22, sharp = false): void {
    if (this.sheet === NO_SHEET) return
    const moved = outline.map((point) => this.put(this.away(point, lift)))
    this.sheet.put(
      sharp
        ? { kind: 'lines', lines: [moved], closed: true }
        : { kind: 'bends', start: moved[0]!, through: bends(moved, true), closed: true },
      { fill: SHADE, opacity: strength, cast: true },
    )
  }

  /** The shadow of something round. */
  roundShadow(x: number, y: number, r: number, lift: number, strength = 0.26): void {
    const [cx, cy] = this.put(this.away([x, y], lift))
    this.sheet.put({ kind: 'discs', discs: [[cx, cy, r * this.fit.sx, r * this.fit.sy]] }, { fill: SHADE, opacity: strength, cast: true })
  }

  /** The shadow of strokes. */
  strokeShadow(lines: readonly (readonly XY[])[], width: number, lift: number, strength = 0.2): void {
    if (this.sheet === NO_SHEET || !lines.length) return
    const moved = lines.map((line) => line.map((point) => this.put(this.away(point, lift))))
    this.sheet.put(
      { kind: 'lines', lines: moved, closed: false },
      { stroke: { paint: SHADE, width: width * this.grown }, opacity: strength, cast: true },
    )
  }

  private readonly put = ([x, y]: XY): XY => [x * this.fit.sx + this.fit.dx, y * this.fit.sy + this.fit.dy]

  private curved(points: readonly XY[], closed: boolean, paint: Pick<Mark, 'fill' | 'stroke'>, margin: number, opacity?: number): void {
    const moved = points.map(this.put)
    const through = bends(moved, closed)
    let at = moved[0]!
    for (const [c1, c2, end] of through) {
      this.extent.curve(at, c1, c2, end, margin)
      at = end
    }
    this.ink({ kind: 'bends', start: moved[0]!, through, closed }, paint, opacity)
  }

  private ink(shape: DrawnShape, { fill, stroke }: Pick<Mark, 'fill' | 'stroke'>, opacity?: number): void {
    if (this.sheet === NO_SHEET) return
    this.sheet.put(shape, {
      ...(fill === undefined ? {} : { fill: this.paint(fill) }),
      ...(stroke === undefined ? {} : { stroke: { ...stroke, paint: this.paint(stroke.paint) } }),
      ...(opacity === undefined ? {} : { opacity }),
    })
  }

  private paint(paint: Paint): Paint {
    if (typeof paint === 'string' || this.fit === AS_DRAWN) return paint
    return paint.kind === 'linear'
      ? { ...paint, from: this.put(paint.from), to: this.put(paint.to) }
      : { ...paint, centre: this.put(paint.centre), focus: this.put(paint.focus), radius: paint.radius * this.grown }
  }
}

/** A pen, and the drawing that it has made so far. */
export function drawing(random: Random, options: Omit<PenOptions, 'sheet'> = {}): { readonly pen: Pen; readonly glyph: () => Glyph } {
  const sheet = new MarkSheet()
  const pen = new Pen(random, { ...options, sheet })
  return { pen, glyph: () => ({ marks: sheet.marks, bounds: pen.bounds }) }
}

/** A shape as SVG path data. */
function pathOf(shape: DrawnShape): string {
  switch (shape.kind) {
    case 'lines':
      return shape.lines.map((line) => `M${line.map(pair).join('L')}${shape.closed ? 'Z' : ''}`).join('')
    case 'bends':
      return pathText(shape.start, shape.through, shape.closed)
    case 'discs':
      return shape.discs.map(([x, y, rx, ry]) => disc(x, y, rx, ry)).join('')
  }
}

function disc(x: number, y: number, rx: number, ry: number): string {
  const radii = pair([rx, ry])
  return `M${pair([x - rx, y])}A${radii} 0 1 0 ${pair([x + rx, y])}A${radii} 0 1 0 ${pair([x - rx, y])}Z`
}

/** What stretches a drawing of some bounds so that they become others. Bounds without extent are only moved. */
export function stretchTo(from: Bounds, to: Bounds): Fit {
  const ratio = (now: number, wanted: number): number => (now > 1e-6 ? wanted / now : 1)
  const sx = ratio(from.right - from.left, to.right - to.left)
  const sy = ratio(from.bottom - from.top, to.bottom - to.top)
  return {
    sx,
    sy,
    dx: (to.left + to.right) / 2 - (sx * (from.left + from.right)) / 2,
    dy: (to.top + to.bottom) / 2 - (sy * (from.top + from.bottom)) / 2,
  }
}
