import type { MechanicId } from '../material'
import type { Body, Run } from '../base'
import { BASE_SORTS } from '../base'
import { isCut } from '../material'
import type { Piece, Problem } from '../piece'
import type { ConstructionContext } from './construction'
import { total } from './construction'
import { constructionMessage } from './words'

/** Bodies that a pin holds in; elsewhere there are ties. */
const PINNED: ReadonlySet<Body> = new Set(['straw', 'foam'])
/** What strands and garlands are held with. */
export const holderOn = ({
  base,
}: Piece): { readonly material: MechanicId; readonly name: string; readonly use: string; readonly pinned: boolean } =>
  PINNED.has(BASE_SORTS[base.kind].body)
    ? { material: 'floral-pin', name: 'Pins', use: 'pins', pinned: true }
    : { material: 'pipe-cleaner', name: 'Ties', use: 'ties', pinned: false }

/** Lengths are typed to the hundredth, so that a third of a strand may be a hair too short. */
const EPSILON = 1e-3

/**
 * How many pins or ties hold so long a strand: one at each end and between.
 * @example pinsOf(508, 508 / 3) // 4
 */
export const pinsOf = (length: number, every: number): number => Math.max(1, Math.ceil(length / every - EPSILON)) + 1

/** All the length of some runs, mm. */
export const path = (runs: readonly Run[]): number => total(runs, ({ length }) => length)

/** What is wound or laid but does not come by the length. */
export function notByLength(layer: string, material: ConstructionContext['mix'][0]): Problem[] {
  return isCut(material)
    ? []
    : [
        {
          id: `${layer}:length`,
          severity: 'fault',
          layer,
          ...constructionMessage('not-by-length', { name: material.name }),
          mends: [{ ...constructionMessage('choose-by-length', {}), edit: null }],
        },
      ]
}
