import { overlapped, shortestOf } from '../arrange'
import type { Placement } from '../arrange'
import type { Run } from '../base'
import { rimAt, silhouetteOf } from '../glyph'
import type { Shelf } from '../material'
import { COUNTED, figure, GEOMETRY, quantity, RULE_OF_THUMB, sum, wholesOver } from '../measure'
import { MOST_PLACES } from '../piece'
import { BINDING, TAIL } from './binding'
import type { Construction, NamedFigure } from './construction'
import { changeRule, figureOf, lengthOf, shareOf, total } from './construction'

/** Wraps that make the wire fast before the first bundle, and the least round a bundle in the last quarter: rule of thumb. */
const AT_START = 2
const IN_LAST_QUARTER = 2

/** The number of the first bundle of the last quarter, from 1: from there on each is wrapped twice at least. */
export const lastQuarter = (bundles: number): number => Math.floor(bundles * 0.75) + 1

/** How many wraps of wire so many bundles take. */
export function wrapsOf(bundles: number, each: number): number {
  const late = bundles - lastQuarter(bundles) + 1
  return AT_START + (bundles - late) * each + late * Math.max(each, IN_LAST_QUARTER)
}

/** Sprigs bound on by the bundle. */
export const BUNDLES: Construction<'bundles'> = {
  makeUp(rule, { layer, runs, laid, shelf }) {
    const piece = shortestOf(layer, shelf)
    const round = Math.PI * rule.bound
    const each = runs.map((one) => {
      const { count: n, step: even } = overlapped(one, piece, rule.advance)
      const wraps = wrapsOf(n, rule.wraps)
      return { n, even, wraps, wire: wraps * round + one.length + 2 * TAIL }
    })
    const [run] = runs
    const { n: first, even: step } = each[0]!
    const count = total(each, ({ n }) => n)
    const path = total(runs, ({ length }) => length)
    const wire = total(each, (one) => one.wire)
    const sprigs = count * rule.sprigs * rule.faces
    const counted = run.closed
      ? sum`⌈centre line ${quantity.length(run.length)} ÷ ${quantity.length(rule.advance)}⌉ = ${quantity.count(first)}`
      : sum`⌈(run ${quantity.length(run.length)} − sprig ${quantity.length(piece)}) ÷ ${quantity.length(rule.advance)}⌉ + 1 = ${quantity.count(first)}`
    const more = runs.length > 1 ? sum` on the ${run.name}, on ${quantity.count(runs.length)} runs ${quantity.count(count)}` : []
    const figures: NamedFigure[] = [
      { id: 'bundles', name: 'Bundles', figure: figure(quantity.count(count), [...counted, ...more], GEOMETRY) },
      lengthOf('advance', 'Advance, evened', step, run.closed ? sum`${quantity.length(run.length)} ÷ ${quantity.count(first)} = ${quantity.length(step)}` : sum`(${quantity.length(run.length)} − ${quantity.length(piece)}) ÷ ${quantity.count(Math.max(1, first - 1))} = ${quantity.length(step)}`),
      // One bundle lies over none.
      ...(first > 1 ? [{ id: 'overlap', name: 'Overlap', figure: shareOf(1 - step / piece, sum`1 − advance ${quantity.length(step)} ÷ sprig ${quantity.length(piece)}`) }] : []),
      { id: 'sprigs', name: 'Sprigs', figure: figure(quantity.count(sprigs), sum`${quantity.count(count)} bundles × ${quantity.count(rule.sprigs)}${rule.faces > 1 ? ' × both faces' : ''} = ${quantity.count(sprigs)}, before spare`, COUNTED) },
      { id: 'double', name: 'Wrap twice from bundle', figure: figure(quantity.count(lastQuarter(first)), sum`the last quarter of ${quantity.count(first)} begins with bundle ${quantity.count(lastQuarter(first))}`, RULE_OF_THUMB) },
      lengthOf('wire', 'Binding wire', wire, sum`${quantity.count(total(each, ({ wraps }) => wraps))} wraps × π × ${quantity.length(rule.bound)} + path ${quantity.length(path)} + ${quantity.count(2 * runs.length)} tails of ${quantity.length(TAIL)} = ${quantity.length(wire)}`),
      ...(run.closed ? finishedFigures(laid.placements, shelf) : []),
    ]
    return { layer: layer.id, title: null, figures, uses: [], takes: each.map((one, i) => ({ material: BINDING, use: runs.length > 1 ? `binding ${i + 1}` : 'binding', length: one.wire, count: 1, joins: true })) }
  },
  words: (rule, makeUp) => [
    sum`Bind ${figureOf(makeUp, 'bundles')} bundles of ${quantity.count(rule.sprigs)}${rule.faces > 1 ? ' in front and as many behind' : ''}, ${figureOf(makeUp, 'advance')} from one to the next, each over the stems of the last; wrap each ${times(rule.wraps)}.`,
    sum`Two wraps before the first; from bundle ${figureOf(makeUp, 'double')} on wrap each at least twice. Tuck the last under the heads of the first and tie off.`,
  ],
  problems(rule, { layer, runs: [run], shelf }) {
    const piece = shortestOf(layer, shelf)
    const { count } = overlapped(run, piece, rule.advance)
    const most = Math.floor(MOST_PLACES / rule.sprigs)
    const usual = piece * 0.5
    return [
      ...(rule.advance > piece ? [{ id: `${layer.id}:advance`, severity: 'care' as const, layer: layer.id, says: sum`Bundles ${quantity.length(rule.advance)} apart with sprigs of ${quantity.length(piece)} leave the frame bare between them.`, mends: [{ says: sum`Advance by ${quantity.length(usual)}`, edit: changeRule(layer, { advance: usual }) }] }] : []),
      ...(count > most ? [{ id: `${layer.id}:many`, severity: 'care' as const, layer: layer.id, says: sum`${quantity.count(count)} bundles of ${quantity.count(rule.sprigs)} are more than ${quantity.count(MOST_PLACES)} sprigs. The layer stops there.`, mends: [{ says: sum`Advance by ${quantity.length(run.length / most)}`, edit: changeRule(layer, { advance: run.length / most }) }] }] : []),
    ]
  },
}

/** How wide a bound ring comes out, and its hole: by the sprigs that reach farthest out and in. */
function finishedFigures(placements: readonly Placement[], shelf: Shelf): NamedFigure[] {
  const away = placements.flatMap((each) => rimAt(silhouetteOf(each, shelf), each).map(([x, y]) => Math.hypot(x, y)))
  if (!away.length) return []
  const [far, near] = [Math.max(...away), Math.min(...away)]
  return [
    lengthOf('outer', 'Finished, outside', 2 * far, sum`2 × ${quantity.length(far)} from the middle to the tip that reaches farthest out`),
    lengthOf('inner', 'Finished, hole', 2 * near, sum`2 × ${quantity.length(near)} from the middle to the tip that reaches farthest in`),
  ]
}

/** With so many sprigs in hand: the bundles they give, the advance that stretches them round, and how deep they then lie. */
export interface Stretched { readonly bundles: number, readonly advance: number, readonly depth: number }

/**
 * @param sprigs each bundle takes, from 1 @param faces 1 or 2 @param inHand sprigs there are @param piece how long one is, mm
 * @returns null when they do not give one bundle
 */
export function stretched({ length, closed }: Pick<Run, 'length' | 'closed'>, piece: number, sprigs: number, faces: number, inHand: number): Stretched | null {
  const bundles = Math.floor(inHand / (sprigs * faces))
  if (bundles < 1) return null
  const advance = closed ? length / bundles : bundles > 1 ? Math.max(0, length - piece) / (bundles - 1) : length
  return { bundles, advance, depth: advance > 0 ? piece / advance : bundles }
}

const times = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`)

/** How one goes on from here: bundles still to bind over a gap, and how many of them are wrapped twice. */
export interface Remaining { readonly bundles: number, readonly twice: number }

/**
 * @param done bundles bound so far @param gap left on the run, mm, over 0 @param advance as bound, mm, over 0
 * @returns null when there is nothing to go by
 */
export function remaining(done: number, gap: number, advance: number): Remaining | null {
  if (!(done >= 0) || !(gap > 0) || !(advance > 0)) return null
  const bundles = wholesOver(gap, advance)
  return { bundles, twice: Math.min(bundles, done + bundles - lastQuarter(done + bundles) + 1) }
}
