import type { RuleOf } from '../../piece'
import { evenly } from '../points'
import { numbered } from '../slot'
import type { Arranging } from './arranging'
import { spacingSaid, byCount } from './arranging'

export const EVENLY_COUNTED_PLACEMENT: Arranging<RuleOf<'compass'>> = {
  slots: ({ count, start }, { run }) => numbered(run, evenly(run, count, start)),
  withCount: byCount,
  says: (_rule, run, spacing) => spacingSaid(run, spacing),
}
