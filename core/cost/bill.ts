import type { LaidLayer } from '../arrange'
import { BASE_SORTS, usualPrice } from '../base'
import type { MakeUp, Taken } from '../construct'
import type { Material, Shelf } from '../material'
import { materialOf } from '../material'
import type { Figure } from '../measure'
import { COUNTED, figure, quantity, several, sum } from '../measure'
import type { Piece } from '../piece'
import { isItself } from '../piece'
import type { CostLine } from './line'
import { baseLine, lengthLine, materialLine, perCopy, usesOf } from './line'

/** The lengths that are taken, by material. */
function takenOf(makeUps: readonly MakeUp[]): Map<string, Taken[]> {
  const taken = new Map<string, Taken[]>()
  for (const each of makeUps.flatMap(({ takes }) => takes)) taken.set(each.material, [...(taken.get(each.material) ?? []), each])
  return taken
}

/** The two ledgers, always both: whole packs, and the share of each that is used. */
export interface Bill {
  readonly lines: readonly CostLine[]
  /** Whole packs for all copies. */
  readonly opened: Figure
  readonly used: Figure
  /** The same for one copy. */
  readonly openedEach: Figure
  readonly usedEach: Figure
  /** Worth of what is left over and goes to the stash. */
  readonly left: Figure
  /** Budget less opened, for one; null without a budget. */
  readonly room: Figure | null
}

export function billOf(piece: Piece, laid: readonly LaidLayer[], makeUps: readonly MakeUp[], shelf: Shelf): Bill {
  const { copies, budget } = piece.brief
  const known = (id: string, line: (material: Material) => CostLine): CostLine[] => {
    const material = materialOf(shelf, id)
    return material ? [line(material)] : []
  }
  const lines = [
    ...(isItself(piece) && piece.base.price === null ? [] : [baseLine(piece, BASE_SORTS[piece.base.kind].name.toLowerCase(), piece.base.price ?? usualPrice(piece.base))]),
    ...[...usesOf(laid, makeUps.flatMap(({ uses }) => uses))].flatMap(([id, uses]) => known(id, (material) => materialLine(material, uses, copies, shelf))),
    ...[...takenOf(makeUps)].flatMap(([id, takes]) => known(id, (material) => lengthLine(material, takes, copies, shelf))),
  ]
  const total = (of: 'opened' | 'used') => lines.reduce((amount, line) => amount + line[of].value, 0)
  const opened = total('opened')
  const used = total('used')
  const added = (of: 'opened' | 'used', amount: number): Figure => figure(quantity.money(amount),
    [...lines.flatMap((line, i) => [i ? ' + ' : '', `${line.name} `, quantity.money(line[of].value)]), ...sum` = ${quantity.money(amount)}`], COUNTED)
  const each = (all: number): Figure => figure(quantity.money(perCopy(all, copies)),
    sum`${quantity.money(all)} ÷ ${several(copies, 'copy', 'copies')}, rounded up = ${quantity.money(perCopy(all, copies))}`, COUNTED)
  const openedEach = copies > 1 ? each(opened) : added('opened', opened)
  return {
    lines, opened: added('opened', opened), used: added('used', used),
    openedEach, usedEach: copies > 1 ? each(used) : added('used', used),
    left: figure(quantity.money(opened - used), sum`opened ${quantity.money(opened)} − used ${quantity.money(used)} = ${quantity.money(opened - used)}`, COUNTED),
    room: budget === null ? null : figure(quantity.money(budget - openedEach.value),
      sum`budget ${quantity.money(budget)} − opened ${quantity.money(openedEach.value)} = ${quantity.money(budget - openedEach.value)}`, COUNTED),
  }
}
