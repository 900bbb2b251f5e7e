import { quantity, sum, byRule, count, mm, PI, plus, saidAs, labelled, times } from '../measure'
import { bindingOf } from './binding-wire'
import type { Construction } from './construction'
import { figureOf, lengthsFor, thingsFor, told } from './construction'
import { TAIL } from './rules-of-thumb'

/** One zip tie binds a spray, another fixes it: it has no tails. */
const ZIPS = 2

/** Stems crossed left and right in pairs and bound once, made apart and then fixed. */
export const SPRAY_CONSTRUCTION: Construction<'spray'> = {
  makeUp({ pairs, odd, wraps, tied, bound }, { piece, layer, runs, shelf, laid: { placements } }) {
    const each = <T extends Parameters<typeof times>[0]>(one: T) =>
      runs.length > 1 ? times(one, saidAs(count(runs.length), [`${runs.length} runs`])) : one
    const one = plus(times(count(2), labelled`${count(pairs)} pairs`), count(odd ? 1 : 0))
    const wired = tied === 'wire'
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
        told(wired ? 'wire' : 'ties', wired ? 'Binding wire' : 'Zip ties', each(wired ? wire : count(ZIPS))),
      ],
      needs: wired
        ? lengthsFor(layer.id, [
            { material: bindingOf(piece, shelf), use: 'binding the spray', length: wire.value, count: runs.length, joins: false },
          ])
        : thingsFor(layer.id, [{ material: 'zip-tie', use: 'binding the spray', count: ZIPS * runs.length }]),
    }
  },
  words: ({ pairs, odd, wraps, tied }, makeUp) => [
    sum`Made apart: lay ${quantity.count(pairs)} pairs crossed left and right, the shortest outside${odd ? ', then the odd one down the middle' : ''}; ${figureOf(makeUp, 'stems')} stems in all.`,
    tied === 'wire'
      ? sum`Bind once where they cross, ${quantity.count(wraps)} wraps drawn tight, and leave both tails: they fix it.`
      : ['Draw one zip tie tight where they cross, and a second round the first and the base: it fixes it. Cut both ends off behind.'],
  ],
  problems: () => [],
}
