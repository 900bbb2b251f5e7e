import type { LaidLayer, Placement } from '../arrange'
import type { Run } from '../base'
import { baseMass } from '../base'
import { methodFor } from '../fix'
import type { MakeUp } from '../construct'
import { usedOf } from '../construct'
import type { Material, Shelf } from '../material'
import { isCut, materialOf } from '../material'
import type { Figure, Said } from '../measure'
import { COUNTED, figure, quantity, RULE_OF_THUMB, several, sum } from '../measure'
import type { Piece } from '../piece'
import { facesOf, isItself, laysLengths } from '../piece'

/** Grams of one of a material as it lies: what is cut shorter weighs its share. */
const massAt = ({ mass, length: whole, form, kind }: Material, { length }: Pick<Placement, 'length'>): number =>
  (form === 'leaf' || isCut({ kind, length: whole }) ? mass * Math.min(1, length / whole) : mass)

/** What a piece weighs: its base, all that is on it, and the two together. */
export interface Masses { readonly base: Figure, readonly on: Figure, readonly whole: Figure }

export function massesOf(piece: Piece, runs: readonly Run[], laid: readonly LaidLayer[], makeUps: readonly MakeUp[], shelf: Shelf): Masses {
  const base = isItself(piece) && piece.base.mass === null ? figure(quantity.mass(0), sum`bound of its boughs: there is no other base`, COUNTED) : baseMass(piece.base, runs)
  const on = massOn(piece, laid, makeUps, shelf)
  const whole = quantity.mass(base.value + on.value)
  return { base, on, whole: figure(whole, sum`base ${quantity.mass(base.value)} + on it ${quantity.mass(on.value)} = ${whole}`, base.basis.kind === 'measured' && on.value === 0 ? base.basis : RULE_OF_THUMB) }
}

/** Glue to each thing that is glued, g: rule of thumb. */
const GLUE_EACH = 0.5

/** All that is on the base: stems as cut, what comes by the length by its share of a roll, the small things that hold it, and glue. */
function massOn(piece: Piece, laid: readonly LaidLayer[], makeUps: readonly MakeUp[], shelf: Shelf): Figure {
  const stems = new Map<string, { count: number, mass: number }>()
  for (const each of laid) {
    const faces = facesOf(each.layer.rule)
    if (laysLengths(each.layer.rule)) continue
    for (const placement of each.placements) {
      const own = stems.get(placement.material) ?? { count: 0, mass: 0 }
      stems.set(placement.material, { count: own.count + faces, mass: own.mass + faces * massAt(materialOf(shelf, placement.material)!, placement) })
    }
  }
  const lengths = new Map<string, number>()
  for (const { material, length, count } of makeUps.flatMap(({ takes }) => takes)) lengths.set(material, (lengths.get(material) ?? 0) + length * count)
  const known = (id: string, row: (material: Material) => { readonly says: Said, readonly mass: number }) => [materialOf(shelf, id)].flatMap((material) => (material ? [row(material)] : []))
  const rows: { readonly says: Said, readonly mass: number }[] = [
    ...[...stems].flatMap(([id, { count, mass }]) => known(id, (material) => ({ says: sum`${several(count, material.name, material.plural)} ${quantity.mass(mass)}`, mass }))),
    ...[...lengths].flatMap(([id, length]) => known(id, (material) => ({ says: sum`${quantity.length(length)} of ${material.name} ${quantity.mass((material.mass * length) / material.length)}`, mass: (material.mass * length) / material.length }))),
    ...[...usedOf(makeUps)].flatMap(([id, count]) => known(id, (material) => ({ says: sum`${several(count, material.name, material.plural)} ${quantity.mass(count * material.mass)}`, mass: count * material.mass }))),
  ]
  const glued = [...stems].reduce((n, [id, { count }]) => n + (methodFor(piece.base.kind, materialOf(shelf, id)!).needs.includes('hot glue') ? count : 0), 0)
  if (glued > 0) rows.push({ says: sum`glue on ${quantity.count(glued)} × ${quantity.mass(GLUE_EACH)}`, mass: glued * GLUE_EACH })
  const total = rows.reduce((mass, row) => mass + row.mass, 0)
  return figure(quantity.mass(total), rows.length ? [...rows.flatMap(({ says }, i) => [...(i ? [' + '] : []), ...says]), ' = ', quantity.mass(total)] : sum`nothing laid yet`, RULE_OF_THUMB)
}
