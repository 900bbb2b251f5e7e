import type { Run } from '../base'
import type { Figure } from '../measure'
import { COUNTED, exceeds, figure, GEOMETRY, onceWith, quantity, sum } from '../measure'
import type { Piece, RuleKind } from '../piece'
import { ruleSortOf } from '../piece'
import { against, leastBetween } from './against'
import type { LaidLayer } from './placement'
import type { Gap, Spacing } from './gaps'
import { gapsOf } from './gaps'
import { arrangingOf } from './rules'
import { inOrder } from './tape-strip'

const spaced = onceWith<LaidLayer, Spacing | null>()

/** Null for what has no spacing: fewer than two things on any run, or things spread over the face. */
export const spacingOf = (runs: readonly Run[], laid: LaidLayer): Spacing | null => spaced(laid, [runs], () => spacingAfresh(runs, laid))

function spacingAfresh(runs: readonly Run[], laid: LaidLayer): Spacing | null {
  if (!ruleSortOf(laid.layer.rule.kind).spaced) return null
  const rows = runs.map((run) => ({ run, n: laid.placements.filter((each) => each.run === run.id).length })).filter(({ n }) => n > 1)
  const gaps = rows.flatMap(({ run }) => meantGaps(run, laid))
  const [row] = rows
  if (!row || !gaps.length) return null
  const { run } = row
  const lengths = gaps.map(({ length }) => length)
  const least = Math.min(...lengths)
  const most = Math.max(...lengths)
  const total = lengths.reduce((a, b) => a + b, 0)
  const mean = total / gaps.length
  const sides = arrangingOf(laid.layer.rule.kind).serves === 'pairs' && run.closed
  const whole =
    run.closed && rows.length === 1 && gaps.length === row.n
      ? sum`centre line ${quantity.length(total)} ÷ ${quantity.count(gaps.length)} gaps = ${quantity.length(mean)}`
      : sum`${quantity.length(total)} from first to last${rows.length > 1 ? `, the ${rows.length} runs added up,` : sides ? ' of both sides' : ''} ÷ ${quantity.count(gaps.length)} gaps = ${quantity.length(mean)}`
  const rim = (mean * run.rim) / run.length
  return {
    centre: figure(quantity.length(mean), whole, GEOMETRY),
    rim: figure(
      quantity.length(rim),
      sum`${quantity.length(mean)} on the centre line × rim ${quantity.length(run.rim)} ÷ centre line ${quantity.length(run.length)} = ${quantity.length(rim)}`,
      GEOMETRY,
    ),
    gaps:
      most - least < 0.5
        ? null
        : {
            least: figure(quantity.length(least), sum`the smallest of ${quantity.count(gaps.length)} gaps on the centre line`, COUNTED),
            most: figure(quantity.length(most), sum`the widest of ${quantity.count(gaps.length)} gaps on the centre line`, COUNTED),
          },
  }
}

/** The two ways to put N among M, each with its smallest gap, and which is taken. */
export interface AgainstFigures {
  readonly even: Figure
  readonly dealt: Figure
  readonly chosen: 'even' | 'dealt'
}

export function againstOf(piece: Piece, runs: readonly Run[], laid: readonly LaidLayer[], layer: string): AgainstFigures | null {
  const mine = laid.find((each) => each.layer.id === layer)
  if (mine?.layer.rule.kind !== 'against' || mine.fault) return null
  const { rule } = mine.layer
  const run = runs.find(({ id }) => id === mine.placements[0]?.run)
  if (!run) return null
  const placesOf = (layer: LaidLayer | undefined): number[] =>
    layer?.placements.filter((each) => each.run === run.id && !each.nudged).map(({ ruled }) => ruled) ?? []
  const others = placesOf(laid.find((each) => each.layer.id === rule.of))
  const { even, dealt, chosen } = against(run, others, rule.count, rule.pattern)
  // As it lies: what is reserved may have moved either set.
  const lies = leastBetween(run, placesOf(mine), others)
  const gap = (name: 'even' | 'dealt', least: number, how: string) => {
    const moved = chosen.name === name && exceeds(Math.abs(lies - least), 0.5)
    return figure(
      quantity.length(moved ? lies : least),
      sum`${how} ${quantity.count(rule.count)} against ${quantity.count(others.length)}: the smallest gap between the two sets${moved ? ', as they lie clear of what is reserved' : ''}`,
      GEOMETRY,
    )
  }
  return {
    even: gap('even', even.least, 'turned evenly as well as can be,'),
    dealt: gap('dealt', dealt.least, 'dealt into the gaps,'),
    chosen: chosen.name,
  }
}

/** The gaps on one run that a layer means to have: all between neighbours, unless its rule leaves one open. */
export function meantGaps(run: Run, { layer, placements }: LaidLayer): Gap[] {
  const sorted = inOrder(placements.filter((each) => each.run === run.id)).map(({ s }) => s)
  const own = run.closed ? arrangingOf<RuleKind>(layer.rule.kind).gaps : undefined
  return own ? own(layer.rule, run, layer.seat * run.length, sorted) : gapsOf(run, sorted)
}
