import type { Material, Shelf } from '../material'
import { materialOf, pieceLength } from '../material'
import { deal } from '../measure'
import type { Layer } from '../piece'

export interface KnownPart {
  readonly known: Material
  readonly share: number
  readonly only: number | null
}

/** What of a layer's mix the shelf has, with something of it wanted. */
export const knownMix = (layer: Pick<Layer, 'mix'>, shelf: Shelf): KnownPart[] =>
  layer.mix.flatMap(({ material, share, only }) => {
    const known = materialOf(shelf, material)
    return known && (only === null ? share > 0 : only > 0) ? [{ known, share, only }] : []
  })

/**
 * The materials of places in a row. What is scarce is spread first: item `i` of `k` goes into place `1 + round(i n / k)`,
 * or the next free one; the rest is dealt by rhythm.
 * @param places for each place how many things it stands for: two where a pair takes the same
 * @returns null where nothing is left for a place; empty when nothing in the mix is known
 */
export function dealMix(layer: Pick<Layer, 'mix'>, shelf: Shelf, places: readonly number[]): (Material | null)[] {
  const mix = knownMix(layer, shelf)
  const n = places.length
  if (!mix.length || n <= 0) return []
  const dealt: (Material | null)[] = places.map(() => null)
  for (const { known, only } of mix) {
    if (only === null) continue
    const pairs = Math.max(1, Math.round(places.reduce((sum, each) => sum + each, 0) / n))
    const wanted = Math.ceil(only / pairs)
    let left = only
    for (let i = 0; i < wanted && left > 0; i++) {
      const first = Math.round((i * n) / wanted) % n
      const free = places.findIndex((_, k) => dealt[(first + k) % n] === null && places[(first + k) % n]! <= left)
      if (free < 0) break
      const place = (first + free) % n
      dealt[place] = known
      left -= places[place]!
    }
  }
  const open = dealt.flatMap((each, i) => (each === null ? [i] : []))
  const shared = mix.filter(({ only }) => only === null)
  deal(
    open.length,
    shared.map(({ share }) => share),
  ).forEach((kind, i) => {
    dealt[open[i]!] = shared[kind]!.known
  })
  return dealt
}

/** The shortest piece that a layer lays, as cut, mm; 0 when the shelf knows none of it. */
export function shortestOf(layer: Pick<Layer, 'mix' | 'cut'>, shelf: Shelf): number {
  const lengths = knownMix(layer, shelf).map(({ known }) => pieceLength(known, layer.cut))
  return lengths.length ? Math.min(...lengths) : 0
}
