import { clamp } from '../../measure'
import type { RuleOf } from '../../piece'
import { MOST_PLACES } from '../../piece'
import { advanceForCount, BUNDLE_FAN, overlapped } from '../bundle-sprigs'
import type { Slot, SlotContext } from '../slot'
import { slot } from '../slot'
import type { Arranging } from './arranging'
import { nothing } from './arranging'

/**
 * Bundles one after another against the way they point, so that each covers the stems of the one before. The last is
 * tucked under the heads of the first: it lies lowest.
 */
function bundles({ start, advance, sprigs }: RuleOf<'bundles'>, { run, shortest, flow }: SlotContext): Slot[] {
  const { count, step } = overlapped(run, shortest, advance)
  const n = Math.min(count, Math.floor(MOST_PLACES / sprigs))
  const back = flow !== 'anticlockwise'
  const foot = (i: number): number =>
    run.closed ? start * run.length + (back ? -1 : 1) * i * step : back ? run.length - shortest - i * step : shortest + i * step
  const bundle = (i: number): Slot[] =>
    Array.from({ length: sprigs }, (_, k) => {
      const out = sprigs === 1 ? 0 : ((k + 0.5) / sprigs) * 2 - 1
      // Those in the middle of the fan stand a little further out.
      return slot(run, `${i}.${k}`, foot(i) + (back ? 1 : -1) * step * 0.3 * (0.5 - Math.abs(out)), {
        across: out * BUNDLE_FAN,
        deal: i * sprigs + k,
      })
    })
  const order = Array.from({ length: n }, (_, i) => i)
  return (run.closed && n > 1 ? [n - 1, ...order.slice(0, -1)] : order).flatMap(bundle)
}

export const BUNDLES_PLACEMENT: Arranging<RuleOf<'bundles'>> = {
  slots: bundles,
  withCount(rule, n, room) {
    const count = Math.floor(n / (rule.sprigs * rule.faces))
    if (count < 1) return null
    const wanted = advanceForCount(room, room.piece, count) ?? room.length
    const advance = clamp(wanted, 5, 3000)
    return { rule: { ...rule, advance }, takes: overlapped(room, room.piece, advance).count * rule.sprigs * rule.faces }
  },
  says: nothing,
  ordered: true,
}
