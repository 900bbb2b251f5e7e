import type { Run } from '../base'
import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Layer, Mend, Part, Piece, Problem, Rule, RuleKind } from '../piece'
import { bearerOf, EACH, MOST_PLACES, ruleSortOf, materialOfPart } from '../piece'
import type { Clash } from './collisions'
import { clashesOf, freeAlong } from './collisions'
import { shortestOf } from './mix-assignment'
import { nudgeBy, takeOff } from './manual-edits'
import type { LaidLayer, LaidPiece, Placement } from './placement'
import { mixFor } from './slot-positions'
import { arrangingOf } from './rules'
import { loopsOf } from './rules/on-things'
import { runsFor } from './slots'
import { placementMessage } from './words'

const BY_COMPASS: Rule = { kind: 'compass', count: 6, start: 0 }

/** What is wrong with how layers are laid. */
export function arrangeProblems({ piece, laid, runs, shelf }: LaidPiece): Problem[] {
  return [
    ...laid.flatMap((one) => {
      const { layer, fault, placements } = one
      return [
        ...faultOf(layer, fault, runs),
        ...bearsNothing(one, laid),
        ...unknownIn(layer, shelf),
        ...tooShort(layer, shelf),
        ...tooMany(layer, runs, shelf),
        ...oddOne(layer, placements),
        ...unpaired(layer, placements, shelf),
        ...tooTight(layer, placements, shelf),
      ]
    }),
    ...piece.parts.flatMap((part) => partProblems(part, piece, shelf)),
    ...clashProblems(piece, laid, runs, shelf),
  ]
}

/** What is wrong with a part as such: what is in it is told where it is worked on. */
function partProblems(part: Part, { layers }: Piece, shelf: Shelf): Problem[] {
  const { id, name, bought } = part
  const of = materialOfPart(id)
  const used = layers.some(({ mix, added }) => [...mix, ...added].some(({ material }) => material === of))
  const problem = (code: 'part-nowhere' | 'part-empty', mends: Mend[] = []): Problem => ({
    id: `${of}:${code}`,
    severity: 'note',
    layer: null,
    ...placementMessage(code, { name }),
    mends,
  })
  return [
    ...(bought !== null && !materialOf(shelf, bought)
      ? [
          {
            id: `${of}:bought`,
            severity: 'fault' as const,
            layer: null,
            ...placementMessage('part-not-sold', { name, id: bought }),
            mends: [{ ...placementMessage('make-part-instead', {}), edit: { do: 'part' as const, part: id, set: { bought: null } } }],
          },
        ]
      : []),
    ...(used ? [] : [problem('part-nowhere', [{ ...placementMessage('throw-part-away', {}), edit: { do: 'remove part', part: id } }])]),
    ...(bought === null && !part.layers.some(({ hidden }) => !hidden) ? [problem('part-empty')] : []),
  ]
}

function faultOf(layer: Layer, fault: LaidLayer['fault'], runs: readonly Run[]): Problem[] {
  if (fault !== 'no reference' && fault !== 'no run') return []
  const [first] = runs
  const mends: Mend[] =
    fault === 'no run'
      ? [
          {
            ...placementMessage('lay-on', { run: runs.length > 1 ? null : first!.name }),
            edit: { do: 'layer', layer: layer.id, set: { run: runs.length > 1 ? EACH : first!.id } },
          },
        ]
      : [
          {
            ...placementMessage('lay-by-compass', {}),
            edit: { do: 'layer', layer: layer.id, set: { rule: BY_COMPASS } },
          },
        ]
  const message = placementMessage(fault === 'no run' ? 'no-run' : bearerOf(layer.rule) === null ? 'no-reference' : 'no-bearer', {})
  return [{ id: `${layer.id}:${fault}`, severity: 'fault', layer: layer.id, ...message, mends }]
}

/** What lies on other things, where there are none. */
function bearsNothing({ layer, placements, fault }: LaidLayer, laid: readonly LaidLayer[]): Problem[] {
  const { rule } = layer
  if (rule.kind !== 'on' || fault || placements.length) return []
  const bearers = laid.find((each) => each.layer.id === rule.of)?.placements ?? []
  const there = bearers.length > 0
  const loops = there && rule.spot === 'loops' && !bearers.some((each) => loopsOf(each))
  const mends: Mend[] = loops
    ? [{ ...placementMessage('in-the-middle', {}), edit: { do: 'layer', layer: layer.id, set: { rule: { ...rule, spot: 'middle' } } } }]
    : there
      ? [
          {
            ...placementMessage('on-each', {}),
            edit: { do: 'layer', layer: layer.id, set: { rule: { ...rule, only: null, every: 1, from: 1 }, taken: [] } },
          },
        ]
      : [{ ...placementMessage('lay-by-compass', {}), edit: { do: 'layer', layer: layer.id, set: { rule: BY_COMPASS } } }]
  return [
    {
      id: `${layer.id}:bears-nothing`,
      severity: 'care',
      layer: layer.id,
      ...placementMessage(loops ? 'no-loops' : 'bears-nothing', {}),
      mends,
    },
  ]
}

function unknownIn(layer: Layer, shelf: Shelf): Problem[] {
  return layer.mix
    .filter(({ material }) => !materialOf(shelf, material))
    .map(({ material }) => ({
      id: `${layer.id}:unknown:${material}`,
      severity: 'fault',
      layer: layer.id,
      ...placementMessage('unknown-material', { id: material }),
      mends:
        layer.mix.length > 1
          ? [
              {
                ...placementMessage('leave-out-of-mix', {}),
                edit: { do: 'layer', layer: layer.id, set: { mix: layer.mix.filter((each) => each.material !== material) } },
              },
            ]
          : [{ ...placementMessage('choose-another-material', {}), edit: null }],
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
        ...placementMessage('shorter-than-cut', { name: material.name, length: material.length, cut }),
        mends: [
          {
            ...placementMessage('cut-to', { length: material.length }),
            edit: { do: 'layer', layer: layer.id, set: { cut: material.length } },
          },
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
      ...placementMessage('too-many', { asked: asks.count, most: MOST_PLACES }),
      mends: [
        {
          ...placementMessage('ask-for-less', { how: asks.mend }),
          edit: asks.fewer && { do: 'layer', layer: layer.id, set: { rule: asks.fewer } },
        },
      ],
    },
  ]
}

/** Equal shares left and right: the odd one out is told. */
function oddOne(layer: Layer, placements: readonly Placement[]): Problem[] {
  const { rule } = layer
  if (arrangingOf(rule.kind).shares !== 'evenly' || !('count' in rule) || rule.count % 2 === 0 || !placements.length) return []
  const [less, more] = [rule.count - 1, Math.min(MOST_PLACES, rule.count + 1)]
  const set = (count: number): Mend => ({
    ...placementMessage('take-count', { count }),
    edit: { do: 'layer', layer: layer.id, set: { rule: { ...rule, count } } },
  })
  return [
    {
      id: `${layer.id}:odd`,
      severity: 'note',
      layer: layer.id,
      mends: [set(less), set(more)],
      ...placementMessage('odd-one', { count: rule.count }),
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
        mends: [{ ...placementMessage('odd-one-by-hand', {}), edit: null }],
        ...placementMessage('unpaired', { laid, of: only, name: material.name, plural: material.plural }),
      },
    ]
  })
}

/** Stems that are asked to bend to a radius that they do not take. With the run they bend as far as they do. */
function tooTight(layer: Layer, placements: readonly Placement[], shelf: Shelf): Problem[] {
  const { bend } = layer
  if (bend === 'straight' || bend === 'run') return []
  return [...new Set(layer.mix.map(({ material }) => material))].flatMap((id): Problem[] => {
    const material = materialOf(shelf, id)
    const count = placements.filter((each) => each.material === id && each.form === 'leaf').length
    if (!material || !count || (material.curve !== null && material.curve <= bend.radius)) return []
    const { name, plural, curve } = material
    return [
      {
        id: `${layer.id}:tight:${id}`,
        severity: 'care',
        layer: layer.id,
        ...placementMessage('bends-too-tight', { count, name, plural, radius: bend.radius, takes: curve }),
        mends: [
          ...(curve === null
            ? []
            : [
                {
                  ...placementMessage('bend-to', { radius: curve }),
                  edit: { do: 'layer' as const, layer: layer.id, set: { bend: { ...bend, radius: curve } } },
                },
              ]),
          { ...placementMessage('lay-straight', {}), edit: { do: 'layer', layer: layer.id, set: { bend: 'straight' } } },
        ],
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
          ...placementMessage('more-in-the-way', { count: rest }),
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
  const named = ({ material, number }: Placement) => ({ name: materialOf(shelf, material)!.name, number })
  const run = runs.find(({ id }) => id === thing.run)!
  // What lies on another would slide off it.
  const away = hides || thing.bearer !== null ? null : freeAlong(laid, thing, run)
  const mends: Mend[] = hides
    ? [{ ...placementMessage('take-under', {}), edit: nudgeBy(piece, thing, { lift: Math.floor(against.lift - thing.lift) - 1 }) }]
    : [
        away === null
          ? { ...placementMessage('take-off', {}), edit: takeOff([thing]) }
          : { ...placementMessage('slide-away', { by: Math.abs(away) }), edit: nudgeBy(piece, thing, { along: away }) },
      ]
  return {
    id: `clash:${thing.id}:${against.id}`,
    severity: 'care',
    layer: thing.layer,
    mends,
    ...placementMessage(hides ? 'lies-over' : 'reaches-into', { thing: named(thing), against: named(against), depth }),
  }
}
