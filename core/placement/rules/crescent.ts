import type { Run } from '../../base'
import { along, anchorSays } from '../../base'
import { quantity, sum } from '../../measure'
import type { RuleOf } from '../../piece'
import { gapsFrom, gapsOf } from '../gaps'
import { numbered } from '../slot'
import type { Arranging } from './arranging'
import { byCount } from './arranging'

/**
 * Points from one place to another, clockwise on a closed run, with density `1 - thin * d`, where `d` grows
 * from 0 where it is dense to 1 where it is thin. The density is linear, so its distribution inverts in closed form.
 */
function crescent(run: Run, rule: RuleOf<'crescent'>): number[] {
  const from = rule.from * run.length
  const span = run.closed ? along(run, from, rule.to * run.length) || run.length : rule.to * run.length - from
  return Array.from({ length: rule.count }, (_, i) => {
    const share = (i + 0.5) / rule.count
    return from + span * fromDense(share, rule)
  })
}

function fromDense(share: number, { dense, thin }: { dense: 'middle' | 'start' | 'end'; thin: number }): number {
  const reach = (y: number) => (thin === 0 ? y : (1 - Math.sqrt(1 - 2 * thin * y * (1 - thin / 2))) / thin)
  switch (dense) {
    case 'start':
      return reach(share)
    case 'end':
      return 1 - reach(1 - share)
    case 'middle':
      return share < 0.5 ? 0.5 - reach(1 - 2 * share) / 2 : 0.5 + reach(2 * share - 1) / 2
  }
}

export const CRESCENT_PLACEMENT: Arranging<RuleOf<'crescent'>> = {
  slots: (rule, { run }) => numbered(run, crescent(run, rule)),
  withCount: byCount,
  says({ from, to }, run, spacing) {
    if (!spacing) return []
    const gaps = spacing.gaps
      ? [
          sum`${quantity.length(spacing.gaps.least.value)} apart where it is dense, ${quantity.length(spacing.gaps.most.value)} where it thins.`,
        ]
      : []
    return [['From ', ...anchorSays(run, from * run.length), ' round to ', ...anchorSays(run, to * run.length), '.'], ...gaps]
  },
  gaps: ({ from, to }, run, _seat, sorted) => (from === to ? gapsOf(run, sorted) : gapsFrom(run, from * run.length, sorted)),
}
