import { quantity, sum, byRule, count, mm, PI, plus, saidAs, labelled, times } from '../measure'
import { bindingOf } from './binding-wire'
import type { Construction } from './construction'
import { figureOf, lengthsFor, told } from './construction'
import { TAIL } from './rules-of-thumb'

/** Stems crossed left and right in pairs and bound once, made apart and then fixed. */
export const SPRAY_CONSTRUCTION: Construction<'spray'> = {
  makeUp({ pairs, odd, wraps, bound }, { piece, layer, runs, shelf, laid: { placements } }) {
    const each = <T extends Parameters<typeof times>[0]>(one: T) =>
      runs.length > 1 ? times(one, saidAs(count(runs.length), [`${runs.length} runs`])) : one
    const one = plus(times(count(2), labelled`${count(pairs)} pairs`), count(odd ? 1 : 0))
    const wire = plus(times(labelled`${count(wraps)} wraps`, PI, mm(bound)), times(labelled`${count(2)} tails`, byRule(TAIL, shelf)))
    const lengths = placements.filter(({ added }) => !added).map(({ length }) => length)
    const shortest = Math.min(...lengths)
    return {
      layer: layer.id,
      title: null,
      figures: [
        told('stems', 'Stems', each(one)),
        ...(lengths.length
          ? [
              told('longest', 'Longest, in the middle', labelled`${mm(Math.max(...lengths))} as cut`),
              told('shortest', 'Shortest, at the sides', saidAs(mm(shortest), ['longest × (1 − taper × how far out)'])),
            ]
          : []),
        told('wire', 'Binding wire', each(wire)),
      ],
      needs: lengthsFor(layer.id, [
        { material: bindingOf(piece, shelf), use: 'binding the spray', length: wire.value, count: runs.length, joins: false },
      ]),
    }
  },
  words: ({ pairs, odd, wraps }, makeUp) => [
    sum`Made apart: lay ${quantity.count(pairs)} pairs crossed left and right, the shortest outside${odd ? ', then the odd one down the middle' : ''}; ${figureOf(makeUp, 'stems')} stems in all.`,
    sum`Bind once where they cross, ${quantity.count(wraps)} wraps drawn tight, and leave both tails: they fix it.`,
  ],
  problems: () => [],
}
