import type { RuleOf } from '../../piece'
import { against } from '../against'
import { numbered } from '../slot'
import type { Arranging } from './arranging'
import { spacingSaid, byCount } from './arranging'

export const ALTERNATING_PLACEMENT: Arranging<RuleOf<'against'>> = {
  slots({ of, count, pattern }, { run, pointsOf }) {
    const points = pointsOf(of)
    return points && numbered(run, against(run, points, count, pattern).chosen.points)
  },
  withCount: byCount,
  says: (_rule, run, spacing) => spacingSaid(run, spacing),
}
