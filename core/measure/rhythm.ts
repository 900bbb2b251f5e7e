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

/**
 * Whole numbers that add up to `total` in the proportion of `shares` (Hamilton's largest remainder;
 * ties go to the earlier share).
 * @param total whole, from 0 @param shares non-negative; all zero gives all zero
 * @param caps none gets more than its own; what is over then goes to those with most room. Together at least `total`
 * @example apportion(100, [1, 1, 1]) // [34, 33, 33]
 * @example apportion(899, [1, 2]) // [300, 599]
 */
export function apportion(total: number, shares: readonly number[], caps?: readonly number[]): number[] {
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
  return caps ? under(whole, caps) : whole
}

/** The same with none over its cap: what is over goes on, one by one, to whoever has most room. */
function under(whole: readonly number[], caps: readonly number[]): number[] {
  const held = whole.map((n, i) => Math.min(n, caps[i]!))
  for (let over = whole.reduce((n, each, i) => n + each - held[i]!, 0); over > 0; over--) {
    const most = held.reduce((best, n, i) => (caps[i]! - n > caps[best]! - held[best]! ? i : best), 0)
    held[most]! += 1
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
