import type { RuleOf } from '../../piece'
import { gathersIn } from '../construction-slots'
import { madeSlots } from '../slot'
import type { Arranging } from './arranging'
import { noCount, nothing } from './arranging'

export const MESH_PLACEMENT: Arranging<RuleOf<'mesh'>> = {
  slots: (rule, { run, mix }) => madeSlots(run, gathersIn(run, rule, mix)),
  withCount: noCount,
  says: nothing,
}
