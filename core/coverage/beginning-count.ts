import type { Run } from '../base'
import type { Shelf } from '../material'
import type { Thumb } from '../measure'
import { clamp, inches, leastThat, rate } from '../measure'
import type { Layer, Piece } from '../piece'
import type { LaidLayer, PieceOnRuns } from '../placement'
import { arrange } from '../placement'
import type { Room } from './beginning-room'
import { coverageOf } from './coverage'
import { fullnessMeant } from './fullness'
import { AS_LAID, FIRST_FULL, FIRST_LUSH, FIRST_SPARSE, SECOND_SEEN } from './rules-of-thumb'
import { seenShares } from './seen-share'

/** How much of the face a first layer of greenery should hide, by the fullness asked. */
const COVERS: Readonly<Record<Piece['brief']['fullness'], Thumb>> = { sparse: FIRST_SPARSE, full: FIRST_FULL, lush: FIRST_LUSH }
/** Neighbours lie over each other by at least this share of a stem, and no nearer than this, mm. Rules of thumb. */
const OVERLAP = 0.4
const NEAREST = inches(0.75)
export const MOST = 240
/** A second greenery stands no closer than this, mm along the run. Rule of thumb. */
const SECOND_APART = 40
/** Greenery that covers this share of what a first layer should is the ground for a second. Rule of thumb. */
const MOSTLY = 0.75
/** Roles that stems go on before: they lie on top, to be seen. */
export const ON_TOP: ReadonlySet<Layer['role']> = new Set(['focal', 'sign', 'bow'])

/** The place in the order before what is to be seen on top. */
export function underWhatIsSeen({ layers }: Pick<Piece, 'layers'>): number {
  const first = layers.findIndex(({ role }) => ON_TOP.has(role))
  return first < 0 ? layers.length : first
}

/** What lies there, and more of a layer with so many things. */
function withSo({ piece, runs, shelf }: PieceOnRuns, layer: Layer, count: number): readonly LaidLayer[] {
  const { rule } = layer
  const own = rule.kind === 'arms' || rule.kind === 'compass' ? { ...rule, count } : rule
  const layers = piece.layers.toSpliced(underWhatIsSeen(piece), 0, { ...layer, rule: own })
  return arrange({ ...piece, layers }, runs, shelf).filter((each) => !each.layer.hidden)
}
const coverOf = (laid: readonly LaidLayer[], runs: readonly Run[], shelf: Shelf): number =>
  coverageOf(
    runs,
    laid.flatMap(({ placements }) => placements),
    shelf,
  ).share.value

export const isGreen = ({ role }: Pick<Layer, 'role'>): boolean => role === 'greenery' || role === 'second greenery'

/** Whether the greenery that lies there already covers most of what a first layer should. @param own of the runs, those that are asked about */
export function isCovered({ piece, runs, shelf }: PieceOnRuns, own: readonly Run[]): boolean {
  const greens = piece.layers.filter((layer) => !layer.hidden && isGreen(layer))
  if (!greens.length) return false
  return coverOf(arrange({ ...piece, layers: greens }, runs, shelf), own, shelf) >= MOSTLY * rate(COVERS[fullnessMeant(piece)], shelf)
}

/**
 * How many of a second greenery are seen as much as one should be: more of them are hardly ever seen less, so that the number is found
 * by halves; each look lays all of the piece.
 */
export function secondCount(on: PieceOnRuns, layer: Layer, { mean }: Room): number {
  const wanted = rate(SECOND_SEEN, on.shelf)
  const most = Math.max(LEAST_SECOND, Math.min(MOST, Math.floor(mean / SECOND_APART)))
  const seen = (count: number): number =>
    seenShares(withSo(on, layer, count), on.shelf).find((each) => each.layer === layer.id)?.share.value ?? 0
  return leastThat(LEAST_SECOND, most, (count) => seen(count) >= wanted) ?? most
}
const LEAST_SECOND = 3

/** The least stems of a layer that hide what a first layer should, but always one over the next. */
export function countFor(on: PieceOnRuns, layer: Layer, { runs: own, length, mean }: Room, long: number): number {
  const { piece, shelf } = on
  const wanted = rate(COVERS[fullnessMeant(piece)], shelf)
  // Each run gets as many: on all of them together none stands nearer.
  const most = Math.min(MOST, Math.floor(mean / NEAREST))
  const least = Math.min(most, Math.ceil(length / (long * (1 - OVERLAP))))
  const covers = (count: number): number => coverOf(withSo(on, layer, count), own, shelf)
  let [count, cover] = [least, covers(least)]
  // Were they strewn, cover would go by the logarithm of what is left bare: that says how many to look at next.
  for (let looks = 0; looks < MOST_LOOKS && cover < wanted && count < most; looks++) {
    const ratio = Math.log(1 - wanted) / Math.log(1 - clamp(cover, 0.02, 0.98))
    count = Math.min(most, Math.max(count + 1, Math.ceil(count * Math.min(4, ratio))))
    cover = covers(count)
  }
  return Math.min(most, Math.max(1, Math.round(count * rate(AS_LAID, shelf))))
}
const MOST_LOOKS = 5
