import type { Placement } from './placement'
import type { Point } from '../measure'
import type { Material } from '../material'
import { onArc, radians } from '../measure'

/** How far up the stem its foot is held, as a share of its length: the rest sticks out behind it. */
export const HELD = 0.1

/** Half the width of a leaf-shaped patch at `u` (0 foot, 1 tip), as a share of its full width: widest at 2/5. */
function leafHalf(u: number): number {
  const v = u < 0.4 ? u / 0.4 : (1 - u) / 0.6
  return 0.5 * Math.sqrt(Math.max(0, 1 - (1 - v) * (1 - v)))
}

const LEAF_STEPS = 10
const DISC_STEPS = 20

/** The outlines of patches one long and one wide, lying at their anchor and pointing right. */
const UNIT: Record<Material['form'], readonly Point[]> = {
  leaf: unitLeaf(),
  disc: unitDisc(),
  board: [
    { x: -0.5, y: -0.5 },
    { x: 0.5, y: -0.5 },
    { x: 0.5, y: 0.5 },
    { x: -0.5, y: 0.5 },
  ],
}

function unitLeaf(): Point[] {
  const side = (sign: number) =>
    Array.from({ length: LEAF_STEPS + 1 }, (_, i) => ({ x: i / LEAF_STEPS - HELD, y: sign * leafHalf(i / LEAF_STEPS) }))
  return [...side(1), ...side(-1).reverse().slice(1, -1)]
}

function unitDisc(): Point[] {
  return Array.from({ length: DISC_STEPS }, (_, i) => {
    const angle = (i / DISC_STEPS) * 2 * Math.PI
    return { x: Math.cos(angle) / 2, y: Math.sin(angle) / 2 }
  })
}

/** A thing as it lies, as far as a place on it goes by that. */
export type LyingLine = Pick<Placement, 'x' | 'y' | 'bearing' | 'bend' | 'length'>

/** A place on a thing, along its own line from where it is held and to the right of that, mm. */
export function spotAlong({ x, y, bearing, bend, length }: LyingLine, along: number, over: number): Point {
  const on = bend === 0 ? { x: along, y: 0, angle: 0 } : onArc(along, bend / length)
  const [cos, sin] = [Math.cos(radians(bearing)), Math.sin(radians(bearing))]
  const u = on.x - over * Math.sin(radians(on.angle))
  const v = on.y + over * Math.cos(radians(on.angle))
  return { x: x + u * cos - v * sin, y: y + u * sin + v * cos }
}

/** The patch that a placement covers, on the drawing, mm. */
export const footprint = (thing: LyingLine & Pick<Placement, 'width'>, form: Material['form']): Point[] =>
  UNIT[form].map(({ x, y }) => spotAlong(thing, x * thing.length, y * thing.width))
