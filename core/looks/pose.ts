import { degrees, radians } from '../measure'
import type { XY } from './vector-marks'

/** Where something is and which way it points, degrees clockwise from right. */
export interface Pose {
  readonly x: number
  readonly y: number
  readonly angle: number
}

/** The same place, turned. */
export const turnedPose = (pose: Pose, by: number): Pose => ({ ...pose, angle: pose.angle + by })

/** The pose so far along. */
export function ahead({ x, y, angle }: Pose, distance: number): Pose {
  const a = radians(angle)
  return { x: x + Math.cos(a) * distance, y: y + Math.sin(a) * distance, angle }
}

/** Turns coordinates along and across a pose into the glyph's. */
export interface Local {
  (along: number, across: number): XY
  vector(along: number, across: number): XY
}

export function local({ x, y, angle }: Pose): Local {
  const cos = Math.cos(radians(angle))
  const sin = Math.sin(radians(angle))
  const vector = (u: number, v: number): XY => [u * cos - v * sin, u * sin + v * cos]
  const at = (u: number, v: number): XY => [x + u * cos - v * sin, y + u * sin + v * cos]
  return Object.assign(at, { vector })
}

/** The line that something grows along, and how much room it has. */
export interface Stem {
  readonly length: number
  /** Room across, mm. */
  readonly spread: number
  /** How much lighter (or darker) its place makes it, in lightness. */
  readonly lit: number
  /** @param u 0 foot to 1 tip */
  at(u: number): Pose
  points(from: number, to: number, steps?: number): XY[]
}

/** A stem from a pose on. @param bend how far its tip is off to the right, as a share of its length */
export function stemFrom(foot: Pose, length: number, spread: number, bend = 0, lit = 0): Stem {
  const put = local(foot)
  const at = (u: number): Pose => {
    const [x, y] = put(u * length, bend * length * u * u)
    return { x, y, angle: foot.angle + degrees(Math.atan(2 * bend * u)) }
  }
  return {
    length,
    spread,
    lit,
    at,
    points: (from, to, steps = 6) =>
      Array.from({ length: steps + 1 }, (_, i) => {
        const { x, y } = at(from + ((to - from) * i) / steps)
        return [x, y]
      }),
  }
}
