import { materialOf } from '../material'
import type { Rated } from '../measure'
import type { Piece } from '../piece'
import type { Pricing } from '../price'
import type { TaskTime } from '../tasks'
import type { ToMake } from './batch'
import type { Kit } from './kit'
import { teaching } from './kit'

/**
 * A piece as the season sees it. Of several, what is ticked off is done of the first one: the others are still to do.
 * @param tasks of one copy @param done of them, by their ids
 */
export const toMakeOf = ({ id, brief, making }: Piece, tasks: readonly TaskTime[], done: readonly string[]): ToMake => ({
  id,
  name: brief.name,
  copies: brief.copies,
  due: making.day,
  tasks,
  done: brief.copies === 1 ? done : [],
  hangs: making.hangs,
  indoors: brief.weather === 'indoors',
})

/** A class as the season sees it: an order of its own, beside the piece that it makes. @param tasks of one copy of that */
export const classToMake = (kit: Kit, { brief }: Piece, tasks: readonly TaskTime[], by: Rated): ToMake =>
  teaching(
    kit,
    { id: kit.id, name: brief.name, copies: 1, due: kit.day, tasks, done: [], hangs: null, indoors: brief.weather === 'indoors' },
    by,
  )

/**
 * On which days of the week fresh things can be had, 0 Monday: those of all shops that one goes to together; none where one of them
 * has them always, or none has any.
 */
export function freshDaysOf({ shelf, shops, shunned }: Pick<Pricing, 'shelf' | 'shops' | 'shunned'>): number[] {
  const offers = shops.flatMap(({ id, offers: own }) => (shunned.includes(id) ? [] : own))
  const fresh = offers.filter(({ material }) => materialOf(shelf, material)?.state === 'fresh')
  if (!fresh.length || fresh.some(({ days }) => !days.length)) return []
  // Shops count from Sunday.
  return [...new Set(fresh.flatMap(({ days }) => days.map((day) => (day + 6) % 7)))].sort()
}
