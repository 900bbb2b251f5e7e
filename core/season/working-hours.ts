import { z } from 'zod'
import type { Day } from '../measure'
import { dayNumber, dayOf, DaySchema, weekdayAt, weekdayOf } from '../measure'

/** Minutes of a day and of the longest time that is looked ahead. */
export const DAY_MINUTES = 24 * 60
/** Ten years of days: what is not done by then has no hours. */
export const HORIZON = 3660

/** What a day is besides a day at the bench. */
export const DAY_KINDS = ['bench', 'off', 'market', 'shop'] as const
export type DayKind = (typeof DAY_KINDS)[number]

const HoursOfDaySchema = z
  .strictObject({
    from: z
      .int()
      .min(0)
      .max(DAY_MINUTES - 1)
      .describe('when hands begin, minutes after midnight'),
    minutes: z.int().min(0).max(DAY_MINUTES).describe('how long hands have'),
  })
  .refine(({ from, minutes }) => from + minutes <= DAY_MINUTES, 'A day’s hours end by midnight.')

/** When hands are at the bench: the hours of each weekday, and days that are otherwise. */
export const HoursSchema = z.strictObject({
  week: z.array(HoursOfDaySchema).length(7).describe('from Monday to Sunday'),
  days: z
    .array(HoursOfDaySchema.safeExtend({ day: DaySchema, kind: z.enum(DAY_KINDS), note: z.string().max(80) }))
    .max(1000)
    .refine((days) => new Set(days.map((each) => each.day)).size === days.length, 'A day stands there twice.')
    .describe('days that are otherwise than their weekday'),
})
export type Hours = z.infer<typeof HoursSchema>
export type SpecialDay = Hours['days'][number]

/** An evening at the bench on workdays, more on Saturday, Sunday off. */
export const usualHours = (): Hours => ({
  week: [
    ...Array.from({ length: 5 }, () => ({ from: 18 * 60 + 30, minutes: 120 })),
    { from: 9 * 60, minutes: 240 },
    { from: 10 * 60, minutes: 0 },
  ],
  days: [],
})

/** How many minutes hands have on a day. */
export const minutesOn = ({ week, days }: Hours, of: Day): number => (days.find(({ day }) => day === of) ?? week[weekdayOf(of)]!).minutes

/**
 * The hours of hands, minute by minute from the first midnight on. Work stands still outside them; what dries does not.
 * @example new Clock(usualHours(), '2026-11-02').next(0) // 1110: half past six of that Monday
 */
export class Clock {
  private readonly origin: number
  private readonly special: ReadonlyMap<number, { readonly from: number; readonly minutes: number }>
  private readonly weekly: boolean
  private readonly last: number

  /** @throws RangeError when the first day is no day */
  constructor(
    private readonly hours: Hours,
    readonly first: Day,
  ) {
    const origin = dayNumber(first)
    if (origin === null) throw new RangeError(`${first} is no day`)
    this.origin = origin
    this.special = new Map(hours.days.map((each) => [dayNumber(each.day)! - origin, each]))
    this.weekly = hours.week.some(({ minutes }) => minutes > 0)
    this.last = Math.max(-1, ...[...this.special].flatMap(([n, { minutes }]) => (minutes > 0 ? [n] : [])))
  }

  /** From when to when hands work on the n-th day, minutes from the first midnight. */
  on(n: number): readonly [from: number, to: number] {
    const { from, minutes } = this.special.get(n) ?? this.hours.week[weekdayAt(this.origin + n)]!
    return [n * DAY_MINUTES + from, n * DAY_MINUTES + from + minutes]
  }

  /** The next minute from then on at which hands work; Infinity where there is none in ten years. */
  next(at: number): number {
    for (let n = Math.max(0, Math.floor(at / DAY_MINUTES)); n <= HORIZON; n++) {
      if (!this.weekly && n > this.last) return Infinity
      const [from, to] = this.on(n)
      if (to > from && at < to - 1e-9) return Math.max(at, from)
    }
    return Infinity
  }

  /**
   * Books so many minutes of hands from then on.
   * @returns when they end, and the stretches day by day; null where there are not so many hours
   */
  book(at: number, minutes: number): { readonly ends: number; readonly parts: readonly (readonly [from: number, to: number])[] } | null {
    const parts: (readonly [number, number])[] = []
    let [now, left] = [this.next(at), minutes]
    while (now < Infinity) {
      const [, to] = this.on(Math.floor(now / DAY_MINUTES))
      const taken = Math.min(left, to - now)
      parts.push([now, now + taken])
      left -= taken
      if (left <= 1e-9) return { ends: now + taken, parts }
      now = this.next(to)
    }
    return null
  }

  /** Minutes of hands between two moments. */
  between(from: number, to: number): number {
    let all = 0
    for (let n = Math.max(0, Math.floor(from / DAY_MINUTES)); n * DAY_MINUTES < to && n <= HORIZON; n++) {
      const [begins, ends] = this.on(n)
      all += Math.max(0, Math.min(to, ends) - Math.max(from, begins))
    }
    return all
  }

  dayAt(at: number): Day {
    return dayOf(this.origin + Math.floor(at / DAY_MINUTES))
  }

  /** The midnight at which a day begins, and the one at which it ends. */
  begins(of: Day): number {
    return (dayNumber(of)! - this.origin) * DAY_MINUTES
  }
  ends(of: Day): number {
    return this.begins(of) + DAY_MINUTES
  }
}
