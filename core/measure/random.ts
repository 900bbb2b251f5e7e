import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'

/** A stream of numbers that is the same wherever and whenever the seed is the same. */
export interface Random {
  /** Uniform in [0, 1). */
  next(): number
  /** Uniform in [low, high). */
  between(low: number, high: number): number
  /** A whole number in [0, n). */
  below(n: number): number
  /** Uniform in [-size, size). */
  spread(size: number): number
}

/** @param seed any whole number; texts go through `seedOf` first */
export function random(seed: number): Random {
  const stream = xoroshiro128plus(seed | 0)
  const next = () => uniformFloat64(stream)
  return {
    next,
    between: (low, high) => low + (high - low) * next(),
    below: (n) => Math.floor(next() * n),
    spread: (size) => (next() * 2 - 1) * size,
  }
}

/** FNV-1a over the words: a seed for what has a name but no number. */
export function seedOf(...words: readonly (string | number)[]): number {
  let hash = 0x811c9dc5
  for (const letter of words.join('|')) {
    hash ^= letter.codePointAt(0)!
    hash = Math.imul(hash, 0x01000193)
  }
  return hash | 0
}
