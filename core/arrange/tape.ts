import type { Run } from '../base'
import { along } from '../base'
import type { LaidLayer, Placement } from './placement'

/** One run unrolled into a straight tape, a lane for each layer on it. */
export interface Tape {
  readonly run: string
  readonly closed: boolean
  readonly length: number
  readonly lanes: readonly Lane[]
}

export interface Lane {
  readonly layer: string
  /** In order along the run. */
  readonly marks: readonly { readonly placement: string, readonly number: number, readonly s: number, readonly material: string }[]
  /** Between neighbours, from `from` on; on a closed run the last one crosses the start. */
  readonly gaps: readonly Gap[]
}

export interface Gap { readonly from: number, readonly length: number }

export function tapeOf(run: Run, laid: readonly LaidLayer[]): Tape {
  return {
    run: run.id, closed: run.closed, length: run.length,
    lanes: laid.filter(({ layer }) => layer.run === run.id).map(({ layer, placements }) => {
      const sorted = inOrder(placements)
      return {
        layer: layer.id,
        marks: sorted.map(({ id, number, s, material }) => ({ placement: id, number, s, material })),
        gaps: gapsOf(run, sorted.map(({ s }) => s)),
      }
    }),
  }
}

export const inOrder = (placements: readonly Placement[]): Placement[] => [...placements].sort((a, b) => a.s - b.s)

/**
 * The gaps that a layer means to have: all between neighbours, but for a crescent not the one from its end back to its start.
 */
export function meantGaps(run: Run, { layer, placements }: LaidLayer): Gap[] {
  const { rule } = layer
  const sorted = inOrder(placements).map(({ s }) => s)
  if (rule.kind !== 'crescent' || !run.closed || rule.from === rule.to) return gapsOf(run, sorted)
  const from = rule.from * run.length
  const span = sorted.map((s) => along(run, from, s)).sort((a, b) => a - b)
  return gapsOf({ closed: false, length: run.length }, span)
}

/**
 * The gaps between neighbours along the run.
 * @param sorted distances in rising order
 */
export function gapsOf(run: Pick<Run, 'closed' | 'length'>, sorted: readonly number[]): Gap[] {
  const gaps = sorted.slice(1).map((s, i) => ({ from: sorted[i]!, length: s - sorted[i]! }))
  if (!run.closed || sorted.length === 0) return gaps
  const last = sorted.at(-1)!
  return [...gaps, { from: last, length: sorted.length === 1 ? run.length : along(run, last, sorted[0]!) }]
}
