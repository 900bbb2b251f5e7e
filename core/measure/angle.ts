/**
 * Angles on the bench are degrees clockwise from twelve o'clock, seen from the front.
 * A clock position is the same angle said the way makers say it.
 */
export const DEGREES_PER_HOUR = 30

/** @example radians(180) // 3.141592653589793 */
export const radians = (degrees: number): number => (degrees * Math.PI) / 180
/** @example degrees(Math.PI / 2) // 90 */
export const degrees = (rad: number): number => (rad * 180) / Math.PI

/**
 * The same angle in [0, 360).
 * @example wrapDegrees(-30) // 330
 */
export const wrapDegrees = (angle: number): number => ((angle % 360) + 360) % 360

/**
 * A clock position to the nearest five minutes of the dial, which is 2.5 degrees.
 * @example clock(135) // '4:30'
 */
export function clock(angle: number): string {
  const steps = Math.round(wrapDegrees(angle) / 2.5) % 144
  const hour = Math.floor(steps / 12) || 12
  return `${hour}:${String((steps % 12) * 5).padStart(2, '0')}`
}

/**
 * Reads `4:30`, `4.30`, `4` or `430` as a clock position.
 * @returns degrees in [0, 360), or null when it is no time on a dial
 */
export function parseClock(text: string): number | null {
  const found = /^\s*(\d{1,2})(?:[:.]?([0-5]\d))?\s*$/.exec(text)
  if (!found) return null
  const hour = Number(found[1])
  if (hour < 1 || hour > 12) return null
  return wrapDegrees((hour % 12) * DEGREES_PER_HOUR + Number(found[2] ?? 0) / 2)
}
