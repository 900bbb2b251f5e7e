import { wholesIn } from '../measure'
import type { Material } from './schema'
import { isCut } from './schema'

/** The length one piece has on the base, mm: as cut, or as bought when nothing is cut. */
export function pieceLength(material: Pick<Material, 'length' | 'form' | 'kind'>, cut: number | null): number {
  return (material.form === 'leaf' || isCut(material)) && cut !== null ? Math.min(cut, material.length) : material.length
}

/** How many pieces of this length one stem gives: one, unless it is a kind that may be cut up or comes by the length. */
export function piecesPerStem(material: Pick<Material, 'length' | 'divides' | 'kind'>, cut: number | null): number {
  return (material.divides || isCut(material)) && cut !== null ? Math.max(1, wholesIn(material.length, cut)) : 1
}
