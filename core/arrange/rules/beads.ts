import type { RuleOf } from '../../piece'
import { beadPlaces } from '../made'
import { numbered } from '../slot'
import type { Arranging } from './arranging'
import { apart, noCount } from './arranging'

export const BEADS: Arranging<RuleOf<'beads'>> = {
  slots: (rule, { run, mix }) => numbered(run, beadPlaces(run, rule, mix[0]!.length)),
  withCount: noCount,
  says: (_rule, run, spacing) => apart(run, spacing),
}
