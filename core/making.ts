import { baseMakeUp, makeUpOf } from './constructions'
import { fixingsOf } from './fixing'
import { allNeeds, massesOf } from './hanging'
import { needsAsMade } from './material'
import type { LaidLayer, LaidPiece } from './placement'
import { putAside, spacingOf } from './placement'
import { inOrderOf, tasksAsMade, tasksOf } from './tasks'
import type { MadePart } from './part-needs'
import { countsOfParts, needsWithParts, partsToMake } from './part-needs'

/** What is not put aside: a layer that is hidden keeps its places for what goes by them, but is not made, bought or weighed; nor is what it bears. */
export function shownOf(laid: readonly LaidLayer[]): readonly LaidLayer[] {
  const aside = putAside(laid.map(({ layer }) => layer))
  return aside.size ? laid.filter(({ layer }) => !aside.has(layer.id)) : laid
}

/**
 * How a piece is made, without how it looks: what it takes and weighs, and what is done in what order; by its recipe, where it has one.
 * @param parts that it makes beforehand
 */
export function madeOf(of: LaidPiece, parts: readonly MadePart[]) {
  const { piece, runs, laid, shelf } = of
  const spacings = new Map(
    laid.flatMap((each) => {
      const spacing = spacingOf(runs, each)
      return spacing ? [[each.layer.id, spacing] as const] : []
    }),
  )
  const makeUps = new Map(
    laid.flatMap((each) => {
      const makeUp = makeUpOf(piece, each, runs, shelf)
      return makeUp ? [[each.layer.id, makeUp] as const] : []
    }),
  )
  const ofBase = baseMakeUp(piece, runs, laid, shelf)
  const fixings = fixingsOf(of)
  const { needs: whole, taken } = allNeeds(of, [ofBase, ...makeUps.values()], fixings)
  const reckoned = needsWithParts(whole, parts)
  const { recipe } = piece.making
  const needs = recipe ? needsAsMade(reckoned, recipe.uses) : reckoned
  // A part weighs as one thing; what it takes goes up into the piece.
  const masses = massesOf(of, recipe ? needsAsMade(whole, recipe.uses) : whole, taken)
  const asked = tasksOf({ ...of, needs, spacings, makeUps, ofBase, fixings, mass: masses.whole, parts: partsToMake(whole, parts) })
  const ordered = inOrderOf(piece, recipe ? tasksAsMade(asked, recipe.minutes) : asked)
  return { spacings, makeUps, ofBase, fixings, needs, taken, masses, ordered, counts: countsOfParts(whole, parts) }
}
