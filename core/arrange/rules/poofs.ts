import type { RuleOf } from '../../piece'
import { poofsOn } from '../made'
import { madeSlots } from '../slot'
import type { Arranging } from './arranging'
import { noCount, nothing } from './arranging'

export const POOFS: Arranging<RuleOf<'poofs'>> = {
  slots: (rule, { run, mix }) => madeSlots(run, poofsOn(run, rule, mix.length)),
  withCount: noCount,
  says: nothing,
}
