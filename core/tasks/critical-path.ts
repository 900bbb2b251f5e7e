/** Something to be done, by what has to be done before it. */
export interface Step {
  readonly id: string
  /** What must be done before it begins, and how long after that began, minutes. */
  readonly after: readonly { readonly id: string; readonly lag: number }[]
  readonly duration: number
}

/** Something that waits for others, however long. */
interface Waiting {
  readonly id: string
  readonly after: readonly { readonly id: string }[]
}

/** When a step can begin and must, minutes from the start of all. */
export interface Timing {
  readonly id: string
  readonly earliest: number
  readonly latest: number
  /** How long it may be put off before the end is: 0 on the critical path. */
  readonly slack: number
}

/**
 * Those of some steps that wait for one another in a ring, so that none can begin; empty when there is an order.
 * Kahn's topological sort (1962; from memory).
 */
export function ringOf(steps: readonly Waiting[]): string[] {
  const left = new Map(steps.map(({ id, after }) => [id, new Set(after.map((each) => each.id))]))
  for (const befores of left.values()) for (const id of befores) if (!left.has(id)) befores.delete(id)
  for (let found = true; found;) {
    found = false
    for (const [id, befores] of left) {
      if (befores.size) continue
      left.delete(id)
      for (const others of left.values()) others.delete(id)
      found = true
    }
  }
  return [...left.keys()]
}

/**
 * The critical-path method (Kelley and Walker 1959): forward for when each step can begin, backward for when it must.
 * Steps that are named but not there are nothing to wait for.
 * @param steps in no ring, in any order
 * @throws RangeError when they wait for one another in a ring
 * @example criticalPath([{ id: 'a', after: [], duration: 3 }, { id: 'b', after: [{ id: 'a', lag: 3 }], duration: 2 }]).end // 5
 */
export function criticalPath(steps: readonly Step[]): {
  readonly timings: readonly Timing[]
  readonly end: number
  readonly path: readonly string[]
} {
  const ring = ringOf(steps)
  if (ring.length) throw new RangeError(`these wait for one another: ${ring.join(', ')}`)
  const byId = new Map(steps.map((step) => [step.id, step]))
  const earliest = new Map<string, number>()
  const begins = (id: string): number => {
    const known = earliest.get(id)
    if (known !== undefined) return known
    const at = byId
      .get(id)!
      .after.reduce((latest, { id: before, lag }) => (byId.has(before) ? Math.max(latest, begins(before) + lag) : latest), 0)
    earliest.set(id, at)
    return at
  }
  const end = steps.reduce((last, { id, duration }) => Math.max(last, begins(id) + duration), 0)
  const latest = new Map(steps.map(({ id, duration }) => [id, end - duration]))
  for (const { id } of [...steps].sort((a, b) => begins(b.id) - begins(a.id) || rank(steps, b.id) - rank(steps, a.id)))
    for (const { id: before, lag } of byId.get(id)!.after)
      if (latest.has(before)) latest.set(before, Math.min(latest.get(before)!, latest.get(id)! - lag))
  const timings = steps.map(({ id }): Timing => ({
    id,
    earliest: begins(id),
    latest: latest.get(id)!,
    slack: latest.get(id)! - begins(id),
  }))
  return {
    timings,
    end,
    path: timings
      .filter(({ slack }) => Math.abs(slack) < 1e-9)
      .sort((a, b) => a.earliest - b.earliest)
      .map(({ id }) => id),
  }
}

const rank = (steps: readonly Step[], id: string): number => steps.findIndex((step) => step.id === id)

/**
 * Steps in an order in which none comes before what it waits for: as near as can be to the order they come in, but so that
 * hands do not stand idle while something dries. What waits in a ring comes last, as it came.
 * @param timesOf minutes of hands and of waiting that a step takes; none takes any unless it is said
 * @example inTurn([{ id: 'b', after: [{ id: 'a' }] }, { id: 'a', after: [] }]).map(({ id }) => id) // ['a', 'b']
 */
export function inTurn<S extends Waiting>(
  steps: readonly S[],
  timesOf: (step: S) => { readonly hands: number; readonly waits: number } = () => ({ hands: 0, waits: 0 }),
): S[] {
  const there = new Set(steps.map(({ id }) => id))
  const done = new Map<string, number>()
  const order: S[] = []
  const left = [...steps]
  let now = 0
  while (left.length) {
    const readyAt = left.map(({ after }) =>
      after.reduce((latest, { id }) => (there.has(id) ? Math.max(latest, done.get(id) ?? Infinity) : latest), 0),
    )
    const soonest = Math.min(...readyAt)
    // What is in a ring is never ready.
    if (soonest < Infinity) now = Math.max(now, soonest)
    const [step] = left.splice(
      Math.max(
        0,
        readyAt.findIndex((at) => at <= now),
      ),
      1,
    )
    const { hands, waits } = timesOf(step!)
    now += hands
    done.set(step!.id, now + waits)
    order.push(step!)
  }
  return order
}

const DAY = 24 * 60

/** When hands are at a task and when it is done, minutes from the start of the first day. */
export interface Booked {
  readonly id: string
  readonly begins: number
  readonly handsOff: number
  readonly done: number
  /** What it had to wait for: the task before it, or one that it waits for; null when it could begin at once. */
  readonly because: string | null
}

/** A task as it is booked: minutes of hands and of waiting, what must be done before it, and what of that may still be setting. */
export interface TaskToBook {
  readonly id: string
  readonly hands: number
  readonly waits: number
  readonly after: readonly string[]
  readonly wet?: readonly string[]
}

/**
 * One pair of hands that goes from task to task in turn, so many minutes a day; what dries goes on overnight.
 * @param steps in the order in which hands take them @param aDay minutes, over 0
 * @returns each as it was booked
 */
export function bookDays(steps: readonly TaskToBook[], aDay: number): Booked[] {
  const booked = new Map<string, Booked>()
  let free = 0
  let last: string | null = null
  for (const { id, hands, waits, after, wet } of steps) {
    let from: number = free
    let because: string | null = last
    for (const before of after) {
      const of = booked.get(before)
      const at = of ? (wet?.includes(before) ? of.handsOff : of.done) : 0
      if (at > from) {
        from = at
        because = before
      }
    }
    // What takes no hands holds none up.
    const begins = hands > 0 ? worktime(from, aDay) : from
    const handsOff = hands > 0 ? worked(begins, hands, aDay) : begins
    booked.set(id, { id, begins, handsOff, done: handsOff + waits, because })
    if (hands > 0) {
      free = handsOff
      last = id
    }
  }
  return [...booked.values()]
}

/** The chain of tasks that makes one of them end when it does, from the first. @param id null gives none */
export function chainTo(id: string | null, booked: readonly Pick<Booked, 'id' | 'because'>[]): string[] {
  const byId = new Map(booked.map((each) => [each.id, each]))
  const chain: string[] = []
  for (let at = id; at !== null && !chain.includes(at); at = byId.get(at)?.because ?? null) chain.push(at)
  return chain.reverse()
}

/** The next minute from then on at which hands work. */
function worktime(at: number, aDay: number): number {
  const day = Math.floor(at / DAY)
  return at - day * DAY < aDay - 1e-9 ? at : (day + 1) * DAY
}

/** When so many minutes of work are done that begin then. */
function worked(from: number, minutes: number, aDay: number): number {
  let [at, left] = [from, minutes]
  for (;;) {
    const day = Math.floor(at / DAY)
    const today = day * DAY + aDay - at
    if (left <= today + 1e-9) return at + left
    left -= today
    at = (day + 1) * DAY
  }
}
