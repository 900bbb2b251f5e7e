import type { Point } from '../measure'
import { degrees } from '../measure'

/**
 * How far a piece turns when it is hung from one point and comes to rest, degrees: clockwise where its weight lies to the
 * right. Statics: at rest the centre of mass is straight below the point that it turns about, `atan2(right, below)`.
 * @param pivot where it hangs @param centre its centre of mass, y downward, mm
 * @example Number(restAngle({ x: 0, y: 0 }, { x: 1.2, y: 9 }).toFixed(2)) // 7.59
 */
export const restAngle = (pivot: Point, centre: Point): number => degrees(Math.atan2(centre.x - pivot.x, centre.y - pivot.y))

/** A point of the piece as it hangs, turned about its pivot by so many degrees clockwise. */
export function turnedAbout({ x, y }: Point, pivot: Point, by: number): Point {
  const angle = (by * Math.PI) / 180
  const [dx, dy] = [x - pivot.x, y - pivot.y]
  return { x: pivot.x + dx * Math.cos(angle) - dy * Math.sin(angle), y: pivot.y + dx * Math.sin(angle) + dy * Math.cos(angle) }
}

/**
 * What hung so far to one side rights a piece, g: moments about the pivot, `mass × off ÷ arm`.
 * @param mass of the piece, g @param off how far its centre is to the other side, mm @param arm how far the new weight is to this side, mm, over 0
 * @example rightingMass(1000, 30, 150) // 200
 */
export const rightingMass = (mass: number, off: number, arm: number): number => (mass * Math.abs(off)) / arm
