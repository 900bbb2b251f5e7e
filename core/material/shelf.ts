import type { Rated, Rates } from '../measure'
import type { Material } from './schema'
import { CATALOGUE } from './catalogue'

/** What is known besides the piece: materials, and the maker's own rules of thumb, set and measured. */
export interface Shelf extends Rated {
  readonly materials: Readonly<Record<string, Material>>
  /** How those of them look that a piece makes beforehand: made and read by “looks”, nothing to any other room. */
  readonly parts?: Readonly<Record<string, object>>
}

/** A material by its id, which may be any word that a file or a person gives: only what the shelf itself has counts. */
export const materialOf = ({ materials }: Pick<Shelf, 'materials'>, id: string): Material | undefined =>
  Object.hasOwn(materials, id) ? materials[id] : undefined

/** The catalogue with nothing of one's own. */
export const plainShelf = (rates: Rates = {}): Shelf => ({ materials: CATALOGUE, rates })
