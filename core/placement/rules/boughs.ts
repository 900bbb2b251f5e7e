import { sum } from '../../measure'
import type { RuleOf } from '../../piece'
import { MOST_PLACES } from '../../piece'
import { overlapped } from '../bundle-sprigs'
import type { Slot, SlotContext } from '../slot'
import { numbered } from '../slot'
import type { Arranging } from './arranging'
import { spacingSaid, noCount } from './arranging'

/** Pieces of bough end over end, from where they point to, each over the stem of the one before. */
function boughs({ overlap }: RuleOf<'boughs'>, { run, shortest, flow }: SlotContext): Slot[] {
  if (overlap >= shortest) return []
  const { count, step } = overlapped(run, shortest, shortest - overlap)
  const back = flow !== 'anticlockwise'
  return numbered(
    run,
    Array.from({ length: Math.min(MOST_PLACES, count) }, (_, i) =>
      back ? Math.max(0, run.length - shortest) - i * step : Math.min(run.length, shortest) + i * step,
    ),
  )
}

export const BOUGHS_PLACEMENT: Arranging<RuleOf<'boughs'>> = {
  slots: boughs,
  withCount: noCount,
  says: (_rule, run, spacing) => spacingSaid(run, spacing),
  asks: ({ overlap }, { run, shortest }) => ({
    count: shortest > overlap ? overlapped(run, shortest, shortest - overlap).count : 0,
    mend: sum`Longer pieces, or less overlap`,
    fewer: null,
  }),
  ordered: true,
}
