import { quantity, sum } from '../../measure'
import type { RuleOf } from '../../piece'
import { MOST_PLACES } from '../../piece'
import { countEvery, evenly } from '../points'
import { numbered } from '../slot'
import type { Arranging } from './arranging'
import { spacingSaid } from './arranging'

export const EVENLY_SPACED_PLACEMENT: Arranging<RuleOf<'every'>> = {
  slots: ({ spacing, start }, { run }) => numbered(run, evenly(run, countEvery(run.length, spacing), start)),
  withCount: (rule, n, { length }) => (n < 1 ? null : { rule: { ...rule, spacing: Math.max(1, length / n) }, takes: n }),
  says: (_rule, run, spacing) => spacingSaid(run, spacing),
  asks(rule, { run }) {
    const widest = run.length / MOST_PLACES
    return {
      count: Math.round(run.length / rule.spacing),
      mend: sum`Space them ${quantity.length(widest)} apart`,
      fewer: { ...rule, spacing: widest },
    }
  },
}
