import type { Run } from '../../base'
import { anchorSays } from '../../base'
import { quantity } from '../../measure'
import type { RuleOf } from '../../piece'
import { gapsFrom } from '../gaps'
import type { Slot } from '../slot'
import { slot } from '../slot'
import type { Arranging } from './arranging'
import { byCount } from './arranging'

/** Two sides of a seat, a place at a time: right and left in turn, the odd one out at the end of the right. */
function fromSeat(run: Run, rule: RuleOf<'mirror'>, kinds: number): Slot[] {
  const seat = rule.seat * run.length
  const room = (side: 1 | -1): number =>
    Math.max(
      0,
      (run.closed ? Math.min(rule.reach, 0.5) * run.length : Math.min(rule.reach * run.length, side > 0 ? run.length - seat : seat)) -
        rule.gap,
    )
  const rows = Math.ceil(rule.count / 2)
  return Array.from({ length: rule.count }, (_, i) => {
    const row = Math.floor(i / 2)
    const side = i % 2 ? -1 : 1
    const from = Math.min(rule.gap, run.closed ? run.length / 2 : run.length)
    const s = seat + side * (from + (room(side) * (row + 0.5)) / rows)
    return slot(run, i, s, { deal: row, material: rule.sequence && kinds > 0 ? row % kinds : null })
  })
}

export const MIRROR_PLACEMENT: Arranging<RuleOf<'mirror'>> = {
  slots: (rule, { run, mix }) => fromSeat(run, rule, mix.length),
  withCount: byCount,
  says: ({ gap, seat }, run, spacing) =>
    spacing
      ? [['Keep ', quantity.length(gap), ' free to each side of ', ...anchorSays(run, seat * run.length), ', then the same up both sides.']]
      : [],
  gaps: ({ seat }, run, _seat, sorted) => gapsFrom(run, ((seat + 0.5) % 1) * run.length, sorted),
  keeps: ({ seat, gap }) => ({ at: seat, about: gap }),
  shares: 'evenly',
}
