import type { Day, Figure, Rated, Message } from '../measure'
import { COUNTED, daysAfter, daySaid, quantity, random, rate, seedOf, weekdayOf, given, named, plusAll, worked } from '../measure'
import type { Severity } from '../piece'
import { boughtBy, chainTo, comesDownOn, keepsFor, keepsHanging, CUT_AHEAD } from '../tasks'
import type { Chore, ToMake } from './batch'
import { choresOf } from './batch'
import type { BookedChore, Booking } from './scheduler'
import { book, bookInTurn } from './scheduler'
import { Clock, DAY_MINUTES, minutesOn } from './working-hours'
import type { Batch, Season } from './season'
import { seasonMessage } from './words'

/** All that a season's plan follows from. */
export interface SeasonJob {
  readonly season: Season
  readonly batches: readonly Batch[]
  readonly pieces: readonly ToMake[]
  readonly today: Day
  readonly rates: Rated
  /** On which weekdays fresh things can be had, 0 Monday; empty when always. */
  readonly freshDays: readonly number[]
}

/** When a chore is done, by the calendar. */
export interface Sitting extends BookedChore {
  readonly chore: Chore
  readonly days: readonly { readonly day: Day; readonly from: number; readonly minutes: number }[]
}

/** What becomes of one piece. */
export interface PieceDates {
  readonly id: string
  readonly name: string
  readonly due: Day | null
  /** When hands are first at it, and on which day it is done; null where there are no hours for it. */
  readonly begins: Day | null
  readonly done: Day | null
  /** Minutes of hands in it: its part of what is done at once. */
  readonly hands: number
  /** Minutes of hands that lie after the day it is due, or have no hours at all. */
  readonly over: number
  /** Days that it is late: by hands or by what dries. */
  readonly late: number
  readonly pinned: Day | null
  /** Where greens are in it: when they are cut at the earliest and when they are, and until when they keep. */
  readonly fresh: { readonly from: Day | null; readonly cut: Day; readonly keeps: Day } | null
  readonly down: Day | null
}

/** What must be bought by when. */
export interface BuyBy {
  readonly piece: string
  readonly name: string
  readonly what: 'things' | 'greens'
  readonly by: Day
}

export interface SeasonProblem extends Message {
  readonly id: string
  readonly severity: Severity
  readonly piece: string | null
}

export interface SeasonPlan {
  readonly from: Day
  readonly sittings: readonly Sitting[]
  readonly pieces: readonly PieceDates[]
  /** Chores that make it as long as it is: the chain to the one that is latest. */
  readonly path: readonly string[]
  readonly problems: readonly SeasonProblem[]
  readonly buying: readonly BuyBy[]
  /** Minutes of hands that it takes, that batches save, and that there are until the last day something is due. */
  readonly hands: number
  readonly saved: number
  readonly hours: number
  /** Minutes of hands that lie after the days they are due. */
  readonly over: number
  /** The same as they are told, each with its sum: by pieces, and by days. */
  readonly figures: { readonly hands: Figure; readonly hours: Figure; readonly over: Figure | null; readonly saved: Figure | null }
  /** Whether everything is done in time. */
  readonly fits: boolean
  /** Whether no other order of pieces does better: all were tried, or nothing is late. */
  readonly proven: boolean
}

/** So many pieces are put in every order. */
const ALL_ORDERS = 6
/** Else so many other orders are looked at, and it says how far it is after so many. */
const LOOKS = 1500
const AT_ONCE_LOOKED = 20

export interface SeasonProgress {
  readonly done: number
  readonly of: number
}

/** Orders that are tried with hands that may wait, where they are too many to try all. */
const LOOKS_IN_TURN = 60

/**
 * Plans a season: pieces by the day they are due, the earliest first (Jackson 1955), then improved by a search over orders for the
 * fewest minutes of hands after what they are due; first with hands that never idle, then with hands that may wait for what dries.
 * Greens are bound in the last days that they are usually cut ahead; where that does not fit, as much sooner as they keep. Goes step
 * by step; told to stop it answers with the best so far.
 */
export function* planSeason(job: SeasonJob): Generator<SeasonProgress, SeasonPlan, boolean | undefined> {
  let best: { readonly scene: Scene; readonly tried: Tried } | null = null
  let stopped = false
  for (const sooner of SOONER) {
    const scene = sceneOf(job, sooner)
    if (best && !scene.waitsForGreens) break
    const tried = tryOrder(scene, byDue(scene.pieces), book)
    if (!best || isLess(tried.cost, best.tried.cost)) best = { scene, tried }
    if (fitsAt(tried.cost)) break
    const searched: Tried = yield* searching(scene, tried, (told) => {
      stopped = stopped || told
    })
    if (isLess(searched.cost, best.tried.cost)) best = { scene, tried: searched }
    if (stopped || fitsAt(best.tried.cost)) break
  }
  const { scene, tried } = best!
  return planFrom(scene, tried, fitsAt(tried.cost) || cannotFit(sceneOf(job, 1)))
}

/** Looks for a better order. @param told whether it is to stop */
function* searching(scene: Scene, first: Tried, tell: (stop: boolean) => void): Generator<SeasonProgress, Tried, boolean | undefined> {
  const ids = byDue(scene.pieces)
  const all = ids.length <= ALL_ORDERS
  const stream = random(seedOf(...ids))
  const other = (order: readonly string[]): string[] => moved(order, stream.below(ids.length), stream.below(ids.length))
  let best = first
  for (const [way, looks] of [
    [book, LOOKS],
    [bookInTurn, LOOKS_IN_TURN],
  ] as const) {
    const orders = all ? ordersOf(ids) : null
    let now = way === book ? first : tryOrder(scene, best.order, way)
    if (isLess(now.cost, best.cost)) best = now
    let still = 0
    for (let looked = 0; !fitsAt(best.cost);) {
      // From a standstill it jumps: three moves from the best so far at once.
      const next = orders ? orders.next().value : still > ids.length ** 2 ? other(other(other(best.order))) : other(now.order)
      if (!next || (!all && looked >= looks)) break
      looked += 1
      const tried = tryOrder(scene, next, way)
      if (isLess(tried.cost, now.cost) || still > ids.length ** 2) still = 0
      else still += 1
      if (still === 0 || !isLess(now.cost, tried.cost)) now = tried
      if (isLess(tried.cost, best.cost)) best = tried
      if (looked % AT_ONCE_LOOKED === 0 && ((yield { done: looked, of: all ? factorial(ids.length) : looks }) ?? false)) {
        tell(true)
        return best
      }
    }
  }
  return best
}

/**
 * Whether no plan at all fits: more hands are wanted for what is due up to some day than there are hours, or a piece by itself, with
 * nothing else in hand, is not done in time.
 */
function cannotFit(scene: Scene): boolean {
  const { clock, chores, deadline } = scene
  const dueBy = (chore: Chore): number => Math.max(...chore.pieces.map((id) => deadline.get(id)!))
  const counted = chores.filter(counts)
  for (const due of new Set(deadline.values())) {
    if (due === Infinity) continue
    const wanted = counted.reduce((all, chore) => all + (dueBy(chore) <= due ? chore.hands : 0), 0)
    if (wanted > clock.between(0, due) + 1e-6) return true
  }
  // Were hands at nothing else: each chore as soon as it may begin, whoever else wants them.
  const ends = new Map<string, { readonly handsOff: number; readonly done: number }>()
  const endOf = (chore: Chore): { readonly handsOff: number; readonly done: number } => {
    const known = ends.get(chore.id)
    if (known) return known
    const from = chore.after.reduce((latest, id) => {
      const end = endOf(byId.get(id)!)
      return Math.max(latest, chore.wet.includes(id) ? end.handsOff : end.done)
    }, notBeforeOf(scene)(chore))
    const handsOff = chore.hands > 0 ? (clock.book(from, chore.hands)?.ends ?? Infinity) : from
    const end = { handsOff, done: handsOff + chore.waits }
    ends.set(chore.id, end)
    return end
  }
  const byId = new Map(chores.map((each) => [each.id, each]))
  return counted.some((chore) => endOf(chore).done > dueBy(chore) + 1e-6)
}

/** The plan at once, by the same search. */
export function planSeasonSoon(job: SeasonJob): SeasonPlan {
  const going = planSeason(job)
  for (;;) {
    const next = going.next(false)
    if (next.done) return next.value
  }
}

/** By how much a season is short: minutes of hands too late, and minutes by which pieces are late. */
export interface Short {
  readonly over: number
  readonly late: number
}
export const isShorter = (a: Short, b: Short): boolean => isLess([a.over, a.late, 0], [b.over, b.late, 0])

/** The same by the earliest due first and no search: to choose what to try; what is told of a change is planned whole. */
export function shortBy(job: SeasonJob): Short {
  const shorts = SOONER.map((sooner): Short => {
    const scene = sceneOf(job, sooner)
    const [over, late] = tryOrder(scene, byDue(scene.pieces), book).cost
    return { over, late }
  })
  return shorts.reduce((best, each) => (isShorter(each, best) ? each : best))
}

/** How short a plan is. */
export const shortOf = ({ pieces, over }: Pick<SeasonPlan, 'pieces' | 'over'>): Short => ({
  over,
  late: pieces.reduce((all, each) => all + each.late * DAY_MINUTES, 0),
})

interface Scene {
  readonly job: SeasonJob
  readonly clock: Clock
  readonly start: Day
  readonly pieces: readonly ToMake[]
  readonly chores: readonly Chore[]
  readonly deadline: ReadonlyMap<string, number>
  readonly freshFrom: ReadonlyMap<string, number>
  /** Whether any chore waits for the day from which its greens may be cut. */
  readonly waitsForGreens: boolean
  readonly pinned: ReadonlyMap<string, number>
}

/** The pieces that a season is about: those that are due in it and not left for later. What is due before it begins is of the one before; what was due before today is told. */
export const inSeason = ({ pieces, season, today }: Pick<SeasonJob, 'pieces' | 'season' | 'today'>): ToMake[] => {
  const first = season.from !== null && season.from > today ? season.from : null
  return pieces.filter(
    ({ id, due }) =>
      !season.later.includes(id) &&
      (season.to === null || (due !== null && due <= season.to)) &&
      (first === null || due === null || due >= first),
  )
}

/** How much sooner than they are usually cut ahead greens are bound, from not at all to as soon as they still keep. */
const SOONER = [0, 0.5, 1] as const

/** @param sooner 0 to 1 */
function sceneOf(job: SeasonJob, sooner: number): Scene {
  const { season, today, batches, rates } = job
  const start = season.from !== null && season.from > today ? season.from : today
  const clock = new Clock(season.hours, start)
  const pieces = inSeason(job)
  const least = Math.round(rate(CUT_AHEAD, rates))
  const aheadOf = ({ indoors, hangs }: ToMake): number => {
    const keeps = keepsFor(true, indoors, rates)! - Math.max(1, hangs ?? 1)
    return Math.round(least + sooner * Math.max(0, keeps - least))
  }
  const chores = choresOf(pieces, batches, season.ready, rates)
  const freshFrom = new Map(
    pieces.flatMap((piece): [string, number][] =>
      piece.due === null ? [] : [[piece.id, clock.begins(daysAfter(piece.due, -aheadOf(piece)))]],
    ),
  )
  return {
    job,
    clock,
    start,
    pieces,
    chores,
    waitsForGreens: chores.some(({ fresh, pieces: of }) => fresh && of.some((id) => (freshFrom.get(id) ?? 0) > 0)),
    deadline: new Map(pieces.map(({ id, due }) => [id, due === null ? Infinity : clock.ends(due)])),
    freshFrom,
    pinned: new Map(pieces.flatMap(({ id }) => (Object.hasOwn(season.pins, id) ? [[id, clock.begins(season.pins[id]!)]] : []))),
  }
}

/** The earliest due first; what has no day last, as it comes. */
const byDue = (pieces: readonly ToMake[]): string[] =>
  pieces
    .map(({ id, due }, i) => ({ id, due: due ?? '9999', i }))
    .sort((a, b) => a.due.localeCompare(b.due) || a.i - b.i)
    .map(({ id }) => id)

/** What is hanging is not late because of what is written down afterwards. */
const counts = ({ kind }: Chore): boolean => kind !== 'record'

/** What an order costs, first things first: minutes of hands too late, minutes by which pieces are late, minutes until all are done. */
type Cost = readonly [over: number, late: number, flow: number]
const isLess = (a: Cost, b: Cost): boolean => {
  for (const i of [0, 1, 2] as const) if (Math.abs(a[i] - b[i]) > 1e-6) return a[i] < b[i]
  return false
}

const fitsAt = ([over, late]: Cost): boolean => over < 1e-6 && late < 1e-6

interface Tried {
  readonly order: readonly string[]
  readonly booking: Booking
  readonly cost: Cost
}

/** When a chore may begin at the earliest: not before its piece was put on a day, nor before its greens may be cut. */
const notBeforeOf =
  ({ pinned, freshFrom }: Scene) =>
  ({ pieces, fresh }: Chore): number =>
    Math.max(0, ...pieces.map((id) => pinned.get(id) ?? 0), ...(fresh ? pieces.map((id) => freshFrom.get(id) ?? 0) : []))

function tryOrder(scene: Scene, order: readonly string[], way: typeof book): Tried {
  const { chores, clock, pinned, deadline } = scene
  // What a hand put on a day goes before the rest from that day on.
  const rank = new Map(order.map((id, i) => [id, pinned.has(id) ? i - order.length : i]))
  const booking = way({ chores, rank, notBefore: notBeforeOf(scene), clock })
  const byId = new Map(chores.map((each) => [each.id, each]))
  const over = booking.booked.reduce((all, each) => all + overOf(byId.get(each.id)!, each, deadline), 0)
  const without = booking.left.reduce((all, id) => all + byId.get(id)!.hands, 0)
  const ends = new Map<string, number>()
  for (const { id, done } of booking.booked) {
    const chore = byId.get(id)!
    if (counts(chore)) for (const piece of chore.pieces) ends.set(piece, Math.max(ends.get(piece) ?? 0, done))
  }
  const late = [...ends].reduce((all, [id, done]) => all + Math.max(0, done - deadline.get(id)!), 0)
  const flow = [...ends.values()].reduce((all, done) => all + done, 0)
  return { order, booking, cost: [over + without, late + without, flow] }
}

/** Minutes of hands of a chore that lie after what it is done for is due: of what is done at once each piece by its own day. */
const overOf = (chore: Chore, booked: Pick<BookedChore, 'parts'>, deadline: ReadonlyMap<string, number>): number =>
  chore.pieces.reduce((all, id) => all + overFor(id, chore, booked, deadline), 0)

/** One piece's part of that. */
function overFor(piece: string, chore: Chore, { parts }: Pick<BookedChore, 'parts'>, deadline: ReadonlyMap<string, number>): number {
  if (!counts(chore)) return 0
  const due = deadline.get(piece)!
  return parts.reduce((all, [from, to]) => all + Math.max(0, to - Math.max(from, due)), 0) / chore.pieces.length
}

const moved = (order: readonly string[], from: number, to: number): string[] => {
  const next = [...order]
  next.splice(to, 0, ...next.splice(from, 1))
  return next
}
const factorial = (n: number): number => (n < 2 ? 1 : n * factorial(n - 1))
/** All orders of some things, one after another. */
function* ordersOf(ids: readonly string[]): Generator<string[], undefined> {
  if (ids.length < 2) {
    yield [...ids]
    return undefined
  }
  for (const [i, id] of ids.entries()) for (const rest of ordersOf(ids.filter((_, k) => k !== i))) yield [id, ...rest]
  return undefined
}

function planFrom(scene: Scene, { booking, cost }: Tried, proven: boolean): SeasonPlan {
  const { clock, start, pieces, chores, deadline } = scene
  const byId = new Map(chores.map((each) => [each.id, each]))
  const sittings = booking.booked.map((each): Sitting => ({
    ...each,
    chore: byId.get(each.id)!,
    days: each.parts.map(([from, to]) => ({ day: clock.dayAt(from), from: from % DAY_MINUTES, minutes: to - from })),
  }))
  const left = new Set(booking.left)
  const ofPiece = new Map<string, Sitting[]>(pieces.map(({ id }) => [id, []]))
  for (const sitting of sittings) for (const id of sitting.chore.pieces) ofPiece.get(id)!.push(sitting)
  const dates = pieces.map((piece): PieceDates => datesOf(piece, ofPiece.get(piece.id)!, chores, left, scene))
  const latest = sittings
    .filter(({ chore }) => counts(chore))
    .map((each) => ({ id: each.id, by: each.done - Math.min(...each.chore.pieces.map((id) => deadline.get(id)!)), done: each.done }))
    .sort((a, b) => (Number.isFinite(a.by) || Number.isFinite(b.by) ? b.by - a.by : 0) || b.done - a.done)[0]
  const hands = chores.reduce((all, each) => all + each.hands, 0)
  const over = sum1(dates.map((each) => each.over))
  const last = pieces.reduce<Day | null>((day, { due }) => (due !== null && (day === null || due > day) ? due : day), null)
  return {
    from: start,
    sittings,
    pieces: dates,
    path: latest ? chainTo(latest.id, booking.booked) : [],
    problems: problemsOf(scene, dates, sittings),
    buying: buyingOf(scene, ofPiece, dates),
    hands,
    saved: chores.reduce((all, each) => all + each.saves, 0),
    hours: last === null ? 0 : clock.between(0, clock.ends(last)),
    over,
    figures: {
      hands: timeTogether(dates.map(({ name, hands: own }) => [name, own])),
      hours: timeTogether(daysUntil(scene, last)),
      over: over > 1e-6 ? timeTogether(dates.map(({ name, over: own }) => [name, own])) : null,
      saved: chores.some(({ saves }) => saves > 1e-6) ? timeTogether(chores.map(({ title, saves }) => [title, saves])) : null,
    },
    fits: fitsAt(cost),
    proven,
  }
}

const sum1 = (all: readonly number[]): number => all.reduce((n, each) => n + each, 0)

/** Minutes by their names, added up. */
const timeTogether = (parts: readonly (readonly [name: string, minutes: number])[]): Figure =>
  worked(
    plusAll(
      parts.filter(([, minutes]) => minutes > 1e-6).map(([name, minutes]) => named(name, quantity.time(minutes), COUNTED)),
      given(quantity.time(0), COUNTED),
    ),
  )

/** The most days that are named one by one; beyond them they are told together. */
const DAYS_NAMED = 14
/** The hours that there are up to the last day something is due. */
function daysUntil({ clock, start, job }: Scene, last: Day | null): (readonly [name: string, minutes: number])[] {
  if (last === null) return []
  const told: (readonly [string, number])[] = []
  let day = start
  for (; day <= last && told.length < DAYS_NAMED; day = daysAfter(day, 1)) {
    const minutes = minutesOn(job.season.hours, day)
    if (minutes > 0) told.push([daySaid(day), minutes])
  }
  const rest = day <= last ? clock.between(clock.begins(day), clock.ends(last)) : 0
  return rest > 0 ? [...told, [`from ${daySaid(day)} on`, rest]] : told
}

function datesOf(piece: ToMake, own: readonly Sitting[], chores: readonly Chore[], left: ReadonlySet<string>, scene: Scene): PieceDates {
  const { clock, deadline, job } = scene
  const part = (chore: Chore): number => 1 / chore.pieces.length
  const counted = own.filter(({ chore }) => counts(chore))
  const missing = chores.filter(({ id, pieces }) => left.has(id) && pieces.includes(piece.id))
  const done = missing.length || !counted.length ? null : Math.max(...counted.map((each) => each.done))
  const due = deadline.get(piece.id)!
  const over =
    sum1(own.map((each) => overFor(piece.id, each.chore, each, deadline))) +
    sum1(missing.filter(counts).map((chore) => chore.hands * part(chore)))
  const atIt = own.filter(({ parts }) => parts.length)
  const cut = own.filter(({ chore, parts }) => chore.fresh && parts.length).map(({ begins }) => begins)
  const keeps = keepsFor(true, piece.indoors, job.rates)!
  const cutOn = cut.length ? clock.dayAt(Math.min(...cut)) : null
  const from = scene.freshFrom.get(piece.id)
  const hangs = piece.due ?? (done === null ? null : clock.dayAt(done))
  const freshEnd = cutOn === null ? null : daysAfter(cutOn, keeps)
  return {
    id: piece.id,
    name: piece.name,
    due: piece.due,
    begins: atIt.length ? clock.dayAt(Math.min(...atIt.map(({ begins }) => begins))) : null,
    done: done === null ? null : clock.dayAt(Math.max(0, done - 1e-6)),
    hands: sum1(own.map(({ chore }) => chore.hands * part(chore))) + sum1(missing.map((chore) => chore.hands * part(chore))),
    over,
    late: done === null || done <= due + 1e-6 ? 0 : Math.ceil((done - due) / DAY_MINUTES),
    pinned: scene.pinned.has(piece.id) ? job.season.pins[piece.id]! : null,
    fresh:
      cutOn === null || freshEnd === null ? null : { from: from === undefined ? null : clock.dayAt(from), cut: cutOn, keeps: freshEnd },
    down: hangs === null ? null : comesDownOn(hangs, piece.hangs, keepsHanging(cutOn !== null, piece.indoors, job.rates)),
  }
}

/** What does not fit, and what greens do not bear. */
const problemsOf = (scene: Scene, dates: readonly PieceDates[], sittings: readonly Sitting[]): SeasonProblem[] => [
  ...noHours(scene),
  ...dates.flatMap((piece) => [...lateness(piece, scene), ...staleness(piece, scene, sittings), ...pastPin(piece, scene)]),
  ...splits(scene, sittings),
]

function noHours({ clock, chores }: Scene): SeasonProblem[] {
  const hands = sum1(chores.map((chore) => chore.hands))
  if (hands <= 0 || clock.next(0) !== Infinity) return []
  return [{ id: 'hours:none', severity: 'fault', piece: null, ...seasonMessage('no-hours', { hands }) }]
}

/** A piece that is not made, or not dry, by its day; one that has none, and no hours either. */
function lateness({ id, name, due, over, late, done }: PieceDates, { start }: Scene): SeasonProblem[] {
  const fault = (what: string, message: Message): SeasonProblem[] => [{ id: `${what}:${id}`, severity: 'fault', piece: id, ...message }]
  if (due === null) return over > 1e-6 ? fault('left', seasonMessage('no-hours-for', { name, over })) : []
  if (due < start) return fault('past', seasonMessage('was-due', { name, due }))
  if (over > 1e-6) return fault('over', seasonMessage('does-not-fit', { name, over, due }))
  return late > 0 ? fault('late', seasonMessage('not-dry', { name, due, done: done! })) : []
}

/** Greens that keep too short, for the day or for as long as it is to hang, and those that are bound long after they are cut. */
function staleness({ id, name, due, done, fresh }: PieceDates, scene: Scene, sittings: readonly Sitting[]): SeasonProblem[] {
  const { clock, job } = scene
  const found: SeasonProblem[] = []
  const tell = (what: string, severity: Severity, message: Message): void =>
    void found.push({ id: `${what}:${id}`, severity, piece: id, ...message })
  const hangs = due !== null && done !== null && done > due ? done : (due ?? done)
  if (fresh && hangs !== null && fresh.keeps < hangs)
    tell('stale', 'fault', seasonMessage('greens-stale', { name, cut: fresh.cut, keeps: fresh.keeps, hangs }))
  const want = scene.pieces.find((piece) => piece.id === id)!
  const keeps = keepsHanging(fresh !== null, want.indoors, job.rates)
  if (keeps !== null && want.hangs !== null && want.hangs > keeps)
    tell('keeps', 'care', seasonMessage('greens-keep-short', { name, hangs: want.hangs, keeps }))
  const bound = sittings.filter(({ chore }) => chore.fresh && chore.pieces.includes(id) && chore.kind === 'lay').at(-1)
  const ahead = Math.round(rate(CUT_AHEAD, job.rates))
  if (fresh && bound && daysAfter(fresh.cut, ahead) < clock.dayAt(bound.begins))
    tell('cut', 'note', seasonMessage('cut-in-two-goes', { name, bound: clock.dayAt(bound.begins), ahead }))
  return found
}

function pastPin({ id, name, pinned }: PieceDates, { start }: Scene): SeasonProblem[] {
  if (pinned === null || pinned >= start) return []
  return [{ id: `pin:${id}`, severity: 'note', piece: id, ...seasonMessage('pin-past', { name, pinned }) }]
}

/** What takes longer than any day has. */
function splits({ job }: Scene, sittings: readonly Sitting[]): SeasonProblem[] {
  const { week, days: special } = job.season.hours
  const longest = Math.max(...[...week, ...special].map(({ minutes }) => minutes))
  return sittings
    .filter(({ chore, days }) => days.length > 1 && chore.hands > longest + 1e-6)
    .map(({ id, chore, days }) => ({
      id: `split:${id}`,
      severity: 'note',
      piece: chore.pieces[0]!,
      ...seasonMessage('over-days', { title: chore.title, hands: chore.hands, days: days.length }),
    }))
}

/** What is bought by when: everything before hands begin, greens on the last day they can be had before they are cut, and no sooner than they keep. */
function buyingOf(scene: Scene, ofPiece: ReadonlyMap<string, readonly Sitting[]>, dates: readonly PieceDates[]): BuyBy[] {
  const { job } = scene
  const { today } = job
  // A day that is past buys nothing any more.
  const shopDays = job.season.hours.days.filter(({ kind, day }) => kind === 'shop' && day >= today).map(({ day }) => day)
  const notPast = (day: Day): Day => (day < today ? today : day)
  return dates.flatMap(({ id, name, begins, fresh }): BuyBy[] => {
    if (begins === null || !ofPiece.get(id)?.length) return []
    const last = shopDays
      .filter((day) => day <= begins)
      .sort()
      .at(-1)
    const things: BuyBy = { piece: id, name, what: 'things', by: notPast(last ?? boughtBy(begins, job.rates)) }
    if (!fresh) return [things]
    return [things, { piece: id, name, what: 'greens', by: notPast(lastOn(fresh.cut, job.freshDays)) }]
  })
}

/** The last of these weekdays up to a day. @param weekdays 0 Monday; all where none is named */
function lastOn(day: Day, weekdays: readonly number[]): Day {
  if (!weekdays.length) return day
  for (let back = 0; back < 7; back++) {
    const of = daysAfter(day, -back)
    if (weekdays.includes(weekdayOf(of))) return of
  }
  return day
}
