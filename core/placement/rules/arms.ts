import { along } from '../../base'
import type { RuleOf } from '../../piece'
import { gapsOf } from '../gaps'
import type { Slot, SlotContext } from '../slot'
import { slot } from '../slot'
import type { Arranging } from './arranging'
import { spacingSaid, byCount } from './arranging'

/** Stations left and right in turn, from the middle out: on both runs of a pair, or to both sides of the layer's seat. */
function arms(rule: RuleOf<'arms'>, { run, runs, seat }: SlotContext): Slot[] {
  const other = runs.find(({ id }) => id === run.mirror.run) ?? run
  const paired = other.id !== run.id
  const reach = paired ? run.length : run.closed ? run.length / 2 : Math.min(seat, 1 - seat) * run.length
  const rows = Math.ceil(rule.count / 2)
  const low = Math.min(rule.from, rule.to)
  const high = Math.max(rule.from, rule.to)
  return Array.from({ length: rule.count }, (_, i) => {
    const row = Math.floor(i / 2)
    const out = reach * (low + ((high - low) * (row + 0.5)) / rows)
    const first = i % 2 === 0
    return paired ? slot(first ? run : other, i, out, { deal: row }) : slot(run, i, seat * run.length + (first ? -out : out), { deal: row })
  })
}

export const ARMS_PLACEMENT: Arranging<RuleOf<'arms'>> = {
  slots: arms,
  withCount: byCount,
  says: (_rule, run, spacing) => [...(spacing ? [['Left and right in turn.']] : []), ...spacingSaid(run, spacing, ' on each side')],
  gaps(_rule, run, seat, sorted) {
    // Its two sides, each by itself: neither the seat nor what lies over against it is a gap that is meant.
    const side = (way: 1 | -1): number[] => sorted.map((s) => along(run, seat, s)).filter((by) => by < run.length / 2 === way > 0)
    return [side(1), side(-1)].flatMap((points) =>
      gapsOf(
        { closed: false, length: run.length },
        points.sort((a, b) => a - b),
      ),
    )
  },
  serves: 'pairs',
  shares: 'evenly',
}
