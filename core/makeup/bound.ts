import type { LaidLayer } from '../arrange'
import { overlapped, runsFor, shortestOf } from '../arrange'
import type { Run } from '../base'
import type { Shelf } from '../material'
import type { Figure, Said } from '../measure'
import { COUNTED, figure, GEOMETRY, inches, quantity, RULE_OF_THUMB, sum } from '../measure'
import type { Layer, Problem, RuleOf } from '../piece'
import { MOST_PLACES } from '../piece'
import type { MakeUp, NamedFigure } from './makeup'

/** The wire that bundles and boughs are bound with. */
export const BINDING = 'paddle-wire'
/** Wraps that make the wire fast before the first bundle, and the least round a bundle in the last quarter: rule of thumb. */
const AT_START = 2
const IN_LAST_QUARTER = 2
/** Wire left at each end to tie off: rule of thumb. */
const TAIL = inches(4)
/** Wraps of wire round one tie of a garland: rule of thumb. */
const PER_TIE = 3

type Bound = RuleOf<'bundles'> | RuleOf<'boughs'>
const boundBy = ({ rule }: Layer): Bound | null => (rule.kind === 'bundles' || rule.kind === 'boughs' ? rule : null)

/** The number of the first bundle of the last quarter, from 1: from there on each is wrapped twice at least. */
export const lastQuarter = (bundles: number): number => Math.floor(bundles * 0.75) + 1

/** How many wraps of wire so many bundles take. */
export function wrapsOf(bundles: number, each: number): number {
  const late = bundles - lastQuarter(bundles) + 1
  return AT_START + (bundles - late) * each + late * Math.max(each, IN_LAST_QUARTER)
}

/** What a layer of bundles or boughs comes to; null for layers by other rules. */
export function boundMakeUp({ layer }: LaidLayer, runs: readonly Run[], shelf: Shelf): MakeUp | null {
  const rule = boundBy(layer)
  const own = runsFor(layer, runs)
  const piece = shortestOf(layer, shelf)
  if (!rule || !own.length || piece === 0) return null
  if (rule.kind === 'bundles') return bundlesMakeUp(layer, rule, own, piece)
  return rule.overlap < piece ? boughsMakeUp(layer, rule, own, piece) : null
}

const share = (value: number, how: Said): Figure => figure(quantity.share(value), how, GEOMETRY)

function bundlesMakeUp(layer: Layer, rule: RuleOf<'bundles'>, runs: readonly Run[], piece: number): MakeUp {
  const round = Math.PI * rule.bound
  const each = runs.map((run) => {
    const { count, step } = overlapped(run, piece, rule.advance)
    const wraps = wrapsOf(count, rule.wraps)
    return { run, count, step, wraps, wire: wraps * round + run.length + 2 * TAIL }
  })
  const { run, count: first, step } = each[0]!
  const total = (of: 'count' | 'wraps' | 'wire'): number => each.reduce((all, one) => all + one[of], 0)
  const count = total('count')
  const path = runs.reduce((all, { length }) => all + length, 0)
  const counted = run.closed
    ? sum`⌈centre line ${quantity.length(run.length)} ÷ ${quantity.length(rule.advance)}⌉ = ${quantity.count(first)}`
    : sum`⌈(run ${quantity.length(run.length)} − sprig ${quantity.length(piece)}) ÷ ${quantity.length(rule.advance)}⌉ + 1 = ${quantity.count(first)}`
  const more = runs.length > 1 ? sum` on the ${run.name}, on ${quantity.count(runs.length)} runs ${quantity.count(count)}` : []
  const figures: NamedFigure[] = [
    { id: 'bundles', name: 'Bundles', figure: figure(quantity.count(count), [...counted, ...more], GEOMETRY) },
    { id: 'advance', name: 'Advance, evened', figure: figure(quantity.length(step), run.closed ? sum`${quantity.length(run.length)} ÷ ${quantity.count(first)} = ${quantity.length(step)}` : sum`(${quantity.length(run.length)} − ${quantity.length(piece)}) ÷ ${quantity.count(Math.max(1, first - 1))} = ${quantity.length(step)}`, GEOMETRY) },
    // One bundle lies over none.
    ...(first > 1 ? [{ id: 'overlap', name: 'Overlap', figure: share(1 - step / piece, sum`1 − advance ${quantity.length(step)} ÷ sprig ${quantity.length(piece)}`) }] : []),
    { id: 'sprigs', name: 'Sprigs', figure: figure(quantity.count(count * rule.sprigs), sum`${quantity.count(count)} bundles × ${quantity.count(rule.sprigs)} = ${quantity.count(count * rule.sprigs)}, before spare`, COUNTED) },
    { id: 'double', name: 'Wrap twice from bundle', figure: figure(quantity.count(lastQuarter(first)), sum`the last quarter of ${quantity.count(first)} begins with bundle ${quantity.count(lastQuarter(first))}`, RULE_OF_THUMB) },
    { id: 'wire', name: 'Binding wire', figure: figure(quantity.length(total('wire')), sum`${quantity.count(total('wraps'))} wraps × π × ${quantity.length(rule.bound)} + path ${quantity.length(path)} + ${quantity.count(2 * runs.length)} tails of ${quantity.length(TAIL)} = ${quantity.length(total('wire'))}`, GEOMETRY) },
  ]
  return { layer: layer.id, figures, takes: each.map(({ wire }, i) => ({ material: BINDING, use: runs.length > 1 ? `binding ${i + 1}` : 'binding', length: wire, count: 1, joins: true })) }
}

function boughsMakeUp(layer: Layer, rule: RuleOf<'boughs'>, runs: readonly Run[], piece: number): MakeUp {
  const advance = piece - rule.overlap
  const each = runs.map((run) => overlapped(run, piece, advance).count)
  const pieces = each.reduce((a, b) => a + b, 0)
  const total = runs.reduce((all, { length }) => all + length, 0)
  const perBough = Math.max(1, Math.floor(rule.yields / advance + 1e-9))
  const boughs = Math.ceil(pieces / perBough)
  const first = runs[0]!
  const counted = first.closed ? sum`⌈${quantity.length(first.length)} ÷ ${quantity.length(advance)}⌉ = ${quantity.count(each[0]!)}`
    : sum`⌈(${quantity.length(first.length)} − ${quantity.length(piece)}) ÷ ${quantity.length(advance)}⌉ + 1 = ${quantity.count(each[0]!)}`
  const more = runs.length > 1 ? sum`, on ${quantity.count(runs.length)} runs ${quantity.count(pieces)}` : []
  const wire = pieces * PER_TIE * Math.PI * TIED + total + runs.length * 2 * TAIL
  const figures: NamedFigure[] = [
    { id: 'pieces', name: 'Pieces', figure: figure(quantity.count(pieces), [...counted, ...more], GEOMETRY) },
    { id: 'length', name: 'Garland', figure: figure(quantity.length(total), runs.length > 1 ? [...runs.flatMap(({ name, length }, i) => [i ? ' + ' : '', `${name} `, quantity.length(length)]), ...sum` = ${quantity.length(total)}`] : sum`the length of the ${first.name}`, GEOMETRY) },
    { id: 'overlap', name: 'Overlap', figure: share(rule.overlap / piece, sum`${quantity.length(rule.overlap)} ÷ piece ${quantity.length(piece)}`) },
    { id: 'per-bough', name: 'Pieces from a bough', figure: figure(quantity.count(perBough), sum`⌊${quantity.length(rule.yields)} of garland ÷ ${quantity.length(advance)} a piece⌋ = ${quantity.count(perBough)}`, RULE_OF_THUMB) },
    { id: 'boughs', name: 'Large boughs', figure: figure(quantity.count(boughs), sum`⌈${quantity.count(pieces)} ÷ ${quantity.count(perBough)}⌉ = ${quantity.count(boughs)}`, RULE_OF_THUMB) },
    { id: 'ties', name: 'Ties', figure: figure(quantity.count(pieces), sum`one for each of ${quantity.count(pieces)} pieces`, COUNTED) },
    { id: 'wire', name: 'Binding wire', figure: figure(quantity.length(wire), sum`${quantity.count(pieces)} ties × ${quantity.count(PER_TIE)} wraps × π × ${quantity.length(TIED)} + path ${quantity.length(total)} + tails = ${quantity.length(wire)}`, RULE_OF_THUMB) },
  ]
  return { layer: layer.id, figures, takes: [{ material: BINDING, use: 'binding', length: wire / runs.length, count: runs.length, joins: true }] }
}
/** How thick the stems of a garland are where they are tied: rule of thumb. */
const TIED = inches(0.75)

/** How one goes on from here: bundles still to bind over a gap, and how many of them are wrapped twice. */
export interface Remaining { readonly bundles: number, readonly twice: number }

/**
 * @param done bundles bound so far @param gap left on the run, mm, over 0 @param advance as bound, mm, over 0
 * @returns null when there is nothing to go by
 */
export function remaining(done: number, gap: number, advance: number): Remaining | null {
  if (!(done >= 0) || !(gap > 0) || !(advance > 0)) return null
  const bundles = Math.ceil(gap / advance - 1e-9)
  return { bundles, twice: Math.min(bundles, done + bundles - lastQuarter(done + bundles) + 1) }
}

/** How a hand binds them, in words for the make sheet. */
export function boundWords({ layer }: LaidLayer, makeUp: MakeUp): Said[] {
  const value = (id: string): NamedFigure['figure'] => makeUp.figures.find((each) => each.id === id)!.figure
  const { rule } = layer
  if (rule.kind === 'bundles') {
    return [
      sum`Bind ${value('bundles')} bundles of ${quantity.count(rule.sprigs)}, ${value('advance')} from one to the next, each over the stems of the last; wrap each ${times(rule.wraps)}.`,
      sum`Two wraps before the first; from bundle ${value('double')} on wrap each at least twice. Tuck the last under the heads of the first and tie off.`,
    ]
  }
  return [sum`Bind ${value('pieces')} pieces end over end, one tie to each, so that each hides the stem of the last. About ${value('boughs')} large boughs give them.`]
}
const times = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`)

/** What cannot be bound so. */
export function boundProblems(laid: readonly LaidLayer[], runs: readonly Run[], shelf: Shelf): Problem[] {
  return laid.flatMap(({ layer }): Problem[] => {
    const rule = boundBy(layer)
    const [run] = runsFor(layer, runs)
    const piece = shortestOf(layer, shelf)
    if (!rule || !run || piece === 0) return []
    const set = (change: Partial<Bound>) => ({ do: 'layer' as const, layer: layer.id, set: { rule: { ...rule, ...change } as Layer['rule'] } })
    if (rule.kind === 'boughs') {
      if (rule.overlap < piece) return []
      return [{ id: `${layer.id}:overlap`, weight: 'fault', layer: layer.id, says: sum`Pieces of ${quantity.length(piece)} cannot overlap by ${quantity.length(rule.overlap)}: the garland would get no longer.`, mends: [{ says: sum`Overlap by ${quantity.length(piece * 0.375)}`, edit: set({ overlap: piece * 0.375 }) }] }]
    }
    const { count } = overlapped(run, piece, rule.advance)
    const most = Math.floor(MOST_PLACES / rule.sprigs)
    const usual = piece * 0.5
    return [
      ...(rule.advance > piece ? [{ id: `${layer.id}:advance`, weight: 'care' as const, layer: layer.id, says: sum`Bundles ${quantity.length(rule.advance)} apart with sprigs of ${quantity.length(piece)} leave the frame bare between them.`, mends: [{ says: sum`Advance by ${quantity.length(usual)}`, edit: set({ advance: usual }) }] }] : []),
      ...(count > most ? [{ id: `${layer.id}:many`, weight: 'care' as const, layer: layer.id, says: sum`${quantity.count(count)} bundles of ${quantity.count(rule.sprigs)} are more than ${quantity.count(MOST_PLACES)} sprigs. The layer stops there.`, mends: [{ says: sum`Advance by ${quantity.length(run.length / most)}`, edit: set({ advance: run.length / most }) }] }] : []),
    ]
  })
}
