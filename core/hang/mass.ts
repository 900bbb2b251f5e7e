import type { LaidLayer, Placement } from '../arrange'
import type { Run } from '../base'
import { baseMass } from '../base'
import { methodFor } from '../fix'
import type { Material, Need, Shelf } from '../material'
import { byMaterial, isCut, lengthsIn, materialOf, thingsIn } from '../material'
import type { Figure, Term } from '../measure'
import { COUNTED, figure, quantity, RULE_OF_THUMB, several, sum } from '../measure'
import { byRule, count as n, named, ofFigure, plus, plusAll, saidAs, the, times, worked } from '../measure/term'
import type { Piece } from '../piece'
import { facesOf, isItself, laysLengths } from '../piece'
import { GLUE_EACH } from './thumbs'

/** Grams of one of a material as it lies: what is cut shorter weighs its share. */
const massAt = ({ mass, length: whole, form, kind }: Material, { length }: Pick<Placement, 'length'>): number =>
  form === 'leaf' || isCut({ kind, length: whole }) ? mass * Math.min(1, length / whole) : mass

/** What a piece weighs: its base, all that is on it, and the two together. */
export interface Masses {
  readonly base: Figure
  readonly on: Figure
  readonly whole: Figure
}

export function massesOf(piece: Piece, runs: readonly Run[], laid: readonly LaidLayer[], needs: readonly Need[], shelf: Shelf): Masses {
  const base =
    isItself(piece) && piece.base.mass === null
      ? figure(quantity.mass(0), sum`bound of its boughs: there is no other base`, COUNTED)
      : baseMass(piece.base, runs, shelf)
  const on = massOn(piece, laid, needs, shelf)
  return { base, on, whole: worked(plus(the`base ${ofFigure(base)}`, the`on it ${ofFigure(on)}`)) }
}

/** What so much of a material weighs, by what one is said to weigh. */
const weighed = (name: string, mass: number): Term => named(name, quantity.mass(mass), RULE_OF_THUMB)

/** All that is on the base: stems as cut, what comes by the length by its share of a roll, the small things that hold it, and glue. */
function massOn(piece: Piece, laid: readonly LaidLayer[], needs: readonly Need[], shelf: Shelf): Figure {
  const stems = new Map<string, { count: number; mass: number }>()
  for (const each of laid) {
    const faces = facesOf(each.layer.rule)
    if (laysLengths(each.layer.rule)) continue
    for (const placement of each.placements) {
      const own = stems.get(placement.material) ?? { count: 0, mass: 0 }
      stems.set(placement.material, {
        count: own.count + faces,
        mass: own.mass + faces * massAt(materialOf(shelf, placement.material)!, placement),
      })
    }
  }
  // What lies in a layer is weighed as it lies; the rest by what the piece needs of it, cords and ties too.
  const besides = thingsIn(needs).filter(({ use }) => use !== 'laid')
  const known = (id: string, row: (material: Material) => Term) =>
    [materialOf(shelf, id)].flatMap((material) => (material ? [row(material)] : []))
  const rows: Term[] = [
    ...[...stems].flatMap(([id, { count, mass }]) =>
      known(id, (material) => weighed(several(count, material.name, material.plural), mass)),
    ),
    ...[...byMaterial(lengthsIn(needs))].flatMap(([id, all]) =>
      known(id, (material) => {
        const length = all.reduce((sum, each) => sum + each.length * each.count, 0)
        return saidAs(
          weighed('', (material.mass * length) / material.length),
          sum`${quantity.length(length)} of ${material.name} ${quantity.mass((material.mass * length) / material.length)}`,
        )
      }),
    ),
    ...[...byMaterial(besides)].flatMap(([id, all]) =>
      known(id, (material) => {
        const used = all.reduce((sum, { count }) => sum + count, 0)
        return weighed(several(used, material.name, material.plural), used * material.mass)
      }),
    ),
  ]
  const glued = [...stems].reduce(
    (n, [id, { count }]) => n + (methodFor(piece.base.kind, materialOf(shelf, id)!, shelf).needs.includes('glue-stick') ? count : 0),
    0,
  )
  if (glued > 0) rows.push(the`glue on ${times(n(glued), byRule(GLUE_EACH, shelf))}`)
  return rows.length ? worked({ ...plusAll(rows, rows[0]!), worked: true }) : figure(quantity.mass(0), sum`nothing laid yet`, COUNTED)
}
