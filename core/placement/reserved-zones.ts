import type { Run } from '../base'
import type { Point } from '../measure'
import { across, onRun, stationAt } from '../base'
import type { Shelf } from '../material'
import type { Placement, Zone } from './placement'
import { footprint } from './footprint'

const FINENESS = 720
const ACROSS = [-1, -0.5, 0, 0.5, 1] as const

/** The stretches of the runs that a placement takes up, with a margin about it, mm. */
export function zonesOf(placement: Placement, runs: readonly Run[], shelf: Shelf, margin: number): Zone[] {
  const { form } = placement
  const outline = footprint({ ...placement, length: placement.length + 2 * margin, width: placement.width + 2 * margin }, form)
  const reach = outline.reduce((far, { x, y }) => Math.max(far, Math.hypot(x - placement.x, y - placement.y)), 0)
  return runs.flatMap((run) => {
    const step = run.length / FINENESS
    const taken = Array.from({ length: FINENESS + (run.closed ? 0 : 1) }, (_, i) => {
      const station = stationAt(run, Math.min(run.length, i * step))
      if (Math.hypot(station.x - placement.x, station.y - placement.y) > reach + station.half) return false
      return ACROSS.some((t) => inside(across(station, t), outline))
    })
    return stretchesOf(taken, run.closed).map(({ from, count }): Zone => ({
      layer: placement.layer,
      run: run.id,
      from: onRun(run, (from - 0.5) * step),
      length: Math.min(run.length, count * step),
    }))
  })
}

/** Rows of true values, one that passes the end of a closed row in one piece. */
function stretchesOf(row: readonly boolean[], closed: boolean): { from: number; count: number }[] {
  const n = row.length
  if (row.every(Boolean)) return [{ from: 0, count: n }]
  const start = closed ? row.indexOf(false) : 0
  const found: { from: number; count: number }[] = []
  let count = 0
  for (let k = 0; k <= n; k++) {
    if (k < n && row[(start + k) % n]) count += 1
    else {
      if (count) found.push({ from: (start + k - count) % n, count })
      count = 0
    }
  }
  return found
}

/** Whether a point lies within a polygon (even-odd). */
export function inside({ x, y }: Point, outline: readonly Point[]): boolean {
  let within = false
  for (let i = 0, k = outline.length - 1; i < outline.length; k = i++) {
    const a = outline[i]!
    const b = outline[k]!
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) within = !within
  }
  return within
}

/** A zone with so much more to each side, mm. */
export function grown(zone: Zone, run: Run, by: number): Zone {
  if (by === 0 || zone.run !== run.id) return zone
  if (run.closed) return { ...zone, from: onRun(run, zone.from - by), length: Math.min(run.length, zone.length + 2 * by) }
  const [from, to] = [onRun(run, zone.from - by), onRun(run, zone.from + zone.length + by)]
  return { ...zone, from, length: to - from }
}

/** Zones of one run, joined where they overlap, in order along it. */
export function joined(zones: readonly Zone[], run: Run): { from: number; length: number }[] {
  const own = zones.filter((zone) => zone.run === run.id && zone.length > 0).map(({ from, length }) => ({ from, length }))
  if (!own.length) return []
  const parts = own
    .flatMap(({ from, length }) => {
      const over = from + length - run.length
      return run.closed && over > 0
        ? [
            { from, to: run.length },
            { from: 0, to: over },
          ]
        : [{ from, to: Math.min(run.length, from + length) }]
    })
    .sort((a, b) => a.from - b.from)
  const merged: { from: number; to: number }[] = []
  for (const part of parts) {
    const last = merged.at(-1)
    if (last && part.from <= last.to + 1e-9) last.to = Math.max(last.to, part.to)
    else merged.push({ ...part })
  }
  const [first, last] = [merged[0]!, merged.at(-1)!]
  if (run.closed && merged.length > 1 && first.from <= 1e-9 && last.to >= run.length - 1e-9) {
    merged.shift()
    last.to = run.length + first.to
  }
  return merged.map(({ from, to }) => ({ from, length: to - from }))
}

/** Whether a place lies strictly within one of these stretches. */
export const reserved = (run: Run, stretches: readonly { from: number; length: number }[], s: number): boolean =>
  stretches.some(({ from, length }) => {
    const into = run.closed ? onRun(run, s - from) : s - from
    return into > 1e-6 && into < length - 1e-6
  })

/**
 * Moves places out of reserved stretches without changing their order: as much again to each side of a stretch gives
 * way, and what lay within it crowds in there. Elsewhere nothing moves.
 * @returns the place, mm; unchanged when the whole run is reserved
 */
export function keepClear(run: Run, stretches: readonly { from: number; length: number }[]): (s: number) => number {
  const taken = stretches.reduce((total, { length }) => total + length, 0)
  if (!stretches.length || taken >= run.length - 1e-6) return (s) => s
  const rooms = stretches.map(({ from, length }, i) => {
    const before = stretches[i - 1] ?? (run.closed ? stretches.at(-1)! : null)
    const after = stretches[i + 1] ?? (run.closed ? stretches[0]! : null)
    const gap = (a: number, b: number): number =>
      run.closed ? onRun(run, b - a) || (stretches.length === 1 ? run.length - length : 0) : b - a
    const left = before ? gap(before.from + before.length, from) / 2 : from
    const right = after ? gap(from + length, after.from) / 2 : run.length - from - length
    return { from, length, left: Math.min(length, left), right: Math.min(length, right) }
  })
  return (s) => {
    for (const { from, length, left, right } of rooms) {
      const into = run.closed ? onRun(run, s - from + left) - left : s - from
      if (into < -left || into > length + right) continue
      // At an open end there is room on one side only.
      const middle = left < 1e-6 ? 0 : right < 1e-6 ? length : length / 2
      const out =
        into <= middle && left >= 1e-6
          ? -left + ((into + left) / (middle + left)) * left
          : length + ((into - middle) / (length + right - middle)) * right
      return onRun(run, from + out)
    }
    return s
  }
}
