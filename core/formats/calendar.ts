import type { DateArray, EventAttributes } from 'ics'
import type { Day, DisplayOptions } from '../measure'
import { daysAfter, show } from '../measure'
import type { Piece } from '../piece'
import type { SeasonPlan } from '../season'
import type { Schedule } from '../tasks'

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
  manner: DisplayOptions,
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

/**
 * A season as a calendar file: every stretch at the bench at its hour, in the time of wherever one is (RFC 5545, floating); what is
 * bought and what hangs by whole days.
 * @param now when the file is written, milliseconds since 1970
 * @returns null while nothing is planned
 * @throws RangeError when the calendar cannot be written
 */
export async function seasonCalendar(
  { sittings, pieces, buying }: SeasonPlan,
  manner: DisplayOptions,
  now: number,
): Promise<string | null> {
  const names = new Map(pieces.map(({ id, name }) => [id, name]))
  const days = new Map<Day, { from: number; to: number; lines: string[]; of: Set<string> }>()
  for (const { chore, days: parts } of sittings)
    for (const { day, from, minutes } of parts) {
      const known = days.get(day) ?? { from, to: from, lines: [], of: new Set<string>() }
      known.to = Math.max(known.to, from + minutes)
      known.from = Math.min(known.from, from)
      known.lines.push(`${chore.title}: ${show({ value: minutes, unit: 'time' }, manner)}`)
      for (const id of chore.pieces) known.of.add(names.get(id) ?? id)
      days.set(day, known)
    }
  if (!days.size) return null
  const common = { transp: 'TRANSPARENT' as const, ...{ timestamp: now } }
  const whole = (uid: string, title: string, day: Day): EventAttributes => ({
    uid: `${uid}@ruddy-bramble`,
    title,
    start: dateOf(day),
    end: dateOf(daysAfter(day, 1)),
    ...common,
  })
  const events: EventAttributes[] = [
    ...[...days].map(([day, { from, to, lines, of }]): EventAttributes => {
      const minutes = Math.max(1, Math.round(to - from))
      return {
        uid: `bench-${day}@ruddy-bramble`,
        title: `At the bench: ${[...of].join(', ')}`,
        description: lines.join('\n'),
        start: [...(dateOf(day) as [number, number, number]), Math.floor(from / 60), Math.round(from % 60)] as DateArray,
        startInputType: 'local',
        startOutputType: 'local',
        duration: { hours: Math.floor(minutes / 60), minutes: minutes % 60 },
        ...common,
      }
    }),
    ...buying.map(({ piece, name, what, by }) =>
      whole(`buy-${what}-${piece}`, what === 'greens' ? `Get the greens for ${name}` : `Buy what ${name} takes`, by),
    ),
    ...pieces.flatMap(({ id, name, due, down }) => [
      ...(due === null ? [] : [whole(`due-${id}`, `${name} must hang`, due)]),
      ...(down === null ? [] : [whole(`down-${id}`, `Take ${name} down`, down)]),
    ]),
  ]
  const { createEvents } = await import('ics')
  const { error, value } = createEvents(events, { productId: 'ruddy-bramble' })
  if (error || value === undefined) throw new RangeError(`the calendar could not be written: ${String(error)}`)
  return value
}
