import fc from 'fast-check'
import { expect } from 'vitest'
import type { Need } from '../../core/material'
import { CATALOGUE } from '../../core/material'
import { kept, seedOf } from '../../core/measure'
import type { Reduction, Shop, Tax } from '../../core/price'
import { NO_TAX } from '../../core/price'
import type { Lot } from '../../core/stock'
import { baseLots, lotOf } from '../../core/stock'
import { plainPricing, shelf } from '../../core/testing'
import type { InHand, Plan, Workroom } from '../../core/workroom'
import { planWorkroom } from '../../core/workroom'

/**
 * Random workrooms, for laws: what holds of any of them. Each law asks others, some thousands in all; `LAWS=20000 npx vitest run tests/laws`
 * asks more of them. A law that fails shows the smallest workroom that breaks it.
 */
export const RUNS = Number(process.env.LAWS ?? 100)
/** The same workrooms every time, unless another seed is asked for. */
const SEED = Number(process.env.SEED ?? 23)

/** The parts of a law that takes long, each a test of its own. */
export const PARTS = [0, 1, 2, 3, 4] as const

/**
 * A law over anything.
 * @param share of the usual number of runs, where one takes long
 * @param part null where the law asks examples of its own; else the part it begins with of those that all of its kind ask, which are worked out once
 */
export function hold<T>(of: fc.Arbitrary<T>, check: (each: T) => void, share = 1, part: number | null = null): void {
  const runs = Math.max(5, Math.round(RUNS * share))
  fc.assert(
    fc.property(of, (each) => {
      check(each)
    }),
    {
      numRuns: runs,
      ...(part === null ? { seed: seedOf(SEED, expect.getState().currentTestName ?? '') } : { seed: SEED, path: String(part * runs) }),
    },
  )
}

/** Stems that are cut of one or go on whole, plants and made things, lengths that join and that do not, glue by parts of a stick. */
const STEMS = ['bay', 'eucalyptus', 'bracken', 'dahlia', 'oar-sign'] as const
const LENGTHS = ['ribbon-slate', 'jute-twine', 'garland-pine', 'paddle-wire'] as const
const WIDTHS = [290, 300, 305, 312, 400] as const

const things: fc.Arbitrary<Need> = fc
  .record({
    material: fc.constantFrom(...STEMS),
    count: fc.integer({ min: 1, max: 14 }),
    cut: fc.option(fc.integer({ min: 60, max: 700 }), { nil: null }),
    layer: fc.constantFrom('a', 'b', 'c'),
  })
  .map(({ material, ...rest }) => ({
    of: 'things',
    material,
    use: 'laid',
    spare: CATALOGUE[material]!.state === 'artificial' || CATALOGUE[material]!.state === 'made' ? 0 : 0.1,
    ...rest,
  }))
const glue: fc.Arbitrary<Need> = fc
  .integer({ min: 1, max: 30 })
  .map((n) => ({ of: 'things', material: 'glue-stick', use: 'fixing', layer: 'a', count: n / 10, cut: null, spare: 0 }))
const lengths: fc.Arbitrary<Need> = fc
  .record({
    material: fc.constantFrom(...LENGTHS),
    length: fc.integer({ min: 60, max: 2600 }),
    count: fc.integer({ min: 1, max: 4 }),
    layer: fc.constantFrom('a', 'b', 'c'),
    use: fc.constantFrom('bow', 'winding'),
  })
  .map((each) => ({
    of: 'lengths',
    ...each,
    length: Math.min(each.length, CATALOGUE[each.material]!.length),
    joins: each.material === 'paddle-wire' || each.material === 'jute-twine',
  }))
/** The base of a piece, and of its parts some of another width. */
const bases: fc.Arbitrary<Need[]> = fc
  .tuple(fc.constantFrom(...WIDTHS), fc.option(fc.record({ width: fc.constantFrom(...WIDTHS), count: fc.integer({ min: 1, max: 4 }) })))
  .map(([width, parts]) => {
    const bare = { of: 'base' as const, material: 'straw', use: 'base', layer: 'base', count: 1, name: 'straw ring', price: 649, width }
    return parts && parts.width !== width ? [bare, { ...bare, ...parts, layer: 'part:nest' }] : [bare]
  })
export const need = fc.oneof({ weight: 3, arbitrary: things }, { weight: 2, arbitrary: lengths }, glue)

export const pieces: fc.Arbitrary<InHand[]> = fc
  .array(
    fc.record({ copies: fc.integer({ min: 1, max: 4 }), own: fc.array(need, { minLength: 1, maxLength: 4 }), base: fc.option(bases) }),
    {
      minLength: 1,
      maxLength: 4,
    },
  )
  .map((all) =>
    all.map(({ copies, own, base: bare }, i) => ({
      id: `p${i}`,
      name: `Piece ${i}`,
      copies,
      needs: [...(bare ?? []), ...own],
    })),
  )

const paid = fc.option(fc.integer({ min: 0, max: 5000 }), { nil: null })
const lot: fc.Arbitrary<Omit<Lot, 'id'>> = fc.oneof(
  fc
    .record({ material: fc.constantFrom(...STEMS, 'glue-stick'), things: fc.integer({ min: 1, max: 30 }), paid })
    .map((of) => lotOf('', of.material, of)),
  fc
    .record({
      material: fc.constantFrom('bay', 'eucalyptus', 'bracken'),
      things: fc.integer({ min: 1, max: 9 }),
      cut: fc.integer({ min: 60, max: 400 }),
      paid,
    })
    .map((of) => lotOf('', of.material, of)),
  fc
    .record({ material: fc.constantFrom(...LENGTHS), things: fc.integer({ min: 1, max: 3 }), paid })
    .map((of) => lotOf('', of.material, of)),
  fc
    .record({ material: fc.constantFrom(...LENGTHS), length: fc.integer({ min: 30, max: 3000 }), paid })
    .map((of) => lotOf('', of.material, of)),
  fc
    .record({ things: fc.integer({ min: 1, max: 3 }), cut: fc.option(fc.constantFrom(...WIDTHS), { nil: null }), paid })
    .map((of) => lotOf('', baseLots('straw'), of)),
)
/** Lots, some of them kept for one of the pieces. */
export const lots: fc.Arbitrary<Lot[]> = fc
  .array(fc.record({ lot, keeper: fc.option(fc.integer({ min: 0, max: 3 }), { nil: null, freq: 3 }) }), { maxLength: 8 })
  .map((all) =>
    all.map(({ lot: of, keeper }, i) => ({ ...of, id: `l${i}`, reserved: keeper === null ? null : { piece: `p${keeper}`, want: null } })),
  )

const span = fc
  .tuple(fc.integer({ min: 5, max: 70 }), fc.integer({ min: 0, max: 20 }))
  .map(([least, more]): [number, number] => [least / 100, (least + more) / 100])
const reduction: fc.Arbitrary<Reduction> = fc.oneof(
  span.map((share): Reduction => ({ kind: 'off', share, from: null, until: null })),
  fc
    .tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 1, max: 2 }))
    .map(([buy, get]): Reduction => ({ kind: 'free', buy, get, from: null, until: null })),
)
/** Shops without an end of anything and without coupons on one, so that buying together never costs more. */
export const shops: fc.Arbitrary<Shop[]> = fc
  .array(
    fc.array(
      fc.record({
        material: fc.constantFrom(...STEMS, ...LENGTHS, 'glue-stick', baseLots('straw')),
        holds: fc.integer({ min: 1, max: 12 }),
        price: fc.integer({ min: 1, max: 1500 }),
        reductions: fc.array(reduction, { maxLength: 1 }),
      }),
      { maxLength: 6 },
    ),
    { maxLength: 3 },
  )
  .map((all) =>
    all.map((offers, i) => ({
      id: `s${i}`,
      name: `Shop ${i}`,
      note: '',
      trip: 0,
      minimum: 0,
      sells: 0,
      offers: offers.map((offer) => ({
        ...offer,
        stock: null,
        days: [],
        ...(offer.material === baseLots('straw') ? { width: 305, holds: 1 } : {}),
      })),
    })),
  )
/** The same, where each shop counts all kinds together of which something goes free. */
export const shopsTogether: fc.Arbitrary<Shop[]> = shops.map((all) =>
  all.map((shop) => ({
    ...shop,
    offers: shop.offers.map((offer, i) => ({
      ...offer,
      reductions: i % 2 ? offer.reductions : [{ kind: 'free' as const, buy: 2, get: 1, among: 'any', from: null, until: null }],
    })),
  })),
)
export const tax: fc.Arbitrary<Tax> = fc.constantFrom<Tax>(
  NO_TAX,
  { share: 0.0825, by: 'bill', included: false, known: true },
  { share: 0.2, by: 'line', included: false, known: true },
  { share: 0.19, by: 'bill', included: true, known: true },
)
const list = fc
  .array(fc.record({ length: fc.integer({ min: 60, max: 900 }), count: fc.integer({ min: 1, max: 3 }) }), { maxLength: 2 })
  .map((all) => all.map((each, i) => ({ id: `w${i}`, material: 'ribbon-slate', use: 'Tail', joins: false, ...each })))

/** Everything in hand. @param set in place of what is random */
export const workrooms = (set: Partial<Workroom> = {}): fc.Arbitrary<Workroom> =>
  fc.record({ pieces, lots, shops, tax, list }).map((of) => {
    const room: Workroom = { ...plainPricing(shelf), ...of, ...set }
    // A fault is told without the whole shelf.
    return Object.defineProperty(room, fc.toStringMethod, { value: () => JSON.stringify({ ...room, shelf: '…' }), enumerable: false })
  })

/** Laws ask the same of the same workrooms: each is planned once. */
const plans = kept<Plan>(1500)
export const planned = (workroom: Workroom): Plan =>
  plans(
    JSON.stringify(workroom, (key, value: unknown) => (value === shelf ? '' : value)),
    () => planAfresh(workroom),
  )

export function planAfresh(workroom: Workroom): Plan {
  const going = planWorkroom(workroom)
  let next = going.next(false)
  while (!next.done) next = going.next(false)
  return next.value
}

/** What lots come to of each material: things as bought or cut, mm, and money; money is not known where a lot does not say. */
export function amounts(of: readonly Lot[]): Record<string, { things: number; length: number; paid: number }> {
  const found: Record<string, { things: number; length: number; paid: number }> = {}
  for (const { material, things: n, length, paid: money } of of) {
    const full = CATALOGUE[material]?.length ?? 0
    const roll = ['ribbon', 'garland', 'mechanic', 'mesh'].includes(CATALOGUE[material]?.kind ?? '') && full > 1000
    const known = (found[material] ??= { things: 0, length: 0, paid: 0 })
    // To the thousandth of a millimetre, as sums in another order differ by less.
    if (length !== null || roll) known.length = Math.round((known.length + (length ?? n! * full)) * 1000) / 1000
    else known.things += n!
    known.paid += money ?? 0
  }
  return found
}

/** The lots after some changed hands. */
export const after = (of: readonly Lot[], { put, gone }: { readonly put: readonly Lot[]; readonly gone: readonly string[] }): Lot[] => {
  const out = new Set([...gone, ...put.map(({ id }) => id)])
  return [...of.filter(({ id }) => !out.has(id)), ...put]
}
let made = 0
/** Ids that nothing else has. */
export const ids = (): (() => string) => () => `new ${(made += 1)}`
