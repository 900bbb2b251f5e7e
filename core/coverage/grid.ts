import type { Placement } from '../placement'
import type { Run } from '../base'
import { stationAt } from '../base'
import type { Point } from '../measure'
import type { Silhouette } from '../looks'
import { radians } from '../measure'

/** A grid of square cells over the faces of a base's runs. */
export interface FaceGrid {
  readonly left: number
  readonly top: number
  /** Side of a cell, mm. */
  readonly cell: number
  readonly columns: number
  readonly rows: number
  /** For each cell the stretch it belongs to, from 1; 0 off every face. Where faces overlap, the first run has it. */
  readonly owner: Uint16Array
  readonly stretches: readonly Stretch[]
  /** The cells that are on a face. */
  readonly face: Int32Array
  /** How many they are. */
  readonly cells: number
}

/** A short length of a run. */
export interface Stretch {
  readonly run: string
  readonly from: number
  readonly length: number
}

/** Cells across the longer side of the base, and stretches along all its runs together (five minutes of the clock on a ring). */
const FINENESS = 220
const STRETCHES = 144
const LEAST_STRETCHES = 12
/** Straight chords with which the edges of a stretch are followed. */
const CHORDS = 4

const made = new WeakMap<readonly Run[], FaceGrid>()

/** The grid of a base's runs: the same for the same runs. */
export function faceGrid(runs: readonly Run[]): FaceGrid {
  const known = made.get(runs) ?? makeGrid(runs)
  made.set(runs, known)
  return known
}

function makeGrid(runs: readonly Run[]): FaceGrid {
  const whole = runs.reduce((total, { length }) => total + length, 0)
  const parts = runs.flatMap((run) => {
    const n = Math.max(LEAST_STRETCHES, Math.round((STRETCHES * run.length) / whole))
    return Array.from({ length: n }, (_, i) => ({
      stretch: { run: run.id, from: (run.length * i) / n, length: run.length / n },
      quads: Array.from({ length: CHORDS }, (__, k) => quad(run, (i + k / CHORDS) / n, (i + (k + 1) / CHORDS) / n)),
    }))
  })
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const { x, y } of parts.flatMap(({ quads }) => quads.flat())) {
    left = Math.min(left, x)
    right = Math.max(right, x)
    top = Math.min(top, y)
    bottom = Math.max(bottom, y)
  }
  const cell = Math.max(right - left, bottom - top) / FINENESS
  const columns = Math.ceil((right - left) / cell) + 1
  const rows = Math.ceil((bottom - top) / cell) + 1
  const owner = new Uint16Array(columns * rows)
  const frame = { left, top, cell, columns, rows }
  parts.forEach(({ quads }, i) =>
    quads.forEach((outline) =>
      fill(frame, outline, (at) => {
        owner[at] ||= i + 1
      }),
    ),
  )
  const face = Int32Array.from([...owner.keys()].filter((at) => owner[at]! > 0))
  return { ...frame, owner, stretches: parts.map(({ stretch }) => stretch), face, cells: face.length }
}

function quad(run: Run, from: number, to: number): Point[] {
  const edge = (share: number, side: number): Point => {
    // The end of a closed run is its start: stay a hair short so that it does not wrap.
    const { x, y, nx, ny, half } = stationAt(run, share === 1 ? run.length * (1 - 1e-12) : share * run.length)
    return { x: x + nx * half * side, y: y + ny * half * side }
  }
  return [edge(from, 1), edge(to, 1), edge(to, -1), edge(from, -1)]
}

/** Where a polygon's edges cross each row, kept between calls so that none has to be made. */
const crossings: number[][] = []

/**
 * Visits every cell whose middle lies inside a polygon (even-odd), once each.
 * @param outline at least three points, mm; it need not close itself
 */
export function fill(
  { left, top, cell, columns, rows }: Pick<FaceGrid, 'left' | 'top' | 'cell' | 'columns' | 'rows'>,
  outline: readonly Point[],
  visit: (at: number) => void,
): void {
  while (crossings.length < rows) crossings.push([])
  let low = rows
  let high = -1
  for (let i = 0; i < outline.length; i++) {
    const a = outline[i]!
    const b = outline[i + 1 < outline.length ? i + 1 : 0]!
    if (a.y === b.y) continue
    const [upper, lower] = a.y < b.y ? [a, b] : [b, a]
    // Rows whose middle lies from the upper end on and before the lower one: a vertex counts for one of its two edges.
    const first = Math.max(0, Math.ceil((upper.y - top) / cell - 0.5))
    const last = Math.min(rows - 1, Math.ceil((lower.y - top) / cell - 0.5) - 1)
    if (first > last) continue
    const slope = (lower.x - upper.x) / (lower.y - upper.y)
    for (let row = first; row <= last; row++) crossings[row]!.push(upper.x + (top + (row + 0.5) * cell - upper.y) * slope)
    if (first < low) low = first
    if (last > high) high = last
  }
  for (let row = low; row <= high; row++) {
    const xs = crossings[row]!
    if (xs.length > 2) xs.sort((a, b) => a - b)
    else if (xs[0]! > xs[1]!) xs.reverse()
    for (let i = 0; i + 1 < xs.length; i += 2) {
      const from = Math.max(0, Math.ceil((xs[i]! - left) / cell - 0.5))
      const to = Math.min(columns - 1, Math.ceil((xs[i + 1]! - left) / cell - 0.5) - 1)
      for (let column = from; column <= to; column++) visit(row * columns + column)
    }
    xs.length = 0
  }
}

/** Where the cells under a thing are noted, grown as needed. */
let noted = new Int32Array(4096)

/**
 * The cells whose middle a thing hides where it lies, each once.
 * @returns what is good until it is asked again
 */
export function under(
  { left, top, cell, columns, rows }: Pick<FaceGrid, 'left' | 'top' | 'cell' | 'columns' | 'rows'>,
  { mask, along, across }: Silhouette,
  { x, y, bearing }: Pick<Placement, 'x' | 'y' | 'bearing'>,
): Int32Array {
  const [cos, sin] = [Math.cos(radians(bearing)), Math.sin(radians(bearing))]
  const { bits, columns: wide, rows: high } = mask
  const [sideU, sideV] = [mask.side * along, mask.side * across]
  const [u0, v0] = [mask.left * along, mask.top * across]
  const [u1, v1] = [u0 + wide * sideU, v0 + high * sideV]
  const low = Math.min(u0 * sin, u1 * sin) + Math.min(v0 * cos, v1 * cos) + y
  const far = Math.max(u0 * sin, u1 * sin) + Math.max(v0 * cos, v1 * cos) + y
  const first = Math.max(0, Math.ceil((low - top) / cell - 0.5))
  const last = Math.min(rows - 1, Math.floor((far - top) / cell - 0.5))
  // One cell to the right is so many squares along and across the mask.
  const [du, dv] = [(cell * cos) / sideU, (-cell * sin) / sideV]
  let n = 0
  let cells = noted
  for (let row = first; row <= last; row++) {
    const [px, py] = [left + 0.5 * cell - x, top + (row + 0.5) * cell - y]
    const u = (px * cos + py * sin - u0) / sideU
    const v = (-px * sin + py * cos - v0) / sideV
    // Where along the row the mask lies, by both its measures.
    const [near, end] = within(u, du, wide, 0, columns - 1)
    const [from, to] = within(v, dv, high, near, end)
    if (n + to - from >= noted.length) {
      noted = new Int32Array(2 * (n + columns))
      noted.set(cells)
      cells = noted
    }
    const start = row * columns
    let [i, k] = [u + from * du, v + from * dv]
    for (let column = from; column <= to; column++) {
      if (bits[(k | 0) * wide + (i | 0)] === 1) cells[n++] = start + column
      i += du
      k += dv
    }
  }
  return cells.subarray(0, n)
}

/** The columns from which on and up to which `at + column * step` lies from 0 to under `end`. */
function within(at: number, step: number, end: number, from: number, to: number): [from: number, to: number] {
  if (Math.abs(step) < 1e-12) return at >= 0 && at < end ? [from, to] : [1, 0]
  const [a, b] = step > 0 ? [-at / step, (end - at) / step] : [(end - at) / step, -at / step]
  // A hair inside, so that no rounding leaves the mask.
  return [Math.max(from, Math.ceil(a + 1e-6)), Math.min(to, Math.floor(b - 1e-6))]
}
