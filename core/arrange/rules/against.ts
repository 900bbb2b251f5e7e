import type { RuleOf } from '../../piece'
import { against } from '../against'
import { numbered } from '../slot'
import type { Arranging } from './arranging'
import { apart, byCount } from './arranging'

export const AGAINST: Arranging<RuleOf<'against'>> = {
  slots({ of, count, pattern }, { run, pointsOf }) {
    const points = pointsOf(of)
    return points && numbered(run, against(run, points, count, pattern).chosen.points)
  },
  withCount: byCount,
  says: (_rule, run, spacing) => apart(run, spacing),
}
