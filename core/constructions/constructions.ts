import type { LaidLayer, LaidPiece } from '../placement'
import { runsFor } from '../placement'
import type { Run } from '../base'
import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Said } from '../measure'
import type { Piece, Problem, RuleKind, RuleOf } from '../piece'
import { BEADS_CONSTRUCTION } from './beads'
import { BOUGHS_CONSTRUCTION } from './boughs'
import { BOW_CONSTRUCTION } from './bow'
import { BUNDLES_CONSTRUCTION } from './bundles'
import type { Construction, MakeUp, ConstructionContext } from './construction'
import { changeRule } from './construction'
import { LAPS_CONSTRUCTION } from './laps'
import { MESH_CONSTRUCTION } from './mesh'
import { POOFS_CONSTRUCTION } from './poofs'
import { SPRAY_CONSTRUCTION } from './spray'
import { WRAP_CONSTRUCTION } from './wraps'
import { constructionMessage } from './words'

/** How each kind of rule is made; null makes nothing of what it lays. */
const CONSTRUCTIONS: { readonly [K in RuleKind]: Construction<K> | null } = {
  compass: null,
  halfway: null,
  every: null,
  against: null,
  cluster: null,
  crescent: null,
  mirror: null,
  bands: null,
  arms: null,
  scatter: null,
  single: null,
  on: null,
  hand: null,
  bundles: BUNDLES_CONSTRUCTION,
  boughs: BOUGHS_CONSTRUCTION,
  spray: SPRAY_CONSTRUCTION,
  wound: WRAP_CONSTRUCTION,
  laid: LAPS_CONSTRUCTION,
  mesh: MESH_CONSTRUCTION,
  poofs: POOFS_CONSTRUCTION,
  beads: BEADS_CONSTRUCTION,
  bow: BOW_CONSTRUCTION,
}

/** Whether things laid by a rule are held by how they are made: bound, wound, gathered, threaded. A bow is made, and then fixed. */
export const holdsItself = (kind: RuleKind): boolean => CONSTRUCTIONS[kind] !== null && kind !== 'bow'

type Any = Construction<RuleKind>

/** What a layer is worked out from, and by which construction; null when it is none, or lies nowhere. */
function makingOf(
  piece: Piece,
  laid: LaidLayer,
  runs: readonly Run[],
  shelf: Shelf,
): { readonly how: Any; readonly making: ConstructionContext } | null {
  const { layer } = laid
  // Each construction is given the rule of its own kind.
  const how = CONSTRUCTIONS[layer.rule.kind] as Any | null
  const [run, ...others] = runsFor(layer, runs)
  const [first, ...rest] = layer.mix.flatMap(({ material }) => materialOf(shelf, material) ?? [])
  return how && run && first ? { how, making: { piece, laid, layer, shelf, runs: [run, ...others], mix: [first, ...rest] } } : null
}

/** What a layer comes to; null when its rule makes nothing of it, or it cannot be made so. */
export function makeUpOf(piece: Piece, laid: LaidLayer, runs: readonly Run[], shelf: Shelf): MakeUp | null {
  const found = makingOf(piece, laid, runs, shelf)
  return found && found.how.makeUp(laid.layer.rule as RuleOf<RuleKind>, found.making)
}

/** How hands make it, for the make sheet. */
export function makeUpWords(piece: Piece, laid: LaidLayer, makeUp: MakeUp, runs: readonly Run[], shelf: Shelf): readonly Said[] {
  const found = makingOf(piece, laid, runs, shelf)
  return found ? found.how.words(laid.layer.rule, makeUp, found.making) : []
}

/** What cannot be made so. */
export const makeUpProblems = ({ piece, laid, runs, shelf }: LaidPiece): Problem[] => [
  ...laid.flatMap((each) => {
    const found = makingOf(piece, each, runs, shelf)
    return found ? found.how.problems(each.layer.rule, found.making) : []
  }),
  ...tiesProblem(laid, runs),
]

/** The ties of a base serve all layers that gather in them: more than there are is told of the last that asks for them. */
function tiesProblem(laid: readonly LaidLayer[], runs: readonly Run[]): Problem[] {
  return runs.flatMap((run): Problem[] => {
    const asking = laid.flatMap(({ layer }) =>
      layer.rule.kind === 'mesh' && runsFor(layer, runs).some(({ id }) => id === run.id) ? [{ layer, rule: layer.rule }] : [],
    )
    const ties = Math.max(0, ...asking.map(({ rule }) => rule.ties))
    const asked = asking.reduce((sum, { rule }) => sum + Math.min(rule.count, rule.ties), 0)
    const last = asking.at(-1)
    if (asking.length < 2 || asked <= ties || !last) return []
    const left = Math.max(0, ties - (asked - Math.min(last.rule.count, last.rule.ties)))
    return [
      {
        id: `${last.layer.id}:shared-ties:${run.id}`,
        severity: 'fault',
        layer: last.layer.id,
        ...constructionMessage('ties-shared', { gathers: asked, layers: asking.length, ties, run: runs.length > 1 ? run.name : null }),
        mends: [
          left > 0
            ? { ...constructionMessage('make-here', { count: left }), edit: changeRule(last.layer, { count: left }) }
            : { ...constructionMessage('fewer-elsewhere', {}), edit: null },
        ],
      },
    ]
  })
}
