import type { Placement } from '../arrange'
import type { Point } from '../base'
import type { Material } from '../material'
import { radians } from '../measure'

/** How far up the stem its foot is held, as a share of its length: the rest sticks out behind it. */
export const HELD = 0.1

/** Half the width of a leaf-shaped patch at `u` (0 foot, 1 tip), as a share of its full width: widest at 2/5. */
function leafHalf(u: number): number {
  const v = u < 0.4 ? u / 0.4 : (1 - u) / 0.6
  return 0.5 * Math.sqrt(Math.max(0, 1 - (1 - v) * (1 - v)))
}

const LEAF_STEPS = 10
const DISC_STEPS = 20

/** The outline of a piece lying at the origin and pointing right, mm. */
export function patchOutline(form: Material['form'], length: number, width: number): Point[] {
  if (form === 'disc') {
    return Array.from({ length: DISC_STEPS }, (_, i) => {
      const angle = (i / DISC_STEPS) * 2 * Math.PI
      return { x: Math.cos(angle) * length / 2, y: Math.sin(angle) * width / 2 }
    })
  }
  if (form === 'board') {
    return [[-1, -1], [1, -1], [1, 1], [-1, 1]].map(([x, y]) => ({ x: x! * length / 2, y: y! * width / 2 }))
  }
  const side = (sign: number) => Array.from({ length: LEAF_STEPS + 1 }, (_, i) => {
    const u = i / LEAF_STEPS
    return { x: (u - HELD) * length, y: sign * leafHalf(u) * width }
  })
  return [...side(1), ...side(-1).reverse().slice(1, -1)]
}

/** The patch that a placement covers, on the drawing, mm. */
export function footprint(placement: Placement, form: Material['form']): Point[] {
  const cos = Math.cos(radians(placement.bearing))
  const sin = Math.sin(radians(placement.bearing))
  return patchOutline(form, placement.length, placement.width).map(({ x, y }) => ({
    x: placement.x + x * cos - y * sin,
    y: placement.y + x * sin + y * cos,
  }))
}
