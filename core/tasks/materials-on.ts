import type { LaidLayer } from '../placement'
import { countsOfAll } from '../placement'
import type { Material, Shelf } from '../material'
import { materialOf } from '../material'

/** Each material that lies on a piece, once. */
export const materialsOn = (laid: readonly LaidLayer[], shelf: Shelf): Material[] =>
  [...countsOfAll(laid).keys()].map((id) => materialOf(shelf, id)!)

/** The same, with what each part is made of in its place: what keeps, withers or harms is what is in it. @param inParts by the part’s material */
export const keepingMaterials = (
  laid: readonly LaidLayer[],
  shelf: Shelf,
  inParts: ReadonlyMap<string, readonly Material[]> = new Map(),
): Material[] => [...new Set(materialsOn(laid, shelf).flatMap((material) => inParts.get(material.id) ?? [material]))]
