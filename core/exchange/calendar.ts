import type { DateArray, EventAttributes } from 'ics'
import type { Day, Manner } from '../measure'
import { daysAfter, show } from '../measure'
import type { Piece } from '../piece'
import type { Schedule } from '../steps'

const dateOf = (day: Day): DateArray => {
  const [year, month, date] = day.split('-').map(Number)
  return [year!, month!, date!]
}

/**
 * The days of a piece as a calendar file, iCalendar (RFC 5545): whole days, which no clock and no zone moves.
 * @param now when the file is written, milliseconds since 1970
 * @returns the file’s text; null while the piece has no day to hang by
 * @throws RangeError when the calendar cannot be written
 */
export async function calendarOf(
  { id, brief: { name } }: Pick<Piece, 'id' | 'brief'>,
  { dates, hands, days }: Schedule,
  manner: Manner,
  now: number,
): Promise<string | null> {
  if (!dates) return null
  const { buyBy, cutFrom, startBy, hangBy, downBy } = dates
  const event = (what: string, title: string, day: Day, description: string, last = day): EventAttributes => ({
    uid: `${id}-${what}@ruddy-bramble`,
    title,
    description,
    start: dateOf(day),
    // The day after the last one: an end is not part of what ends.
    end: dateOf(daysAfter(last, 1)),
    transp: 'TRANSPARENT',
    // The package takes it, and its types do not know of it.
    ...{ timestamp: now },
  })
  // Loaded when a calendar is asked for: nothing else takes it along.
  const { createEvents } = await import('ics')
  const { error, value } = createEvents(
    [
      event('buy', `Buy what ${name} takes`, buyBy, 'By today at the latest.'),
      ...(cutFrom ? [event('cut', `Cut greens for ${name}`, cutFrom, 'No earlier than today.')] : []),
      event('make', `Make ${name}`, startBy, `${show(hands, manner)} of hands in ${days === 1 ? 'a day' : `${days} days`}.`, hangBy),
      event('hang', `Hang ${name}`, hangBy, 'It must hang today.'),
      ...(downBy ? [event('down', `Take ${name} down`, downBy, 'Or sooner, when needles snap.')] : []),
    ],
    { productId: 'ruddy-bramble' },
  )
  if (error || value === undefined) throw new RangeError(`the calendar could not be written: ${String(error)}`)
  return value
}
