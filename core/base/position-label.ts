import type { Said } from '../measure'
import { bisect, clock, degrees, quantity, sum, wrapDegrees } from '../measure'
import type { Run } from './run'
import { onRun, stationAt } from './run'

/**
 * The clock position of a place on a closed run, degrees clockwise from twelve as seen from the base's middle.
 * @example clockAngle(ringRun('r', 'ring', 400, 200), ringRun('r', 'ring', 400, 200).length / 4) // 90
 */
export function clockAngle(run: Run, s: number): number {
  const { x, y } = stationAt(run, s)
  return wrapDegrees(degrees(Math.atan2(x, -y)))
}

/** Nearer than this a place is where the run is read from, mm. */
const AT_START = 1.5

/** Where a place is, as people say it: "4:30", "7 in left of the join", "the join". */
export function anchorSays(run: Run, s: number): Said {
  if (run.reads.kind === 'clock') return [clock(clockAngle(run, s))]
  return s < AT_START ? [run.reads.start] : sum`${quantity.length(s)} ${run.reads.words}`
}

const STEPS = 720

/**
 * The place on a closed run that lies at a clock position: the outermost where there are several. @returns mm along it
 * @example Math.round(placeAtClock(ringRun('r', 'ring', 400, 200), 180)) // 471
 */
export function placeAtClock(run: Run, angle: number): number {
  const off = (s: number): number => ((clockAngle(run, s) - angle + 540) % 360) - 180
  // On a circle the share of the length is the share of the turn, exactly.
  const plain = (angle / 360) * run.length
  if (Math.abs(off(plain)) < 1e-9) return onRun(run, plain)
  const step = run.length / STEPS
  const found: number[] = []
  for (let i = 0; i < STEPS; i++) {
    const [low, high] = [i * step, (i + 1) * step]
    const [a, b] = [off(low), off(high)]
    if (Math.abs(a) > 90 || a > 0 === b > 0) continue
    found.push(
      onRun(
        run,
        bisect((s) => off(s) > 0 !== a > 0, low, high, 40),
      ),
    )
  }
  const reach = (s: number): number => Math.hypot(stationAt(run, s).x, stationAt(run, s).y)
  return found.reduce((best, s) => (reach(s) > reach(best) ? s : best), found[0] ?? onRun(run, (angle / 360) * run.length))
}

/**
 * Where a base is usually hung from: its uppermost place; what is bound, at its binding; two level arms, where they meet.
 * @returns mm along one of its runs
 * @example topOf([ringRun('r', 'ring', 400, 200)]).s // 0
 */
export function topOf(runs: readonly Run[]): { readonly run: Run; readonly s: number } {
  const [first] = runs
  const start = stationAt(first!, 0)
  if (!first!.closed && first!.width.kind === 'fan') return { run: first!, s: 0 }
  if (!first!.closed && runs.length === 2 && Math.abs(start.ny) > 0.7) return { run: first!, s: 0 }
  let best = { run: first!, s: 0, y: start.y }
  for (const run of runs)
    for (let i = 0; i <= STEPS; i++) {
      const s = Math.min(run.length, (i / STEPS) * run.length)
      const { y } = stationAt(run, s)
      if (y < best.y - 1e-6) best = { run, s: onRun(run, s), y }
    }
  return best
}
