import { capital, figure, GEOMETRY, quantity, several, sum, wholesOver } from '../measure'
import type { Construction, NamedFigure } from './construction'
import { countOf, figureOf, lengthOf, ruleOfThumb, total } from './construction'
import { holderOn, notByLength, path, pinsOf } from './held'

/** A number of laps as one says it: whole, or with a half. */
const lapsSaid = (laps: number): string => (Number.isInteger(laps) ? (laps === 1 ? 'once' : laps === 2 ? 'twice' : `${laps} times`) : `${Number(laps.toFixed(2))} times`)

export const LAID: Construction<'laid'> = {
  makeUp(rule, { piece, layer, runs, mix: [material] }) {
    const one = path(runs)
    const each = runs.map((run) => run.length * rule.laps + rule.tuck)
    const length = total(each, (on) => on)
    const strandsOn = (on: number): number => Math.max(1, wholesOver(on, material.length))
    const pinsOn = (on: number): number => strandsOn(on) * pinsOf(Math.min(material.length, on), rule.every)
    const strands = total(each, strandsOn)
    const reach = material.length / one
    const holder = holderOn(piece)
    const pins = total(each, pinsOn)
    const laps = Number(rule.laps.toFixed(2))
    const figures: NamedFigure[] = [
      lengthOf('length', 'Length', length, [...sum`${quantity.ratio(rule.laps)} laps × ${quantity.length(one)}`, ...(rule.tuck > 0 ? sum` + tuck ${quantity.length(rule.tuck * runs.length)}` : []), ...sum` = ${quantity.length(length)}`]),
      countOf('strands', capital(material.plural), strands, runs.length > 1 ? sum`on each run ⌈its length ÷ ${quantity.length(material.length)}⌉, in all ${quantity.count(strands)}` : sum`⌈${quantity.length(length)} ÷ ${quantity.length(material.length)}⌉ = ${quantity.count(strands)}`),
      { id: 'reach', name: 'Laps from one', figure: figure(quantity.ratio(reach), sum`${quantity.length(material.length)} ÷ ${quantity.length(one)} = ${quantity.ratio(reach)} laps; half of one ${quantity.ratio(reach / 2)}`, GEOMETRY) },
      lengthOf('over', 'Over', strands * material.length - length, sum`${quantity.count(strands)} × ${quantity.length(material.length)} − ${quantity.length(length)}`),
      ruleOfThumb('pins', holder.name, quantity.count(pins), sum`${each.map((on) => `${strandsOn(on)} × ${pinsOf(Math.min(material.length, on), rule.every)}`).join(' + ')}: at both ends of each strand and every ${quantity.length(rule.every)} between = ${quantity.count(pins)}`),
    ]
    return {
      layer: layer.id, title: `${material.name}, ${several(laps, 'lap', 'laps')}`, figures, uses: [{ material: holder.material, use: holder.use, count: pins }],
      takes: each.map((on, i) => ({ material: material.id, use: runs.length > 1 ? `laps, ${runs[i]!.name}` : 'laps', length: on, count: 1, joins: true })),
    }
  },
  words: (rule, makeUp, { piece, mix: [material] }) => [
    sum`Lay ${material.name} along it ${lapsSaid(rule.laps)}${rule.laps > 1 ? ', lap beside lap' : ''}: ${figureOf(makeUp, 'length')} in ${several(figureOf(makeUp, 'strands').value, 'length', 'lengths')}.`,
    [...sum`${holderOn(piece).pinned ? 'Pin over the strand, not through its flowers' : 'Tie over the strand, between its flowers'}: at both ends of each and every ${quantity.length(rule.every)}.`, ...(rule.tuck > 0 ? sum` Tuck the last ${quantity.length(rule.tuck)} under the start.` : [])],
  ],
  problems: (_rule, { layer, mix: [material] }) => notByLength(layer.id, material),
}
