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
