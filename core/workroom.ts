import type { CutJob, CutPlan, CutPiece, Planning, Want } from './cut'
import { asStock, planning as planningCuts, reckon } from './cut'
import { LEAST_REST } from './cut/thumbs'
import type { Lengths, Material, Need, Things } from './material'
import { lengthsIn, materialOf, thingsIn } from './material'
import type { Figure, Minor } from './measure'
import { COUNTED, deltaOf, figure, quantity, rate, shareOut, sharing, sum } from './measure'
import { worked } from './measure/term'
import type { Piece } from './piece'
import { worstFirst } from './piece'
import type { Bill, Bought, Pricing } from './price'
import {
  billOf,
  costProblems,
  cutStock,
  moneyTogether,
  openedBy,
  openedFor,
  packsOver,
  pricesOf,
  spareOf,
  stemsFor,
  uncutOf,
  wantsOf,
} from './price'
import type { InHouse } from './stock'
import { cutOf, lengthsOf, thingsOf } from './stock'
import type { Workings } from './workings'
import { rememberingWork } from './workings'

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
export interface Wanted extends Want {
  readonly use: string
  readonly piece: string | null
  readonly made: number
}

/** The cutting of one material. */
export interface Cutting {
  readonly wants: readonly Wanted[]
  readonly plan: CutPlan
  /** What it is cut from besides what is bought. */
  readonly house: readonly InHouse[]
  /** Pieces that were cut and that nothing wants any more. */
  readonly over: readonly CutPiece[]
}

/** One material over all pieces in hand: what is wanted, what the house gives, what is opened and left. */
export interface MaterialPlan {
  /** A material's id, or `bases`. */
  readonly id: string
  readonly name: string
  readonly of: 'stems' | 'length' | 'base'
  /** Stems with their spare, or mm. */
  readonly needed: Figure
  readonly fromHouse: Figure
  /** How many packs or rolls, and what they cost. */
  readonly packs: Figure
  readonly opened: Figure
  /** What is left when all is made: stems, or mm of what is opened. */
  readonly left: Figure
  readonly bought: readonly Bought[]
  readonly cutting: Cutting | null
  /** How what is opened is shared by the pieces, by their ids; what was only listed is nobody's. */
  readonly shares: Readonly<Record<string, Minor>>
}

/** What a piece costs: as if it were alone in hand, and its share of what is opened for all. Both for all its copies. */
export interface Ledger {
  readonly alone: Minor
  readonly share: Minor
}

/** What follows from everything in hand together. Plain data. */
export interface Plan {
  readonly materials: readonly MaterialPlan[]
  readonly opened: Figure
  /** What the pieces would cost, were each alone in hand. */
  readonly alone: Figure
  /** What they save by being planned together. */
  readonly saved: Figure
  readonly ledgers: Readonly<Record<string, Ledger>>
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

export function onBench(workings: Workings, { id, brief, layers }: Piece, pricing: Pricing): OnBench {
  const { needs } = workings
  const bill = billOf({ id, needs, copies: brief.copies, budget: brief.budget }, pricing)
  const counts = new Map(workings.layers.map(({ id, count }) => [id, count]))
  return {
    ...workings,
    bill,
    problems: worstFirst([...workings.problems, ...costProblems({ brief, layers }, bill, needs, counts, pricing)]),
  }
}

/** The same after every edit: what a bill follows from seldom changes when a hand moves something. */
export function rememberingBench(): (piece: Piece, pricing: Pricing) => OnBench {
  const working = rememberingWork()
  let last: { readonly needs: readonly Need[]; readonly brief: Piece['brief']; readonly pricing: Pricing; readonly bench: OnBench } | null =
    null
  return (piece, pricing) => {
    const workings = working(piece, pricing.shelf)
    const needs = last ? sharing(last.needs, workings.needs) : workings.needs
    const same = last && last.needs === needs && last.pricing === pricing && deltaOf(last.brief, piece.brief) === 0 && !last.bench.bill.room
    const bench = same && last ? { ...workings, needs, bill: last.bench.bill } : onBench({ ...workings, needs }, piece, pricing)
    last = { needs, brief: piece.brief, pricing, bench }
    return bench
  }
}

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
    for (const each of all) found.set(each.need.material, [...(found.get(each.need.material) ?? []), each])
    return found
  }
  const things = of(thingsIn)
  const lengths = of(lengthsIn)
  const known = (id: string): Material[] => [materialOf(shelf, id)].flatMap((each) => each ?? [])
  const cutOnes = [...new Set([...lengths.keys(), ...list.map(({ material }) => material)])].flatMap(known)
  const materials: MaterialPlan[] = [
    ...basesOf(pieces),
    ...[...things].flatMap(([id, own]) => known(id).map((material) => thingsPlan(material, own, workroom))),
  ]
  let stopped = false
  for (const [done, material] of cutOnes.entries()) {
    const { job, wants, house, over } = cutJob(material, lengths.get(material.id) ?? [], workroom)
    const going = planningCuts(job)
    let next = going.next()
    while (!next.done) {
      stopped = (yield { ...next.value, material: material.name, done, of: cutOnes.length }) || stopped
      next = going.next(stopped)
    }
    materials.push(cutPlan(material, { wants, plan: next.value, house, over }, lengths.get(material.id) ?? [], workroom))
  }
  const opened = materials.reduce((total, each) => total + each.opened.value, 0)
  const ledgers = Object.fromEntries(
    pieces.map((piece): [string, Ledger] => [
      piece.id,
      {
        alone: billOf({ ...piece, budget: null }, workroom).opened.value,
        share: materials.reduce((total, { shares }) => total + (shares[piece.id] ?? 0), 0),
      },
    ]),
  )
  const apart = Object.values(ledgers).reduce((total, each) => total + each.alone, 0)
  const money = quantity.money
  return {
    materials,
    ledgers,
    opened: worked(moneyTogether(materials.map((each) => [each.name, each.opened.value]))),
    alone: worked(moneyTogether(pieces.map(({ id, name }) => [name, ledgers[id]!.alone]))),
    saved: figure(
      money(apart - opened),
      sum`each alone ${money(apart)} − all together ${money(opened)} = ${money(apart - opened)}`,
      COUNTED,
    ),
  }
}

/** Shares out money by how much each takes, to the cent. */
function sharesOf(cost: Minor, taken: ReadonlyMap<string, number>): Record<string, Minor> {
  const ids = [...taken].filter(([, much]) => much > 0)
  if (!ids.length) return {}
  const parts =
    cost > 0
      ? shareOut(
          cost,
          ids.map(([, much]) => Math.max(1, Math.round(much))),
        )
      : ids.map(() => 0)
  return Object.fromEntries(ids.map(([id], i) => [id, parts[i]!]))
}

/** Every piece has a base of its own. */
function basesOf(pieces: readonly InHand[]): MaterialPlan[] {
  const all = pieces.flatMap((piece) =>
    piece.needs.flatMap((need) => (need.of === 'base' ? [{ piece, cost: need.price * piece.copies }] : [])),
  )
  if (!all.length) return []
  const count = all.reduce((n, { piece }) => n + piece.copies, 0)
  const none = figure(quantity.count(0), sum`none`, COUNTED)
  return [
    {
      id: 'bases',
      name: 'bases',
      of: 'base',
      fromHouse: none,
      left: none,
      bought: [],
      cutting: null,
      needed: figure(quantity.count(count), sum`one for each copy of each piece`, COUNTED),
      packs: figure(quantity.count(count), sum`one for each copy of each piece`, COUNTED),
      opened: worked(moneyTogether(all.map(({ piece, cost }) => [piece.name, cost]))),
      shares: Object.fromEntries(all.map(({ piece, cost: each }) => [piece.id, each])),
    },
  ]
}

/** Whole things of all pieces: their stems with what breaks, less what is in the house, in the cheapest packs. */
function thingsPlan(material: Material, own: readonly Of<Things>[], { shelf, lots }: Workroom): MaterialPlan {
  const stems = own.map(({ piece, need }) => ({ piece, stems: stemsFor(material, [need], piece.copies).stems, spare: need.spare }))
  const all = stems.reduce((n, each) => n + each.stems, 0)
  const spare = spareOf(all, Math.max(0, ...stems.map((each) => each.spare)))
  const have = Math.min(thingsOf(lots, material.id), all + spare)
  const bought = packsOver(all + spare - have, pricesOf(material, shelf.shops))
  const { packs, holds, cost, words } = openedBy(bought)
  const taken = new Map<string, number>()
  for (const { piece, stems: n } of stems) taken.set(piece.id, (taken.get(piece.id) ?? 0) + n)
  return {
    id: material.id,
    name: material.plural,
    of: 'stems',
    bought,
    cutting: null,
    shares: sharesOf(cost, taken),
    needed: figure(
      quantity.count(all + spare),
      [
        ...stems.flatMap(({ piece, stems: n }, i) => [i ? ' + ' : '', `${n} for ${piece.name}`]),
        ...sum`${spare ? ` + ${spare} spare` : ''} = ${quantity.count(all + spare)}`,
      ],
      COUNTED,
    ),
    fromHouse: figure(quantity.count(have), sum`${quantity.count(thingsOf(lots, material.id))} in the house`, COUNTED),
    packs: figure(
      quantity.count(packs),
      sum`${quantity.count(all + spare)} − ${quantity.count(have)} from the house, in the packs that cost least`,
      COUNTED,
    ),
    opened: figure(quantity.money(cost), [...words, ' = ', quantity.money(cost)], COUNTED),
    left: figure(
      quantity.count(Math.max(0, holds - (all + spare - have))),
      sum`${quantity.count(holds)} bought − ${quantity.count(Math.max(0, all + spare - have))} needed of them`,
      COUNTED,
    ),
  }
}

/** What is wanted of a material that comes by the length, against what is cut and what is in the house. */
function cutJob(material: Material, own: readonly Of<Lengths>[], workroom: Workroom): { readonly job: CutJob } & Omit<Cutting, 'plan'> {
  const { list, lots, shelf } = workroom
  const asked: Omit<Wanted, 'made'>[] = [
    ...[...new Set(own.map(({ piece }) => piece))].flatMap((piece) => {
      const needs = own.flatMap((each) => (each.piece === piece ? [each.need] : []))
      return wantsOf(piece, needs).map((want, i) => ({ ...want, use: needs[i]!.use, piece: piece.name }))
    }),
    ...list
      .filter((each) => each.material === material.id)
      .map(({ id, use, length, count, joins }) => ({ id, use, piece: null, length, count, joins })),
  ]
  const { left, made, over } = reckon(asked, cutOf(lots, material.id))
  const house = lengthsOf(lots, material)
  return {
    house,
    over,
    wants: asked.map((want) => ({ ...want, made: made.get(want.id) ?? 0 })),
    job: {
      wants: left.map(({ id, length, count, joins }) => ({ id, length, count, joins })),
      least: rate(LEAST_REST, shelf),
      stocks: [...asStock(over), ...cutStock(material, workroom)],
    },
  }
}

function cutPlan(material: Material, cutting: Cutting, own: readonly Of<Lengths>[], workroom: Workroom): MaterialPlan {
  const { plan, wants } = cutting
  const uncut = uncutOf(plan.short, wants, material)
  const bought = openedFor(plan, material, workroom, uncut)
  const { cost, words } = openedBy(bought)
  const needed = wants.reduce((total, { length, count }) => total + length * count, 0)
  const done = wants.reduce((total, { length, made }) => total + length * made, 0)
  const isBought = (stock: string): boolean => !cutting.house.some(({ id }) => id === stock) && !cutting.over.some(({ id }) => id === stock)
  const lengthOf = (rolls: CutPlan['rolls']): number =>
    rolls.reduce((total, { cuts }) => total + cuts.reduce((mm, { length }) => mm + length, 0), 0)
  const fromHouse = lengthOf(plan.rolls.filter(({ stock }) => !isBought(stock)))
  const rests = plan.rolls.filter(({ usable }) => usable).reduce((total, { rest }) => total + rest, 0)
  const taken = new Map<string, number>()
  // What is cut already takes no part of what is opened now. The wants of pieces come first, in the order of their needs.
  own.forEach(({ piece }, i) => {
    const { length, count, made } = wants[i]!
    taken.set(piece.id, (taken.get(piece.id) ?? 0) + length * (count - made))
  })
  return {
    id: material.id,
    name: material.name,
    of: 'length',
    cutting,
    shares: sharesOf(cost, taken),
    bought,
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
      quantity.count(plan.opened + uncut),
      sum`the cheapest rolls that the rest can be cut from, ${plan.proven ? 'proven' : 'the best found'}`,
      COUNTED,
    ),
    opened: figure(quantity.money(cost), [...words, ' = ', quantity.money(cost)], COUNTED),
    left: figure(quantity.length(rests), sum`what is left of all rolls and long enough to be of use`, COUNTED),
  }
}
