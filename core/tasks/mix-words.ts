import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Said } from '../measure'
import { several } from '../measure'
import { laysLengths } from '../piece'
import type { LaidLayer } from '../placement'

/** So many things and then again from the first is read as one order; more is no rhythm that hands keep. */
const LONGEST_TURN = 8
/** The longest order that is written out; a longer one is read off the places of each material. */
const WRITTEN_OUT = 24

/** The fewest things after which a row begins again, as long as it is: two of a, b, a, b, a; null where it never does. */
export function turnOf(row: readonly string[]): number | null {
  for (let n = 1; n <= Math.min(LONGEST_TURN, row.length / 2); n++) if (row.every((each, i) => each === row[i % n])) return n
  return null
}

/** In what order the things of a mixed layer are taken up, as hands lay them; nothing of one material alone, or where no order would be kept. */
export function mixWords({ layer, placements }: LaidLayer, shelf: Shelf): Said {
  if (laysLengths(layer.rule) || new Set(placements.map(({ material }) => material)).size < 2) return []
  const row = placements.filter(({ added }) => !added).map(({ material }) => material)
  const turn = turnOf(row)
  if (turn !== null) return [`Take in turn, again and again: ${inRow(row.slice(0, turn), shelf)}.`]
  return row.length <= WRITTEN_OUT ? [`Take in this order: ${inRow(row, shelf)}.`] : []
}

/** Things in their order, alike ones together: "2 bay sprigs, 1 heather sprig". */
function inRow(row: readonly string[], shelf: Shelf): string {
  const groups: { readonly id: string; n: number }[] = []
  for (const id of row) {
    const last = groups.at(-1)
    if (last?.id === id) last.n += 1
    else groups.push({ id, n: 1 })
  }
  return groups
    .map(({ id, n }) => {
      const { name, plural } = materialOf(shelf, id)!
      return n === 1 ? name : several(n, name, plural)
    })
    .join(', ')
}
