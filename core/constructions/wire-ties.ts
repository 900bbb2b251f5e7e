import type { Body, Run } from '../base'
import { BASE_SORTS, stationAt } from '../base'
import type { Rated, Term, Thumb } from '../measure'
import { byRule, labelled, mm, PI, plus, rate, times } from '../measure'
import type { Piece } from '../piece'
import { FRAME, THICKEST, TIE_ENDS, TIE_TURNS, TRUNKS } from './rules-of-thumb'

/** How thick what a tie goes round is, where it is not all of the base. */
const FRAMES: Partial<Record<Body, Thumb>> = {
  trees: TRUNKS,
  bound: TRUNKS,
  evergreen: FRAME,
  wire: FRAME,
  box: FRAME,
  clamps: FRAME,
  rope: FRAME,
}

/** What a tie on the base goes round, mm thick. */
export function tubeOf({ base }: Pick<Piece, 'base'>, run: Run, by: Rated): Term {
  const frame = FRAMES[BASE_SORTS[base.kind].body]
  if (frame) return byRule(frame, by)
  const thick = 2 * stationAt(run, 0).half
  return thick <= rate(THICKEST, by) ? mm(thick) : byRule(THICKEST, by)
}

/** The paddle wire of one tie, mm: `turns × π × thick + ends`. @param thick what it goes round, mm */
export const wireOfTie = (thick: Term, by: Rated): Term =>
  plus(times(byRule(TIE_TURNS, by), PI, thick), labelled`ends ${byRule(TIE_ENDS, by)}`)
