import type { Need, Shelf } from '../material'
import type { Said } from '../measure'
import { capital, lowerFirst, sum } from '../measure'
import type { Mend, Piece, Problem } from '../piece'
import type { Fixing } from './choose'
import { waysFor } from './choose'
import { bestWire } from './tie-length'
import { FIXING_WAYS } from './methods'

const heldBy = (piece: Piece, { layer, hold, way }: Fixing): Mend[] =>
  waysFor(piece, hold)
    .filter((each) => each.against === null && each.way.id !== way)
    .slice(0, 2)
    .map((each): Mend => ({
      says: [`Hold it ${each.way.id === 'tuck' ? 'by a tuck' : `with ${each.way.id}`}`],
      edit: { do: 'layer', layer, set: { fixing: each.way.id } },
    }))

/** What is held in a way that will not hold, and what would. */
export function fixProblems(piece: Piece, fixings: readonly Fixing[], needs: readonly Need[], covered: number, shelf: Shelf): Problem[] {
  return [
    ...fixings.flatMap((fixing): Problem[] => {
      const { layer, material, plural, against } = fixing
      const way = FIXING_WAYS[fixing.way]
      if (!against || backedUp(piece, fixing)) return []
      const says: Said = sum`${capital(plural)} ${way.held}: ${lowerFirst(against.why)}`
      return [
        {
          id: `${layer}:fixing:${material}`,
          severity: against.never ? 'fault' : 'care',
          layer,
          says,
          mends: [
            ...heldBy(piece, fixing),
            ...(!against.never && way.indoors && piece.brief.weather !== 'indoors'
              ? [{ says: sum`Hang it indoors`, edit: { do: 'brief' as const, set: { weather: 'indoors' as const } } }]
              : []),
          ],
        },
      ]
    }),
    ...backupProblems(piece, fixings),
    ...tieProblem(piece, needs, covered, shelf),
  ]
}

/** Whether a back-up that holds here stands behind it. */
function backedUp(piece: Piece, { layer, hold, way }: Fixing): boolean {
  const backup = piece.layers.find(({ id }) => id === layer)?.backup ?? null
  return backup !== null && backup !== way && waysFor(piece, hold).some((each) => each.way.id === backup && each.against === null)
}

/** A back-up that gives way with what it is to back up is none. */
function backupProblems({ layers }: Piece, fixings: readonly Fixing[]): Problem[] {
  return layers.flatMap(({ id, backup }): Problem[] => {
    const same = fixings.find(({ layer, way }) => layer === id && way === backup)
    return same
      ? [
          {
            id: `${id}:backup`,
            severity: 'note',
            layer: id,
            says: sum`${capital(same.plural)}: the back-up is the same as what it backs up, and lets go with it.`,
            mends: [{ says: sum`No back-up`, edit: { do: 'layer', layer: id, set: { backup: null } } }],
          },
        ]
      : []
  })
}

/** The wire that shows where another would not. */
function tieProblem(piece: Piece, needs: readonly Need[], covered: number, shelf: Shelf): Problem[] {
  const best = bestWire(piece, needs, covered, shelf)
  return best
    ? [
        {
          id: 'tie',
          severity: 'note',
          layer: null,
          says: sum`${capital(best.now.name)} shows on this base: ${best.better.name} shows less.`,
          mends: [{ says: sum`Bind it with ${best.better.name}`, edit: { do: 'fixing', set: { wire: best.better.id } } }],
        },
      ]
    : []
}
