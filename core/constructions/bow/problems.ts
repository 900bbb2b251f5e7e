import { hasLoops, ragLoops, ribbonInLoop, tailReach } from '../../placement'
import type { Rated } from '../../measure'
import { exceeds, rate } from '../../measure'
import type { Layer, LoopMeans, Mend, Problem, Ribbon, RuleOf } from '../../piece'
import { MOST_LOOPS } from '../../piece'
import type { ConstructionContext } from '../construction'
import { changeRule } from '../construction'
import { HANDLE, RIBBON_TWIST } from '../rules-of-thumb'
import { overFloor } from './figures'
import { bowPieces, largest, sized, sizeOf } from './ribbon'
import type { BowSetup } from './setup'
import { constructionMessage } from '../words'

/** The fewest layers that give a loop to each side. */
const LEAST_COIL = 3
/** The nearest odd number of layers, more where there may be more. */
const oddLayers = (layers: number): number => Math.max(LEAST_COIL, layers < MOST_LOOPS ? layers + 1 - (layers % 2) : MOST_LOOPS - 1)

/** Asked once for each bow, and never assumed. */
export function askWhatIsMeant(layer: Layer, rule: RuleOf<'bow'>): Problem {
  const ribbon = rule.ribbons.find(hasLoops) ?? rule.ribbons[0]!
  const size = sizeOf(ribbon)
  const mend = (means: LoopMeans): Mend => ({ ...constructionMessage('loop-means', { size, means }), edit: changeRule(layer, { means }) })
  return {
    id: `${layer.id}:means`,
    severity: 'fault',
    layer: layer.id,
    ...constructionMessage('what-loop-means', { size }),
    mends: [mend('visible'), mend('ribbon used')],
  }
}

/** One ribbon of a bow in its layer. */
interface RibbonAt {
  readonly bow: BowSetup
  readonly layer: Layer
  readonly at: number
  readonly by: Rated
}

/** The edit that puts another in a ribbon's place. */
const changeRibbon = ({ bow, layer, at }: RibbonAt, next: Ribbon) =>
  changeRule(layer, { ribbons: bow.rule.ribbons.map((ribbon, i) => (i === at ? next : ribbon)) })

function tooLong(of: RibbonAt): Problem[] {
  const { bow, layer, at } = of
  const { means, hem } = bow
  const { ribbon, material } = bow.rows[at]!
  const longest = Math.max(0, ...bowPieces(ribbon, means, hem).map(({ length }) => length))
  if (!exceeds(longest, material.length)) return []
  const fit = largest(ribbon, means, material.length, hem)
  const fits = fit !== null && fit >= LEAST_SIZE ? sized(ribbon, Math.floor(fit), means) : null
  return [
    {
      id: `${layer.id}:long:${at}`,
      severity: 'fault',
      layer: layer.id,
      ...constructionMessage('bow-longer-than-roll', { longest, name: material.name, length: material.length }),
      mends: fits
        ? [{ ...constructionMessage('loops-of', { size: sizeOf(fits) }), edit: changeRibbon(of, fits) }]
        : [{ ...constructionMessage('shorter-tails-or-fewer-loops', {}), edit: null }],
    },
  ]
}
/** Below this no bow is proposed, mm. */
const LEAST_SIZE = 5

function stripTooShort(of: RibbonAt): Problem[] {
  const { bow, layer, at } = of
  const { means } = bow
  const { ribbon } = bow.rows[at]!
  if (ribbon.build !== 'rag' || ragLoops(ribbon, means) >= 1) return []
  const strip = 2 * ribbon.overhang + 2 * ribbonInLoop(ribbon.loop, means)
  return [
    {
      id: `${layer.id}:rag:${at}`,
      severity: 'fault',
      layer: layer.id,
      ...constructionMessage('strip-too-short', { loop: ribbonInLoop(ribbon.loop, means), strip: ribbon.strip, ends: 2 * ribbon.overhang }),
      mends: [{ ...constructionMessage('cut-strips', { strip }), edit: changeRibbon(of, { ...ribbon, strip }) }],
    },
  ]
}

function oneSideShort(of: RibbonAt): Problem[] {
  const { bow, layer, at } = of
  const { ribbon } = bow.rows[at]!
  if (ribbon.build !== 'coil' || (ribbon.layers % 2 === 1 && ribbon.layers >= LEAST_COIL)) return []
  const layers = oddLayers(ribbon.layers)
  return [
    {
      id: `${layer.id}:even:${at}`,
      severity: ribbon.layers < 2 ? 'fault' : 'care',
      layer: layer.id,
      ...(ribbon.layers < 2 ? constructionMessage('coil-without-loop', {}) : constructionMessage('coil-uneven', { layers: ribbon.layers })),
      mends: [{ ...constructionMessage('wind', { layers }), edit: changeRibbon(of, { ...ribbon, layers }) }],
    },
  ]
}

function backShows(of: RibbonAt): Problem[] {
  const { bow, layer, at, by } = of
  const { ribbon, material } = bow.rows[at]!
  if (ribbon.build !== 'hand' || material.facing === 'all round' || ribbon.twist > 0) return []
  const twist = rate(RIBBON_TWIST, by)
  return [
    {
      id: `${layer.id}:twist:${at}`,
      severity: 'care',
      layer: layer.id,
      ...constructionMessage('has-a-back', { name: material.name }),
      mends: [{ ...constructionMessage('allow-twist', { twist }), edit: changeRibbon(of, { ...ribbon, twist }) }],
    },
  ]
}

function tailsTooLow({ rule }: BowSetup, { piece, layer, laid, shelf }: ConstructionContext): Problem[] {
  const long = tailReach(rule.ribbons)
  const [at] = laid.placements
  if (!at || long === 0) return []
  const floor = overFloor(piece, at.y + long, shelf)
  if (floor === null || floor > rate(HANDLE, shelf)) return []
  return [
    {
      id: `${layer.id}:tails`,
      severity: floor < 0 ? 'fault' : 'note',
      layer: layer.id,
      ...(floor < 0 ? constructionMessage('tails-on-floor', { by: -floor }) : constructionMessage('tails-low', { floor })),
      mends: [{ ...constructionMessage('shorter-tails', {}), edit: null }],
    },
  ]
}

/** What is wrong with a bow, ribbon by ribbon. */
export const bowProblems = (bow: BowSetup, context: ConstructionContext): Problem[] => [
  ...bow.rows.flatMap((_, at) => {
    const of: RibbonAt = { bow, layer: context.layer, at, by: context.shelf }
    return [...tooLong(of), ...stripTooShort(of), ...oneSideShort(of), ...backShows(of)]
  }),
  ...tailsTooLow(bow, context),
]
