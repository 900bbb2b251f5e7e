import { overlapped, shortestOf } from '../placement'
import type { Placement } from '../placement'
import type { Run } from '../base'
import { rimAt, silhouetteOf } from '../looks'
import type { Shelf } from '../material'
import type { Rated, Term } from '../measure'
import {
  GEOMETRY,
  quantity,
  rate,
  RULE_OF_THUMB,
  ruleUsed,
  sum,
  wholesOver,
  asUnit,
  byRule,
  count,
  given,
  minus,
  mm,
  divide,
  PI,
  plus,
  ratio,
  saidAs,
  labelled,
  times,
  ceil,
  worked,
} from '../measure'
import type { RuleOf } from '../piece'
import { MOST_PLACES } from '../piece'
import { bindingOf } from './binding-wire'
import type { Construction, NamedFigure } from './construction'
import { changeRule, figureOf, lengthsFor, read, told, total } from './construction'
import { LATE_WRAPS, START_WRAPS, TAIL } from './rules-of-thumb'
import { constructionMessage } from './words'

/**
 * The number of the first bundle of the last quarter, from 1: from there on each is wrapped twice at least.
 * @example lastQuarter(12) // 10
 */
export const lastQuarter = (bundles: number): number => Math.floor(bundles * 0.75) + 1

/**
 * How many wraps of wire so many bundles take.
 * @example wrapsOf(12, 1, { rates: {} }) // 17
 */
export function wrapsOf(bundles: number, each: number, by: Rated): number {
  const late = bundles - lastQuarter(bundles) + 1
  return rate(START_WRAPS, by) + (bundles - late) * each + late * Math.max(each, rate(LATE_WRAPS, by))
}

/** One run bound round: how many bundles, and the wire that binds them. */
interface BoundRun {
  readonly count: number
  /** From one to the next, mm. */
  readonly step: number
  readonly run: Run
  readonly wraps: Term
  readonly wire: Term
}

/** What binds some runs together. @param length of all of them, mm */
function bindingWire(rule: RuleOf<'bundles'>, wraps: Term, length: number, runs: number, by: Rated): Term {
  const round = times(PI, mm(rule.bound))
  const tails = times(labelled`${count(2 * runs)} tails`, byRule(TAIL, by))
  return plus(times(labelled`${wraps} wraps`, round), labelled`path ${mm(length)}`, tails)
}

const boundRuns = (rule: RuleOf<'bundles'>, piece: number, runs: readonly Run[], by: Rated): BoundRun[] =>
  runs.map((run) => {
    const laid = overlapped(run, piece, rule.advance)
    const wraps = {
      ...count(wrapsOf(laid.count, rule.wraps, by)),
      rules: [ruleUsed(START_WRAPS, by), ruleUsed(LATE_WRAPS, by)],
    }
    return { ...laid, run, wraps, wire: bindingWire(rule, wraps, run.length, 1, by) }
  })

/** How many bundles go round, and how they lie. @param piece how long a sprig is, mm @param whole on all runs */
function bundleFigures(rule: RuleOf<'bundles'>, piece: number, runs: readonly [Run, ...Run[]], rows: readonly BoundRun[]): NamedFigure[] {
  const [run] = runs
  const { count: first, step } = rows[0]!
  const whole = total(rows, (row) => row.count)
  const counted = run.closed
    ? ceil(divide(labelled`centre line ${mm(run.length)}`, mm(rule.advance)))
    : plus(ceil(divide(minus(labelled`run ${mm(run.length)}`, labelled`sprig ${mm(piece)}`), mm(rule.advance))), count(1))
  const onAll = sum` on the ${run.name}; on ${quantity.count(runs.length)} runs in all ${quantity.count(whole)}`
  const evened =
    run.closed || first > 1
      ? divide(run.closed ? mm(run.length) : minus(mm(run.length), mm(piece)), count(run.closed ? first : first - 1))
      : mm(step)
  const overlap = asUnit('share', minus(ratio(1), divide(labelled`advance ${mm(step)}`, labelled`sprig ${mm(piece)}`)))
  const oneFace = times(labelled`${count(whole)} bundles`, count(rule.sprigs))
  const sprigs = rule.faces > 1 ? times(oneFace, saidAs(count(rule.faces), ['both faces'])) : oneFace
  return [
    runs.length > 1
      ? read('bundles', 'Bundles', quantity.count(whole), [...worked(counted).sum, ...onAll], GEOMETRY)
      : told('bundles', 'Bundles', counted),
    told('advance', 'Advance, evened', evened),
    // One bundle lies over none.
    ...(first > 1 ? [told('overlap', 'Overlap', overlap)] : []),
    told('sprigs', 'Sprigs', sprigs, [', before spare']),
    read(
      'double',
      'Wrap twice from bundle',
      quantity.count(lastQuarter(first)),
      sum`the last quarter of ${quantity.count(first)} begins with bundle ${quantity.count(lastQuarter(first))}`,
      RULE_OF_THUMB,
    ),
  ]
}

/** The binding wire of all runs. */
function wireFigure(rule: RuleOf<'bundles'>, rows: readonly BoundRun[], by: Rated): NamedFigure {
  const wraps = given(quantity.count(total(rows, (row) => row.wraps.value)))
  const wire = bindingWire(
    rule,
    wraps,
    total(rows, ({ run }) => run.length),
    rows.length,
    by,
  )
  return told('wire', 'Binding wire', { ...wire, rules: [...rows[0]!.wraps.rules, ...wire.rules], basis: RULE_OF_THUMB })
}

/** Sprigs bound on by the bundle. */
export const BUNDLES_CONSTRUCTION: Construction<'bundles'> = {
  makeUp(rule, { piece: of, layer, runs, laid, shelf }) {
    const piece = shortestOf(layer, shelf)
    const rows = boundRuns(rule, piece, runs, shelf)
    return {
      layer: layer.id,
      title: null,
      figures: [
        ...bundleFigures(rule, piece, runs, rows),
        wireFigure(rule, rows, shelf),
        ...(runs[0].closed ? finishedFigures(laid.placements, shelf) : []),
      ],
      needs: lengthsFor(
        layer.id,
        rows.map(({ wire }, i) => ({
          material: bindingOf(of, shelf),
          use: rows.length > 1 ? `binding ${i + 1}` : 'binding',
          length: wire.value,
          count: 1,
          joins: true,
        })),
      ),
    }
  },
  words: (rule, makeUp) => [
    sum`Bind ${figureOf(makeUp, 'bundles')} bundles of ${quantity.count(rule.sprigs)}${rule.faces > 1 ? ' in front and as many behind' : ''}, ${figureOf(makeUp, 'advance')} from one to the next, each over the stems of the last; wrap each ${often(rule.wraps)}.`,
    [
      ...(rule.wraps > 1
        ? sum`Two wraps before the first.`
        : sum`Two wraps before the first; from bundle ${figureOf(makeUp, 'double')} on wrap each twice.`),
      ' Tuck the last under the heads of the first and tie off.',
    ],
  ],
  problems(rule, { layer, runs: [run], shelf }) {
    const piece = shortestOf(layer, shelf)
    const { count } = overlapped(run, piece, rule.advance)
    const most = Math.floor(MOST_PLACES / rule.sprigs)
    const usual = piece * 0.5
    return [
      ...(rule.advance > piece
        ? [
            {
              id: `${layer.id}:advance`,
              severity: 'care' as const,
              layer: layer.id,
              ...constructionMessage('bundles-apart', { advance: rule.advance, sprig: piece }),
              mends: [{ ...constructionMessage('advance-by', { advance: usual }), edit: changeRule(layer, { advance: usual }) }],
            },
          ]
        : []),
      ...(count > most
        ? [
            {
              id: `${layer.id}:many`,
              severity: 'care' as const,
              layer: layer.id,
              ...constructionMessage('many-bundles', { count, sprigs: rule.sprigs }),
              mends: [
                {
                  ...constructionMessage('advance-by', { advance: run.length / most }),
                  edit: changeRule(layer, { advance: run.length / most }),
                },
              ],
            },
          ]
        : []),
    ]
  },
}

/** How wide a bound ring comes out, and its hole: by the sprigs that reach farthest out and in. */
function finishedFigures(placements: readonly Placement[], shelf: Shelf): NamedFigure[] {
  const away = placements.flatMap((each) => rimAt(silhouetteOf(each, shelf), each).map(([x, y]) => Math.hypot(x, y)))
  if (!away.length) return []
  const [far, near] = [Math.max(...away), Math.min(...away)]
  return [
    told('outer', 'Finished, outside', times(count(2), labelled`${mm(far)} from the middle to the tip that reaches farthest out`)),
    told('inner', 'Finished, hole', times(count(2), labelled`${mm(near)} from the middle to the tip that reaches farthest in`)),
  ]
}

/** With so many sprigs in hand: the bundles they give, the advance that stretches them round, and how deep they then lie. */
export interface Stretched {
  readonly bundles: number
  readonly advance: number
  readonly depth: number
  /** Under one deep the frame shows, under one and a half it looks thin. */
  readonly looks: 'bare' | 'thin' | 'good'
}

/**
 * @param sprigs each bundle takes, from 1 @param faces 1 or 2 @param inHand sprigs there are @param piece how long one is, mm
 * @returns null when they do not give one bundle
 * @example stretched({ length: 1000, closed: true }, 200, 4, 1, 43) // { bundles: 10, advance: 100, depth: 2, looks: 'good' }
 */
export function stretched(
  { length, closed }: Pick<Run, 'length' | 'closed'>,
  piece: number,
  sprigs: number,
  faces: number,
  inHand: number,
): Stretched | null {
  const bundles = Math.floor(inHand / (sprigs * faces))
  if (bundles < 1) return null
  const advance = closed ? length / bundles : bundles > 1 ? Math.max(0, length - piece) / (bundles - 1) : length
  const depth = advance > 0 ? piece / advance : bundles
  return { bundles, advance, depth, looks: depth < 1 ? 'bare' : depth < 1.5 ? 'thin' : 'good' }
}

const often = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`)

/** How one goes on from here: bundles still to bind over a gap, and how many of them are wrapped twice. */
export interface Remaining {
  readonly bundles: number
  readonly twice: number
}

/**
 * @param done bundles bound so far @param gap left on the run, mm, over 0 @param advance as bound, mm, over 0
 * @returns null when there is nothing to go by
 * @example remaining(9, 270, 90) // { bundles: 3, twice: 3 }
 */
export function remaining(done: number, gap: number, advance: number): Remaining | null {
  if (!(done >= 0) || !(gap > 0) || !(advance > 0)) return null
  const bundles = wholesOver(gap, advance)
  return { bundles, twice: Math.min(bundles, done + bundles - lastQuarter(done + bundles) + 1) }
}
