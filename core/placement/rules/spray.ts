import type { RuleOf } from '../../piece'
import type { Slot, SlotContext } from '../slot'
import { slot } from '../slot'
import type { Arranging } from './arranging'
import { nothing } from './arranging'

function spray({ at, pairs, odd, spread }: RuleOf<'spray'>, { run, taper }: SlotContext): Slot[] {
  const stems = 2 * pairs + (odd ? 1 : 0)
  return Array.from({ length: stems }, (_, i) => {
    const out = i === 2 * pairs ? 0 : (pairs - Math.floor(i / 2) - (odd ? 0 : 0.5)) / pairs
    return slot(run, i, at * run.length, { deal: Math.floor(i / 2), lean: (i % 2 ? 1 : -1) * spread * out, reach: 1 - taper * out })
  })
}

export const SPRAY_PLACEMENT: Arranging<RuleOf<'spray'>> = {
  slots: spray,
  withCount(rule, n) {
    const pairs = Math.min(60, Math.floor(n / 2))
    const odd = n % 2 === 1 && pairs < 60
    return pairs < 1 ? null : { rule: { ...rule, pairs, odd }, takes: 2 * pairs + (odd ? 1 : 0) }
  },
  says: nothing,
  tapers: 'itself',
  ordered: true,
}
