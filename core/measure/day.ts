import { z } from 'zod'

/** A whole day of the calendar: `2026-10-31`. No clock and no zone. */
export type Day = string

const [DAYS_OF_ERA, YEARS_OF_ERA] = [146_097, 400]

/**
 * Whole days since 1970-01-01 in the calendar of today, also before its time.
 * Source: the civil-from-days method of public-domain calendar algorithms (from memory), held against date-fns.
 * @returns null for what is no day: `2026-02-30`
 * @example dayNumber('1970-01-02') // 1
 */
export function dayNumber(day: Day): number | null {
  const [, y, m, d] = /^(\d{4})-(\d\d)-(\d\d)$/.exec(day) ?? []
  if (y === undefined) return null
  const n = numberOf(Number(y), Number(m), Number(d))
  return dayOf(n) === day ? n : null
}

/** Years begin in March, so that the odd day comes last. */
function numberOf(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year
  const era = Math.floor(y / YEARS_OF_ERA)
  const ofEra = y - era * YEARS_OF_ERA
  const ofYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1
  return era * DAYS_OF_ERA + ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear - 719_468
}

/**
 * The day of a number of days since 1970-01-01.
 * @param n whole
 * @example dayOf(0) // '1970-01-01'
 */
export function dayOf(n: number): Day {
  const z = n + 719_468
  const era = Math.floor(z / DAYS_OF_ERA)
  const of = z - era * DAYS_OF_ERA
  const year = Math.floor((of - Math.floor(of / 1460) + Math.floor(of / 36_524) - Math.floor(of / 146_096)) / 365)
  const ofYear = of - (365 * year + Math.floor(year / 4) - Math.floor(year / 100))
  const shifted = Math.floor((5 * ofYear + 2) / 153)
  const day = ofYear - Math.floor((153 * shifted + 2) / 5) + 1
  const month = shifted + (shifted < 10 ? 3 : -9)
  const pad = (value: number, to: number): string => String(value).padStart(to, '0')
  return `${pad(year + era * YEARS_OF_ERA + (month <= 2 ? 1 : 0), 4)}-${pad(month, 2)}-${pad(day, 2)}`
}

/**
 * So many days after a day; before it, where they are less than none.
 * @throws RangeError when it is no day
 * @example daysAfter('2026-02-27', 2) // '2026-03-01'
 */
export function daysAfter(day: Day, days: number): Day {
  const n = dayNumber(day)
  if (n === null) throw new RangeError(`${day} is no day`)
  return dayOf(n + days)
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const

/**
 * A day as one says it.
 * @throws RangeError when it is no day
 * @example daySaid('2026-10-31') // 'Sat 31 Oct'
 */
export function daySaid(day: Day): string {
  const n = dayNumber(day)
  if (n === null) throw new RangeError(`${day} is no day`)
  return `${WEEKDAYS[weekdayAt(n)]} ${Number(day.slice(8))} ${MONTHS[Number(day.slice(5, 7)) - 1]}`
}

/**
 * The weekday of a day, 0 for Monday.
 * @throws RangeError when it is no day
 * @example weekdayOf('2026-10-31') // 5
 */
export function weekdayOf(day: Day): number {
  const n = dayNumber(day)
  if (n === null) throw new RangeError(`${day} is no day`)
  return weekdayAt(n)
}

/** The same of so many days since 1970-01-01, which was a Thursday. @param n whole */
export const weekdayAt = (n: number): number => (((n + 3) % 7) + 7) % 7

/** No day of a workroom lies farther off: what is reckoned from one stays within four digits of a year. */
const YEARS = [1900, 2199] as const
/** A day as documents have it. */
export const DaySchema = z
  .string()
  .refine((day) => dayNumber(day) !== null, { error: 'That is no day of the calendar.', abort: true })
  .refine((day) => Number(day.slice(0, 4)) >= YEARS[0] && Number(day.slice(0, 4)) <= YEARS[1], `Years go from ${YEARS[0]} to ${YEARS[1]}.`)

/**
 * Hours and minutes as a clock shows them. @param minutes after midnight, or after something begins
 * @example clockSaid(1110) // '18:30'
 */
export function clockSaid(minutes: number): string {
  const whole = Math.round(minutes)
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}
