import { packSiblings } from 'd3-hierarchy'
import type { Run } from '../base'
import { along, onRun } from '../base'
import type { Rule } from '../piece'
import { MOST_PLACES } from '../piece'

/** A place that a rule makes, before anything is put in it. */
export interface Slot {
  /** Stable within its layer, so that a hand's nudge stays with it when the count changes elsewhere. */
  readonly id: string
  /** Distance along the run, mm. */
  readonly s: number
  /** Millimetres across the face from where the layer lies, positive to the outside. */
  readonly across: number
}

/** What a rule may ask about its surroundings. */
export interface SlotContext {
  readonly run: Run
  /** The distances at which another layer's rule puts things, in order along the run; null when there is no telling. */
  readonly pointsOf: (layer: string) => readonly number[] | null
  /** The width of each of the first `n` things that the layer deals, mm. */
  readonly widths: (n: number) => readonly number[]
}

/**
 * Where a rule puts things.
 * @returns slots in the order in which the rule makes them; null when it refers to a layer that cannot be told
 */
export function slotsOf(rule: Rule, context: SlotContext): Slot[] | null {
  const { run } = context
  switch (rule.kind) {
    case 'compass': return numbered(run, evenly(run, rule.count, rule.start))
    case 'every': return numbered(run, evenly(run, countEvery(run.length, rule.spacing), rule.start))
    case 'halfway': {
      const points = context.pointsOf(rule.of)
      return points && numbered(run, middles(run, points))
    }
    case 'crescent': return numbered(run, crescent(run, rule))
    case 'cluster': return clusters(rule, context)
    case 'single': return [{ id: '0', s: onRun(run, rule.at * run.length), across: 0 }]
  }
}

const numbered = (run: Run, points: readonly number[]): Slot[] =>
  points.map((s, i) => ({ id: String(i), s: onRun(run, s), across: 0 }))

/**
 * `n` points evenly along a run. On an open run each stands in the middle of its share of the length,
 * and `start` (a share of the length) matters on closed runs only.
 */
export function evenly(run: Pick<Run, 'closed' | 'length'>, n: number, start: number): number[] {
  const step = run.length / n
  return Array.from({ length: n }, (_, i) => (run.closed ? start * run.length + i * step : (i + 0.5) * step))
}

/** How many fit at about this spacing: the nearest whole number, one at least and `MOST_PLACES` at most. */
export function countEvery(length: number, spacing: number): number {
  return Math.min(MOST_PLACES, Math.max(1, Math.round(length / spacing)))
}

/** The middles of the gaps between points: as many as the points on a closed run, one fewer on an open one. */
export function middles(run: Pick<Run, 'closed' | 'length'>, points: readonly number[]): number[] {
  const sorted = [...points].sort((a, b) => a - b)
  return sorted.flatMap((point, i) => {
    const next = sorted[i + 1]
    if (next !== undefined) return [(point + next) / 2]
    if (!run.closed) return []
    const first = sorted[0]!
    const gap = sorted.length === 1 ? run.length : along(run, point, first)
    return [onRun(run, point + gap / 2)]
  })
}

/**
 * Points from one place to another, clockwise on a closed run, with density `1 - thin * d`, where `d` grows
 * from 0 where it is dense to 1 where it is thin. The density is linear, so its distribution inverts in closed form.
 */
function crescent(run: Run, rule: Extract<Rule, { kind: 'crescent' }>): number[] {
  const from = rule.from * run.length
  const span = run.closed ? along(run, from, rule.to * run.length) || run.length : rule.to * run.length - from
  return Array.from({ length: rule.count }, (_, i) => {
    const share = (i + 0.5) / rule.count
    return from + span * fromDense(share, rule)
  })
}

function fromDense(share: number, { dense, thin }: { dense: 'middle' | 'start' | 'end', thin: number }): number {
  const reach = (y: number) => (thin === 0 ? y : (1 - Math.sqrt(1 - 2 * thin * y * (1 - thin / 2))) / thin)
  switch (dense) {
    case 'start': return reach(share)
    case 'end': return 1 - reach(1 - share)
    case 'middle': return share < 0.5 ? 0.5 - reach(1 - 2 * share) / 2 : 0.5 + reach(2 * share - 1) / 2
  }
}

/**
 * Clusters packed by the sizes of their members. Where the face is too narrow for a round cluster
 * they stand in a row along it.
 */
function clusters(rule: Extract<Rule, { kind: 'cluster' }>, { run, widths }: SlotContext): Slot[] {
  const sizes = widths(rule.at.length * rule.size)
  return rule.at.flatMap((at, group) => {
    const centre = at * run.length
    const members = Array.from({ length: rule.size }, (_, i) => ({ r: sizes[group * rule.size + i]! * PACKED / 2, x: 0, y: 0 }))
    const packed = packSiblings(members)
    const deep = packed.some((member) => Math.abs(member.y) > run.at(centre).half * 1.25)
    if (deep) inRow(members)
    return members.map((member, i) => ({ id: `${group}.${i}`, s: onRun(run, centre + member.x), across: member.y }))
  })
}

/** Heads in a cluster press into each other a little: rule of thumb. */
const PACKED = 0.9

function inRow(members: { r: number, x: number, y: number }[]): void {
  const total = members.reduce((sum, member) => sum + 2 * member.r, 0)
  let at = -total / 2
  for (const member of members) {
    member.x = at + member.r
    member.y = 0
    at += 2 * member.r
  }
}
