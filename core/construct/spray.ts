import { quantity, sum } from '../measure'
import { BINDING, TAIL } from './binding'
import type { Construction } from './construction'
import { countOf, figureOf, lengthOf } from './construction'

/** Stems crossed left and right in pairs and bound once, made apart and then fixed. */
export const SPRAY: Construction<'spray'> = {
  makeUp({ pairs, odd, wraps, bound }, { layer, runs, laid: { placements } }) {
    const stems = (2 * pairs + (odd ? 1 : 0)) * runs.length
    const wire = runs.length * (wraps * Math.PI * bound + 2 * TAIL)
    const lengths = placements.filter(({ added }) => !added).map(({ length }) => length)
    return {
      layer: layer.id, title: null, uses: [],
      figures: [
        countOf('stems', 'Stems', stems, sum`2 × ${quantity.count(pairs)} pairs${odd ? ' + 1' : ''}${runs.length > 1 ? ` on each of ${runs.length} runs` : ''} = ${quantity.count(stems)}`),
        ...(lengths.length ? [
          lengthOf('longest', 'Longest, in the middle', Math.max(...lengths), sum`as cut`),
          lengthOf('shortest', 'Shortest, at the sides', Math.min(...lengths), sum`longest × (1 − taper × how far out): ${quantity.length(Math.min(...lengths))}`),
        ] : []),
        lengthOf('wire', 'Binding wire', wire, sum`${quantity.count(wraps)} wraps × π × ${quantity.length(bound)} + 2 tails of ${quantity.length(TAIL)}${runs.length > 1 ? `, ${runs.length} times` : ''} = ${quantity.length(wire)}`),
      ],
      takes: [{ material: BINDING, use: 'binding the spray', length: wire / runs.length, count: runs.length, joins: false }],
    }
  },
  words: ({ pairs, odd, wraps }, makeUp) => [
    sum`Made apart: lay ${quantity.count(pairs)} pairs crossed left and right, the shortest outside${odd ? ', then the odd one down the middle' : ''}; ${figureOf(makeUp, 'stems')} stems in all.`,
    sum`Bind once where they cross, ${quantity.count(wraps)} wraps drawn tight, and leave both tails: they fix it.`,
  ],
  problems: () => [],
}
