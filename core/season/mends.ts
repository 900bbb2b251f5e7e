import type { Day, Said } from '../measure'
import { daysAfter, daySaid, quantity, several, sum } from '../measure'
import { choreId } from './batch'
import { inSeason, overBy } from './plan'
import type { SeasonJob, SeasonPlan } from './plan'
import { weekdayOf } from './hours'
import type { Season } from './season'

/** One change that would bring a season nearer to fitting. */
export interface SeasonMend {
  readonly id: string
  readonly kind: 'hours' | 'earlier' | 'bows' | 'fewer' | 'later'
  readonly says: Said
  /** What it changes of the season; null where it changes a piece. */
  readonly season: Partial<Season> | null
  /** The piece of which fewer are made. */
  readonly copies: { readonly piece: string; readonly copies: number } | null
  /** Minutes of hands that are still too late with it. */
  readonly over: number
}

/** The most hours that a day is given more, and that a day has, minutes. */
const MORE = 4 * 60
const LONG_DAY = 10 * 60
/** The most days that a season would be begun earlier. */
const EARLIER = 60

/**
 * What would make a season fit, each worked out by itself and what helps most first: more hours on the days that have fewest, an
 * earlier start, bows that are bought, fewer copies, a piece left for later.
 * @returns nothing where it fits
 */
export function seasonMends(job: SeasonJob, plan: SeasonPlan): SeasonMend[] {
  if (plan.fits) return []
  const { season } = job
  const now = overBy(job)
  const found: SeasonMend[] = []
  const offer = (mend: Omit<SeasonMend, 'over'>, changed: SeasonJob): void => {
    const over = overBy(changed)
    if (over < now - 1e-6) found.push({ ...mend, over })
  }
  const withSeason = (set: Partial<Season>): SeasonJob => ({ ...job, season: { ...season, ...set } })
  const late = plan.pieces.filter(({ over, late }) => over > 1e-6 || late > 0)
  const last = late.reduce<Day | null>((day, { due }) => (due !== null && (day === null || due > day) ? due : day), null)
  if (last !== null) {
    for (const { day, minutes } of daysWithRoom(job, plan.from, last)) {
      // To the half hour, and no more than is wanted.
      const more = Math.min(MORE, LONG_DAY - minutes, Math.ceil(now / 30) * 30)
      if (more <= 0) continue
      const hours = withMore(season, day, more)
      offer(
        { id: `hours:${day}`, kind: 'hours', says: sum`${quantity.time(more)} more on ${daySaid(day)}`, season: { hours }, copies: null },
        withSeason({ hours }),
      )
    }
  }
  const room = season.from !== null && season.from > job.today
  for (let back = 1; room && back <= EARLIER; back++) {
    const from = daysAfter(plan.from, -back)
    if (from < job.today) break
    const changed = withSeason({ from })
    if (overBy(changed) > 1e-6 && back < EARLIER && from > job.today) continue
    offer(
      {
        id: 'earlier',
        kind: 'earlier',
        says: sum`Begin on ${daySaid(from)}, ${several(back, 'day', 'days')} earlier`,
        season: { from },
        copies: null,
      },
      changed,
    )
    break
  }
  for (const piece of inSeason(job)) {
    const bows = piece.tasks.filter(
      ({ kind, id, hands }) => kind === 'bow' && hands > 0 && !piece.done.includes(id) && !season.ready.includes(choreId(piece.id, id)),
    )
    if (bows.length) {
      const ready = [...season.ready, ...bows.map(({ id }) => choreId(piece.id, id))]
      const minutes = bows.reduce((all, { hands }) => all + hands * piece.copies, 0)
      offer(
        {
          id: `bows:${piece.id}`,
          kind: 'bows',
          says: sum`Buy ${bows.length * piece.copies === 1 ? 'the bow' : 'the bows'} of ${piece.name} ready-made: ${quantity.time(minutes)} less`,
          season: { ready },
          copies: null,
        },
        withSeason({ ready }),
      )
    }
    for (let copies = piece.copies - 1; copies >= 1; copies--) {
      const changed = { ...job, pieces: job.pieces.map((each) => (each.id === piece.id ? { ...each, copies } : each)) }
      if (copies > 1 && overBy(changed) > 1e-6) continue
      offer(
        {
          id: `fewer:${piece.id}`,
          kind: 'fewer',
          says: sum`Make ${quantity.count(copies)} of ${piece.name} instead of ${quantity.count(piece.copies)}`,
          season: null,
          copies: { piece: piece.id, copies },
        },
        changed,
      )
      break
    }
    const later = [...season.later, piece.id]
    offer(
      { id: `later:${piece.id}`, kind: 'later', says: sum`Leave ${piece.name} for later`, season: { later }, copies: null },
      withSeason({ later }),
    )
  }
  // What leaves the least too late; of those what changes least of what is made.
  const gentle = (kind: SeasonMend['kind']): number => ['hours', 'earlier', 'bows', 'fewer', 'later'].indexOf(kind)
  return found.sort((a, b) => a.over - b.over || gentle(a.kind) - gentle(b.kind)).slice(0, 12)
}

/** Days of a season by how little hands have on them, before anything is due: so many that have least. */
function daysWithRoom({ season }: SeasonJob, from: Day, to: Day): { readonly day: Day; readonly minutes: number }[] {
  const days: { day: Day; minutes: number }[] = []
  const special = new Map(season.hours.days.map((each) => [each.day, each]))
  for (let day = from; day <= to && days.length < 400; day = daysAfter(day, 1)) {
    const minutes = special.get(day)?.minutes ?? season.hours.week[weekdayOf(day)]!.minutes
    // At a market hands are elsewhere.
    if (special.get(day)?.kind !== 'market') days.push({ day, minutes })
  }
  return days.sort((a, b) => a.minutes - b.minutes || b.day.localeCompare(a.day)).slice(0, 4)
}

/** The hours with so many minutes more on a day. */
export function withMore({ hours }: Season, day: Day, minutes: number): Season['hours'] {
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
