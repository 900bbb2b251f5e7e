import { degrees, onArc, radians } from '../measure'
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
  /** How far hands have bent it from foot to tip, degrees clockwise. */
  readonly turn: number
  /** @param u 0 foot to 1 tip */
  at(u: number): Pose
  points(from: number, to: number, steps?: number): XY[]
}

/** How a stem leaves the straight line, and its light. */
export interface StemShape {
  /** How far its tip is off to the right, as a share of its length: as it has grown. */
  readonly bend?: number
  /** How far it is turned from foot to tip, degrees clockwise: as hands have bent it, evenly. */
  readonly turn?: number
  /** How much lighter its place makes it, in lightness. */
  readonly lit?: number
}

/** A stem from a pose on. */
export function stemFrom(foot: Pose, length: number, spread: number, { bend = 0, turn = 0, lit = 0 }: StemShape = {}): Stem {
  const put = local(foot)
  const at = (u: number): Pose => {
    const grown = degrees(Math.atan(2 * bend * u))
    if (turn === 0) {
      const [x, y] = put(u * length, bend * length * u * u)
      return { x, y, angle: foot.angle + grown }
    }
    const arc = onArc(u * length, turn / length)
    const [across, along] = [Math.cos(radians(arc.angle)), -Math.sin(radians(arc.angle))]
    const off = bend * length * u * u
    const [x, y] = put(arc.x + along * off, arc.y + across * off)
    return { x, y, angle: foot.angle + arc.angle + grown }
  }
  // What is bent far is followed in as many more steps.
  const finer = Math.ceil(Math.abs(turn) / 60)
  return {
    length,
    spread,
    lit,
    turn,
    at,
    points: (from, to, few = 6) => {
      const steps = few * Math.max(1, finer)
      return Array.from({ length: steps + 1 }, (_, i) => {
        const { x, y } = at(from + ((to - from) * i) / steps)
        return [x, y]
      })
    },
  }
}
