import TinyQueue from 'tinyqueue'
import type { Chore } from './batch'
import type { Clock } from './hours'

/** When hands are at a chore, minutes from the first midnight. */
export interface BookedChore {
  readonly id: string
  readonly begins: number
  readonly handsOff: number
  readonly done: number
  /** The stretches in which hands are at it, day by day. */
  readonly parts: readonly (readonly [from: number, to: number])[]
  /** What it had to wait for: another chore, by its id; nothing when it could begin at once. */
  readonly because: string | null
}

export interface Booking {
  readonly booked: readonly BookedChore[]
  /** Chores for which there are no hours, by their ids. */
  readonly left: readonly string[]
}

/**
 * One pair of hands that always takes, of what can be done now, that of the piece that comes first; while it dries they are at
 * another piece. Of one piece what has the longest drying before it comes first, then its own order. Serial scheduling by priority.
 * @param chores without rings @param rank of each piece: the lower the sooner @param notBefore of a chore, minutes from the first midnight
 */
export function book(
  chores: readonly Chore[],
  rank: ReadonlyMap<string, number>,
  notBefore: (chore: Chore) => number,
  clock: Clock,
): Booking {
  const at = new Map(chores.map(({ id }, i) => [id, i]))
  const ranks = chores.map(({ pieces }) => Math.min(...pieces.map((id) => rank.get(id) ?? Infinity)))
  const following = chores.map((): number[] => [])
  const open = chores.map(({ after }) => after.length)
  chores.forEach(({ after }, i) => after.forEach((id) => following[at.get(id)!]!.push(i)))
  const readyAt = chores.map(notBefore)
  const because: (string | null)[] = chores.map(() => null)
  const pending = new TinyQueue<number>([], (a, b) => readyAt[a]! - readyAt[b]! || a - b)
  const tails = tailsOf(chores, following)
  const ready = new TinyQueue<number>([], (a, b) => ranks[a]! - ranks[b]! || tails[b]! - tails[a]! || a - b)
  open.forEach((n, i) => {
    if (n === 0) pending.push(i)
  })
  const booked: BookedChore[] = []
  let free = 0
  let before: string | null = null
  while (pending.length || ready.length) {
    let now = clock.next(ready.length ? free : Math.max(free, readyAt[pending.peek()!]!))
    while (pending.length && readyAt[pending.peek()!]! <= now + 1e-9) ready.push(pending.pop()!)
    const i = ready.pop()!
    const chore = chores[i]!
    if (chore.hands <= 0) now = Math.max(free, readyAt[i]!)
    const work = chore.hands > 0 ? clock.book(now, chore.hands) : { ends: now, parts: [] }
    if (!work || now === Infinity) break
    const done = work.ends + chore.waits
    // Whatever it waited for longer: its turn with the hands, or what comes before it.
    booked.push({
      id: chore.id,
      begins: work.parts[0]?.[0] ?? now,
      handsOff: work.ends,
      done,
      parts: work.parts,
      because: free > readyAt[i]! + 1e-9 ? before : because[i]!,
    })
    if (chore.hands > 0) {
      free = work.ends
      before = chore.id
    }
    for (const next of following[i]!) {
      if (done > readyAt[next]!) {
        readyAt[next] = done
        because[next] = chore.id
      }
      open[next]! -= 1
      if (open[next] === 0) pending.push(next)
    }
  }
  const there = new Set(booked.map(({ id }) => id))
  return { booked, left: chores.flatMap(({ id }) => (there.has(id) ? [] : [id])) }
}

/** How long things dry after each chore begins, on the longest way to the end, minutes. @param chores without rings */
function tailsOf(chores: readonly Chore[], following: readonly (readonly number[])[]): number[] {
  const tails: (number | undefined)[] = chores.map(() => undefined)
  const tail = (i: number): number => (tails[i] ??= chores[i]!.waits + following[i]!.reduce((most, next) => Math.max(most, tail(next)), 0))
  return chores.map((_, i) => tail(i))
}

/** The chain of chores that makes one of them end when it does, from the first. */
export function chainTo(id: string, booked: readonly BookedChore[]): string[] {
  const byId = new Map(booked.map((each) => [each.id, each]))
  const chain: string[] = []
  for (let at: string | null = id; at !== null && !chain.includes(at); at = byId.get(at)?.because ?? null) chain.push(at)
  return chain.reverse()
}
