import type { Day, Said } from '../measure'
import { daysAfter, daySaid, quantity, several, sum, weekdayOf } from '../measure'
import type { ToMake } from './batch'
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

/** A change that may help, and how short the season is with it. */
interface Idea {
  readonly id: string
  readonly change: SeasonChange
  readonly says: Said
  readonly short: Short
}

/** A season that does not fit. */
interface Trouble {
  readonly job: SeasonJob
  readonly plan: SeasonPlan
  readonly now: Short
  /** How short it is with a change. */
  readonly shortWith: (change: SeasonChange) => Short
}

const NOTHING = 1e-6
const isShort = ({ over, late }: Short): boolean => over > NOTHING || late > NOTHING

/** The season with a change made. */
const jobWith = (job: SeasonJob, change: SeasonChange): SeasonJob => ({
  ...job,
  season: { ...job.season, ...changedBy(change, job.season) },
  pieces:
    change.kind === 'fewer'
      ? job.pieces.map((piece) => (piece.id === change.piece ? { ...piece, copies: change.copies } : piece))
      : job.pieces,
})

/** More hours on the days that have fewest, before the last that something is late for. */
function hoursIdeas({ job: { season }, plan, now, shortWith }: Trouble): Idea[] {
  const late = plan.pieces.filter(({ over, late: days }) => over > NOTHING || days > 0)
  const last = late.reduce<Day | null>((day, { due }) => (due !== null && (day === null || due > day) ? due : day), null)
  if (last === null) return []
  return daysWithRoom(season, plan.from, last).flatMap(({ day, minutes }): Idea[] => {
    const more = Math.min(MORE, LONG_DAY - minutes, Math.max(HALF, Math.ceil(now.over / HALF) * HALF))
    if (more <= 0) return []
    const change: SeasonChange = { kind: 'hours', day, minutes: more }
    return [{ id: `hours:${day}`, change, says: sum`${quantity.time(more)} more on ${daySaid(day)}`, short: shortWith(change) }]
  })
}

/** The latest start that makes it fit, or the earliest that there may be. */
function earlierIdeas({ job: { season, today }, plan, shortWith }: Trouble): Idea[] {
  if (season.from === null || season.from <= today) return []
  for (let back = 1; back <= EARLIER; back++) {
    const from = daysAfter(plan.from, -back)
    if (from < today) return []
    const change: SeasonChange = { kind: 'earlier', from }
    const short = shortWith(change)
    if (isShort(short) && back < EARLIER && from > today) continue
    return [{ id: 'earlier', change, says: sum`Begin on ${daySaid(from)}, ${several(back, 'day', 'days')} earlier`, short }]
  }
  return []
}

/** Bows of a piece that are bought ready-made. */
function bowIdeas({ id, name, copies, tasks, done }: ToMake, { job, shortWith }: Trouble): Idea[] {
  const bows = tasks.filter((task) => task.kind === 'bow' && task.hands > 0 && !done.includes(task.id) && !isReady(job.season, id, task.id))
  if (!bows.length) return []
  const change: SeasonChange = { kind: 'bows', piece: id, tasks: bows.map((task) => task.id) }
  const less = bows.reduce((all, { hands }) => all + hands * copies, 0)
  const says = sum`Buy ${bows.length * copies === 1 ? 'the bow' : 'the bows'} of ${name} ready-made: ${quantity.time(less)} less`
  return [{ id: `bows:${id}`, change, says, short: shortWith(change) }]
}

/** As many copies as fit, or one. */
function fewerIdeas({ id, name, copies }: ToMake, { shortWith }: Trouble): Idea[] {
  for (let fewer = copies - 1; fewer >= 1; fewer--) {
    const change: SeasonChange = { kind: 'fewer', piece: id, copies: fewer }
    const short = shortWith(change)
    if (fewer > 1 && isShort(short)) continue
    return [{ id: `fewer:${id}`, change, says: sum`Make ${quantity.count(fewer)} of ${name} instead of ${quantity.count(copies)}`, short }]
  }
  return []
}

function laterIdea({ id, name }: ToMake, { shortWith }: Trouble): Idea {
  const change: SeasonChange = { kind: 'later', piece: id }
  return { id: `later:${id}`, change, says: sum`Leave ${name} for later`, short: shortWith(change) }
}

/** What helps most first; of what helps as much, what changes least. */
const byHelp = (a: Idea, b: Idea): number =>
  isShorter(a.short, b.short) ? -1 : isShorter(b.short, a.short) ? 1 : GENTLE.indexOf(a.change.kind) - GENTLE.indexOf(b.change.kind)

/**
 * What would make a season fit, each worked out by itself and what helps most first: more hours on the days that have fewest, an
 * earlier start, bows that are bought, fewer copies, a piece left for later.
 * @returns nothing where it fits
 */
export function seasonMends(job: SeasonJob, plan: SeasonPlan): SeasonMend[] {
  if (plan.fits) return []
  const now = shortBy(job)
  const trouble: Trouble = { job, plan, now, shortWith: (change) => shortBy(jobWith(job, change)) }
  const ideas = [
    ...hoursIdeas(trouble),
    ...earlierIdeas(trouble),
    ...inSeason(job).flatMap((piece) => [...bowIdeas(piece, trouble), ...fewerIdeas(piece, trouble), laterIdea(piece, trouble)]),
  ]
  const before = shortOf(plan)
  return ideas
    .filter(({ short }) => isShorter(short, now))
    .sort(byHelp)
    .slice(0, OFFERED)
    .flatMap((idea) => {
      // What is told of a change is the plan with it, worked whole.
      const after = planSeasonSoon(jobWith(job, idea.change))
      const short = shortOf(after)
      return isShorter(short, before) ? [{ ...idea, short, fits: after.fits }] : []
    })
    .sort(byHelp)
    .map(({ id, change, says, short, fits }) => ({ id, change, says, over: short.over, fits }))
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
