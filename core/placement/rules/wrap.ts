import type { RuleOf } from '../../piece'
import { windings } from '../construction-slots'
import { madeSlots } from '../slot'
import type { Arranging } from './arranging'
import { noCount, nothing } from './arranging'

export const WRAP_PLACEMENT: Arranging<RuleOf<'wound'>> = {
  slots: (rule, { run, mix }) => madeSlots(run, windings(run, rule, mix[0]!)),
  withCount: noCount,
  says: nothing,
}
