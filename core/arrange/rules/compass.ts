import type { RuleOf } from '../../piece'
import { evenly } from '../points'
import { numbered } from '../slot'
import type { Arranging } from './arranging'
import { apart, byCount } from './arranging'

export const COMPASS: Arranging<RuleOf<'compass'>> = {
  slots: ({ count, start }, { run }) => numbered(run, evenly(run, count, start)),
  withCount: byCount,
  says: (_rule, run, spacing) => apart(run, spacing),
}
