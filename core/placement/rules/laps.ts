import type { RuleOf } from '../../piece'
import { laps } from '../construction-slots'
import { madeSlots } from '../slot'
import type { Arranging } from './arranging'
import { noCount, nothing } from './arranging'

export const LAPS_PLACEMENT: Arranging<RuleOf<'laid'>> = {
  slots: (rule, { run, mix }) => madeSlots(run, laps(run, rule, mix[0]!)),
  withCount: noCount,
  says: nothing,
}
