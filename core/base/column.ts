import type { Run } from './run'
import { ringRun, turnedRun } from './run'
import type { ShapeOf } from './schema'

/** The outer diameters of rings in a column from the top down, mm. */
export const ringsInColumn = ({ rings, top, bottom }: Pick<ShapeOf<'column'>, 'rings' | 'top' | 'bottom'>): number[] =>
  rings === 2 ? [top, bottom] : [top, (top + bottom) / 2, bottom]

/** Rings one under the other, rim on rim. */
export function columnRuns(shape: ShapeOf<'column'>): Run[] {
  const outers = ringsInColumn(shape)
  const high = outers.reduce((all, each) => all + each, 0)
  const names = outers.length === 2 ? ['upper ring', 'lower ring'] : ['upper ring', 'middle ring', 'lower ring']
  return outers.map((outer, i) => {
    const above = outers.slice(0, i).reduce((all, each) => all + each, 0)
    const ring = ringRun(`ring-${i + 1}`, names[i]!, outer, outer - 2 * shape.face)
    // The hours of the clock are those of the whole drawing, and not of a ring that lies off its middle.
    const reads = { kind: 'from', words: 'clockwise from its top', start: 'its top' } as const
    return turnedRun({ ...ring, reads }, 0, { x: 0, y: above + outer / 2 - high / 2 })
  })
}
