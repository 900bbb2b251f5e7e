import { poofsInPass } from '../arrange'
import { figure, GEOMETRY, listed, quantity, several, sum } from '../measure'
import { MOST_PLACES } from '../piece'
import type { Construction, NamedFigure } from './construction'
import { changeRule, countOf, figureOf, lengthOf, total } from './construction'

export const POOFS: Construction<'poofs'> = {
  makeUp(rule, { layer, laid, runs, mix }) {
    const inPass = total(runs, (run) => poofsInPass(run, rule.ties))
    const wanted = inPass * rule.passes
    const poofs = laid.placements.length
    const spared = wanted - poofs
    const perMaterial = mix.map((material) => ({ material, n: laid.placements.filter((each) => each.material === material.id).length })).filter(({ n }) => n > 0)
    const strip = poofs * rule.uses / rule.passes
    const length = poofs * rule.uses
    const figures: NamedFigure[] = [
      countOf('poofs', 'Poofs', poofs, sum`${quantity.count(inPass)} between ties × ${several(rule.passes, 'pass', 'passes')}${spared ? ` − ${spared} left out` : ''} = ${quantity.count(poofs)}`),
      lengthOf('height', 'Each stands', rule.uses / 2, sum`half of the ${quantity.length(rule.uses)} that goes into it`),
      lengthOf('length', 'Length', length, sum`${quantity.count(poofs)} × ${quantity.length(rule.uses)} = ${quantity.length(length)}`),
      lengthOf('pass', 'For one pass', strip, sum`${quantity.length(length)} ÷ ${quantity.count(rule.passes)}`),
      ...perMaterial.map(({ material: { id, name, length: roll }, n }): NamedFigure => ({ id: `share:${id}`, name: perMaterial.length > 1 ? `Of a roll of ${name}` : 'Of a roll', figure: figure(quantity.share((n * rule.uses) / roll), sum`${quantity.count(n)} × ${quantity.length(rule.uses)} ÷ ${quantity.length(roll)}`, GEOMETRY) })),
    ]
    return {
      layer: layer.id, title: `${several(poofs, 'poof', 'poofs')} of ${listed(mix.map(({ name }) => name))}`, figures, uses: [],
      takes: perMaterial.map(({ material, n }) => ({ material: material.id, use: 'poofs', length: n * rule.uses, count: 1, joins: true })),
    }
  },
  words: (rule, makeUp) => [
    sum`Catch the end in a tie, push ${quantity.length(rule.uses)} up to the next and close that: ${figureOf(makeUp, 'poofs')} poofs, ${figureOf(makeUp, 'height')} high, in ${several(rule.passes, 'pass', 'passes')}. Do not cut until the last is tied.`,
  ],
  problems(rule, { layer, runs }) {
    const [run] = runs
    const wanted = poofsInPass(run, rule.ties) * rule.passes
    return [
      ...(wanted === 0 ? [{ id: `${layer.id}:ties`, severity: 'fault' as const, layer: layer.id, says: sum`One tie on the ${run.name} has nothing to go to.`, mends: [{ says: sum`Take two ties`, edit: changeRule(layer, { ties: 2 }) }] }] : []),
      ...(wanted > MOST_PLACES ? [{ id: `${layer.id}:many`, severity: 'care' as const, layer: layer.id, says: sum`${quantity.count(wanted)} poofs are more than ${quantity.count(MOST_PLACES)}. The layer stops there.`, mends: [{ says: sum`Make one pass`, edit: changeRule(layer, { passes: 1 }) }] }] : []),
    ]
  },
}
