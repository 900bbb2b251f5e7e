import type { LaidLayer, Placement } from '../placement'
import { HELD, spotAlong } from '../placement'
import type { Silhouette } from '../looks'
import { boundsAt, silhouetteOf } from '../looks'
import type { Shelf } from '../material'
import type { Figure, Rated } from '../measure'
import { COUNTED, figure, quantity, rate, sum } from '../measure'
import { under } from './grid'
import { UNSEEN_UNDER } from './rules-of-thumb'
import { partOfMaterial } from '../piece'

/** What an eye sees of a layer. */
export interface SeenLayer {
  readonly layer: string
  /** Of all that is seen of the things on the piece. */
  readonly share: Figure
  /** How much of it is seen, mm². */
  readonly area: number
  /** Its things of which next to nothing is seen. */
  readonly unseen: readonly string[]
  /** Its stems that go in among what lies there already, instead of into the base. */
  readonly among: readonly string[]
  /** Its stems whose cut end is seen: it goes in nowhere but into the base, and nothing lies over it. */
  readonly cutEnds: readonly string[]
  readonly things: number
}

/** Cells across the longer side of all that lies there; none is coarser than this, mm, so that a berry is seen on a garland too, nor are there more than so many. */
const FINENESS = 220
const COARSEST = 4
const MOST_CELLS = 1_500_000
/** To how much its edges are rounded outwards, mm: a nudge leaves the raster as it is. */
const ROUNDED = 100

type Frame = Parameters<typeof under>[0]

/** The cells that a thing takes, and those under its cut end where it is a stem that goes into the base. */
interface Cells {
  readonly cells: Int32Array
  readonly end: readonly number[] | null
}

/** The cells of things, kept for as long as they lie where they lie. */
const cellsKept = new WeakMap<Placement, Cells & { readonly frame: string; readonly of: Silhouette }>()

/** How many cells each thing takes, and how many of them are seen. */
interface SeenCells {
  /** Of a side, mm. */
  readonly cell: number
  readonly own: Uint32Array
  readonly seen: Uint32Array
  /** Where the cut end of each stem goes in; of what has none, or is held by another thing, nowhere. */
  readonly ends: readonly ('among' | 'seen' | 'hidden' | null)[]
}

/** Whether a thing is a stem that goes into the base. */
const isStem = ({ form, made, bearer, material }: Placement): boolean =>
  form === 'leaf' && !made && bearer === null && partOfMaterial(material) === null

/** Where along a cut end it is looked at, as shares of what sticks out behind where the stem is held; how many of these make it covered. */
const ALONG_END = [0.1, 0.3, 0.5, 0.7, 0.9] as const
const COVERED = 2

/** The cells under the cut end of a stem; none for what of it sticks out of the raster. */
function endCells(thing: Placement, { left, top, cell, columns, rows }: Frame): number[] {
  return ALONG_END.flatMap((share) => {
    const { x, y } = spotAlong(thing, -share * HELD * thing.length, 0)
    const [column, row] = [Math.floor((x - left) / cell), Math.floor((y - top) / cell)]
    return column < 0 || row < 0 || column >= columns || row >= rows ? [] : [row * columns + column]
  })
}

const isCovered = (cells: readonly number[], by: (cell: number) => boolean): boolean => cells.filter(by).length >= COVERED

/** A raster over everything that lies there. */
function frameOver(placements: readonly Placement[], shelf: Shelf): Frame {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const of of placements) {
    const edges = boundsAt(silhouetteOf(of, shelf), of)
    left = Math.min(left, edges.left)
    top = Math.min(top, edges.top)
    right = Math.max(right, edges.right)
    bottom = Math.max(bottom, edges.bottom)
  }
  left = Math.floor(left / ROUNDED) * ROUNDED
  top = Math.floor(top / ROUNDED) * ROUNDED
  const wide = Math.ceil((right - left) / ROUNDED) * ROUNDED
  const high = Math.ceil((bottom - top) / ROUNDED) * ROUNDED
  const cell = Math.max(Math.min(COARSEST, Math.max(wide, high, 1) / FINENESS), Math.sqrt((wide * high) / MOST_CELLS))
  return { left, top, cell, columns: Math.ceil(wide / cell) + 1, rows: Math.ceil(high / cell) + 1 }
}

const sameShape = (a: Silhouette, b: Silhouette): boolean => a.mask === b.mask && a.along === b.along && a.across === b.across

function cellsOf(of: Placement, frame: Frame, key: string, shelf: Shelf): Cells {
  const silhouette = silhouetteOf(of, shelf)
  const known = cellsKept.get(of)
  if (known?.frame === key && sameShape(known.of, silhouette)) return known
  const found = { cells: under(frame, silhouette, of).slice(), end: isStem(of) ? endCells(of, frame) : null }
  cellsKept.set(of, { frame: key, of: silhouette, ...found })
  return found
}

/** Lays things on one another, the lowest first, and counts what of each stays uppermost. @param placements from back to front */
function seenCells(placements: readonly Placement[], shelf: Shelf): SeenCells {
  const frame = frameOver(placements, shelf)
  const key = JSON.stringify(frame)
  const upper = new Int32Array(frame.columns * frame.rows).fill(-1)
  const own = new Uint32Array(placements.length)
  const stems = placements.map((of, i) => {
    const { cells, end } = cellsOf(of, frame, key, shelf)
    const among = end && isCovered(end, (cell) => upper[cell]! >= 0)
    own[i] = cells.length
    for (let k = 0; k < cells.length; k++) upper[cells[k]!] = i
    return end && { end, among }
  })
  const ends = stems.map((stem, i) => stem && (stem.among ? 'among' : isCovered(stem.end, (cell) => upper[cell]! > i) ? 'hidden' : 'seen'))
  const seen = new Uint32Array(placements.length)
  for (let k = 0; k < upper.length; k++) if (upper[k]! >= 0) seen[upper[k]!]! += 1
  return { cell: frame.cell, own, seen, ends }
}

/**
 * What of each layer, and of each thing, is seen from the front: all is laid on one another in the order in which it is drawn, as
 * silhouettes on a raster, and what stays uppermost is counted.
 * @returns one for each layer on which something lies, in their order
 */
export function seenShares(laid: readonly LaidLayer[], shelf: Shelf): SeenLayer[] {
  const placements = laid.flatMap((one) => one.placements).sort((a, b) => a.lift - b.lift)
  if (!placements.length) return []
  const { cell, own, seen, ends } = seenCells(placements, shelf)
  const all = seen.reduce((sum1, n) => sum1 + n, 0)
  const at = new Map(placements.map(({ id }, i) => [id, i]))
  return laid
    .filter((one) => one.placements.length > 0)
    .map(({ layer, placements: things }): SeenLayer => {
      const ids = things.map(({ id }) => id)
      const cells = ids.reduce((sum1, id) => sum1 + seen[at.get(id)!]!, 0)
      return {
        layer: layer.id,
        share: figure(
          quantity.share(all ? cells / all : 0),
          sum`counted from the front: ${quantity.count(cells)} of the ${quantity.count(all)} cells in which something is seen`,
          COUNTED,
        ),
        area: cells * cell * cell,
        unseen: ids.filter((id) => isUnseen(seen[at.get(id)!]!, own[at.get(id)!]!, shelf)),
        among: ids.filter((id) => ends[at.get(id)!] === 'among'),
        cutEnds: ids.filter((id) => ends[at.get(id)!] === 'seen'),
        things: ids.length,
      }
    })
}

const isUnseen = (seen: number, own: number, by: Rated): boolean => own > 0 && seen < own * rate(UNSEEN_UNDER, by)
