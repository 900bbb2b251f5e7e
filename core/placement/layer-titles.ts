import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Figure } from '../measure'
import { COUNTED, figure, listed, quantity, several, sum } from '../measure'
import { countsOf, countsOfAll } from './counts'
import type { LaidLayer } from './placement'

/** What lies in a layer, counted: "18 bracken fronds"; of what lies nowhere yet, what it would be. */
export function titleOf(laid: LaidLayer, shelf: Shelf): string {
  const counts = countsOf(laid)
  if (!counts.size) return listed(laid.layer.mix.map(({ material }) => materialOf(shelf, material)?.plural ?? material))
  return listed([...counts].map(([id, n]) => several(n, materialOf(shelf, id)!.name, materialOf(shelf, id)!.plural)))
}

/** How many stems there are in all. */
export function stemsOf(laid: readonly LaidLayer[], shelf: Shelf): Figure {
  const stemmed = laid.filter((each) => countsOf(each).size)
  const parts = stemmed.map((each) => titleOf(each, shelf))
  const total = [...countsOfAll(stemmed).values()].reduce((n, each) => n + each, 0)
  return figure(quantity.count(total), parts.length ? sum`${parts.join(' + ')} = ${quantity.count(total)}` : sum`nothing laid yet`, COUNTED)
}
