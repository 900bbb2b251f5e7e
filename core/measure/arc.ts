import { degrees, radians } from './angle'

/** Less of a turn than this is straight, as far as numbers can tell, radians. */
const STRAIGHT = 1e-6

/**
 * Where an even curve has come so far from the origin, which it leaves pointing right, and which way it points there:
 * `x = sin kd / k`, `y = (1 - cos kd) / k`.
 * @param far along it, mm; negative before the origin @param turn degrees clockwise to the mm; 0 is straight
 * @returns mm, and degrees clockwise
 * @example onArc(100, 0) // { x: 100, y: 0, angle: 0 }
 */
export function onArc(far: number, turn: number): { readonly x: number; readonly y: number; readonly angle: number } {
  const by = radians(turn * far)
  if (Math.abs(by) < STRAIGHT) return { x: far, y: (far * by) / 2, angle: degrees(by) }
  const radius = far / by
  return { x: radius * Math.sin(by), y: radius * (1 - Math.cos(by)), angle: degrees(by) }
}
