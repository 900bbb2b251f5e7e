import type { Day, Said } from '../measure'
import { daysAfter, daySaid, quantity, several, sum, weekdayOf } from '../measure'
import { minutesOn } from './working-hours'
import type { SeasonJob, SeasonPlan, Short } from './plan'
import { inSeason, isShorter, planSeasonSoon, shortBy, shortOf } from './plan'
import type { Season } from './season'

/** One change that would bring a season nearer to fitting. */
export type SeasonChange =
  | { readonly kind: 'hours'; readonly day: Day; readonly minutes: number }
  | { readonly kind: 'earlier'; readonly from: Day }
  /** Bows of a piece that are bought ready-made. */
  | { readonly kind: 'bows'; readonly piece: string; readonly tasks: readonly string[] }
  | { readonly kind: 'fewer'; readonly piece: string; readonly copies: number }
  | { readonly kind: 'later'; readonly piece: string }

export interface SeasonMend {
  readonly id: string
  readonly change: SeasonChange
  readonly says: Said
  /** Minutes of hands that are still too late with it, and whether everything fits. */
  readonly over: number
  readonly fits: boolean
}

/** Whether a bow is bought ready-made. */
const isReady = ({ ready }: Pick<Season, 'ready'>, piece: string, task: string): boolean =>
  ready.some((each) => each.piece === piece && each.task === task)

/** What a change makes of a season as it is now; fewer copies are the piece's to change. */
export function changedBy(change: SeasonChange, season: Season): Partial<Season> {
  switch (change.kind) {
    case 'hours':
      return { hours: withMore(season, change.day, change.minutes) }
    case 'earlier':
      return { from: change.from }
    case 'bows':
      return {
        ready: [
          ...season.ready,
          ...change.tasks.flatMap((task) => (isReady(season, change.piece, task) ? [] : [{ piece: change.piece, task }])),
        ],
      }
    case 'later':
      return { later: [...new Set([...season.later, change.piece])] }
    case 'fewer':
      return {}
  }
}

/** The most hours that a day is given more, and that a day has, minutes. */
const MORE = 4 * 60
const LONG_DAY = 10 * 60
/** Hours are found by the half. */
const HALF = 30
/** The most days that a season would be begun earlier. */
const EARLIER = 60
/** So many days and so many changes are offered. */
const DAYS_OFFERED = 4
const OFFERED = 12
/** What changes least of what is made, first. */
const GENTLE: readonly SeasonChange['kind'][] = ['hours', 'earlier', 'bows', 'fewer', 'later']

/**
 * What would make a season fit, each worked out by itself and what helps most first: more hours on the days that have fewest, an
 * earlier start, bows that are bought, fewer copies, a piece left for later.
 * @returns nothing where it fits
 */
export function seasonMends(job: SeasonJob, plan: SeasonPlan): SeasonMend[] {
  if (plan.fits) return []
  const { season } = job
  const now = shortBy(job)
  const found: (SeasonMend & { readonly short: Short })[] = []
  const jobWith = (change: SeasonChange): SeasonJob => ({
    ...job,
    season: { ...season, ...changedBy(change, season) },
    pieces:
      change.kind === 'fewer'
        ? job.pieces.map((each) => (each.id === change.piece ? { ...each, copies: change.copies } : each))
        : job.pieces,
  })
  const shortWith = (change: SeasonChange): Short => shortBy(jobWith(change))
  const offer = (id: string, change: SeasonChange, says: Said, short = shortWith(change)): void => {
    if (isShorter(short, now)) found.push({ id, change, says, short, over: short.over, fits: short.over < 1e-6 && short.late < 1e-6 })
  }
  const late = plan.pieces.filter((each) => each.over > 1e-6 || each.late > 0)
  const last = late.reduce<Day | null>((day, { due }) => (due !== null && (day === null || due > day) ? due : day), null)
  for (const { day, minutes } of last === null ? [] : daysWithRoom(season, plan.from, last)) {
    const more = Math.min(MORE, LONG_DAY - minutes, Math.max(HALF, Math.ceil(now.over / HALF) * HALF))
    if (more > 0) offer(`hours:${day}`, { kind: 'hours', day, minutes: more }, sum`${quantity.time(more)} more on ${daySaid(day)}`)
  }
  for (let back = 1; season.from !== null && season.from > job.today && back <= EARLIER; back++) {
    const from = daysAfter(plan.from, -back)
    if (from < job.today) break
    const short = shortWith({ kind: 'earlier', from })
    if ((short.over > 1e-6 || short.late > 1e-6) && back < EARLIER && from > job.today) continue
    offer('earlier', { kind: 'earlier', from }, sum`Begin on ${daySaid(from)}, ${several(back, 'day', 'days')} earlier`, short)
    break
  }
  for (const { id, name, copies, tasks, done } of inSeason(job)) {
    const bows = tasks.filter((task) => task.kind === 'bow' && task.hands > 0 && !done.includes(task.id) && !isReady(season, id, task.id))
    if (bows.length)
      offer(
        `bows:${id}`,
        { kind: 'bows', piece: id, tasks: bows.map((task) => task.id) },
        sum`Buy ${bows.length * copies === 1 ? 'the bow' : 'the bows'} of ${name} ready-made: ${quantity.time(bows.reduce((all, { hands }) => all + hands * copies, 0))} less`,
      )
    for (let fewer = copies - 1; fewer >= 1; fewer--) {
      const short = shortWith({ kind: 'fewer', piece: id, copies: fewer })
      if (fewer > 1 && (short.over > 1e-6 || short.late > 1e-6)) continue
      offer(
        `fewer:${id}`,
        { kind: 'fewer', piece: id, copies: fewer },
        sum`Make ${quantity.count(fewer)} of ${name} instead of ${quantity.count(copies)}`,
        short,
      )
      break
    }
    offer(`later:${id}`, { kind: 'later', piece: id }, sum`Leave ${name} for later`)
  }
  const gentle = ({ change }: SeasonMend): number => GENTLE.indexOf(change.kind)
  const best = (a: (typeof found)[number], b: (typeof found)[number]): number =>
    isShorter(a.short, b.short) ? -1 : isShorter(b.short, a.short) ? 1 : gentle(a) - gentle(b)
  const before = shortOf(plan)
  return found
    .sort(best)
    .slice(0, OFFERED)
    .flatMap((mend) => {
      // What is told of a change is the plan with it, worked whole.
      const after = planSeasonSoon(jobWith(mend.change))
      const short = shortOf(after)
      return isShorter(short, before) ? [{ ...mend, short, over: short.over, fits: after.fits }] : []
    })
    .sort(best)
    .map(({ short: _short, ...mend }) => mend)
}

/** Days of a season by how little hands have on them, before anything is due: so many that have least. At a market hands are elsewhere. */
function daysWithRoom({ hours }: Season, from: Day, to: Day): { readonly day: Day; readonly minutes: number }[] {
  const days: { day: Day; minutes: number }[] = []
  const markets = new Set(hours.days.flatMap(({ day, kind }) => (kind === 'market' ? [day] : [])))
  for (let day = from; day <= to && days.length < 400; day = daysAfter(day, 1))
    if (!markets.has(day)) days.push({ day, minutes: minutesOn(hours, day) })
  return days.sort((a, b) => a.minutes - b.minutes || b.day.localeCompare(a.day)).slice(0, DAYS_OFFERED)
}

/** The hours with so many minutes more on a day. */
export function withMore({ hours }: Pick<Season, 'hours'>, day: Day, minutes: number): Season['hours'] {
  const known = hours.days.find((each) => each.day === day)
  const { from, minutes: before } = known ?? hours.week[weekdayOf(day)]!
  const all = Math.min(24 * 60, before + minutes)
  return {
    ...hours,
    days: [
      ...hours.days.filter((each) => each.day !== day),
      { day, kind: 'bench' as const, note: known?.note ?? '', from: Math.min(from, 24 * 60 - all), minutes: all },
    ].sort((a, b) => a.day.localeCompare(b.day)),
  }
}
