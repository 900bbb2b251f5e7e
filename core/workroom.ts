import type { BaseKind } from './base'
import type { CutJob, CutPiece, CutPlan, Planning, Want } from './cut'
import { asStock, NEW, planning as planningCuts, reckon, LEAST_REST } from './cut'
import type { BareBase, Lengths, Material, Need, Things } from './material'
import { lengthsIn, materialOf, thingsIn } from './material'
import type { Figure } from './measure'
import { apportion, COUNTED, deltaOf, figure, quantity, rate, sharing, sum, worked } from './measure'
import type { Piece } from './piece'
import { edit, worstFirst } from './piece'
import type { Bill, Bought, CostWith, Instead, Pricing, PriceRange, WantedBase, WantFor } from './price'
import {
  billOf,
  giveOutBases,
  costProblems,
  OVER_BUDGET,
  cutOfKept,
  cutStock,
  insteadOf,
  keepAll,
  ledgerOf,
  lengthLine,
  moneyFigure,
  moneyTogether,
  boughtTogether,
  openedBy,
  openedFor,
  packsFor,
  piecesLeft,
  piecesOf,
  rangeOf,
  spareOf,
  stemsFor,
  soldBase,
  lengthsTaken,
  uncutOf,
  usedFigure,
  wantsOf,
  withTax,
  LOW_STOCK,
} from './price'
import type { InHouse, Lot, Low } from './stock'
import {
  baseLots,
  baseOfLot,
  cutOf,
  cutThingsOf,
  fromCut,
  isFree,
  keptBy,
  lengthsOf,
  lotsOf,
  lowStock,
  servesAs,
  thingsOf,
  wantKey,
} from './stock'
import type { Workings } from './workings'
import { inBrief, rememberingWork } from './workings'

/** A piece that is still to be made, by what it needs. */
export interface InHand {
  readonly id: string
  readonly name: string
  readonly copies: number
  /** For one copy. */
  readonly needs: readonly Need[]
}

/** A length that someone wrote on the list of what is to be cut, besides what pieces need. */
export interface Listed extends Omit<Lengths, 'of' | 'layer'> {
  readonly id: string
}

/** Everything in hand. */
export interface Workroom extends Pricing {
  readonly pieces: readonly InHand[]
  readonly list: readonly Listed[]
}

/** A length that is wanted, by whom and for what, and how many of it are cut. */
export interface WantedLength extends WantFor {
  readonly use: string
  readonly piece: string | null
  readonly made: number
}

/** The cutting of one material. */
export interface Cutting {
  readonly wants: readonly WantedLength[]
  readonly plan: CutPlan
  /** What it is cut from besides what is bought. */
  readonly house: readonly InHouse[]
  /** Pieces that were cut and that nothing wants any more. */
  readonly over: readonly CutPiece[]
}

/** One material over all pieces in hand: what is wanted, what the house gives, what is opened and left. */
export interface MaterialPlan {
  /** A material's id; bare bases by their kind and width. */
  readonly id: string
  /** The bare base that it is of; null for all else. */
  readonly base: BareBase | null
  readonly name: string
  readonly of: 'stems' | 'length' | 'base'
  /** Stems with their spare, or mm. */
  readonly needed: Figure
  readonly fromHouse: Figure
  /** How many packs or rolls, and what they cost. Without tax. */
  readonly packs: Figure
  readonly opened: Figure
  /** What of that goes into the pieces. */
  readonly used: Figure
  /** Things or rolls that are to be bought, whatever packs they come in. */
  readonly toBuy: number
  /** What is left when all is made: stems, or mm of what is opened. */
  readonly left: Figure
  readonly bought: readonly Bought[]
  /** What of the packs is used, and all that they hold: things, or mm. */
  readonly parts: readonly [used: number, all: number]
  readonly cutting: Cutting | null
  /** How much of it each piece takes, by their ids, in parts. */
  readonly taken: Readonly<Record<string, number>>
  /** How much is taken by what was only listed, which is nobody's. */
  readonly listed: number
  /** What it takes of lots that are not cut for anything yet: things, or mm. */
  readonly drawn: number
}

/** What is opened, and what of that is used: the two ledgers. */
export interface Money {
  readonly opened: PriceRange
  readonly used: PriceRange
}

/** What a piece costs: as if it were alone in hand, and its share of what is opened for all. Both for all its copies, with tax. */
export interface Ledger {
  readonly alone: Money
  readonly share: Money
}

/** What follows from everything in hand together. Plain data. */
export interface Plan {
  readonly materials: readonly MaterialPlan[]
  /** For all of it, with tax. */
  readonly opened: Figure
  readonly used: Figure
  readonly tax: Figure | null
  /** What the pieces would cost, each bought for by itself, one after another. */
  readonly apart: Figure
  /** What planning them together saves: the difference of the two plans. */
  readonly saved: Figure
  readonly ledgers: Readonly<Record<string, Ledger>>
  /** What is to be bought though something that would do lies in the house. */
  readonly instead: readonly Instead[]
  /** Small things of which the plan leaves too little. */
  readonly low: readonly Low[]
}

/** How far a plan is. */
export interface PlanProgress extends Planning {
  readonly material: string
  readonly done: number
  readonly of: number
}

/** A piece as it stands on the bench: its workings, and what it costs with what is in the house, as if nothing else were in hand. */
export interface OnBench extends Workings {
  readonly bill: Bill
}

export function onBench(workings: Workings, piece: Piece, pricing: Pricing): OnBench {
  const { id, brief, layers } = piece
  const { needs } = workings
  const bill = billOf({ id, needs, copies: brief.copies, budget: brief.budget }, pricing)
  const counts = new Map(workings.layers.map((layer) => [layer.id, layer.count]))
  return {
    ...workings,
    bill,
    problems: worstFirst([
      ...workings.problems,
      ...costProblems({ id, brief, layers }, bill, needs, counts, pricing, costWith(piece, pricing)),
    ]),
  }
}

/** What all copies of a piece cost with an edit made, as if nothing else were in hand; both worked out whole. */
const costWith =
  (piece: Piece, pricing: Pricing): CostWith =>
  (how) => {
    const edited = edit(piece, how, 'try')
    if (!edited.ok) return null
    const { id, brief } = edited.change.piece
    return billOf({ id, copies: brief.copies, budget: null, needs: inBrief(edited.change.piece, pricing.shelf).needs }, pricing).opened
      .value
  }

/** The same after every edit: what a bill follows from seldom changes when a hand moves something. */
export function rememberingBench(): (piece: Piece, pricing: Pricing) => OnBench {
  const working = rememberingWork()
  let last: { readonly needs: readonly Need[]; readonly piece: Piece; readonly pricing: Pricing; readonly bench: OnBench } | null = null
  return (piece, pricing) => {
    const workings = working(piece, pricing.shelf)
    const needs = last ? sharing(last.needs, workings.needs) : workings.needs
    const same = last && last.needs === needs && last.pricing === pricing && saysTheSame(last.piece, piece)
    const bench =
      same && last
        ? {
            ...workings,
            needs,
            bill: last.bench.bill,
            problems: worstFirst([...workings.problems, ...last.bench.problems.filter(({ id }) => id === OVER_BUDGET)]),
          }
        : onBench({ ...workings, needs }, piece, pricing)
    last = { needs, piece, pricing, bench }
    return bench
  }
}

/** Whether two pieces have the same brief and rules, all that their cost hangs on besides their needs: a hand may have moved something. */
const saysTheSame = (a: Piece, b: Piece): boolean =>
  deltaOf(a.brief, b.brief) === 0 &&
  a.layers.length === b.layers.length &&
  a.layers.every((layer, i) => {
    const other = b.layers[i]!
    return layer === other || deltaOf({ ...layer, nudges: {} }, { ...other, nudges: {} }) === 0
  })

/** A need of one of several pieces. */
type Of<N> = { readonly piece: InHand; readonly need: N }

/**
 * One plan for everything in hand: what is in the house first, then for every material one cutting plan or one purchase,
 * then the ledgers. Goes step by step, since cutting well takes its time; told to stop (`next(true)`), it ends with the
 * best so far.
 */
export function* planWorkroom(workroom: Workroom): Generator<PlanProgress, Plan, boolean> {
  const { pieces, list, shelf } = workroom
  const of = <N extends Need>(pick: (needs: readonly Need[]) => N[]): Map<string, Of<N>[]> => {
    const all = pieces.flatMap((piece) => pick(piece.needs).map((need) => ({ piece, need })))
    const found = new Map<string, Of<N>[]>()
    for (const each of all) {
      const known = found.get(each.need.material)
      if (known) known.push(each)
      else found.set(each.need.material, [each])
    }
    return found
  }
  const things = of(thingsIn)
  const lengths = of(lengthsIn)
  const known = (id: string): Material[] => [materialOf(shelf, id)].flatMap((each) => each ?? [])
  const cutOnes = [...new Set([...lengths.keys(), ...list.map(({ material }) => material)])].flatMap(known)
  const materials: MaterialPlan[] = [
    ...basesPlans(pieces, workroom),
    ...[...things].flatMap(([id, own]) => known(id).map((material) => thingsPlan(material, own, workroom))),
  ]
  let stopped = false
  for (const [done, material] of cutOnes.entries()) {
    const own = lengths.get(material.id) ?? []
    const { job, kept, ...cutting } = cutJob(material, own, workroom)
    const going = planningCuts(job)
    let next = going.next()
    while (!next.done) {
      stopped = (yield { ...next.value, material: material.name, done, of: cutOnes.length }) || stopped
      next = going.next(stopped)
    }
    const plan = { ...next.value, rolls: [...kept, ...next.value.rolls] }
    materials.push(cutPlan(material, { ...cutting, plan }, job.wants, own, workroom))
  }
  return planFrom(materials, workroom)
}

/** What materials come to for all pieces together and for each. */
function planFrom(alone: readonly MaterialPlan[], workroom: Workroom): Plan {
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
  const { put, gone } = keepAll(pieces, workroom, newId)
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

/** What the plan of a kind and width of base is known by. */
const baseKey = ({ material, width, ownPrice, price }: BareBase): string =>
  [baseLots(material as BaseKind), Math.round(width * 10) / 10, ...(ownPrice ? [price] : [])].join(':')

/** Bases that are wanted for a piece, and how many of them are kept for it. */
interface BaseWant extends WantedBase {
  readonly piece: InHand
  own: number
}

/** Every piece has a base of its own: one that is kept for it, one that is nobody's and as wide, or a new one. */
function basesPlans(pieces: readonly InHand[], workroom: Workroom): MaterialPlan[] {
  const { lots } = workroom
  const wants = pieces
    .flatMap((piece) =>
      piece.needs.flatMap((need): BaseWant[] =>
        need.of === 'base' ? [{ piece, need, open: need.count * piece.copies, own: 0, had: 0 }] : [],
      ),
    )
    .sort((a, b) => a.need.width - b.need.width)
  const left = new Map(lots.flatMap((lot): [string, number][] => (baseOfLot(lot) ? [[lot.id, lot.things ?? 0]] : [])))
  const take = (want: BaseWant, lot: Lot): number => {
    if (!servesAs(lot, want.need.width)) return 0
    const taken = Math.min(left.get(lot.id)!, want.open)
    left.set(lot.id, left.get(lot.id)! - taken)
    want.open -= taken
    return taken
  }
  for (const want of wants)
    for (const lot of lotsOf(lots, baseLots(want.need.material as BaseKind)))
      if (lot.reserved?.piece === want.piece.id && isFree(lot, want.piece.id)) want.own += take(want, lot)
  const groups = new Map<string, BaseWant[]>()
  for (const want of wants) groups.set(baseKey(want.need), [...(groups.get(baseKey(want.need)) ?? []), want])
  for (const kind of new Set(wants.map(({ need }) => need.material as BaseKind)))
    giveOutBases(
      [...groups.values()].filter(([first]) => first!.need.material === kind),
      lotsOf(lots, baseLots(kind)).filter((lot) => isFree(lot)),
      workroom,
    )
  return [...groups].map(([id, own]): MaterialPlan => {
    const { need } = own[0]!
    const total = (of: (want: BaseWant) => number): number => own.reduce((n, each) => n + of(each), 0)
    const [toBuy, there] = [total(({ open }) => open), total((each) => each.own + each.had)]
    const bought = packsFor(toBuy, soldBase(need), workroom)
    const { packs, holds, cost, words } = openedBy(bought)
    return {
      id,
      base: need,
      name: need.name,
      of: 'base',
      bought,
      parts: [toBuy, holds],
      toBuy,
      cutting: null,
      taken: Object.fromEntries(own.map(({ piece, open }) => [piece.id, open])),
      listed: 0,
      drawn: there,
      needed: figure(
        quantity.count(toBuy + there),
        [
          ...own.flatMap(({ piece, open, own: kept, had }, i) => [i ? ' + ' : '', `${open + kept + had} for ${piece.name}`]),
          ...sum` = ${quantity.count(toBuy + there)}`,
        ],
        COUNTED,
      ),
      fromHouse: figure(quantity.count(there), there ? sum`of the kind and width that is wanted` : sum`none`, COUNTED),
      packs: figure(quantity.count(packs), sum`${quantity.count(toBuy + there)} − ${quantity.count(there)} from the house`, COUNTED),
      opened: moneyFigure(cost, [...words, ' = ', quantity.money(cost[1])]),
      used: usedFigure(cost, toBuy, holds, (n) => quantity.count(n)),
      left: figure(quantity.count(holds - toBuy), sum`${quantity.count(holds)} bought − ${quantity.count(toBuy)} needed of them`, COUNTED),
    }
  })
}

/** Whole things of all pieces: their stems with what breaks, less what is in the house, in the cheapest packs. What is kept for a piece is for it alone. */
function thingsPlan(material: Material, own: readonly Of<Things>[], workroom: Workroom): MaterialPlan {
  const { lots } = workroom
  const wants = own.map(({ piece, need }) => ({ piece, need, ...piecesOf(material, [need], piece.copies)[0]! }))
  // What is cut already goes first: each piece's own, then what is nobody's.
  const keepers = keptBy(lots, material.id)
  const hadOwn = wants.map(() => 0)
  for (const [id, kept] of keepers) {
    const own = wants.flatMap(({ piece }, i) => (piece.id === id ? [i] : []))
    fromCut(
      own.map((i) => wants[i]!),
      cutThingsOf(kept, material.id, id),
    ).forEach((n, k) => {
      hadOwn[own[k]!] = n
    })
  }
  const hadOthers = fromCut(
    wants.map(({ cut, count }, i) => ({ cut, count: count - hadOwn[i]! })),
    cutThingsOf(lots, material.id),
  )
  const had = hadOwn.reduce((n, each, i) => n + each + hadOthers[i]!, 0)
  // Then the stems that a piece keeps, for it alone; and all that is left is cut together.
  const pieces = [...new Set(wants.map(({ piece }) => piece))].map((piece) => {
    const left = wants.flatMap((want, i) => (want.piece === piece ? piecesLeft([want], [hadOwn[i]! + hadOthers[i]!]) : []))
    const kept = thingsOf(keepers.get(piece.id) ?? [], material.id, piece.id)
    const from = kept ? stemsFor(material, left, kept) : { stems: 0, left }
    return { piece, kept, fromKept: from.stems, left: from.left, alone: stemsFor(material, from.left).stems }
  })
  const missing = stemsFor(
    material,
    pieces.flatMap(({ left }) => left),
  ).stems
  const fromKept = pieces.reduce((n, each) => n + each.fromKept, 0)
  const all = missing + fromKept
  const spare = spareOf(all, Math.max(0, ...wants.map(({ need }) => need.spare)))
  const over = pieces.reduce((n, { kept, fromKept: used }) => n + kept - used, 0)
  const asked = missing + Math.max(0, spare - over)
  const toBuy = Math.max(0, asked - thingsOf(lots, material.id))
  const have = all + spare - toBuy
  const apart = pieces.reduce((n, each) => n + each.fromKept + each.alone, 0)
  const bought = packsFor(toBuy, material, workroom)
  const { packs, holds, cost, words } = openedBy(bought)
  // What breaks is opened, but not used; what is in the house goes first, as on the bill.
  const fromPacks = Math.max(0, missing - thingsOf(lots, material.id))
  return {
    id: material.id,
    name: material.plural,
    of: 'stems',
    base: null,
    drawn: have,
    bought,
    parts: [fromPacks, holds],
    toBuy,
    cutting: null,
    // What a piece has of its own takes no part of what is opened, but for the spare that is bought for it too.
    taken: Object.fromEntries(
      pieces.map(({ piece, fromKept: own, alone }) => [piece.id, alone + (apart > 0 ? ((asked - missing) * (own + alone)) / apart : 0)]),
    ),
    listed: 0,
    needed: figure(
      quantity.count(all + had + spare),
      [
        ...pieces.flatMap(({ piece, fromKept: own, alone }, i) => [i ? ' + ' : '', `${own + alone} for ${piece.name}`]),
        ...(apart > all ? [` − ${apart - all} by cutting them together`] : []),
        ...sum`${had ? ` + ${had} that are cut already` : ''}${spare ? ` + ${spare} spare` : ''} = ${quantity.count(all + had + spare)}`,
      ],
      COUNTED,
    ),
    fromHouse: figure(quantity.count(Math.max(0, have) + had), sum`${quantity.count(Math.max(0, have) + had)} in the house`, COUNTED),
    packs: figure(
      quantity.count(packs),
      sum`${quantity.count(all + spare)} − ${quantity.count(have)} from the house, in the packs that cost least`,
      COUNTED,
    ),
    opened: moneyFigure(cost, [...words, ' = ', quantity.money(cost[1])]),
    used: usedFigure(cost, fromPacks, holds, (n) => quantity.count(n)),
    left: figure(
      quantity.count(Math.max(0, holds - toBuy)),
      sum`${quantity.count(holds)} bought − ${quantity.count(toBuy)} needed of them`,
      COUNTED,
    ),
  }
}

/** What is wanted of a material that comes by the length, against what is cut and what is in the house. @returns `kept`: what is cut from what is kept for one piece alone, before all others */
function cutJob(
  material: Material,
  own: readonly Of<Lengths>[],
  workroom: Workroom,
): { readonly job: CutJob; readonly kept: CutPlan['rolls'] } & Omit<Cutting, 'plan'> {
  const { list, lots, shelf } = workroom
  const pieces = [...new Set(own.map(({ piece }) => piece))]
  const asked: Omit<WantedLength, 'made'>[] = [
    ...pieces.flatMap((piece) => {
      const needs = own.flatMap((each) => (each.piece === piece ? [each.need] : []))
      return wantsOf(piece, needs).map((want, i) => ({ ...want, use: needs[i]!.use, piece: piece.name }))
    }),
    ...list
      .filter((each) => each.material === material.id)
      .map(({ id: want, use, length, count, joins }) => {
        const of = { piece: null, want }
        return { id: wantKey(of), of, use, piece: null, length, count, joins }
      }),
  ]
  const { left, made, over } = reckon(asked, cutOf(lots, material.id))
  // Where one piece alone wants any, what it keeps is planned with all else that it may have.
  const [only, ...others] = pieces
  const alone = only && !others.length && asked.length === own.length ? only.id : null
  const keptHouse: InHouse[] = []
  const kept: CutPlan['rolls'][number][] = []
  let open: readonly Want[] = left.map(({ id, length, count, joins }) => ({ id, length, count, joins }))
  const keepers = keptBy(lots, material.id)
  for (const { id } of alone ? [] : pieces) {
    const own = lengthsOf(keepers.get(id) ?? [], material, id)
    if (!own.length) continue
    const ids = new Set(asked.flatMap((want) => (want.of.piece === id ? [want.id] : [])))
    const mine = (want: Want): boolean => ids.has(want.id)
    const { rolls, open: missing } = cutOfKept(open.filter(mine), own, shelf)
    keptHouse.push(...own)
    kept.push(...rolls)
    open = open.flatMap((want) => (mine(want) ? missing.filter((each) => each.id === want.id) : [want]))
  }
  const house = lengthsOf(lots, material, alone)
  return {
    house: [...house, ...keptHouse],
    over,
    kept,
    wants: asked.map((want) => ({ ...want, made: made.get(want.id) ?? 0 })),
    job: { wants: open, least: rate(LEAST_REST, shelf), stocks: [...asStock(over), ...cutStock(material, workroom, house)] },
  }
}

/** @param open what is still to be cut, but for what is kept for a piece */
function cutPlan(
  material: Material,
  cutting: Cutting,
  open: readonly Want[],
  own: readonly Of<Lengths>[],
  workroom: Workroom,
): MaterialPlan {
  const { plan, wants } = cutting
  const uncut = uncutOf(plan.short, wants, material)
  const bought = openedFor(plan, material, workroom, uncut)
  const { cost, words } = openedBy(bought)
  const needed = wants.reduce((total, { length, count }) => total + length * count, 0)
  const done = wants.reduce((total, { length, made }) => total + length * made, 0)
  const { ofHouse: fromHouse, ofNew, opened } = lengthsTaken(plan, wants, material, workroom, bought)
  const rests = plan.rolls.filter(({ usable }) => usable).reduce((total, { rest }) => total + rest, 0)
  // What is cut already, or will be from what is kept for a piece, takes no part of what is opened now. The wants of pieces come first, in the order of their needs.
  const left = new Map<string, number>()
  for (const { id, length, count } of open) left.set(id, (left.get(id) ?? 0) + length * count)
  const taken = new Map<string, number>()
  own.forEach(({ piece }, i) => taken.set(piece.id, (taken.get(piece.id) ?? 0) + (left.get(wants[i]!.id) ?? 0)))
  const rolls = plan.opened + uncut
  return {
    id: material.id,
    name: material.name,
    of: 'length',
    base: null,
    drawn: fromHouse,
    cutting,
    taken: Object.fromEntries(taken),
    listed: wants.slice(own.length).reduce((n, { id }) => n + (left.get(id) ?? 0), 0),
    bought,
    parts: [ofNew, opened],
    toBuy: plan.rolls.filter(({ stock }) => stock === NEW).length + uncut,
    needed: figure(
      quantity.length(needed),
      [
        ...wants.flatMap(({ count, length }, i) => sum`${i ? ' + ' : ''}${quantity.count(count)} × ${quantity.length(length)}`),
        ...sum` = ${quantity.length(needed)}`,
      ],
      COUNTED,
    ),
    fromHouse: figure(
      quantity.length(done + fromHouse),
      sum`${quantity.length(done)} cut already + ${quantity.length(fromHouse)} to be cut from what is in the house`,
      COUNTED,
    ),
    packs: figure(
      quantity.count(rolls),
      sum`the cheapest rolls that the rest can be cut from, ${plan.proven ? 'proven' : 'the best found'}`,
      COUNTED,
    ),
    opened: moneyFigure(cost, [...words, ' = ', quantity.money(cost[1])]),
    used: usedFigure(cost, ofNew, opened, quantity.length),
    left: figure(quantity.length(rests), sum`what is left of all rolls and long enough to be of use`, COUNTED),
  }
}
