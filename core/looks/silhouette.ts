import type { Placement } from '../placement'
import type { Material, Shelf } from '../material'
import { materialOf } from '../material'
import { onceWith, radians } from '../measure'
import type { XY } from './vector-marks'
import type { Bounds } from '../measure'
import { bearsWords, hangsDown, putDown, speciesOf, turnOf, twinOf } from './glyphs'
import type { Looks, PartLooks } from './looks'
import { looksMade, speciesMade } from './fabric-looks'
import { madeKey } from './parts/made'
import { Extent } from './path'
import type { Mask } from './coverage-mask'
import { Stencil } from './coverage-mask'

/** What hides what is behind it: a mask, and how much it is stretched along and across to be the thing itself. */
export interface Silhouette {
  readonly mask: Mask
  readonly along: number
  readonly across: number
  /** The area that it hides, mm². */
  readonly area: number
}

/** What is laid, as it can be drawn: all of a placement that its looks go by. */
export type Lying = Pick<Placement, (typeof LYING)[number]>
const LYING = ['material', 'length', 'whole', 'width', 'made', 'seed', 'bend', 'bearing', 'words'] as const

/** Whether two things have one silhouette, where the shelf is the same. */
export const liesAlike = (a: Lying, b: Lying): boolean => LYING.every((field) => a[field] === b[field])

/** What a thing on the base looks like. */
export function looksOf({ material: id, length, width, made, seed, bend, bearing, words }: Lying, shelf: Shelf): Looks {
  const material = materialOf(shelf, id)!
  return {
    part: partLooksOf(shelf, id),
    species: made ? speciesMade(made, material) : material.species,
    made: made && looksMade(made, material, shelf),
    length,
    width,
    tint: made ? material.colours[0]! : material.colour,
    words,
    seed,
    bend,
    bearing,
    depth: 0,
    rise: 0,
  }
}

/** How a part looks that is on a shelf; null of what is none. */
export const partLooksOf = ({ parts }: Shelf, id: string): PartLooks | null =>
  // Rooms above know only that there are such looks: here is the one place that makes them and the one that reads them.
  parts && Object.hasOwn(parts, id) ? (parts[id] as PartLooks) : null

/** A part as a material, and how it looks; null where a ready-made thing is bought in its place. */
export interface PartOnShelf {
  readonly material: Material
  readonly looks: PartLooks | null
}

/** A shelf with the parts of a piece on it. */
export const withPartsOnShelf = (shelf: Shelf, parts: readonly PartOnShelf[]): Shelf =>
  parts.length
    ? {
        ...shelf,
        materials: { ...shelf.materials, ...Object.fromEntries(parts.map(({ material }) => [material.id, material])) },
        parts: { ...shelf.parts, ...Object.fromEntries(parts.flatMap(({ material, looks }) => (looks ? [[material.id, looks]] : []))) },
      }
    : shelf

/** What is shorter than it was cut, or made of a length, has its mask made in steps of this ratio and stretched the rest of the way. */
const SIZE_STEP = 1.06
const stepped = (size: number, from = 1): number => from * SIZE_STEP ** Math.round(Math.log(size / from) / Math.log(SIZE_STEP))

const KEPT = 1200
const masks = new Map<string, Mask>()

const known = onceWith<Lying, Silhouette>()

/** The silhouette of a thing: its drawing's own paths, filled once for all that look alike. */
export const silhouetteOf = (lying: Lying, shelf: Shelf): Silhouette =>
  known(lying, [shelf.materials], () => silhouetteAfresh(lying, shelf))

function silhouetteAfresh(lying: Lying, shelf: Shelf): Silhouette {
  const looks = looksOf(lying, shelf)
  if (looks.part) return silhouetteOfPart(looks)
  const hangs = looks.made?.as === 'bow' || hangsDown(looks.species)
  // What has a size of its own is drawn at that; a bow by its numbers too.
  const fixed = looks.made?.as === 'bow' || (!looks.made && speciesOf(looks.species).fit === 'none')
  const own = fixed
    ? looks
    : looks.made
      ? { ...looks, length: stepped(looks.length), width: stepped(looks.width) }
      : { ...looks, length: stepped(looks.length, lying.whole) }
  const key = [
    own.species,
    own.length.toFixed(1),
    own.width.toFixed(1),
    own.bend,
    twinOf(own),
    hangs ? turnOf(own) : '',
    bearsWords(own.species) ? (own.words ?? '') : '',
    own.made ? madeKey(own.made) : '',
  ].join('|')
  const mask = maskBy(key, hangs ? own : { ...own, bearing: 0 })
  const along = looks.length / own.length
  // A bow keeps its proportions at every length.
  const across = !looks.made && speciesOf(looks.species).fit === 'length' ? along : looks.width / own.width
  return { mask, along, across, area: mask.area * along * across }
}

/** Of a part, made for its own length and stretched to another. */
function silhouetteOfPart(looks: Looks): Silhouette {
  const own = { ...looks, length: looks.part!.length, bearing: 0 }
  const scale = looks.length / own.length
  const mask = maskBy(`part|${looks.part!.key}`, own)
  return { mask, along: scale, across: scale, area: mask.area * scale * scale }
}

function maskBy(key: string, looks: Looks): Mask {
  const known = masks.get(key)
  if (known) return known
  const stencil = new Stencil()
  const mask = stencil.mask(putDown(looks, stencil))
  masks.set(key, mask)
  if (masks.size > KEPT) masks.delete(masks.keys().next().value!)
  return mask
}

/** The bounds of a silhouette where it lies, mm. */
export function boundsAt(silhouette: Silhouette, at: Pick<Placement, 'x' | 'y' | 'bearing'>): Bounds {
  const extent = new Extent()
  const rim = rimAt(silhouette, at)
  for (const point of rim.length ? rim : [[at.x, at.y] as const]) extent.reach(point)
  return extent.bounds
}

/** The farthest points of a silhouette where it lies, mm. */
export function rimAt({ mask, along, across }: Silhouette, { x, y, bearing }: Pick<Placement, 'x' | 'y' | 'bearing'>): XY[] {
  const [cos, sin] = [Math.cos(radians(bearing)), Math.sin(radians(bearing))]
  return mask.rim.map(([u, v]): XY => [x + u * along * cos - v * across * sin, y + u * along * sin + v * across * cos])
}
