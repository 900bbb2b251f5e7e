import type { LaidLayer } from '../arrange'
import type { Run } from '../base'
import type { Material, Shelf } from '../material'
import { pieceLength } from '../material'
import { clock, quantity, several, sum } from '../measure'
import type { Layer, Mend, Piece, Problem } from '../piece'
import { MOST_PLACES } from '../piece'
import type { BareStretch, Coverage } from './coverage'

/** What each fullness asks of the face: shares covered once and twice, rule of thumb. */
export const FULLNESS_ASKS = {
  sparse: { once: 0, twice: 0 },
  full: { once: 0.95, twice: 0 },
  lush: { once: 0.98, twice: 0.85 },
} as const

export function coverProblems(piece: Piece, run: Run, cover: Coverage, laid: readonly LaidLayer[], shelf: Shelf): Problem[] {
  const asks = FULLNESS_ASKS[piece.brief.fullness]
  if (asks.once === 0 || !piece.layers.length) return []
  const filler = fillerLayer(piece, shelf)
  const bare = cover.bare.map((stretch, i): Problem => ({
    id: `bare:${i}`, weight: 'care', layer: null,
    says: stretch.length === run.length ? sum`Nearly all of the base shows.`
      : sum`Bare from ${place(run, stretch.from)} to ${place(run, stretch.from + stretch.length)}.`,
    mends: filler ? [closing(run, stretch, filler, laid)] : [{ says: sum`A layer of greenery would close it`, edit: null }],
  }))
  const sparseMend: Mend = { says: sum`Let the base show on purpose`, edit: { do: 'brief', set: { fullness: 'sparse' } } }
  if (bare.length) return bare.map((problem, i) => (i === 0 ? { ...problem, mends: [...problem.mends, sparseMend] } : problem))
  if (cover.share.value < asks.once) {
    return [{
      id: 'thin', weight: 'note', layer: null, mends: [sparseMend],
      says: sum`${quantity.share(cover.share.value)} of the face is covered; ${piece.brief.fullness} wants ${quantity.share(asks.once)}.`,
    }]
  }
  if (cover.twoDeep.value < asks.twice) {
    return [{
      id: 'not lush', weight: 'note', layer: null,
      says: sum`${quantity.share(cover.twoDeep.value)} of the face is two deep; lush wants ${quantity.share(asks.twice)}.`,
      mends: [{ says: sum`Full is enough`, edit: { do: 'brief', set: { fullness: 'full' } } }],
    }]
  }
  return []
}

const place = (run: Run, s: number): string => clock((s / run.length) * 360)

/** The layer that one would add to: the first of leaf-shaped pieces with a count. */
function fillerLayer(piece: Piece, shelf: Shelf): { layer: Layer, material: Material } | null {
  for (const layer of piece.layers) {
    const material = shelf.materials[layer.mix[0]!.material]
    if (material?.form === 'leaf') return { layer, material }
  }
  return null
}

function closing(run: Run, stretch: BareStretch, { layer, material }: { layer: Layer, material: Material }, laid: readonly LaidLayer[]): Mend {
  const across = Math.ceil((2 * run.at(stretch.from).half) / material.width)
  const n = Math.max(1, Math.round(stretch.length / pieceLength(material, layer.cut)) * across)
  const now = laid.find((each) => each.layer.id === layer.id)?.placements.length ?? 0
  const { rule } = layer
  const more = several(n, material.name, material.plural)
  // More in a crescent would not reach a stretch outside it, and a cluster or a spacing has no count to raise.
  if (rule.kind !== 'compass' || rule.count >= MOST_PLACES) return { says: sum`About ${more} more would close it`, edit: null }
  // An even layer closes one stretch only by standing closer all round.
  const count = Math.min(MOST_PLACES, stretch.length < run.length ? Math.ceil(now * 1.25) + n : now + n)
  return { says: sum`Ask for ${several(count, material.name, material.plural)}`, edit: { do: 'layer', layer: layer.id, set: { rule: { ...rule, count } } } }
}
