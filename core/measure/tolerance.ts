/** What arithmetic may be off by, mm: a limit that is met exactly is met. */
export const EPSILON = 1e-6

/**
 * Whether one measure is longer than another by more than arithmetic may be off.
 * @example exceeds(304.8000000001, 304.8) // false
 */
export const exceeds = (a: number, b: number): boolean => a > b + EPSILON

/**
 * How many whole times a length goes into another, from 0.
 * @param each over 0
 * @example wholesIn(2743.2, 304.8) // 9, though 9 × 304.8 is a hair more in binary
 */
export const wholesIn = (length: number, each: number): number => Math.max(0, Math.floor(length / each + 1e-9))

/**
 * How many of a length reach over another, from 0.
 * @param each over 0
 * @example wholesOver(100, 30) // 4
 */
export const wholesOver = (length: number, each: number): number => Math.max(0, Math.ceil(length / each - 1e-9))
