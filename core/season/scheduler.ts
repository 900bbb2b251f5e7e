import TinyQueue from 'tinyqueue'
import type { Chore } from './batch'
import type { Clock } from './working-hours'

type Part = readonly [from: number, to: number]

/** When hands are at a chore, minutes from the first midnight. */
export interface BookedChore {
  readonly id: string
  readonly begins: number
  readonly handsOff: number
  readonly done: number
  /** The stretches in which hands are at it, day by day. */
  readonly parts: readonly Part[]
  /** What it had to wait for: another chore, by its id; nothing when it could begin at once. */
  readonly because: string | null
}

export interface Booking {
  readonly booked: readonly BookedChore[]
  /** Chores for which there are no hours, by their ids. */
  readonly left: readonly string[]
}

/** All that booking goes by. */
export interface BookingJob {
  /** Without rings. */
  readonly chores: readonly Chore[]
  /** Of each piece: the lower the sooner. */
  readonly rank: ReadonlyMap<string, number>
  /** Of a chore, minutes from the first midnight. */
  readonly notBefore: (chore: Chore) => number
  readonly clock: Clock
}

const EPSILON = 1e-9

/** How chores hang together, by their places. */
function woven({ chores, rank, notBefore }: BookingJob) {
  const at = new Map(chores.map(({ id }, i) => [id, i]))
  const ranks = chores.map(({ pieces }) => Math.min(...pieces.map((id) => rank.get(id) ?? Infinity)))
  const following = chores.map((): number[] => [])
  chores.forEach(({ after }, i) => after.forEach((id) => following[at.get(id)!]!.push(i)))
  const tails = tailsOf(chores, following)
  return {
    following,
    open: chores.map(({ after }) => after.length),
    readyAt: chores.map(notBefore),
    because: chores.map((): string | null => null),
    /** Which comes first of those that can be done: by piece, then what has the longest drying before it, then as they come. */
    before: (a: number, b: number): number => ranks[a]! - ranks[b]! || tails[b]! - tails[a]! || a - b,
  }
}

/** Lets what waits for a chore know when it may begin. @returns those that wait for nothing else any more */
function release(
  i: number,
  { handsOff, done }: Pick<BookedChore, 'handsOff' | 'done'>,
  { chores }: BookingJob,
  { following, open, readyAt, because }: ReturnType<typeof woven>,
): number[] {
  const { id } = chores[i]!
  return following[i]!.filter((next) => {
    const from = chores[next]!.wet.includes(id) ? handsOff : done
    if (from > readyAt[next]!) {
      readyAt[next] = from
      because[next] = id
    }
    open[next]! -= 1
    return open[next] === 0
  })
}

/** When hands that work are done, and their stretches. */
interface Work {
  readonly ends: number
  readonly parts: readonly Part[]
}
const bookedAt = ({ id, waits }: Chore, { ends, parts }: Work, because: string | null): BookedChore => ({
  id,
  begins: parts[0]?.[0] ?? ends,
  handsOff: ends,
  done: ends + waits,
  parts,
  because,
})

const leftOf = (chores: readonly Chore[], booked: readonly BookedChore[]): string[] => {
  const there = new Set(booked.map(({ id }) => id))
  return chores.flatMap(({ id }) => (there.has(id) ? [] : [id]))
}

/**
 * One pair of hands that always takes, of what can be done now, that of the piece that comes first; while it dries they are at
 * another piece. Of one piece what has the longest drying before it comes first, then its own order. Scheduling in parallel by
 * priority (Kelley 1963): hands never idle while anything can be done.
 */
export function book(job: BookingJob): Booking {
  const { chores, clock } = job
  const web = woven(job)
  const { open, readyAt, because } = web
  const pending = new TinyQueue<number>([], (a, b) => readyAt[a]! - readyAt[b]! || a - b)
  const ready = new TinyQueue<number>([], web.before)
  open.forEach((n, i) => {
    if (n === 0) pending.push(i)
  })
  const booked: BookedChore[] = []
  let free = 0
  let before: string | null = null
  while (pending.length || ready.length) {
    const now = clock.next(ready.length ? free : Math.max(free, readyAt[pending.peek()!]!))
    while (pending.length && readyAt[pending.peek()!]! <= now + EPSILON) ready.push(pending.pop()!)
    const i = ready.pop() ?? pending.pop()!
    const chore = chores[i]!
    // What takes no hands holds them up for nothing, so that it may be earlier again than when this became ready.
    const work = chore.hands > 0 ? clock.book(Math.max(now, readyAt[i]!), chore.hands) : { ends: readyAt[i]!, parts: [] }
    if (!work || work.ends === Infinity) break
    // Whatever it waited for longer: its turn with the hands, or what comes before it.
    const each = bookedAt(chore, work, chore.hands > 0 && free > readyAt[i]! + EPSILON ? before : because[i]!)
    booked.push(each)
    if (chore.hands > 0) {
      free = work.ends
      before = chore.id
    }
    for (const next of release(i, each, job, web)) pending.push(next)
  }
  return { booked, left: leftOf(chores, booked) }
}

/**
 * One pair of hands that keeps the first piece its time before the next gets any: each chore in turn as early as hands are free for
 * all of it, so that they may wait for something to dry rather than begin what would not let go of them. Serial scheduling by
 * priority (Kelley 1963).
 */
export function bookInTurn(job: BookingJob): Booking {
  const { chores, clock } = job
  const web = woven(job)
  const { open, readyAt, because } = web
  const ready = new TinyQueue<number>([], web.before)
  open.forEach((n, i) => {
    if (n === 0) ready.push(i)
  })
  const booked: BookedChore[] = []
  /** When hands are taken, and by what, in order. */
  const taken: { readonly from: number; readonly to: number; readonly id: string }[] = []
  while (ready.length) {
    const i = ready.pop()!
    const chore = chores[i]!
    let from = readyAt[i]!
    let waited = because[i]!
    let work: Work | null = { ends: from, parts: [] }
    for (let looking = chore.hands > 0; looking;) {
      work = clock.book(from, chore.hands)
      const begins = work?.parts[0]?.[0] ?? Infinity
      const clash = work && taken.find((other) => other.from < work!.ends - EPSILON && other.to > begins + EPSILON)
      if (clash) [from, waited] = [clash.to, clash.id]
      looking = Boolean(clash)
    }
    if (!work) continue
    const each = bookedAt(chore, work, waited)
    booked.push(each)
    if (chore.hands > 0) {
      const place = taken.findIndex((other) => other.from > each.begins)
      taken.splice(place < 0 ? taken.length : place, 0, { from: each.begins, to: each.handsOff, id: each.id })
    }
    for (const next of release(i, each, job, web)) ready.push(next)
  }
  return { booked: booked.sort((a, b) => a.begins - b.begins || a.done - b.done), left: leftOf(chores, booked) }
}

/** How long things dry after each chore begins, on the longest way to the end, minutes. @param chores without rings */
function tailsOf(chores: readonly Chore[], following: readonly (readonly number[])[]): number[] {
  const tails: (number | undefined)[] = chores.map(() => undefined)
  const tail = (i: number): number => (tails[i] ??= chores[i]!.waits + following[i]!.reduce((most, next) => Math.max(most, tail(next)), 0))
  return chores.map((_, i) => tail(i))
}
