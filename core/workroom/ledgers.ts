import type { Lengths } from '../material'
import { materialOf } from '../material'
import type { Figure } from '../measure'
import { COUNTED, apportion, figure, quantity, rate, sum, worked } from '../measure'
import type { Bill } from '../price'
import {
  LOW_STOCK,
  billOf,
  boughtTogether,
  insteadOf,
  keepAll,
  ledgerOf,
  leftOf,
  lengthLine,
  moneyTogether,
  rangeOf,
  withTax,
} from '../price'
import { isFree, lowStock } from '../stock'
import type { InHand, Ledger, MaterialPlan, Money, Plan, Workroom } from './workroom'

/** What materials come to for all pieces together and for each. */
export function planFrom(alone: readonly MaterialPlan[], workroom: Workroom): Plan {
  const materials = boughtTogether(alone)
  const { pieces, tax, lots, shelf } = workroom
  const { opened, used, tax: taxed } = ledgerOf(materials, tax)
  const bills = pieces.map((piece) => billOf({ ...piece, budget: null }, workroom))
  const shares = sharesOf(materials, pieces, opened, used)
  const ledgers = Object.fromEntries(
    pieces.map((piece, i): [string, Ledger] => [
      piece.id,
      { alone: { opened: rangeOf(bills[i]!.opened), used: rangeOf(bills[i]!.used) }, share: shares[i]! },
    ]),
  )
  const apart = worked(moneyTogether(apartOf(pieces, bills, workroom).map((bill, i) => [pieces[i]!.name, bill.opened.value])))
  const listed = listedCost(materials, workroom)
  const money = quantity.money
  return {
    materials,
    ledgers,
    instead: insteadOf(
      materials.flatMap(({ id, toBuy }) => (toBuy > 0 ? [id] : [])),
      lots,
      shelf,
    ),
    low: lowStock(lots, new Map(materials.map(({ id, drawn }) => [id, drawn])), rate(LOW_STOCK, shelf), shelf),
    opened,
    tax: taxed,
    used,
    left: leftOf(opened, used),
    apart,
    saved: figure(
      money(apart.value + listed - opened.value),
      sum`each by itself ${money(apart.value)}${listed ? ' + what is only listed ' : ''}${listed ? money(listed) : ''} − all together ${money(opened.value)} = ${money(apart.value + listed - opened.value)}`,
      COUNTED,
    ),
  }
}

/**
 * What the pieces would cost, were each bought for by itself, one after another: what the first takes from the house the next does
 * not find there.
 * @param alone the bill of each as if nothing else were in hand
 */
function apartOf(pieces: readonly InHand[], alone: readonly Bill[], workroom: Workroom): readonly Bill[] {
  // Where nothing is taken from the house it makes no difference.
  if (!alone.some(({ lines }) => lines.some(({ stash }) => stash.value > 0))) return alone
  let n = 0
  const newId = (): string => `apart ${(n += 1)}`
  // By their ids, so that no other is the first because it was touched last.
  const inTurn = [...pieces].sort((a, b) => (a.id < b.id ? -1 : 1))
  const { put, gone } = keepAll(inTurn, workroom, newId)
  const changed = new Set([...put.map(({ id }) => id), ...gone])
  // What nobody took is not there for two of them.
  const lots = [...workroom.lots.filter(({ id }) => !changed.has(id)), ...put].filter((lot) => !isFree(lot))
  return pieces.map((piece) => billOf({ ...piece, budget: null }, { ...workroom, lots }))
}

/** What lengths that were only listed cost by themselves: they are nobody's, but are cut with the rest. */
function listedCost(materials: readonly MaterialPlan[], workroom: Workroom): number {
  const { list, shelf, tax } = workroom
  const lines = materials.flatMap(({ id, listed }) => {
    const material = listed > 0 ? materialOf(shelf, id) : undefined
    const needs = list.flatMap(({ id: of, ...each }): Lengths[] => (each.material === id ? [{ ...each, of: 'lengths', layer: of }] : []))
    return material ? [lengthLine(material, needs, { id: LISTED, copies: 1 }, { ...workroom, lots: [] })] : []
  })
  return withTax(
    lines.map(({ opened }) => opened.value),
    tax,
  )
}
/** What the list is known by where a piece is asked for. */
const LISTED = 'list'

/** Each piece's share of all that is opened, by what it takes of each material, to the cent and with its part of the tax. */
function sharesOf(materials: readonly MaterialPlan[], pieces: readonly InHand[], opened: Figure, used: Figure): Money[] {
  const at = new Map(pieces.map(({ id }, i) => [id, i]))
  const share = (of: 'opened' | 'used', end: 0 | 1): number[] => {
    // What was only listed is nobody's: the last.
    const net = new Array<number>(pieces.length + 1).fill(0)
    for (const each of materials) {
      const amount = rangeOf(each[of])[end]
      const takers = Object.entries(each.taken).filter(([, much]) => much > 0)
      const all = takers.reduce((sum, [, much]) => sum + much, each.listed)
      if (all > 0) net[pieces.length]! += (amount * each.listed) / all
      for (const [id, much] of takers) net[at.get(id)!]! += (amount * much) / all
    }
    return net
  }
  // Each within those before it, so that no range is turned round and nothing is used that is not opened.
  const high = apportion(rangeOf(opened)[1], share('opened', 1))
  const low = apportion(rangeOf(opened)[0], share('opened', 0), { most: high })
  const usedLow = apportion(rangeOf(used)[0], share('used', 0), { most: low })
  const usedHigh = apportion(rangeOf(used)[1], share('used', 1), { least: usedLow, most: high })
  return pieces.map((_, i) => ({ opened: [low[i]!, high[i]!], used: [usedLow[i]!, usedHigh[i]!] }))
}
