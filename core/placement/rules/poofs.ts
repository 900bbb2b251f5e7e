import type { RuleOf } from '../../piece'
import { poofsOn } from '../construction-slots'
import { madeSlots } from '../slot'
import type { Arranging } from './arranging'
import { noCount, nothing } from './arranging'

export const POOFS_PLACEMENT: Arranging<RuleOf<'poofs'>> = {
  slots: (rule, { run, mix }) => madeSlots(run, poofsOn(run, rule, mix.length)),
  withCount: noCount,
  says: nothing,
}
