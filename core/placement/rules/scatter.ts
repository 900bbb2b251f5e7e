import { sum } from '../../measure'
import type { RuleOf } from '../../piece'
import { scatter } from '../scatter'
import { slot } from '../slot'
import type { Arranging } from './arranging'
import { byCount } from './arranging'

export const SCATTER_PLACEMENT: Arranging<RuleOf<'scatter'>> = {
  slots: ({ count }, { run, seed }) => scatter(run, count, seed).map(({ s, t }, i) => slot(run, i, s, { across: t })),
  withCount: byCount,
  says: () => [sum`Spread over the face without clumps.`],
}
