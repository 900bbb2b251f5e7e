import { listed } from '../../measure'
import type { Construction } from '../construction'
import { bowFigures } from './figures'
import { bowNeeds } from './needs'
import { askWhatIsMeant, bowProblems } from './problems'
import { bowSetup } from './setup'
import { bowWords } from './words'

export * from './ribbon'
export { cutIn, ribbonFigures } from './figures'
export { TIE_OF_BOW } from './needs'

export const BOW_CONSTRUCTION: Construction<'bow'> = {
  makeUp(rule, context) {
    const bow = bowSetup(rule, context)
    return (
      bow && {
        layer: context.layer.id,
        title: `bow of ${listed([...new Set(bow.rows.map(({ material }) => material.name))])}`,
        figures: bowFigures(bow, context),
        needs: bowNeeds(bow, context.layer.id),
      }
    )
  },
  words(rule, _makeUp, context) {
    const bow = bowSetup(rule, context)
    return bow ? bowWords(bow, context) : []
  },
  problems(rule, context) {
    const bow = bowSetup(rule, context)
    return bow ? bowProblems(bow, context) : [askWhatIsMeant(context.layer, rule)]
  },
}
