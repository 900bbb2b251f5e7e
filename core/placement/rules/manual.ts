import type { RuleOf } from '../../piece'
import type { Arranging } from './arranging'
import { noCount, nothing } from './arranging'

export const MANUAL_PLACEMENT: Arranging<RuleOf<'hand'>> = {
  slots: () => [],
  withCount: noCount,
  says: nothing,
}
