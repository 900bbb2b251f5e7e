import { poofsInPass } from '../placement'
import { listed, quantity, several, sum, asUnit, count, minus, mm, divide, saidAs, labelled, times } from '../measure'
import { MOST_PLACES } from '../piece'
import type { Construction, NamedFigure } from './construction'
import { changeRule, figureOf, lengthsFor, told, total } from './construction'
import { constructionMessage } from './words'

export const POOFS_CONSTRUCTION: Construction<'poofs'> = {
  makeUp(rule, { layer, laid, runs, mix }) {
    const inPass = total(runs, (run) => poofsInPass(run, rule.ties))
    const wanted = inPass * rule.passes
    const poofs = laid.placements.length
    const spared = wanted - poofs
    const perMaterial = mix
      .map((material) => ({ material, n: laid.placements.filter((each) => each.material === material.id).length }))
      .filter(({ n }) => n > 0)
    const length = times(count(poofs), mm(rule.uses))
    const figures: NamedFigure[] = [
      told(
        'poofs',
        'Poofs',
        minus(
          times(labelled`${count(inPass)} between ties`, saidAs(count(rule.passes), [several(rule.passes, 'pass', 'passes')])),
          labelled`${count(spared)} left out`,
        ),
      ),
      told('height', 'Each stands', divide(labelled`${mm(rule.uses)} that goes into it`, count(2))),
      told('length', 'Length', length),
      told('pass', 'For one pass', divide(mm(length.value), count(rule.passes))),
      ...perMaterial.map(({ material: { id, name, length: roll }, n }) =>
        told(
          `share:${id}`,
          perMaterial.length > 1 ? `Of a roll of ${name}` : 'Of a roll',
          asUnit('share', divide(times(count(n), mm(rule.uses)), mm(roll))),
        ),
      ),
    ]
    return {
      layer: layer.id,
      title: `${several(poofs, 'poof', 'poofs')} of ${listed(mix.map(({ name }) => name))}`,
      figures,
      needs: lengthsFor(
        layer.id,
        perMaterial.map(({ material, n }) => ({ material: material.id, use: 'poofs', length: n * rule.uses, count: 1, joins: true })),
      ),
    }
  },
  words: (rule, makeUp) => [
    sum`Catch the end in a tie, push ${quantity.length(rule.uses)} up to the next and close that: ${figureOf(makeUp, 'poofs')} poofs, ${figureOf(makeUp, 'height')} high, in ${several(rule.passes, 'pass', 'passes')}. Do not cut until the last is tied.`,
  ],
  problems(rule, { layer, runs }) {
    const [run] = runs
    const wanted = poofsInPass(run, rule.ties) * rule.passes
    return [
      ...(wanted === 0
        ? [
            {
              id: `${layer.id}:ties`,
              severity: 'fault' as const,
              layer: layer.id,
              ...constructionMessage('one-tie', { run: run.name }),
              mends: [{ ...constructionMessage('two-ties', {}), edit: changeRule(layer, { ties: 2 }) }],
            },
          ]
        : []),
      ...(wanted > MOST_PLACES
        ? [
            {
              id: `${layer.id}:many`,
              severity: 'care' as const,
              layer: layer.id,
              ...constructionMessage('many-poofs', { count: wanted }),
              mends: [{ ...constructionMessage('one-pass', {}), edit: changeRule(layer, { passes: 1 }) }],
            },
          ]
        : []),
    ]
  },
}
