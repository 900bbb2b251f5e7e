import { wholesIn } from '../measure'
import type { Material } from './schema'

/** The length one piece has on the base, mm: as cut, or as bought when nothing is cut. */
export function pieceLength(material: Pick<Material, 'length' | 'form'>, cut: number | null): number {
  return material.form === 'leaf' && cut !== null ? Math.min(cut, material.length) : material.length
}

/** How many pieces of this length one stem gives: one, unless it is a kind that may be cut up. */
export function piecesPerStem(material: Pick<Material, 'length' | 'divides' | 'form'>, cut: number | null): number {
  return material.divides && cut !== null ? Math.max(1, wholesIn(material.length, cut)) : 1
}
