import { random, seedOf } from '../../measure'
import { tone, MarkSheet, Pen } from '../../looks'
import type { Bounds } from '../../measure'
import type { Mark, DrawingSheet } from '../../looks'
import type { Backdrop } from '../scene'
import { meet } from './box'
import { doorIn, onWall, panels } from './doors'
import { glass, mantel } from './openings'
import { boards, bricks, plaster, stones } from './walls'

/** The door, or window, about the piece's middle, mm; null where a wall is all there is. */
export function doorBounds({ door: { width, height }, hang }: Pick<Backdrop, 'door' | 'hang'>): Bounds | null {
  return hang === null ? null : { left: -width / 2, right: width / 2, top: -height * (1 - hang), bottom: height * hang }
}

/** What shows about a door, a window or a piece when one stands back, mm. */
export const AROUND_DOOR = 150

const WALL_DOOR = '#4A5A54'

/**
 * What the piece hangs on, at true scale and with the piece's middle at the origin.
 * @param region what can be seen, mm
 */
export function surfaceMarks(backdrop: Backdrop, region: Bounds): readonly Mark[] {
  const sheet = new MarkSheet()
  putSurface(backdrop, region, sheet)
  return sheet.marks
}

/** Draws what the piece hangs on on a sheet, as `surfaceMarks` says. */
export function putSurface({ surface, door, hang, doorway, light, shelf }: Backdrop, region: Bounds, sheet: DrawingSheet): void {
  const pen = new Pen(random(seedOf(surface.kind)), { sheet })
  const of = tone(surface.colour)
  const frame = doorBounds({ door, hang })
  switch (surface.kind) {
    case 'brick':
      bricks(pen, of, region)
      break
    case 'stone':
      stones(pen, of, region)
      break
    case 'plaster':
      plaster(pen, of, region)
      break
    case 'mantel':
      mantel(pen, of, region, shelf)
      break
    case 'glass':
      if (frame) glass(pen, of, region, frame, light)
      else plaster(pen, of, region)
      break
    case 'boards':
      if (frame) onWall(pen, of, region, frame, () => boards(pen, of, meet(region, frame)))
      else boards(pen, of, region)
      break
    case 'door':
      if (frame) onWall(pen, of, region, frame, () => panels(pen, of, frame))
      else plaster(pen, of, region)
      break
  }
  // A wall that a garland frames has a door in it.
  if (frame && doorway && (surface.kind === 'brick' || surface.kind === 'stone' || surface.kind === 'plaster'))
    doorIn(pen, of, frame, () => panels(pen, tone(WALL_DOOR), frame))
}
