import type { Need } from '../../material'
import { lengthsFor, thingsFor } from '../construction'
import { bowPieces } from './ribbon'
import type { BowSetup } from './setup'

/** What the wire that ties a bow is needed for. */
export const TIE_OF_BOW = 'tie of the bow'

/** The pieces of its ribbons, and what ties it. */
export function bowNeeds({ rule, rows, means, hem, tie, tiedWith }: BowSetup, layer: string): Need[] {
  const pieces = rows.flatMap(({ ribbon, material }, i) =>
    bowPieces(ribbon, means, hem).map(({ use, ...piece }) => ({
      material: material.id,
      use: rows.length > 1 ? `${use}, ribbon ${i + 1}` : use,
      ...piece,
      joins: false,
    })),
  )
  if (tie !== null) pieces.push({ material: tiedWith, use: TIE_OF_BOW, length: tie.value, count: 1, joins: false })
  const things = tie === null && tiedWith === rule.tied ? [{ material: tiedWith, use: TIE_OF_BOW, count: 1 }] : []
  return [...lengthsFor(layer, pieces), ...thingsFor(layer, things)]
}
