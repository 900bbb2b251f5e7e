import type { Run } from '../base'
import { stationAt } from '../base'
import { onceFor } from '../measure'
import { EACH } from '../piece'
import type { Gap } from './gaps'
import { gapsOf } from './gaps'
import type { LaidLayer, Placement } from './placement'

/** A run unrolled into a straight tape, a lane for each layer on it; two arms that meet share one, read to both sides of their meeting. */
export interface Tape {
  readonly id: string
  readonly name: string
  readonly closed: boolean
  /** Its ends, mm from its zero: `from` is negative on a tape of two arms. */
  readonly from: number
  readonly to: number
  readonly runs: readonly TapeRun[]
  readonly lanes: readonly Lane[]
}

/** A run on a tape: a place `s` on it lies at `sign * s`. */
export interface TapeRun {
  readonly run: string
  readonly sign: 1 | -1
  readonly length: number
}

export interface TapeMark {
  readonly placement: string
  readonly number: number
  readonly run: string
  readonly s: number
  /** Where it lies on the tape, mm from its zero. */
  readonly at: number
  readonly material: string
}

export interface Lane {
  readonly layer: string
  /** In order along the tape. */
  readonly marks: readonly TapeMark[]
  /** Between neighbours, from `from` on; on a closed run the last one crosses the start. */
  readonly gaps: readonly Gap[]
}

/** Whether two runs set out from one point in opposite directions. */
function meet(a: Run, b: Run): boolean {
  if (a.id === b.id || a.mirror.run !== b.id) return false
  const [p, q] = [stationAt(a, 0), stationAt(b, 0)]
  return Math.hypot(p.x - q.x, p.y - q.y) < 1 && p.tx * q.tx + p.ty * q.ty < -0.95
}

/** The tapes of a base, in the order of its runs. */
export function tapesOf(runs: readonly Run[], laid: readonly LaidLayer[]): Tape[] {
  const done = new Set<string>()
  return runs.flatMap((run): Tape[] => {
    if (done.has(run.id)) return []
    const other = runs.find((each) => meet(run, each))
    const on: TapeRun[] = other
      ? [
          { run: run.id, sign: -1, length: run.length },
          { run: other.id, sign: 1, length: other.length },
        ]
      : [{ run: run.id, sign: 1, length: run.length }]
    for (const each of on) done.add(each.run)
    return [
      {
        id: on.map((each) => each.run).join('+'),
        name: other ? 'both arms' : run.name,
        closed: run.closed,
        from: other ? -run.length : 0,
        to: (other ?? run).length,
        runs: on,
        lanes: laid.flatMap((each) => laneOn(each, on, run)),
      },
    ]
  })
}

const laned = onceFor<LaidLayer, Map<Run, Lane[]>>()

/** A layer's lane on each tape, worked out once. */
function laneOn(laid: LaidLayer, on: readonly TapeRun[], run: Run): Lane[] {
  const known = laned(laid, () => new Map())
  const lane = known.get(run) ?? laneOf(laid, on, run)
  known.set(run, lane)
  return lane
}

/** A lane for what lies on these runs: an empty one too, for a layer that has nothing yet. */
function laneOf({ layer, placements }: LaidLayer, on: readonly TapeRun[], run: Run): Lane[] {
  const marks = placements
    .flatMap(({ id, number, s, material, run: own }): TapeMark[] => {
      const part = on.find((each) => each.run === own)
      return part ? [{ placement: id, number, run: own, s, at: part.sign * s, material }] : []
    })
    .sort((a, b) => a.at - b.at)
  const here = marks.length > 0 || layer.run === EACH || on.some((part) => part.run === layer.run)
  return here
    ? [
        {
          layer: layer.id,
          marks,
          gaps: gapsOf(
            on.length > 1 ? { closed: false, length: 0 } : run,
            marks.map(({ at }) => at),
          ),
        },
      ]
    : []
}

export const inOrder = (placements: readonly Placement[]): Placement[] => [...placements].sort((a, b) => a.s - b.s)
