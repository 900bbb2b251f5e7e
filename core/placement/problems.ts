import type { Run } from '../base'
import type { Shelf } from '../material'
import { materialOf } from '../material'
import { capital, quantity, several, sum } from '../measure'
import type { Layer, Mend, Piece, Problem, RuleKind } from '../piece'
import { EACH, MOST_PLACES, ruleSortOf } from '../piece'
import type { Clash } from './collisions'
import { clashesOf, freeAlong } from './collisions'
import { shortestOf } from './mix-assignment'
import { nudgeBy, takeOff } from './manual-edits'
import type { LaidLayer, LaidPiece, Placement } from './placement'
import { mixFor } from './slot-positions'
import { arrangingOf } from './rules'
import { runsFor } from './slots'

/** What is wrong with how layers are laid. */
export function arrangeProblems({ piece, laid, runs, shelf }: LaidPiece): Problem[] {
  return [
    ...laid.flatMap(({ layer, fault, placements }) => [
      ...faultOf(layer, fault, runs),
      ...unknownIn(layer, shelf),
      ...tooShort(layer, shelf),
      ...tooMany(layer, runs, shelf),
      ...oddOne(layer, placements),
      ...unpaired(layer, placements, shelf),
    ]),
    ...clashProblems(piece, laid, runs, shelf),
  ]
}

function faultOf(layer: Layer, fault: LaidLayer['fault'], runs: readonly Run[]): Problem[] {
  if (fault !== 'no reference' && fault !== 'no run') return []
  const [first] = runs
  const says =
    fault === 'no run'
      ? sum`This layer lies on a run that the base does not have.`
      : sum`This layer goes by another layer’s points, but that layer is gone or leads back to this one.`
  const mends: Mend[] =
    fault === 'no run'
      ? [
          {
            says: sum`Lay it on the ${runs.length > 1 ? 'base’s runs' : first!.name}`,
            edit: { do: 'layer', layer: layer.id, set: { run: runs.length > 1 ? EACH : first!.id } },
          },
        ]
      : [
          {
            says: sum`Lay it by the compass instead`,
            edit: { do: 'layer', layer: layer.id, set: { rule: { kind: 'compass', count: 6, start: 0 } } },
          },
        ]
  return [{ id: `${layer.id}:${fault}`, severity: 'fault', layer: layer.id, says, mends }]
}

function unknownIn(layer: Layer, shelf: Shelf): Problem[] {
  return layer.mix
    .filter(({ material }) => !materialOf(shelf, material))
    .map(({ material }) => ({
      id: `${layer.id}:unknown:${material}`,
      severity: 'fault',
      layer: layer.id,
      says: sum`The shelf has no “${material}”. It is neither drawn nor counted.`,
      mends:
        layer.mix.length > 1
          ? [
              {
                says: sum`Leave it out of the mix`,
                edit: { do: 'layer', layer: layer.id, set: { mix: layer.mix.filter((each) => each.material !== material) } },
              },
            ]
          : [{ says: sum`Choose another material for this layer`, edit: null }],
    }))
}

function tooShort(layer: Layer, shelf: Shelf): Problem[] {
  const { cut } = layer
  if (cut === null) return []
  return layer.mix.flatMap(({ material: id }) => {
    const material = materialOf(shelf, id)
    if (!material || material.form !== 'leaf' || material.length >= cut) return []
    return [
      {
        id: `${layer.id}:short:${id}`,
        severity: 'care',
        layer: layer.id,
        says: sum`A ${material.name} is ${quantity.length(material.length)} long, shorter than the cut of ${quantity.length(cut)}. It goes on whole.`,
        mends: [
          { says: sum`Cut to ${quantity.length(material.length)}`, edit: { do: 'layer', layer: layer.id, set: { cut: material.length } } },
        ],
      } satisfies Problem,
    ]
  })
}

/** What a rule would ask for beyond what a layer holds: it is told, and the layer stops there. */
function tooMany(layer: Layer, runs: readonly Run[], shelf: Shelf): Problem[] {
  const { rule } = layer
  const run = runsFor(layer, runs)[0]
  if (!run) return []
  const asks = arrangingOf<RuleKind>(rule.kind).asks?.(rule, { run, shortest: shortestOf(layer, shelf), mix: mixFor(layer, shelf) })
  if (!asks || asks.count <= MOST_PLACES) return []
  return [
    {
      id: `${layer.id}:many`,
      severity: 'care',
      layer: layer.id,
      says: sum`That would take ${quantity.count(asks.count)}; one layer holds ${quantity.count(MOST_PLACES)}. The layer stops there.`,
      mends: [{ says: asks.mend, edit: asks.fewer && { do: 'layer', layer: layer.id, set: { rule: asks.fewer } } }],
    },
  ]
}

/** Equal shares left and right: the odd one out is told. */
function oddOne(layer: Layer, placements: readonly Placement[]): Problem[] {
  const { rule } = layer
  if (arrangingOf(rule.kind).shares !== 'evenly' || !('count' in rule) || rule.count % 2 === 0 || !placements.length) return []
  const [less, more] = [rule.count - 1, Math.min(MOST_PLACES, rule.count + 1)]
  const set = (count: number): Mend => ({
    says: sum`Take ${quantity.count(count)}`,
    edit: { do: 'layer', layer: layer.id, set: { rule: { ...rule, count } } },
  })
  return [
    {
      id: `${layer.id}:odd`,
      severity: 'note',
      layer: layer.id,
      mends: [set(less), set(more)],
      says: sum`${quantity.count(rule.count)} does not share out equally: one side has one more.`,
    },
  ]
}

/** Where places go in pairs, an odd number of a scarce thing leaves one over: it is told. */
function unpaired(layer: Layer, placements: readonly Placement[], shelf: Shelf): Problem[] {
  if (!ruleSortOf(layer.rule.kind).pairs) return []
  return layer.mix.flatMap(({ material: id, only }): Problem[] => {
    const material = materialOf(shelf, id)
    const laid = placements.filter((each) => each.material === id && !each.added).length
    if (!material || only === null || laid >= only || only - laid > 1 || placements.length <= only) return []
    return [
      {
        id: `${layer.id}:unpaired:${id}`,
        severity: 'note',
        layer: layer.id,
        mends: [{ says: sum`Put the odd one on by hand`, edit: null }],
        says: sum`Places go in pairs here: ${quantity.count(laid)} of ${several(only, material.name, material.plural)} ${laid === 1 ? 'finds' : 'find'} one.`,
      },
    ]
  })
}

/** So many clashes are told one by one; the rest are counted. */
const TOLD = 5

function clashProblems(piece: Piece, laid: readonly LaidLayer[], runs: readonly Run[], shelf: Shelf): Problem[] {
  const clashes = clashesOf(laid)
  const told = clashes.slice(0, TOLD).map((clash) => clashProblem(piece, clash, laid, runs, shelf))
  const rest = clashes.length - told.length
  return rest > 0
    ? [
        ...told,
        {
          id: 'clash:rest',
          severity: 'note',
          layer: null,
          says: sum`${quantity.count(rest)} more get in the way of bows, signs or focals.`,
          mends: [],
        },
      ]
    : told
}

function clashProblem(
  piece: Piece,
  { thing, against, depth, hides }: Clash,
  laid: readonly LaidLayer[],
  runs: readonly Run[],
  shelf: Shelf,
): Problem {
  const name = (of: Placement): string => `${materialOf(shelf, of.material)!.name} ${of.number}`
  const run = runs.find(({ id }) => id === thing.run)!
  const away = hides ? null : freeAlong(laid, thing, run)
  const mends: Mend[] = hides
    ? [{ says: sum`Take it under`, edit: nudgeBy(piece, thing, { lift: against.lift - thing.lift - 1 }) }]
    : [
        away === null
          ? { says: sum`Take it off`, edit: takeOff([thing]) }
          : { says: sum`Slide it ${quantity.length(Math.abs(away))} away`, edit: nudgeBy(piece, thing, { along: away }) },
      ]
  return {
    id: `clash:${thing.id}:${against.id}`,
    severity: 'care',
    layer: thing.layer,
    mends,
    says: hides
      ? sum`${capital(name(thing))} lies ${quantity.length(depth)} over the ${name(against)}.`
      : sum`${capital(name(thing))} reaches ${quantity.length(depth)} into the ${name(against)}.`,
  }
}
