import type { BaseKind } from '../base'
import type { Want } from '../cut'
import { houseStock, planSoon, reckon, LEAST_REST } from '../cut'
import type { Material } from '../material'
import { byMaterial, lengthsIn, materialOf, thingsIn } from '../material'
import type { Asked, AskedBase, Lot, LotChanges, Reserved } from '../stock'
import { rate } from '../measure'
import { baseLots, cutForPiece, cutFrom, cutThingsOf, fromCut, giveBack, keepFor, lengthsOf, parted, plentyOf } from '../stock'
import type { BilledPiece } from './bill'
import type { Pricing } from './cost-lines'
import { wantsOf } from './cost-lines'
import { piecesLeft, piecesOf, spareOf, stemsFor } from './stems'

/**
 * Keeps for a piece what of its needs the house can give: what is cut already where that suits, whole things with what breaks of
 * them, the rolls and rests that its lengths can be cut from, and its bases. What other pieces have is left to them.
 */
export function keepNeeds(
  { id, copies, needs }: Omit<BilledPiece, 'budget'>,
  pricing: Pick<Pricing, 'shelf' | 'lots'>,
  newId: () => string,
): LotChanges {
  const lots = giveBack(id, pricing.lots)
  const asked = new Map<string, Asked>()
  for (const [material, own] of byMaterial(thingsIn(needs))) {
    const of = materialOf(pricing.shelf, material)
    if (!of) continue
    const wants = piecesOf(of, own, copies)
    const had = fromCut(wants, cutThingsOf(lots, material))
    const { stems } = stemsFor(of, piecesLeft(wants, had))
    asked.set(material, {
      material,
      things: stems + spareOf(stems, Math.max(0, ...own.map(({ spare }) => spare))),
      cut: wants.flatMap(({ cut }, i) => (cut !== null && had[i]! > 0 ? [{ cut, count: had[i]! }] : [])),
      rolls: new Map(),
    })
  }
  for (const [material, own] of byMaterial(lengthsIn(needs))) {
    const of = materialOf(pricing.shelf, material)
    if (!of) continue
    const { left } = reckon(wantsOf({ id, copies }, own), cutForPiece(lots, material, id))
    const there = lengthsOf(lots, of)
    const stocks = houseStock(plentyOf(left, there) ?? there)
    const rolls = new Map<string, number>()
    for (const { stock } of stocks.length ? planSoon({ wants: left, stocks, least: 0 }).rolls : [])
      rolls.set(stock, (rolls.get(stock) ?? 0) + 1)
    asked.set(material, { material, things: 0, cut: [], ...asked.get(material), rolls })
  }
  // What is dearest to buy is had from the house first.
  const dearest = needs.filter((need) => need.of === 'base').sort((a, b) => b.price - a.price)
  const bases = dearest.map((need): AskedBase => ({
    kind: need.material as BaseKind,
    width: need.width,
    count: need.count * copies,
  }))
  return keepFor(id, [...asked.values()], bases, pricing.lots, newId)
}

/**
 * The same for several pieces, the first before the others, each by only those lots that are of what it needs or keeps: thousands
 * of lots are looked through once.
 */
export function keepAll(
  makings: readonly Omit<BilledPiece, 'budget'>[],
  { shelf, lots }: Pick<Pricing, 'shelf' | 'lots'>,
  newId: () => string,
): LotChanges {
  const free = new Map<string, Map<string, Lot>>()
  const kept = new Map<string, Map<string, Lot>>()
  const among = (all: Map<string, Map<string, Lot>>, key: string): Map<string, Lot> => {
    const known = all.get(key) ?? new Map<string, Lot>()
    all.set(key, known)
    return known
  }
  // What others have is nothing to a piece: it is left out from the moment that they have it.
  const place = (lot: Lot): void => {
    const { id, material, reserved } = lot
    if (!reserved) among(free, material).set(id, lot)
    else among(free, material).delete(id)
    if (reserved?.piece) among(kept, reserved.piece).set(id, lot)
  }
  for (const lot of lots) place(lot)
  const put = new Map<string, Lot>()
  const gone = new Set<string>()
  for (const making of makings) {
    const own = among(kept, making.id)
    const needed = making.needs.map((need) => (need.of === 'base' ? baseLots(need.material as BaseKind) : need.material))
    const materials = new Set([...needed, ...[...own.values()].map(({ material }) => material)])
    const open = [...[...materials].flatMap((material) => [...among(free, material).values()]), ...own.values()]
    const moved = keepNeeds(making, { shelf, lots: open }, newId)
    for (const { id } of moved.put) own.delete(id)
    for (const lot of moved.put) {
      place(lot)
      put.set(lot.id, lot)
    }
    for (const id of moved.gone) {
      own.delete(id)
      for (const material of materials) among(free, material).delete(id)
      put.delete(id)
      gone.add(id)
    }
  }
  const before = new Set(lots.map(({ id }) => id))
  return { put: [...put.values()], gone: [...gone].filter((id) => before.has(id)) }
}

/**
 * What a piece that is made has in it: of what it kept the things that went in and the lengths that were cut for it. All that is
 * over is the house's again: whole packs, rests of rolls, what was kept for spare and what it needs no more. Nothing is lost but
 * rests that are too short, and what was paid goes with each part. Doing it twice changes nothing.
 */
export function useUp(
  { id, copies, needs }: Omit<BilledPiece, 'budget'>,
  { shelf, lots }: Pick<Pricing, 'shelf' | 'lots'>,
  newId: () => string,
): LotChanges {
  const own = lots.filter(({ reserved }) => reserved?.piece === id)
  const put = new Map<string, Lot>()
  const gone: string[] = []
  const free = (lot: Lot): void => void put.set(lot.id, { ...lot, reserved: null })
  const things = byMaterial(thingsIn(needs))
  const lengths = byMaterial(lengthsIn(needs))
  const bases = needs.filter((need) => need.of === 'base')
  for (const [material, mine] of byMaterial(own)) {
    const kept = mine.filter(({ reserved }) => reserved!.want === null)
    const of = materialOf(shelf, material)
    const wants = of ? piecesOf(of, things.get(material) ?? [], copies) : []
    const had = fromCut(wants, cutThingsOf(kept, material, id))
    // Bare bases by their count; stems by how many the piece is cut from.
    let left = of
      ? stemsFor(of, piecesLeft(wants, had)).stems
      : bases.reduce((n, need) => n + (baseLots(need.material as BaseKind) === material ? need.count * copies : 0), 0)
    let cutLeft = had.reduce((n, each) => n + each, 0)
    const rolls: Lot[] = []
    for (const lot of kept) {
      if (lot.length !== null || (of && lengths.has(material))) {
        rolls.push(lot)
        continue
      }
      const cut = of !== undefined && lot.cut !== null
      const stays = Math.min(lot.things!, cut ? cutLeft : left)
      if (cut) cutLeft -= stays
      else left -= stays
      if (stays === lot.things) continue
      if (!stays) free(lot)
      else {
        const [rest, taken] = parted(lot, lot.things! - stays, newId)
        put.set(taken.id, taken)
        free(rest)
      }
    }
    if (!of) continue
    const wanted = wantsOf({ id, copies }, lengths.get(material) ?? [])
    const { left: open, over } = reckon(wanted, cutForPiece(mine, material, id))
    for (const piece of over) free(mine.find((lot) => lot.id === piece.id)!)
    if (rolls.length)
      cutUp(
        { material: of, rolls, open, wants: new Map(wanted.map((want) => [want.id, want.of])), piece: id, least: rate(LEAST_REST, shelf) },
        { put, gone, free },
        newId,
      )
  }
  return { put: [...put.values()], gone }
}

/** What of a material is still wanted of the rolls that a piece kept. */
interface StillWanted {
  readonly material: Material
  readonly rolls: readonly Lot[]
  readonly open: readonly Want[]
  /** For what each is cut, by its id. */
  readonly wants: ReadonlyMap<string, Reserved>
  readonly piece: string
  /** The shortest rest that is kept, mm. */
  readonly least: number
}

/** Where lots go. */
interface Moving {
  readonly put: Map<string, Lot>
  readonly gone: string[]
  readonly free: (lot: Lot) => void
}

/** Cuts what is still wanted of rolls that a piece kept. */
function cutUp({ material, rolls, open, wants, piece, least }: StillWanted, { put, gone, free }: Moving, newId: () => string): void {
  const stocks = houseStock(lengthsOf(rolls, material, piece))
  const plan = planSoon({ wants: open, stocks, least })
  for (const lot of rolls) {
    const cutting = plan.rolls.filter(({ stock }) => stock === lot.id)
    if (!cutting.length) {
      free(lot)
      continue
    }
    // One roll after another; what of the lot is not begun is nobody's.
    let rest: Lot | null = lot
    for (const { length, cuts } of cutting) {
      const begun: Lot = rest!
      const [one, others]: readonly [Lot, Lot | null] = begun.things !== null && begun.things > 1 ? parted(begun, 1, newId) : [begun, null]
      rest = others
      let uncut: Lot | null = one
      let long = length
      for (const { want, length: cut } of cuts) {
        const made = cutFrom(
          { lot: uncut, material: material.id, length: long, cut, want: wants.get(want)!, least, paid: uncut!.paid },
          newId,
        )
        put.set(made.piece.id, made.piece)
        uncut = made.rest
        if (!uncut) break
        long = uncut.length!
      }
      if (uncut) free(uncut)
    }
    if (rest) free(rest)
    else gone.push(lot.id)
  }
}
