import type { Material } from '../material'
import type { Day, Figure, Rated, Message } from '../measure'
import { daysAfter, dayNumber, quantity, rate, count, minus, ofFigure, divide, plusAll, saidAs, times, worked } from '../measure'
import type { Piece, Problem } from '../piece'
import { handsOfCopies } from './copies'
import type { Booked, TaskToBook } from './critical-path'
import { bookDays, chainTo } from './critical-path'
import type { Task } from './task'
import { A_DAY, BUY_AHEAD, CUT_AHEAD, KEEPS_INDOORS, KEEPS_OUTDOORS } from './rules-of-thumb'
import { NONE } from './durations'
import { taskMessage } from './words'

/** When each task is done, and by what day what must be. */
export interface Schedule {
  /** In the order of the tasks. */
  readonly booked: readonly Booked[]
  /** The tasks that make it as long as it is, nights and all. */
  readonly path: readonly string[]
  /** For all copies, and for one of them: its share of what is done for all at once. */
  readonly hands: Figure
  readonly handsEach: Figure
  readonly waits: Figure
  /** From the first day to the last, both counted. */
  readonly days: number
  /** Days by the calendar, when it has a day to hang by. */
  readonly dates: Dates | null
}

export interface Dates {
  readonly buyBy: Day
  /** When greens are cut at the earliest; null where nothing is fresh. */
  readonly cutFrom: Day | null
  readonly startBy: Day
  readonly hangBy: Day
  /** When it comes down, or is thrown away. */
  readonly downBy: Day | null
}

const DAY = 24 * 60

/** @param tasks of one copy, in the order in which hands take them @param materials that lie on it */
export function scheduleOf({ making, brief }: Piece, tasks: readonly Task[], materials: readonly Material[], by: Rated): Schedule {
  const { copies } = brief
  const there = new Set(tasks.map(({ id }) => id))
  const steps = tasks.map(({ id, kind, hands, waits, after }): TaskToBook => ({
    id,
    hands: handsOfCopies(kind, hands.value, copies, by),
    waits: waits.value,
    after: after.map((each) => each.id).filter((each) => there.has(each)),
    wet: after.flatMap((each) => (each.wet ? [each.id] : [])),
  }))
  const booked = bookDays(steps, rate(A_DAY, by))
  const last = booked.reduce<Booked | null>((found, each) => (!found || each.done > found.done ? each : found), null)
  const days = Math.max(1, Math.ceil((last?.done ?? 0) / DAY - 1e-9))
  const fresh = materials.some(({ state }) => state === 'fresh')
  const each = together(tasks, ({ hands }) => hands)
  const all = steps.reduce((n, { hands }) => n + hands, 0)
  const saves = each.value * copies - all
  const hands: Figure =
    copies === 1
      ? each
      : worked(
          minus(
            times(count(copies), saidAs(ofFigure(each), [quantity.time(each.value)])),
            saidAs({ ...count(saves), unit: 'time' }, ['by doing at once ', quantity.time(saves)]),
          ),
        )
  return {
    booked,
    path: chainTo(last?.id ?? null, booked),
    hands,
    handsEach: copies === 1 ? each : worked(divide(saidAs(ofFigure(hands), [quantity.time(hands.value)]), count(copies))),
    waits: waitsOf(tasks),
    days,
    dates:
      making.day === null
        ? null
        : datesOf({ day: making.day, hangs: making.hangs, indoors: brief.weather === 'indoors', fresh }, days, booked, by),
  }
}

function together(tasks: readonly Task[], of: (task: Task) => Figure): Figure {
  const terms = tasks
    .filter((task) => of(task).value > 0)
    .map((task) =>
      saidAs({ ...count(of(task).value), unit: 'time', basis: of(task).basis, rules: of(task).rules ?? [] }, [
        `${task.title.toLowerCase()} `,
        quantity.time(of(task).value),
      ]),
    )
  return terms.length ? worked(plusAll(terms, terms[0]!)) : NONE
}

/** What dries and sets by itself: layers that are glued one over the other set together, and count once. */
function waitsOf(tasks: readonly Task[]): Figure {
  const longest = tasks.reduce<Task | null>(
    (most, each) => (each.kind === 'lay' && each.waits.value > (most?.waits.value ?? 0) ? each : most),
    null,
  )
  return together(
    tasks.filter((each) => each.kind !== 'lay' || each === longest),
    ({ waits }) => waits,
  )
}

/** How many days cut greens keep; null where nothing is fresh. */
export const keepsFor = (fresh: boolean, indoors: boolean, by: Rated): number | null =>
  fresh ? Math.floor(rate(indoors ? KEEPS_INDOORS : KEEPS_OUTDOORS, by)) : null

/** How many days they keep where they hang: some were cut as long before as one does. */
export function keepsHanging(fresh: boolean, indoors: boolean, by: Rated): number | null {
  const keeps = keepsFor(fresh, indoors, by)
  return keeps === null ? null : Math.max(0, keeps - Math.round(rate(CUT_AHEAD, by)))
}

/**
 * The day on which something comes down: after as long as it is meant to hang, or as its greens keep there. Null hangs on.
 * @param hangs days, or null for as long as it keeps @param keeps days where it hangs, or null where nothing is fresh
 */
export function comesDownOn(hung: Day, hangs: number | null, keeps: number | null): Day | null {
  const days = hangs === null ? keeps : keeps === null ? hangs : Math.min(hangs, keeps)
  return days === null ? null : daysAfter(hung, days)
}

/** The day by which things are in the house: so long before hands begin. */
export const boughtBy = (begins: Day, by: Rated): Day => daysAfter(begins, -Math.round(rate(BUY_AHEAD, by)))

/** By when something hangs, for how long, days or null, and what of it keeps. */
interface ToHang {
  readonly day: Day
  readonly hangs: number | null
  readonly indoors: boolean
  readonly fresh: boolean
}

/** @param days that hands and drying take */
function datesOf({ day, hangs, indoors, fresh }: ToHang, days: number, booked: readonly Booked[], by: Rated): Dates {
  const startBy = daysAfter(day, 1 - days)
  const stems = booked.find(({ id }) => id === 'stems')
  const cutOn = daysAfter(startBy, Math.floor((stems?.begins ?? 0) / DAY))
  return {
    buyBy: boughtBy(startBy, by),
    cutFrom: fresh ? daysAfter(cutOn, -Math.round(rate(CUT_AHEAD, by))) : null,
    startBy,
    hangBy: day,
    downBy: comesDownOn(day, hangs, keepsHanging(fresh, indoors, by)),
  }
}

/** Greens that are to hang longer than they keep. @param materials that lie on it */
export function keepingProblems({ making, brief }: Pick<Piece, 'making' | 'brief'>, materials: readonly Material[], by: Rated): Problem[] {
  const fresh = materials.filter(({ state }) => state === 'fresh')
  const keeps = keepsHanging(fresh.length > 0, brief.weather === 'indoors', by)
  if (keeps === null || making.hangs === null || making.hangs <= keeps) return []
  return [
    {
      id: 'keeps:short',
      severity: 'care',
      layer: null,
      ...taskMessage('greens-keep-short', {
        hangs: making.hangs,
        keeps,
        indoors: brief.weather === 'indoors',
        plurals: fresh.map(({ plural }) => plural),
      }),
      mends: [{ ...taskMessage('take-down-after', { days: keeps }), edit: { do: 'making', set: { hangs: keeps } } }],
    },
  ]
}

/** What is too late, by the day that it is. @param today the calendar's */
export function dateProblems({ making }: Pick<Piece, 'making'>, { dates, days }: Pick<Schedule, 'dates' | 'days'>, today: Day): Problem[] {
  if (making.day === null || !dates) return []
  const away = (dayNumber(making.day) ?? 0) - (dayNumber(today) ?? 0)
  const problem = (id: string, severity: Problem['severity'], message: Message): Problem => ({
    id,
    severity,
    layer: null,
    ...message,
    mends: [{ ...taskMessage('another-day', {}), edit: { do: 'making', set: { day: daysAfter(today, days - 1) } } }],
  })
  if (away < 0) return [problem('day:past', 'fault', taskMessage('day-past', { day: making.day }))]
  if (dates.startBy < today) return [problem('day:short', 'fault', taskMessage('begins-late', { days, startBy: dates.startBy }))]
  if (dates.buyBy < today) return [problem('day:buy', 'care', taskMessage('bought-late', { by: dates.buyBy }))]
  return []
}
