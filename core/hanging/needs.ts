import type { LaidPiece } from '../placement'
import type { MakeUp } from '../constructions'
import { needsOf } from '../constructions'
import type { Fixing, FixingAmount } from '../fixing'
import { fixingNeeds, fixingAmounts } from '../fixing'
import type { Need } from '../material'
import type { WayId } from '../piece'
import { hangerMake } from './hanger'

/** All that one copy of a piece needs: what it is laid and made of, what holds that, and what it hangs by. */
export function allNeeds(
  { piece, runs, laid, shelf }: LaidPiece,
  makeUps: readonly MakeUp[],
  fixings: readonly Fixing[],
): { readonly needs: Need[]; readonly taken: readonly FixingAmount[] } {
  const backups = new Map(piece.layers.flatMap(({ id, backup }): [string, WayId][] => (backup ? [[id, backup]] : [])))
  const taken = fixingAmounts(fixings, backups, shelf)
  return {
    needs: [...needsOf(piece, laid, makeUps, shelf), ...fixingNeeds(taken, shelf), ...(hangerMake(piece, runs, shelf)?.needs ?? [])],
    taken,
  }
}
