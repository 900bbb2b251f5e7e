import type { Point, Run } from '../base'

/** A grid of square cells over the face of a run. */
export interface FaceGrid {
  readonly left: number
  readonly top: number
  /** Side of a cell, mm. */
  readonly cell: number
  readonly columns: number
  readonly rows: number
  /** For each cell the stretch of the run it belongs to, from 1; 0 off the face. */
  readonly stretch: Uint16Array
  /** How many stretches of equal length the run is cut into. */
  readonly stretches: number
  /** How many cells are on the face. */
  readonly cells: number
}

/** Cells across the longer side of the base, and stretches along a run (five minutes of the clock on a ring). */
const FINENESS = 220
const STRETCHES = 144
/** Straight chords with which the edges of a stretch are followed. */
const CHORDS = 4

export function faceGrid(run: Run, fineness = FINENESS): FaceGrid {
  const quads = Array.from({ length: STRETCHES * CHORDS }, (_, i) => quad(run, i / (STRETCHES * CHORDS), (i + 1) / (STRETCHES * CHORDS)))
  const all = quads.flat()
  const left = Math.min(...all.map(({ x }) => x))
  const top = Math.min(...all.map(({ y }) => y))
  const wide = Math.max(...all.map(({ x }) => x)) - left
  const high = Math.max(...all.map(({ y }) => y)) - top
  const cell = Math.max(wide, high) / fineness
  const columns = Math.ceil(wide / cell) + 1
  const rows = Math.ceil(high / cell) + 1
  const stretch = new Uint16Array(columns * rows)
  const frame = { left, top, cell, columns, rows }
  quads.forEach((outline, i) => fill(frame, outline, (at) => { stretch[at] ||= Math.floor(i / CHORDS) + 1 }))
  return { ...frame, stretch, stretches: STRETCHES, cells: stretch.reduce((n, owner) => n + (owner ? 1 : 0), 0) }
}

function quad(run: Run, from: number, to: number): Point[] {
  const edge = (share: number, side: number): Point => {
    // The end of a closed run is its start: stay a hair short so that it does not wrap.
    const { x, y, nx, ny, half } = run.at(share === 1 ? run.length * (1 - 1e-12) : share * run.length)
    return { x: x + nx * half * side, y: y + ny * half * side }
  }
  return [edge(from, 1), edge(to, 1), edge(to, -1), edge(from, -1)]
}

/**
 * Visits every cell whose middle lies inside a polygon (even-odd), once each.
 * @param outline at least three points, mm; it need not close itself
 */
export function fill(
  { left, top, cell, columns, rows }: Pick<FaceGrid, 'left' | 'top' | 'cell' | 'columns' | 'rows'>,
  outline: readonly Point[], visit: (at: number) => void,
): void {
  let low = Infinity
  let high = -Infinity
  for (const { y } of outline) {
    low = Math.min(low, y)
    high = Math.max(high, y)
  }
  const first = Math.max(0, Math.ceil((low - top) / cell - 0.5))
  const last = Math.min(rows - 1, Math.floor((high - top) / cell - 0.5))
  const crossings: number[] = []
  for (let row = first; row <= last; row++) {
    const y = top + (row + 0.5) * cell
    crossings.length = 0
    for (let i = 0; i < outline.length; i++) {
      const a = outline[i]!
      const b = outline[i + 1 < outline.length ? i + 1 : 0]!
      if ((a.y <= y) !== (b.y <= y)) crossings.push(a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x))
    }
    if (crossings.length > 2) crossings.sort((a, b) => a - b)
    else if (crossings[0]! > crossings[1]!) crossings.reverse()
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      const from = Math.max(0, Math.ceil((crossings[i]! - left) / cell - 0.5))
      const to = Math.min(columns - 1, Math.ceil((crossings[i + 1]! - left) / cell - 0.5) - 1)
      for (let column = from; column <= to; column++) visit(row * columns + column)
    }
  }
}
