import type { Bounds } from '../measure'
import { kept } from '../measure'
import type { Run } from './run'
import { across, stationAt } from './run'

/** Places along a run at which its edges are looked at. */
export const EDGE_STATIONS = 180

/** The edges of all faces together, mm about the base's middle, y down. */
export function boundsOf(runs: readonly Run[]): Bounds {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const run of runs) {
    for (let i = 0; i <= EDGE_STATIONS; i++) {
      const station = stationAt(run, (i / EDGE_STATIONS) * run.length * (1 - 1e-12))
      for (const t of [-1, 1]) {
        const { x, y } = across(station, t)
        left = Math.min(left, x)
        right = Math.max(right, x)
        top = Math.min(top, y)
        bottom = Math.max(bottom, y)
      }
    }
  }
  return { left, top, right, bottom }
}

/** Half the longer side of the bare base, mm: what sizes on the drawing are taken from. */
export const reachOf = ({ left, top, right, bottom }: Bounds): number => Math.max(right - left, bottom - top) / 2

const ROUNDS = 12
const CLOSE = 1e-3
const found = kept<readonly [wide: number, high: number]>(60)

/**
 * Runs whose finished outline, faces and all, has the measures that are asked for.
 * @param width mm; null takes the width as it comes @param height mm
 * @param make runs whose lines are about so wide and high, mm @param measured those whose outline counts
 */
export function fitted(
  key: string,
  width: number | null,
  height: number,
  make: (wide: number, high: number) => Run[],
  measured: (runs: readonly Run[]) => readonly Run[] = (runs) => runs,
): Run[] {
  const [wide, high] = found(key, () => {
    let [wide, high] = [width ?? height, height]
    for (let i = 0; i < ROUNDS; i++) {
      const { left, right, top, bottom } = boundsOf(measured(make(wide, high)))
      const [offX, offY] = [width === null ? 0 : width - (right - left), height - (bottom - top)]
      wide += offX
      high += offY
      if (Math.max(Math.abs(offX), Math.abs(offY)) < CLOSE) break
    }
    return [wide, high]
  })
  return make(wide, high)
}
