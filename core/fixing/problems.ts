import type { Need, Shelf } from '../material'
import type { Mend, Piece, Problem } from '../piece'
import type { Fixing } from './choose'
import { waysFor } from './choose'
import { isCarrier } from './grounds'
import { bestWire } from './tie-length'
import { FIXING_WAYS } from './methods'
import { fixingMessage } from './words'

const heldBy = (piece: Piece, { layer, ground, hold, way }: Fixing): Mend[] =>
  waysFor(piece, { ground, hold })
    .filter((each) => each.against === null && each.way.id !== way)
    .slice(0, 2)
    .map((each): Mend => ({
      ...fixingMessage('hold-by', { way: each.way.id }),
      edit: { do: 'layer', layer, set: { fixing: each.way.id } },
    }))

/** Tells the fixings of a layer apart: by the material, and where that is held in more than one way, by what bears it or that it bears others. */
export const fixingKey = ({ material, ground, laden }: Pick<Fixing, 'material' | 'ground' | 'laden'>): string =>
  `${material}${isCarrier(ground) ? ` on ${ground}` : ''}${laden ? ' laden' : ''}`

/** What is held in a way that will not hold, and what would. */
export function fixProblems(piece: Piece, fixings: readonly Fixing[], needs: readonly Need[], covered: number, shelf: Shelf): Problem[] {
  return [
    ...fixings.flatMap((fixing): Problem[] => {
      const { layer, plural, against, ground, hold } = fixing
      const way = FIXING_WAYS[fixing.way]
      if (!against || backedUp(piece, fixing)) return []
      return [
        {
          id: `${layer}:fixing:${fixingKey(fixing)}`,
          severity: against.because === 'base' ? 'fault' : 'care',
          layer,
          ...fixingMessage('will-not-hold', { plural, way: fixing.way, because: against.because, ground, hold }),
          mends: [
            ...heldBy(piece, fixing),
            ...(against.because !== 'base' && way.indoors && piece.brief.weather !== 'indoors'
              ? [{ ...fixingMessage('hang-indoors', {}), edit: { do: 'brief' as const, set: { weather: 'indoors' as const } } }]
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
function backedUp(piece: Piece, { layer, ground, hold, way }: Fixing): boolean {
  const backup = piece.layers.find(({ id }) => id === layer)?.backup ?? null
  return (
    backup !== null && backup !== way && waysFor(piece, { ground, hold }).some((each) => each.way.id === backup && each.against === null)
  )
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
            ...fixingMessage('same-back-up', { plural: same.plural }),
            mends: [{ ...fixingMessage('no-back-up', {}), edit: { do: 'layer', layer: id, set: { backup: null } } }],
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
          ...fixingMessage('wire-shows', { name: best.now.name, better: best.better.name }),
          mends: [{ ...fixingMessage('bind-with', { name: best.better.name }), edit: { do: 'fixing', set: { wire: best.better.id } } }],
        },
      ]
    : []
}
