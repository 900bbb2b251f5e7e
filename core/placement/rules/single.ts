import type { RuleOf } from '../../piece'
import { slot } from '../slot'
import type { Arranging } from './arranging'
import { noCount, nothing } from './arranging'

export const SINGLE_PLACEMENT: Arranging<RuleOf<'single'>> = {
  slots: ({ at }, { run }) => [slot(run, 0, at * run.length)],
  withCount: noCount,
  says: nothing,
  drop: ({ drop }) => drop,
}
