import type { CutJob, CutPlan, Want } from '../cut'
import { LEAST_REST, houseStock, reckon } from '../cut'
import type { Lengths, Material } from '../material'
import { COUNTED, figure, quantity, rate, sum } from '../measure'
import { cutOfKept, cutStock, lengthsTaken, moneyFigure, openedBy, openedFor, uncutOf, usedFigure, wantsOf } from '../price'
import type { InHouse } from '../stock'
import { cutOf, keptBy, lengthsOf, wantKey } from '../stock'
import type { Cutting, MaterialPlan, Of, WantedLength, Workroom } from './workroom'

/** What is wanted of a material that comes by the length, against what is cut and what is in the house. @returns `kept`: what is cut from what is kept for one piece alone, before all others */
export function cutJob(
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
    job: { wants: open, least: rate(LEAST_REST, shelf), stocks: [...houseStock(over), ...cutStock(material, workroom, house)] },
  }
}

/** @param open what is still to be cut, but for what is kept for a piece */
export function cutPlan(
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
    toBuy: plan.rolls.filter(({ from }) => from === 'roll').length + uncut,
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
