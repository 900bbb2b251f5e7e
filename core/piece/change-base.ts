import type { Base, BaseKind } from '../base'
import { BASE_SORTS, extentOf, nearestSize, runsOf, usualBase, widthOf } from '../base'
import type { Rated } from '../measure'
import { exceeds, inches, rate } from '../measure'
import type { Edit } from './edit'
import type { RuleKind } from './rules'
import { ruleSortOf } from './rules'
import { DOOR_SHARE } from './rules-of-thumb'
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

/**
 * How wide a piece may be for where it hangs, mm: a share of its door, or all of it where it reaches from side to side; a garland goes along
 * what it hangs on, and is not measured against it.
 */
export function widestFor({ brief }: Pick<Piece, 'brief'>, kind: BaseKind, by: Rated): number {
  const { family, spans } = BASE_SORTS[kind]
  if (family === 'garlands') return Infinity
  return brief.door.width * (spans ? 1 : rate(DOOR_SHARE, by))
}

/** What stems at least reach beyond a base on each side where a piece begins on it, mm. Rule of thumb. */
const STEMS = inches(2)

/**
 * A base of another kind: its usual size nearest to the one that is there, or its middle one where that is of another family; where that
 * leaves no room for stems on its door the largest before it that does, or the smallest.
 */
export function baseOfKind(piece: Pick<Piece, 'brief' | 'base'>, kind: BaseKind, by: Rated): Base {
  const { family, sizes } = BASE_SORTS[kind]
  const usual = usualBase(kind)
  const near = family === BASE_SORTS[piece.base.kind].family ? nearestSize(kind, extentOf(piece.base.shape)).shape : usual.shape
  const most = widestFor(piece, kind, by) - 2 * STEMS
  const upTo = sizes.slice(0, sizes.findIndex(({ shape }) => shape === near) + 1).map(({ shape }): Base => ({ ...usual, shape }))
  return upTo.findLast((base) => !exceeds(widthOf(base), most)) ?? upTo[0]!
}
