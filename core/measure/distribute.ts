/**
 * Deals `onsets` evenly over `steps`, the long gaps kept apart: Bjorklund's algorithm
 * (E. Bjorklund 2003; G. Toussaint, "The Euclidean algorithm generates traditional musical rhythms", 2005).
 * @returns `steps` booleans, `onsets` of them true, starting on an onset
 * @example euclid(3, 8) // x..x..x.
 */
export function euclid(onsets: number, steps: number): boolean[] {
  if (onsets <= 0) return Array.from({ length: steps }, () => false)
  if (onsets >= steps) return Array.from({ length: steps }, () => true)
  let head = Array.from({ length: onsets }, () => [true])
  let tail = Array.from({ length: steps - onsets }, () => [false])
  while (tail.length > 1) {
    const pairs = Math.min(head.length, tail.length)
    const joined = head.slice(0, pairs).map((group, i) => [...group, ...tail[i]!])
    tail = head.length > pairs ? head.slice(pairs) : tail.slice(pairs)
    head = joined
  }
  return [...head, ...tail].flat()
}

/** What each of several gets at least and at most, whole. */
export interface Limits {
  readonly least?: readonly number[]
  readonly most?: readonly number[]
}

/**
 * Whole numbers that add up to `total` in the proportion of `shares` (Hamilton's largest remainder;
 * ties go to the earlier share).
 * @param total whole, from 0 @param shares non-negative; all zero gives all zero
 * @param limits what each gets at least and at most; what is over or missing then goes to, or comes from, those with most room.
 *   Together the least are at most `total`, and the most at least that
 * @example apportion(100, [1, 1, 1]) // [34, 33, 33]
 * @example apportion(899, [1, 2]) // [300, 599]
 */
export function apportion(total: number, shares: readonly number[], limits?: Limits): number[] {
  const sum = shares.reduce((a, b) => a + b, 0)
  if (!(sum > 0)) return shares.map(() => 0)
  const exact = shares.map((share) => (total * share) / sum)
  const whole = exact.map((x) => Math.floor(x + 1e-9))
  const left = total - whole.reduce((a, b) => a + b, 0)
  exact
    .map((x, i) => ({ i, rest: x - whole[i]! }))
    .sort((a, b) => (Math.abs(a.rest - b.rest) < 1e-9 ? a.i - b.i : b.rest - a.rest))
    .slice(0, left)
    .forEach(({ i }) => {
      whole[i]! += 1
    })
  return limits ? within(whole, total, limits) : whole
}

/** The same within their limits: one by one from whoever has most above its least, or to whoever has most room below its most. */
function within(whole: readonly number[], total: number, { least, most }: Limits): number[] {
  const low = (i: number): number => least?.[i] ?? 0
  const high = (i: number): number => most?.[i] ?? Infinity
  const held = whole.map((n, i) => Math.min(Math.max(n, low(i)), high(i)))
  const sum = held.reduce((a, b) => a + b, 0)
  const step = Math.sign(total - sum)
  const room = (i: number): number => (step > 0 ? high(i) - held[i]! : held[i]! - low(i))
  for (let over = Math.abs(total - sum); over > 0; over--) {
    const widest = held.reduce((best, _, i) => (room(i) > room(best) ? i : best), 0)
    held[widest]! += step
  }
  return held
}

/**
 * Deals a mix into a row of places by rhythm, not at random: the scarcest kinds first take their even
 * places among what is still free, the commonest fills the rest.
 * @param places how many places there are
 * @param shares how much of each kind is wanted
 * @returns for each place the index of its kind; empty when there are no places or no shares
 */
export function deal(places: number, shares: readonly number[]): number[] {
  const counts = apportion(places, shares)
  if (counts.every((n) => n === 0)) return []
  const dealt = Array.from({ length: places }, () => -1)
  const order = counts
    .map((n, i) => ({ n, i }))
    .filter(({ n }) => n > 0)
    .sort((a, b) => a.n - b.n || b.i - a.i)
  for (const { n, i } of order) {
    const free = dealt.flatMap((kind, place) => (kind < 0 ? [place] : []))
    euclid(n, free.length).forEach((hit, k) => {
      if (hit) dealt[free[k]!] = i
    })
  }
  return dealt
}
