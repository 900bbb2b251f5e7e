import { HELD } from '../arrange'
import type { Random } from '../measure'
import { degrees } from '../measure'
import type { Pose, Pen } from './pen'
import type { XY } from './marks'
import type { Tone } from './colour'

/** What a species is asked to draw: its size in mm, and a colour when it is tinted. */
export interface Order {
  readonly length: number
  readonly width: number
  readonly tint: Tone | null
}

export type Species = (pen: Pen, order: Order, random: Random) => void

/** The line a stem follows: from its foot, a little behind the origin, to its tip. */
export interface Stalk {
  /** @param u 0 foot to 1 tip */
  at(u: number): Pose
  points(from: number, to: number, steps?: number): XY[]
  readonly length: number
}

/** A stem that bends a little to one side. @param bend sideways, as a share of its length */
export function stalk(length: number, bend: number): Stalk {
  const at = (u: number): Pose => {
    const x = (u - HELD) * length
    const y = bend * length * u * u
    return { x, y, angle: degrees(Math.atan(2 * bend * u)) }
  }
  return {
    at, length,
    points: (from, to, steps = 6) => Array.from({ length: steps + 1 }, (_, i) => {
      const { x, y } = at(from + ((to - from) * i) / steps)
      return [x, y]
    }),
  }
}

/** A side shoot from a pose: straight, turned off by an angle. */
export const shoot = (pose: Pose, turn: number): Pose => ({ ...pose, angle: pose.angle + turn })

/** The point so far along a pose. */
export function ahead({ x, y, angle }: Pose, distance: number): Pose {
  const a = (angle * Math.PI) / 180
  return { x: x + Math.cos(a) * distance, y: y + Math.sin(a) * distance, angle }
}
