import { JOIN_LAP } from '../cut'
import {
  capital,
  exceeds,
  quantity,
  RULE_OF_THUMB,
  several,
  sum,
  wholesOver,
  count,
  minus,
  mm,
  divide,
  plus,
  ratio,
  saidAs,
  labelled,
  times,
  ceil,
} from '../measure'
import type { Construction, NamedFigure } from './construction'
import type { Layer, Piece, Problem, RuleOf } from '../piece'
import { changeRule, figureOf, lengthsFor, read, thingsFor, told, total } from './construction'
import { holderAsked, notByLength, path, pinsOf, takesPins } from './pin-ties'
import { constructionMessage } from './words'

/** A number of laps as one says it: whole, or with a half. */
const lapsSaid = (laps: number): string =>
  Number.isInteger(laps) ? (laps === 1 ? 'once' : laps === 2 ? 'twice' : `${laps} times`) : `${Number(laps.toFixed(2))} times`

/** A pin in what takes none. */
const noGrip = ({ held }: RuleOf<'laid'>, piece: Piece, layer: Layer): Problem[] =>
  held === 'pins' && !takesPins(piece)
    ? [
        {
          id: `${layer.id}:no-pins`,
          severity: 'care',
          layer: layer.id,
          ...constructionMessage('no-pins', {}),
          mends: [{ ...constructionMessage('hold-as-suits', {}), edit: changeRule(layer, { held: 'as suits' }) }],
        },
      ]
    : []

export const LAPS_CONSTRUCTION: Construction<'laid'> = {
  makeUp(rule, { piece, layer, runs, mix: [material], shelf }) {
    const one = path(runs)
    const each = runs.map((run) => run.length * rule.laps + rule.tuck)
    // Every further strand laps over the one before.
    const strandsOn = (on: number): number => (exceeds(on, material.length) ? wholesOver(on - JOIN_LAP, material.length - JOIN_LAP) : 1)
    const pinsOn = (on: number): number => strandsOn(on) * pinsOf(Math.min(material.length, on), rule.every)
    const strands = total(each, strandsOn)
    const reach = divide(mm(material.length), mm(one))
    const holder = holderAsked(rule.held, piece, runs[0], shelf)
    const pins = total(each, pinsOn)
    const laps = Number(rule.laps.toFixed(2))
    const length = plus(times(labelled`${ratio(rule.laps)} laps`, mm(one)), labelled`tuck ${mm(rule.tuck * runs.length)}`)
    const needed =
      runs.length > 1
        ? saidAs(count(strands), [...sum`on each run its length by strands of ${quantity.length(material.length)}, in all`])
        : strands > 1
          ? ceil(divide(minus(mm(length.value), labelled`lap ${mm(JOIN_LAP)}`), minus(mm(material.length), labelled`lap ${mm(JOIN_LAP)}`)))
          : ceil(divide(mm(length.value), mm(material.length)))
    const figures: NamedFigure[] = [
      told('length', 'Length', length),
      told('strands', capital(material.plural), needed),
      told('reach', 'Laps from one', reach, sum` laps; half of one ${quantity.ratio(reach.value / 2)}`),
      told('over', 'Over', minus(times(count(strands), mm(material.length)), mm(length.value))),
      read(
        'pins',
        holder.name,
        quantity.count(pins),
        sum`${each.map((on) => `${strandsOn(on)} × ${pinsOf(Math.min(material.length, on), rule.every)}`).join(' + ')}: at both ends of each strand and every ${quantity.length(rule.every)} between = ${quantity.count(pins)}`,
        RULE_OF_THUMB,
      ),
    ]
    return {
      layer: layer.id,
      title: `${material.name}, ${several(laps, 'lap', 'laps')}`,
      figures,
      needs: [
        ...lengthsFor(
          layer.id,
          each.map((on, i) => ({
            material: material.id,
            use: runs.length > 1 ? `laps, ${runs[i]!.name}` : 'laps',
            length: on,
            count: 1,
            joins: true,
          })),
        ),
        ...(holder.takes === 'things'
          ? thingsFor(layer.id, [{ material: holder.material, use: holder.use, count: pins }])
          : lengthsFor(layer.id, [
              { material: holder.material, use: holder.use, length: holder.takes.length.value, count: pins, joins: false },
            ])),
      ],
    }
  },
  words: (rule, makeUp, { piece, runs, mix: [material], shelf }) => [
    sum`Lay ${material.name} along it ${lapsSaid(rule.laps)}${rule.laps > 1 ? ', lap beside lap' : ''}: ${figureOf(makeUp, 'length')} in ${several(figureOf(makeUp, 'strands').value, 'length', 'lengths')}.`,
    [
      ...sum`${holderAsked(rule.held, piece, runs[0], shelf).how}: at both ends of each and every ${quantity.length(rule.every)}.`,
      ...(rule.tuck > 0 ? sum` Tuck the last ${quantity.length(rule.tuck)} under the start.` : []),
    ],
  ],
  problems: (rule, { piece, layer, mix: [material] }) => [...notByLength(layer.id, material), ...noGrip(rule, piece, layer)],
}
