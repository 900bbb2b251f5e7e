import type { RuleOf } from '../../piece'
import { beadPlaces } from '../construction-slots'
import { numbered } from '../slot'
import type { Arranging } from './arranging'
import { spacingSaid, noCount } from './arranging'

export const BEADS_PLACEMENT: Arranging<RuleOf<'beads'>> = {
  slots: (rule, { run, mix }) => numbered(run, beadPlaces(run, rule, mix[0]!.length)),
  withCount: noCount,
  says: (_rule, run, spacing) => spacingSaid(run, spacing),
}
