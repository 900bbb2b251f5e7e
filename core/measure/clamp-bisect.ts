/**
 * A number held within limits.
 * @example clamp(7, 0, 5) // 5
 */
export const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value))

/**
 * Where a condition begins to hold between two numbers, by halves: it fails at `low` and holds at `high`.
 * @param rounds each halves what is left
 * @example bisect((x) => x * x >= 2, 0, 2) // 1.414213562…
 */
export function bisect(holds: (x: number) => boolean, low: number, high: number, rounds = 80): number {
  let [a, b] = [low, high]
  for (let i = 0; i < rounds; i++) {
    const middle = (a + b) / 2
    if (holds(middle)) b = middle
    else a = middle
  }
  return (a + b) / 2
}

/**
 * The greatest of whole numbers for which something holds that, once it does not, never does again, by halves; null where it never does.
 * @example greatestThat(0, 9, (n) => n * n <= 20) // 4
 */
export function greatestThat(from: number, to: number, holds: (n: number) => boolean): number | null {
  if (to < from || !holds(from)) return null
  let [low, high] = [from, to]
  while (low < high) {
    const middle = Math.ceil((low + high) / 2)
    if (holds(middle)) low = middle
    else high = middle - 1
  }
  return low
}

/**
 * The least of whole numbers for which something holds that, once it does, always does, by halves; null where it never does.
 * @example leastThat(1, 9, (n) => n * n >= 20) // 5
 */
export function leastThat(from: number, to: number, holds: (n: number) => boolean): number | null {
  if (to < from || !holds(to)) return null
  let [low, high] = [from, to]
  while (low < high) {
    const middle = Math.floor((low + high) / 2)
    if (holds(middle)) high = middle
    else low = middle + 1
  }
  return low
}
