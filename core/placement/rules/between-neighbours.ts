import type { RuleOf } from '../../piece'
import { middles } from '../points'
import { numbered } from '../slot'
import type { Arranging } from './arranging'
import { spacingSaid, noCount } from './arranging'

export const BETWEEN_NEIGHBOURS_PLACEMENT: Arranging<RuleOf<'halfway'>> = {
  slots({ of }, { run, pointsOf }) {
    const points = pointsOf(of)
    return points && numbered(run, middles(run, points))
  },
  withCount: noCount,
  says: (_rule, run, spacing) => spacingSaid(run, spacing),
}
