/** A kind of thing to pack: its size in whole units, what one is worth, and how many there are at most. */
export interface Packable {
  readonly size: number
  readonly worth: number
  readonly most: number
}

/** What to pack: how many of each kind, and what all of it is worth. */
export interface Packed {
  readonly counts: number[]
  readonly worth: number
}

/**
 * The bounded knapsack, exactly, by dynamic programming over the room in whole units; counts are split into powers of
 * two. Time and memory grow with `room × Σ log2(most)`.
 * Source: Martello and Toth, Knapsack Problems (1990), chapter 3 (from memory).
 * @param room whole units
 */
export function packBest(kinds: readonly Packable[], room: number): Packed {
  const parts: { readonly kind: number; readonly times: number; readonly size: number; readonly worth: number }[] = []
  kinds.forEach(({ size, worth, most }, kind) => {
    if (worth <= 0 || size > room) return
    let left = Math.min(most, Math.floor(room / size))
    for (let times = 1; left > 0; times *= 2) {
      const n = Math.min(times, left)
      parts.push({ kind, times: n, size: size * n, worth: worth * n })
      left -= n
    }
  })
  const counts = kinds.map(() => 0)
  if (!parts.length) return { counts, worth: 0 }
  const unit = parts.reduce((all, { size }) => gcd(all, size), 0)
  const cells = Math.floor(room / unit) + 1
  const best = new Float64Array(cells)
  const taken = parts.map(({ size, worth }) => {
    const chosen = new Uint8Array(cells)
    const step = size / unit
    for (let at = cells - 1; at >= step; at--) {
      const other = best[at - step]! + worth
      if (other > best[at]! + 1e-12) {
        best[at] = other
        chosen[at] = 1
      }
    }
    return chosen
  })
  let at = cells - 1
  for (let i = parts.length - 1; i >= 0; i--) {
    if (!taken[i]![at]) continue
    counts[parts[i]!.kind]! += parts[i]!.times
    at -= parts[i]!.size / unit
  }
  return { counts, worth: best[cells - 1]! }
}

/** The greatest common divisor of two whole numbers, 0 counting as nothing. */
export function gcd(a: number, b: number): number {
  while (b) [a, b] = [b, a % b]
  return a
}
