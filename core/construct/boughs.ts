import { overlapped, shortestOf } from '../arrange'
import { COUNTED, figure, GEOMETRY, inches, listed, quantity, RULE_OF_THUMB, sum, wholesOver } from '../measure'
import { BINDING, TAIL } from './binding'
import type { Construction, NamedFigure } from './construction'
import { changeRule, figureOf, lengthOf, shareOf, total } from './construction'

/** Wraps of wire round one tie of a garland: rule of thumb. */
const PER_TIE = 3

/** Pieces of bough bound end over end. */
export const BOUGHS: Construction<'boughs'> = {
  makeUp(rule, { layer, runs, shelf }) {
    const piece = shortestOf(layer, shelf)
    if (rule.overlap >= piece) return null
    const advance = piece - rule.overlap
    const each = runs.map((run) => overlapped(run, piece, advance).count)
    const pieces = total(each, (n) => n)
    const along = total(runs, ({ length }) => length)
    const perBough = rule.yields / advance
    const boughs = Math.max(1, wholesOver(pieces * advance, rule.yields))
    const first = runs[0]
    const counted = first.closed ? sum`⌈${quantity.length(first.length)} ÷ ${quantity.length(advance)}⌉ = ${quantity.count(each[0]!)}`
      : sum`⌈(${quantity.length(first.length)} − ${quantity.length(piece)}) ÷ ${quantity.length(advance)}⌉ + 1 = ${quantity.count(each[0]!)}`
    const more = runs.length > 1 ? sum`, on ${quantity.count(runs.length)} runs ${quantity.count(pieces)}` : []
    const wire = pieces * PER_TIE * Math.PI * TIED + along + runs.length * 2 * TAIL
    const figures: NamedFigure[] = [
      { id: 'pieces', name: 'Pieces', figure: figure(quantity.count(pieces), [...counted, ...more], GEOMETRY) },
      lengthOf('length', 'Garland', along, runs.length > 1 ? [...runs.flatMap(({ name, length }, i) => [i ? ' + ' : '', `${name} `, quantity.length(length)]), ...sum` = ${quantity.length(along)}`] : sum`the length of the ${first.name}`),
      { id: 'overlap', name: 'Overlap', figure: shareOf(rule.overlap / piece, sum`${quantity.length(rule.overlap)} ÷ piece ${quantity.length(piece)}`) },
      { id: 'per-bough', name: 'Pieces from a bough, about', figure: figure(quantity.ratio(perBough), sum`${quantity.length(rule.yields)} of garland ÷ ${quantity.length(advance)} a piece = ${quantity.ratio(perBough)}`, RULE_OF_THUMB) },
      { id: 'boughs', name: 'Large boughs', figure: figure(quantity.count(boughs), sum`⌈${quantity.count(pieces)} pieces × ${quantity.length(advance)} ÷ ${quantity.length(rule.yields)} a bough⌉ = ${quantity.count(boughs)}`, RULE_OF_THUMB) },
      { id: 'ties', name: 'Ties', figure: figure(quantity.count(pieces), sum`one for each of ${quantity.count(pieces)} pieces`, COUNTED) },
      { id: 'wire', name: 'Binding wire', figure: figure(quantity.length(wire), sum`${quantity.count(pieces)} ties × ${quantity.count(PER_TIE)} wraps × π × ${quantity.length(TIED)} + path ${quantity.length(along)} + tails = ${quantity.length(wire)}`, RULE_OF_THUMB) },
    ]
    return { layer: layer.id, title: null, figures, uses: [], takes: [{ material: BINDING, use: 'binding', length: wire / runs.length, count: runs.length, joins: true }] }
  },
  words: (_rule, makeUp, { runs }) => [
    sum`Bind ${figureOf(makeUp, 'pieces')} pieces end over end, one tie to each, so that each hides the stem of the last. About ${figureOf(makeUp, 'boughs')} large boughs give them.`,
    ...(runs.length === 2 ? [sum`Make the ${runs[0].name} and the ${runs[1]!.name} as mirror images: each points away from where they meet, and the meeting is hidden.`] : runs.length > 2 ? [sum`Make the ${listed(runs.map(({ name }) => name))} apart, each from its hook to the next.`] : []),
  ],
  problems(rule, { layer, shelf }) {
    const piece = shortestOf(layer, shelf)
    if (rule.overlap < piece) return []
    return [{ id: `${layer.id}:overlap`, severity: 'fault', layer: layer.id, says: sum`Pieces of ${quantity.length(piece)} cannot overlap by ${quantity.length(rule.overlap)}: the garland would get no longer.`, mends: [{ says: sum`Overlap by ${quantity.length(piece * 0.375)}`, edit: changeRule(layer, { overlap: piece * 0.375 }) }] }]
  },
}
/** How thick the stems of a garland are where they are tied: rule of thumb. */
const TIED = inches(0.75)
