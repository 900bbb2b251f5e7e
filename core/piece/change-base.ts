import type { Base } from '../base'
import { runsOf } from '../base'
import type { Edit } from './edit'
import type { RuleKind } from './rules'
import { ruleSortOf } from './rules'
import type { Piece } from './schema'
import { EACH } from './schema'

/** Takes another base, and puts layers that lay on runs it does not have onto those that it has. */
export function rebase(piece: Piece, base: Base): Edit {
  const runs = runsOf(base)
  const there = (run: string): boolean => run === EACH || runs.some(({ id }) => id === run)
  const [first] = runs
  const to = (kind: RuleKind): string => (runs.length > 1 && !ruleSortOf(kind).level ? EACH : first!.id)
  return {
    do: 'several',
    edits: [
      { do: 'base', set: base },
      ...piece.layers
        .filter(({ run, added }) => !there(run) || added.some((each) => !there(each.run)))
        .map(({ id, run, rule, added }): Edit => ({
          do: 'layer',
          layer: id,
          set: {
            run: there(run) ? run : to(rule.kind),
            nudges: {},
            added: added.map((each) => (there(each.run) ? each : { ...each, run: first!.id })),
          },
        })),
    ],
  }
}
