import type { Material, Shelf } from '../material'
import { pieceLength } from '../material'
import { deal } from '../measure'
import type { Layer } from '../piece'

export interface KnownPart { readonly known: Material, readonly share: number, readonly only: number | null }

/** What of a layer's mix the shelf has, with something of it wanted. */
export const knownMix = (layer: Pick<Layer, 'mix'>, shelf: Shelf): KnownPart[] => layer.mix.flatMap(({ material, share, only }) => {
  const known = shelf.materials[material]
  return known && (only === null ? share > 0 : only > 0) ? [{ known, share, only }] : []
})

/**
 * The materials of `n` places in a row. What is scarce is spread first: item `i` of `k` goes into place `1 + round(i n / k)`,
 * or the next free one; the rest is dealt by rhythm. Empty when nothing in the mix is known.
 */
export function dealMix(layer: Pick<Layer, 'mix'>, shelf: Shelf, n: number): Material[] {
  const mix = knownMix(layer, shelf)
  if (!mix.length || n <= 0) return []
  const dealt: (Material | null)[] = Array.from({ length: n }, () => null)
  for (const { known, only } of mix) {
    if (only === null) continue
    for (let i = 0; i < Math.min(only, n); i++) {
      const free = (place: number): number => (dealt[place % n] === null ? place % n : free(place + 1))
      if (!dealt.includes(null)) break
      dealt[free(Math.round((i * n) / only) % n)] = known
    }
  }
  const left = dealt.flatMap((each, i) => (each === null ? [i] : []))
  const shared = mix.filter(({ only }) => only === null)
  // With nothing but scarce things in the mix, the last of them fills what is left.
  const rest = shared.length ? shared : [{ ...mix.at(-1)!, share: 1 }]
  deal(left.length, rest.map(({ share }) => share)).forEach((kind, i) => { dealt[left[i]!] = rest[kind]!.known })
  return dealt as Material[]
}

/** The shortest piece that a layer lays, as cut, mm; 0 when the shelf knows none of it. */
export function shortestOf(layer: Pick<Layer, 'mix' | 'cut'>, shelf: Shelf): number {
  const lengths = knownMix(layer, shelf).map(({ known }) => pieceLength(known, layer.cut))
  return lengths.length ? Math.min(...lengths) : 0
}
