import type { Scene } from '#core/scene'
import type { Bounds } from '#core/measure'
import type { Workings } from '#core/workings'
import { pieceBounds, wholeBounds } from './scene'
import type { View } from './view'
import { fitView } from './view'

/** What a picture shows: the piece alone with a little about it, or all that it hangs on. */
export type Framing = 'piece' | 'whole'

/** The least and the most pixels of a picture, across and down. */
export const PIXELS = { least: 64, most: 6000, mostDown: 9000 } as const
/** Room about the piece, as a share of its longer side. */
const AROUND = 0.08

export function framed(workings: Workings, framing: Framing): Bounds {
  const { size, scene } = workings
  if (framing === 'whole') return wholeBounds(scene, pieceBounds(workings))
  const room = Math.max(size.right - size.left, size.bottom - size.top) * AROUND
  return { left: size.left - room, right: size.right + room, top: size.top - room, bottom: size.bottom + room }
}

/** How many pixels down a picture has that is so many across. */
export const pixelsDown = ({ left, right, top, bottom }: Bounds, across: number): number =>
  Math.max(1, Math.round((across * (bottom - top)) / (right - left)))

/** What is wrong with so many pixels across; null when they can be had. */
export function wrongPixels(bounds: Bounds, across: number): string | null {
  if (!Number.isInteger(across) || across < PIXELS.least || across > PIXELS.most)
    return `A whole number from ${PIXELS.least} to ${PIXELS.most.toLocaleString('en')}.`
  const down = pixelsDown(bounds, across)
  if (down <= PIXELS.mostDown) return null
  return `It would be ${down.toLocaleString('en')} pixels high; the most is ${PIXELS.mostDown.toLocaleString('en')}. Take ${pixelsDown({ left: bounds.top, right: bounds.bottom, top: bounds.left, bottom: bounds.right }, PIXELS.mostDown).toLocaleString('en')} across or fewer.`
}

export interface PictureOrder {
  readonly scene: Scene
  readonly bounds: Bounds
  readonly across: number
  readonly bare: boolean
}

export const viewFor = ({ bounds, across }: PictureOrder): View => fitView(bounds, across, pixelsDown(bounds, across), 1)
