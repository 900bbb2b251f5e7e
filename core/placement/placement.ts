import type { Run } from '../base'
import type { Material, Shelf } from '../material'
import type { Layer, Piece } from '../piece'
import type { ShapedLength } from './construction-slots'

/** How a thing on the base is known: by its layer, and its slot in it. @example placementId('a', '+h1') // 'a:+h1' */
export const placementId = (layer: string, slot: string): string => `${layer}:${slot}`

/** One thing in its place on the base. Everything else about it is derived from this. */
export interface Placement {
  /** By `placementId`. */
  readonly id: string
  readonly layer: string
  readonly slot: string
  /** Its number within the layer, from 1. */
  readonly number: number
  readonly material: string
  readonly run: string
  /** Distance along the run, mm. */
  readonly s: number
  /** Where its rule puts it, before any hand, mm along. */
  readonly ruled: number
  /** Across the face: -1 inner edge, 1 outer edge. */
  readonly t: number
  readonly x: number
  readonly y: number
  /** Where it points on the drawing: degrees clockwise from pointing right. */
  readonly bearing: number
  /** How far it is bent from foot to tip, degrees clockwise: 0 lies straight. */
  readonly bend: number
  /** The radius that it was asked to bend to, mm, where it takes none so tight; else null. */
  readonly tight: number | null
  /** Length and spread of the piece as it lies, mm. */
  readonly length: number
  readonly width: number
  /** Its length before it is tapered or trimmed, mm. */
  readonly whole: number
  /** The shape of the patch it covers. */
  readonly form: Material['form']
  /** What it is made to, when it is made of a length. */
  readonly made: ShapedLength | null
  /** How many layers lie under it; what another thing bears is a part of a layer above that. */
  readonly lift: number
  /** The thing that bears it, by its id; null on the base. */
  readonly bearer: string | null
  /** Tells twins apart: seeds its drawing. */
  readonly seed: number
  readonly nudged: boolean
  readonly pinned: boolean
  /** Whether a hand put it on besides the rule. */
  readonly added: boolean
  /** What it says, when its maker gave it words. */
  readonly words: string | null
  /** Where its cord starts when it hangs from one. */
  readonly cord: { readonly x: number; readonly y: number } | null
}

/** A stretch of a run that is kept free. */
export interface Zone {
  readonly layer: string
  readonly run: string
  readonly from: number
  readonly length: number
}

/** A piece on the runs of its base, and what is known of its materials. */
export interface PieceOnRuns {
  readonly piece: Piece
  readonly runs: readonly Run[]
  readonly shelf: Shelf
}

/** The same with what was laid of it, layer by layer. */
export interface LaidPiece extends PieceOnRuns {
  readonly laid: readonly LaidLayer[]
}

export interface LaidLayer {
  readonly layer: Layer
  /** In the order in which hands lay them. */
  readonly placements: readonly Placement[]
  /** The stretches that it keeps for itself. */
  readonly zones: readonly Zone[]
  /** Why nothing could be laid, if so. */
  readonly fault: 'no run' | 'no reference' | 'no material' | null
}
