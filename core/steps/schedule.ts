import type { Material } from '../material'
import type { Day, Figure, Rated } from '../measure'
import { daysAfter, dayNumber, daySaid, quantity, rate, sum } from '../measure'
import { byRule, count, plusAll, saidAs, worked } from '../measure/term'
import type { Piece, Problem } from '../piece'
import type { Booked } from './graph'
import { bookDays, criticalPath } from './graph'
import type { Task } from './task'
import { A_DAY, BUY_AHEAD, CUT_AHEAD, KEEPS_INDOORS, KEEPS_OUTDOORS } from './thumbs'
import { NONE } from './times'

/** When each task is done, and by what day what must be. */
export interface Schedule {
  /** In the order of the tasks. */
  readonly booked: readonly Booked[]
  /** The tasks that make it as long as it is. */
  readonly path: readonly string[]
  readonly hands: Figure
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

/** @param tasks in the order in which hands take them @param materials that lie on it */
export function scheduleOf({ making, brief }: Piece, tasks: readonly Task[], materials: readonly Material[], by: Rated): Schedule {
  const aDay = rate(A_DAY, by)
  const there = new Set(tasks.map(({ id }) => id))
  const steps = tasks.map(({ id, hands, waits, after }) => ({
    id,
    hands: hands.value,
    waits: waits.value,
    after: after.map((each) => each.id).filter((each) => there.has(each)),
  }))
  const booked = bookDays(steps, aDay)
  // Hands go from task to task, so each also waits until hands are off the one before.
  const at = new Map(steps.map((step, i) => [step.id, i]))
  const { path } = criticalPath(
    steps.map((step, i) => ({
      id: step.id,
      duration: step.hands + step.waits,
      after: [
        ...(i > 0 ? [{ id: steps[i - 1]!.id, lag: steps[i - 1]!.hands }] : []),
        ...step.after.filter((id) => at.get(id)! < i).map((id) => ({ id, lag: steps[at.get(id)!]!.hands + steps[at.get(id)!]!.waits })),
      ],
    })),
  )
  const end = booked.reduce((last, { done }) => Math.max(last, done), 0)
  const days = Math.max(1, Math.ceil(end / DAY - 1e-9))
  const fresh = materials.some(({ state }) => state === 'fresh')
  const together = (of: (task: Task) => Figure): Figure => {
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
  return {
    booked,
    path,
    hands: together(({ hands }) => hands),
    waits: together(({ waits }) => waits),
    days,
    dates: making.day === null ? null : datesOf(making.day, days, booked, fresh, making.hangs, brief.weather === 'indoors', by),
  }
}

function datesOf(
  day: Day,
  days: number,
  booked: readonly Booked[],
  fresh: boolean,
  hangs: number | null,
  indoors: boolean,
  by: Rated,
): Dates {
  const startBy = daysAfter(day, 1 - days)
  const keeps = rate(indoors ? KEEPS_INDOORS : KEEPS_OUTDOORS, by)
  const stems = booked.find(({ id }) => id === 'stems')
  const cutOn = daysAfter(startBy, Math.floor((stems?.begins ?? 0) / DAY))
  const lasts = hangs === null ? (fresh ? Math.floor(keeps) : null) : fresh ? Math.min(hangs, Math.floor(keeps)) : hangs
  return {
    buyBy: daysAfter(startBy, -Math.round(byRule(BUY_AHEAD, by).value)),
    cutFrom: fresh ? daysAfter(cutOn, -Math.round(rate(CUT_AHEAD, by))) : null,
    startBy,
    hangBy: day,
    downBy: lasts === null ? null : daysAfter(day, lasts),
  }
}

/** What is too late, by the day that it is. @param today the calendar's */
export function dateProblems({ making }: Pick<Piece, 'making'>, { dates, days }: Pick<Schedule, 'dates' | 'days'>, today: Day): Problem[] {
  if (making.day === null || !dates) return []
  const away = (dayNumber(making.day) ?? 0) - (dayNumber(today) ?? 0)
  const problem = (id: string, severity: Problem['severity'], says: Problem['says']): Problem => ({
    id,
    severity,
    layer: null,
    says,
    mends: [{ says: sum`Another day`, edit: { do: 'making', set: { day: daysAfter(today, days - 1) } } }],
  })
  if (away < 0) return [problem('day:past', 'fault', sum`${daySaid(making.day)} is past.`)]
  if (dates.startBy < today)
    return [
      problem('day:short', 'fault', sum`It takes ${quantity.count(days)} days and would have had to begin on ${daySaid(dates.startBy)}.`),
    ]
  if (dates.buyBy < today) return [problem('day:buy', 'care', sum`Things should have been bought by ${daySaid(dates.buyBy)}.`)]
  return []
}
