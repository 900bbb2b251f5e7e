import type { RuleOf } from '../../piece'
import { bowAt } from '../construction-slots'
import { madeSlots } from '../slot'
import type { Arranging } from './arranging'
import { noCount, nothing } from './arranging'

export const BOW_PLACEMENT: Arranging<RuleOf<'bow'>> = {
  slots: (rule, { run, mix }) => madeSlots(run, bowAt(run, rule, mix)),
  withCount: noCount,
  says: nothing,
}
