import type { BaseKind, Run } from '../base'
import { BASE_SORTS, boundsOf, stationAt } from '../base'
import type { Rated } from '../measure'
import { radians } from '../measure'
import type { Layer, Piece } from '../piece'
import { EACH, widestFor } from '../piece'
import { turnAlong } from '../placement'

/** How far stems reach beyond the base: as a share of its face and of half its size, mm at least and at most. A ring comes out 2 to 6 in wider than its form. Rules of thumb. */
const BEYOND = { ofFace: 0.9, ofHalf: 0.25, least: 25, most: 75 } as const
/** On a letter or a shaped wire stems lean and reach by so much of what they do elsewhere, so that its shape is still read. Rules of thumb. */
export const SHAPED = { leans: 0.4, beyond: 0.4 } as const
/** Where along a run its curve is looked at. */
export const PLACES = 24

/** What a base leaves to the stems that are begun on it. */
export interface Room {
  /** Those that the layer goes on. */
  readonly runs: readonly Run[]
  /** Of the runs that the layer goes on, the longest, the shortest, and as they are in the middle, mm. */
  readonly length: number
  readonly shortest: number
  readonly mean: number
  /** Half the face, mm, and half the base's shorter side. */
  readonly half: number
  readonly radius: number
  /** By how much most of the run curves, 1/mm: nothing on a square. */
  readonly curves: number
  readonly closed: boolean
  /** The base's shorter side, and its width, mm. */
  readonly short: number
  readonly wide: number
  /** What the base leaves of the width that a piece may take, to each side, mm: less than nothing where it takes more by itself. */
  readonly spare: number
  /** Whether the base spans what it hangs on. */
  readonly spans: boolean
  /** How far a stem may reach beyond the face, mm. */
  readonly beyond: number
}

/** The runs that a layer goes on: all where it names one that is not there. */
export function runsUnder({ run }: Pick<Layer, 'run'>, runs: readonly Run[]): readonly Run[] {
  const own = run === EACH ? runs : runs.filter(({ id }) => id === run)
  return own.length ? own : runs
}

export function roomOf(piece: Piece, runs: readonly Run[], layer: Layer, by: Rated): Room {
  const own = runsUnder(layer, runs)
  const [first] = own
  const { left, right, top, bottom } = boundsOf(runs)
  const [wide, high] = [right - left, bottom - top]
  const short = Math.min(wide, high)
  const half = stationAt(first!, first!.length / 3).half
  const wished =
    Math.min(BEYOND.most, Math.max(BEYOND.least, 2 * half * BEYOND.ofFace, (short / 2) * BEYOND.ofHalf)) *
    (keepsShape(piece.base.kind) ? SHAPED.beyond : 1)
  const spare = (widestFor(piece, piece.base.kind, by) - wide) / 2
  return {
    runs: own,
    length: Math.max(...own.map(({ length }) => length)),
    shortest: Math.min(...own.map(({ length }) => length)),
    mean: own.reduce((all, { length }) => all + length, 0) / own.length,
    half,
    radius: short / 2 - half,
    curves: curvesOf(first!),
    closed: first!.closed,
    short,
    wide,
    spare,
    spans: BASE_SORTS[piece.base.kind].spans,
    // A base that fills its door by itself leaves nothing to keep to.
    beyond: spare > BEYOND.least ? Math.min(wished, spare * 0.9) : wished * 0.6,
  }
}

/** The curve of a run where it is most like the rest, 1/mm. */
function curvesOf(run: Run): number {
  const by = run.length / PLACES
  const turns = Array.from({ length: PLACES }, (_, i) => Math.abs(turnAlong(run, i * by, by)))
  return radians(turns.sort((a, b) => a - b)[PLACES / 2]!) / by
}

/** A base that is to be read as what it is: a letter, an animal, an outline of one's own. */
export const keepsShape = (kind: BaseKind): boolean => kind === 'letter' || BASE_SORTS[kind].family === 'shaped wire'
