import { polygonHull } from 'd3-polygon'
import { clamp, random } from '../measure'
import type { Mark, Paint, XY } from './vector-marks'
import type { Bounds } from '../measure'
import type { Bend } from './path'
import type { DrawnShape, DrawingSheet } from './vector-pen'

/** How much of what is behind it a thing hides, point by point: rows of small squares from its left top corner. */
export interface Mask {
  /** Left top corner, mm. */
  readonly left: number
  readonly top: number
  /** Side of a square, mm. */
  readonly side: number
  readonly columns: number
  readonly rows: number
  /** 1 where it hides what is behind it, row by row. */
  readonly bits: Uint8Array
  /** The area that it hides, mm². */
  readonly area: number
  /** Its convex hull, mm. */
  readonly rim: readonly XY[]
}

/** Squares along the longer side of a mask, and the limits of their side, mm. */
const FINENESS = 400
const SIDE = { least: 0.3, most: 5 } as const
/** Lines of sight through each row of squares. */
const LINES = 2
/** Straight pieces in which a curve and a disc are followed. */
const PIECES = 5
const ROUND = 14
/** A round end of a line is drawn as a straight one that covers as much: so much of its half width longer. */
const CAP = Math.PI / 4
/** Thinner than this share of full an edge is no outline. */
const FAINT = 0.25

type Contour = Float64Array
/** How much a paint hides: the same all over, or by the place. */
type Opacity = number | ((x: number, y: number) => number)
interface Layer {
  readonly contours: readonly Contour[]
  readonly opacity: Opacity
  readonly firm: boolean
}

/** A sheet that keeps only how much of what is behind each shape hides; cast shadows hide nothing. */
export class Stencil implements DrawingSheet {
  private readonly layers: Layer[] = []

  put(shape: DrawnShape, { fill, stroke, opacity = 1, cast }: Pick<Mark, 'fill' | 'stroke' | 'opacity' | 'cast'>): void {
    if (cast) return
    if (fill !== undefined) this.add(outlines(shape), fill, opacity)
    if (stroke)
      this.add(
        outlines(shape).flatMap((line) => stroked(line, stroke.width / 2, shape.kind !== 'discs' && shape.closed)),
        stroke.paint,
        opacity,
      )
  }

  private add(contours: readonly Contour[], paint: Paint, opacity: number): void {
    const of = opacityOf(paint)
    this.layers.push({
      contours,
      opacity: typeof of === 'number' ? of * opacity : (x, y) => of(x, y) * opacity,
      firm: typeof of === 'number' && of * opacity > FAINT,
    })
  }

  /**
   * What was put down, within these bounds. A square that is hidden in part, by an edge, a hairline or something one can see
   * through, counts as hidden with that chance, by a fixed draw: mesh that hides half counts in half of its squares.
   */
  mask(bounds: Bounds): Mask {
    const [width, height] = [bounds.right - bounds.left, bounds.bottom - bounds.top]
    const side = clamp(Math.max(width, height) / FINENESS, SIDE.least, SIDE.most)
    const columns = Math.max(1, Math.ceil(width / side))
    const rows = Math.max(1, Math.ceil(height / side))
    const frame = { left: bounds.left, top: bounds.top, side, columns, rows }
    const hidden = new Float32Array(columns * rows)
    for (const layer of this.layers) lay(hidden, frame, layer)
    const bits = new Uint8Array(columns * rows)
    const draw = random(columns * 7919 + rows)
    let area = 0
    for (let at = 0; at < hidden.length; at++) {
      const part = hidden[at]!
      area += part
      if (part > 0 && (part >= 0.999 || draw.next() < part)) bits[at] = 1
    }
    return { ...frame, bits, area: area * side * side, rim: this.rim(frame) }
  }

  /** The convex hull of all that is firm: of the highest and the lowest point over each column, and the two farthest out. */
  private rim({ left, side, columns }: Frame): XY[] {
    const [high, low] = [new Float64Array(columns).fill(Infinity), new Float64Array(columns).fill(-Infinity)]
    const [highX, lowX] = [new Float64Array(columns), new Float64Array(columns)]
    let first: XY = [Infinity, 0]
    let last: XY = [-Infinity, 0]
    for (const { contours, firm } of this.layers) {
      if (!firm) continue
      for (const contour of contours) {
        for (let i = 0; i < contour.length; i += 2) {
          const [x, y] = [contour[i]!, contour[i + 1]!]
          if (x < first[0]) first = [x, y]
          if (x > last[0]) last = [x, y]
          const column = Math.min(columns - 1, Math.max(0, Math.floor((x - left) / side)))
          if (y < high[column]!) {
            high[column] = y
            highX[column] = x
          }
          if (y > low[column]!) {
            low[column] = y
            lowX[column] = x
          }
        }
      }
    }
    if (first[0] > last[0]) return []
    const points: [number, number][] = [[...first], [...last]]
    for (let column = 0; column < columns; column++)
      if (high[column]! <= low[column]!) points.push([highX[column]!, high[column]!], [lowX[column]!, low[column]!])
    return polygonHull(points) ?? points
  }
}

/** The lines of a shape, curves and discs in straight pieces: x and y in turn. */
function outlines(shape: DrawnShape): Contour[] {
  switch (shape.kind) {
    case 'lines':
      return shape.lines.map((line) => {
        const points = new Float64Array(line.length * 2)
        line.forEach(([x, y], i) => {
          points[2 * i] = x
          points[2 * i + 1] = y
        })
        return points
      })
    case 'bends':
      return [flattened(shape.start, shape.through)]
    case 'discs':
      return shape.discs.map(([x, y, rx, ry]) => {
        const points = new Float64Array(ROUND * 2)
        // A polygon of the disc's own area.
        const out = Math.sqrt((2 * Math.PI) / (ROUND * Math.sin((2 * Math.PI) / ROUND)))
        for (let i = 0; i < ROUND; i++) {
          points[2 * i] = x + Math.cos((i / ROUND) * 2 * Math.PI) * rx * out
          points[2 * i + 1] = y + Math.sin((i / ROUND) * 2 * Math.PI) * ry * out
        }
        return points
      })
  }
}

function flattened(start: XY, through: readonly Bend[]): Contour {
  const points = new Float64Array(2 + through.length * PIECES * 2)
  points[0] = start[0]
  points[1] = start[1]
  let [ax, ay] = start
  let at = 2
  for (const [[px, py], [qx, qy], [bx, by]] of through) {
    for (let i = 1; i <= PIECES; i++) {
      const u = i / PIECES
      const v = 1 - u
      const [a, b, c, d] = [v * v * v, 3 * v * v * u, 3 * v * u * u, u * u * u]
      points[at++] = a * ax + b * px + c * qx + d * bx
      points[at++] = a * ay + b * py + c * qy + d * by
    }
    ax = bx
    ay = by
  }
  return points
}

/** A line of some width as a rectangle for each of its pieces, all the same way round. */
function stroked(line: Contour, half: number, closed: boolean): Contour[] {
  const found: Contour[] = []
  const n = line.length / 2
  for (let i = 0; i + 1 < n + (closed ? 1 : 0); i++) {
    const [x0, y0] = [line[2 * i]!, line[2 * i + 1]!]
    const k = (i + 1) % n
    const [x1, y1] = [line[2 * k]!, line[2 * k + 1]!]
    const far = Math.hypot(x1 - x0, y1 - y0)
    const [tx, ty] = far > 1e-9 ? [(x1 - x0) / far, (y1 - y0) / far] : [1, 0]
    const [ex, ey, nx, ny] = [tx * half * CAP, ty * half * CAP, -ty * half, tx * half]
    found.push(
      Float64Array.of(x0 - ex + nx, y0 - ey + ny, x1 + ex + nx, y1 + ey + ny, x1 + ex - nx, y1 + ey - ny, x0 - ex - nx, y0 - ey - ny),
    )
  }
  return found
}

const alphaOf = (colour: string): number => (/^#[0-9a-f]{8}$/i.test(colour) ? Number.parseInt(colour.slice(7), 16) / 255 : 1)

function opacityOf(paint: Paint): Opacity {
  if (typeof paint === 'string') return alphaOf(paint)
  const stops = paint.stops.map(([at, colour]) => ({ at, alpha: alphaOf(colour) }))
  const [first] = stops
  if (!first) return 0
  if (stops.every(({ alpha }) => alpha === first.alpha)) return first.alpha
  const between = (u: number): number => {
    const after = stops.findIndex(({ at }) => at >= u)
    if (after === 0) return first.alpha
    if (after < 0) return stops.at(-1)!.alpha
    const [a, b] = [stops[after - 1]!, stops[after]!]
    return a.alpha + ((b.alpha - a.alpha) * (u - a.at)) / Math.max(1e-9, b.at - a.at)
  }
  if (paint.kind === 'radial') return (x, y) => between(Math.hypot(x - paint.centre[0], y - paint.centre[1]) / paint.radius)
  const [dx, dy] = [paint.to[0] - paint.from[0], paint.to[1] - paint.from[1]]
  return (x, y) => between(((x - paint.from[0]) * dx + (y - paint.from[1]) * dy) / (dx * dx + dy * dy || 1))
}

/**
 * Where outlines cross the lines of sight, line by line and from left to right: the place, and +1 going down or -1 going
 * up. Kept from one mark to the next, so that none has to be made.
 */
const crossings = {
  /** Where the crossings of each line start, and how many are there by now. */
  starts: new Int32Array(0),
  counts: new Int32Array(0),
  places: new Float64Array(0),
  ways: new Int8Array(0),
  /** How much of each square of a row is hidden, in lines. */
  part: new Float64Array(0),
}

/** Makes room for lines of sight and squares of a row. */
function roomFor(lines: number, columns: number): void {
  if (crossings.starts.length < lines) {
    crossings.starts = new Int32Array(2 * lines)
    crossings.counts = new Int32Array(2 * lines)
  }
  if (crossings.part.length < columns) crossings.part = new Float64Array(2 * columns)
}

function roomForCrossings(count: number): void {
  if (crossings.places.length >= count) return
  crossings.places = new Float64Array(2 * count)
  crossings.ways = new Int8Array(2 * count)
}

function insert(line: number, x: number, way: number): void {
  const { starts, counts, places, ways } = crossings
  const start = starts[line]!
  let at = start + counts[line]!
  counts[line]! += 1
  for (; at > start && places[at - 1]! > x; at--) {
    places[at] = places[at - 1]!
    ways[at] = ways[at - 1]!
  }
  places[at] = x
  ways[at] = way
}

type Frame = Pick<Mask, 'left' | 'top' | 'side' | 'columns' | 'rows'>

/** Lays one mark over what is hidden already: exact along each line of sight, non-zero winding as everything here is filled. */
function lay(hidden: Float32Array, { left, top, side, columns, rows }: Frame, { contours, opacity }: Layer): void {
  const lines = rows * LINES
  const step = side / LINES
  roomFor(lines, columns)
  const { starts, counts, part } = crossings
  let low = lines
  let high = -1
  const firstOf = (y: number): number => Math.max(0, Math.ceil((y - top) / step - 0.5))
  const lastOf = (y: number): number => Math.min(lines - 1, Math.ceil((y - top) / step - 0.5) - 1)
  for (const contour of contours) {
    const n = contour.length
    for (let i = 1; i < n; i += 2) {
      const line = firstOf(contour[i]!)
      if (line < low) low = line
      if (line > high) high = line
    }
  }
  high = Math.min(high, lines - 1)
  if (low > high) return
  counts.fill(0, low, high + 1)
  for (const contour of contours) {
    const n = contour.length
    for (let i = 1; i < n; i += 2) {
      const y0 = contour[i]!
      const y1 = contour[i + 2 < n ? i + 2 : 1]!
      const last = lastOf(Math.max(y0, y1))
      for (let line = firstOf(Math.min(y0, y1)); line <= last; line++) counts[line]! += 1
    }
  }
  let all = 0
  for (let line = low; line <= high; line++) {
    starts[line] = all
    all += counts[line]!
    counts[line] = 0
  }
  roomForCrossings(all)
  for (const contour of contours) {
    const n = contour.length
    for (let i = 0; i < n; i += 2) {
      const k = i + 2 < n ? i + 2 : 0
      const y0 = contour[i + 1]!
      const y1 = contour[k + 1]!
      if (y0 === y1) continue
      const way = y0 < y1 ? 1 : -1
      const upper = way > 0 ? i : k
      const lower = way > 0 ? k : i
      const ux = contour[upper]!
      const uy = contour[upper + 1]!
      const last = lastOf(contour[lower + 1]!)
      const slope = (contour[lower]! - ux) / (contour[lower + 1]! - uy)
      for (let line = firstOf(uy); line <= last; line++) insert(line, (ux + (top + (line + 0.5) * step - uy) * slope - left) / side, way)
    }
  }
  const { places, ways } = crossings
  const even = typeof opacity === 'number' ? opacity : null
  for (let row = Math.floor(low / LINES); row <= Math.floor(high / LINES); row++) {
    let from = columns
    let to = -1
    for (let line = Math.max(low, row * LINES); line < (row + 1) * LINES && line <= high; line++) {
      const end = starts[line]! + counts[line]!
      let winding = 0
      for (let i = starts[line]!; i + 1 < end; i++) {
        winding += ways[i]!
        if (winding === 0) continue
        const a = Math.max(0, places[i]!)
        const b = Math.min(columns, places[i + 1]!)
        if (a >= b) continue
        const first = Math.floor(a)
        const last = Math.min(columns - 1, Math.floor(b))
        from = Math.min(from, first)
        to = Math.max(to, last)
        if (first === last) part[first]! += b - a
        else {
          part[first]! += first + 1 - a
          for (let x = first + 1; x < last; x++) part[x]! += 1
          if (b > last) part[last]! += b - last
        }
      }
    }
    for (let x = from; x <= to; x++) {
      const at = row * columns + x
      const now = hidden[at]!
      const hides = even ?? (opacity as (x: number, y: number) => number)(left + (x + 0.5) * side, top + (row + 0.5) * side)
      hidden[at] = now + (1 - now) * Math.min(1, part[x]! / LINES) * hides
      part[x] = 0
    }
  }
}
