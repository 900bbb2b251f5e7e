import type { RuleOf } from '../../piece'
import { slotKey, slotOf } from '../../piece'
import type { Slot } from '../slot'
import { slot } from '../slot'
import type { Arranging } from './arranging'
import { noCount, nothing } from './arranging'

/** The things of another layer that a rule lays something on, in their order. */
const chosenOf = <T extends Pick<Slot, 'id'>>(bearers: readonly T[], { only, every, from }: RuleOf<'on'>): readonly T[] =>
  only ? bearers.filter(({ id }) => only.includes(id)) : bearers.filter((_, i) => i + 1 >= from && (i + 1 - from) % every === 0)

/** How many loops a bow has; none of anything else. */
export const loopsOf = ({ made }: Pick<Slot, 'made'>): number =>
  made?.as === 'bow' ? made.moves.filter(({ what }) => what === 'loop').length : 0

export const ON_THINGS_PLACEMENT: Arranging<RuleOf<'on'>> = {
  slots(rule, { run, bearersOf }) {
    const bearers = bearersOf(rule.of)
    if (!bearers) return null
    // Counted anew on every run, so that mirrored runs are each other's image.
    const own = chosenOf(
      bearers.filter((each) => each.run.id === run.id),
      rule,
    )
    const parts = own.flatMap((bearer) =>
      rule.spot === 'loops'
        ? Array.from({ length: loopsOf(bearer) }, (_, loop) => ({ bearer, loop }))
        : [{ bearer, loop: null as number | null }],
    )
    return parts.map(({ bearer, loop }, i) => {
      const { place, part } = slotOf(bearer.id)
      // "on" before it, so that it is no slot of a thing that a hand put into the layer itself.
      const id = slotKey({ run: null, place: `on${place}${part === null ? '' : `-${part}`}`, part: loop === null ? null : String(loop) })
      return { ...slot(run, id, bearer.s), deal: i, on: { slot: bearer.id, loop } }
    })
  },
  withCount: noCount,
  says: nothing,
  tapers: 'itself',
  ordered: true,
}
