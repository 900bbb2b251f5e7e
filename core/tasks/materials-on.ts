import type { LaidLayer } from '../placement'
import { countsOfAll } from '../placement'
import type { Material, Shelf } from '../material'
import { materialOf } from '../material'

/** Each material that lies on a piece, once. */
export const materialsOn = (laid: readonly LaidLayer[], shelf: Shelf): Material[] =>
  [...countsOfAll(laid).keys()].map((id) => materialOf(shelf, id)!)
