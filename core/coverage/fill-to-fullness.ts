import type { LaidPiece, Placement } from '../placement'
import { freshIds, placeAdded } from '../placement'
import type { Run } from '../base'
import { along, onRun } from '../base'
import { silhouetteOf } from '../looks'
import type { Material, Shelf } from '../material'
import { materialOf, pieceLength } from '../material'
import { wrapDegrees } from '../measure'
import type { Added, Brief, Layer, Piece } from '../piece'
import { bearerOf, laysLengths, MOST_ADDED } from '../piece'
import type { BareStretch, CoverageCount } from './coverage'
import { LayerCount } from './coverage'
import { fullnessAsks } from './fullness'
import { under } from './grid'

export interface Filling {
  readonly layer: string
  readonly material: string
  readonly things: readonly Added[]
  /** Share covered before and after. */
  readonly before: number
  readonly after: number
  /** Whether what was asked for is reached. */
  readonly reached: boolean
}

/** What is only tried has no number and no place among the layers yet. */
const FIRST = { number: 0, lift: 0 } as const
const PLACES_ACROSS = [0, -0.55, 0.55] as const
/** Filling stems lean a little to either side in turn, degrees. */
const LEANS = [0, 14, -14] as const

interface Candidate {
  readonly thing: Added
  readonly lies: Placement
  readonly cells: Int32Array
  gain: number
}

/** What is added, and to which layer. */
export interface Filler {
  readonly layer: Layer
  readonly material: Material
}

/** The layer of leaf-shaped pieces that one would add to: the first, or the one asked for. */
export function fillerLayer(piece: Piece, shelf: Shelf, id: string | null = null): Filler | null {
  for (const layer of piece.layers) {
    const material = materialOf(shelf, layer.mix[0]!.material)
    // What lies on other things fills no base.
    const fills = !laysLengths(layer.rule) && bearerOf(layer.rule) === null
    if (material && fills && (id === null ? material.form === 'leaf' : layer.id === id)) return { layer, material }
  }
  return null
}

/**
 * Adds stems to a layer until the faces are as full as asked, each where it covers most of what still shows.
 * Gains only shrink as stems are added, so each is worked out again only when it comes to the top (lazy greedy).
 */
export function fillTo({ piece, runs, laid, shelf }: LaidPiece, id: string | null, fullness: Brief['fullness']): Filling | null {
  const found = fillerLayer(piece, shelf, id)
  if (!found) return null
  const placements = laid.flatMap((each) => each.placements)
  const counted = new LayerCount().count(runs, placements, shelf)
  return greedy({ counted, found, runs, shelf, within: null }, fullnessAsks(fullness, shelf))
}

/** The stems that would close one bare stretch. @param counted of the piece as it is; it is left as it was */
export function closeStretch(counted: CoverageCount, runs: readonly Run[], found: Filler, stretch: BareStretch, shelf: Shelf): Filling {
  return greedy({ counted, found, runs, shelf, within: stretch }, { once: CLOSED_AT, twice: 0 })
}

/** Faces that are filled, all of them or within one bare stretch, and what with. */
interface Faces {
  readonly counted: CoverageCount
  readonly found: Filler
  readonly runs: readonly Run[]
  readonly shelf: Shelf
  readonly within: BareStretch | null
}

/** A stretch is closed when this share of it is covered. */
const CLOSED_AT = 0.8

/** A thing put in by hand as it will lie under another id: what its rule would turn otherwise points as before. */
function named(
  { thing, lies }: Candidate,
  id: string,
  { layer }: Filler,
  runs: readonly Run[],
  shelf: Shelf,
): Pick<Candidate, 'thing' | 'lies'> {
  const own = { ...thing, id }
  const off = lies.bearing - placeAdded(layer, own, FIRST, runs, shelf)!.bearing
  const turned = { ...own, turn: wrapDegrees(own.turn + off + 180) - 180 }
  return { thing: turned, lies: placeAdded(layer, turned, FIRST, runs, shelf)! }
}

/** How far beside a bare stretch a stem may be held that lies over it, shares of its length. */
const REACHES = 0.6

function candidates({ counted: { grid }, runs, found: { layer, material }, shelf, within }: Faces): Candidate[] {
  const length = pieceLength(material, layer.cut)
  const usual = Math.max(length / 6, material.width / 4, 6)
  // Sprigs have gaps: over a short stretch places are tried close together.
  const step = within ? Math.max(2, Math.min(usual, within.length / 3)) : usual
  return runs
    .filter((run) => !within || run.id === within.run)
    .flatMap((run) => {
      // Whichever way stems point, one held beside the stretch may lie over it; past an end there is nothing to hold one.
      const [low, high] = within ? [within.from - length * REACHES, within.from + within.length + length * REACHES] : [0, run.length]
      const [from, to] = run.closed ? [low, Math.min(high, low + run.length)] : [Math.max(0, low), Math.min(run.length, high)]
      const span = to - from
      const n = Math.max(2, Math.min(160, Math.ceil(span / step)))
      return Array.from({ length: n }, (_, i) => i).flatMap((i) =>
        PLACES_ACROSS.map((t, k): Candidate => {
          const s = onRun(run, from + (span * (i + 0.5)) / n)
          const turn = material.form === 'leaf' ? LEANS[(i + k) % LEANS.length]! : 0
          const thing = { id: `${i}`, run: run.id, at: s / run.length, across: t, turn, material: material.id }
          const lies = placeAdded(layer, thing, FIRST, runs, shelf)!
          return { thing, lies, cells: under(grid, silhouetteOf(lies, shelf), lies).slice(), gain: Infinity }
        }),
      )
    })
}

/** @param asks shares that are to be covered once, and twice */
function greedy(faces: Faces, asks: { readonly once: number; readonly twice: number }): Filling {
  const { counted, found, runs, shelf, within } = faces
  const { grid, depth: whole } = counted
  const { layer, material } = found
  const on = within && runs.find(({ id }) => id === within.run)!
  const depth = whole.slice()
  const asked = grid.stretches.map(({ run, from, length }) => {
    if (!on || !within) return true
    // On an open run what lies before the stretch is less than nothing into it.
    const into = along(on, within.from, from + length / 2)
    return run === on.id && into >= 0 && into <= within.length
  })
  const counts = (at: number): boolean => grid.owner[at]! > 0 && asked[grid.owner[at]! - 1]!
  let [cells, one, two] = [0, 0, 0]
  for (let at = 0; at < depth.length; at++) {
    if (!counts(at)) continue
    cells += 1
    if (depth[at]! > 0) one += 1
    if (depth[at]! > 1) two += 1
  }
  const share = (n: number): number => (cells ? n / cells : 1)
  const before = share(one)
  const gain = ({ cells: own }: Candidate): number => {
    let sum = 0
    for (const at of own) {
      if (!counts(at)) continue
      if (depth[at] === 0) sum += asks.twice > 0 ? 2 : 1
      else if (depth[at] === 1 && asks.twice > 0) sum += 1
    }
    return sum
  }
  const queue = candidates(faces)
  const ids = freshIds(layer, MOST_ADDED - layer.added.length)
  const things: Added[] = []
  while (queue.length && things.length < ids.length && (share(one) < asks.once || share(two) < asks.twice)) {
    const top = queue.reduce((best, each) => (each.gain > best.gain ? each : best))
    const fresh = gain(top)
    const known = top.gain === fresh
    top.gain = fresh
    if (fresh === 0) queue.splice(queue.indexOf(top), 1)
    if (!known || fresh === 0) continue
    const chosen = named(top, ids[things.length]!, found, runs, shelf)
    things.push(chosen.thing)
    for (const at of under(grid, silhouetteOf(chosen.lies, shelf), chosen.lies)) {
      if (counts(at)) {
        if (depth[at] === 0) one += 1
        if (depth[at] === 1) two += 1
      }
      depth[at]! += 1
    }
  }
  return {
    layer: layer.id,
    material: material.id,
    things,
    before,
    after: share(one),
    reached: share(one) >= asks.once && share(two) >= asks.twice,
  }
}
