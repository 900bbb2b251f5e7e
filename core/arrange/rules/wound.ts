import type { RuleOf } from '../../piece'
import { windings } from '../made'
import { madeSlots } from '../slot'
import type { Arranging } from './arranging'
import { noCount, nothing } from './arranging'

export const WOUND: Arranging<RuleOf<'wound'>> = {
  slots: (rule, { run, mix }) => madeSlots(run, windings(run, rule, mix[0]!)),
  withCount: noCount,
  says: nothing,
}
