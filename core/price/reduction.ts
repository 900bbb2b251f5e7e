import { z } from 'zod'
import type { Day, Minor, Quantity, Said } from '../measure'
import { DaySchema, quantity, sum } from '../measure'

/** From the least to the most that something may be; both the same where it is one number. */
export type PriceRange = readonly [least: number, most: number]

/** The dearest thing and the largest pack that is believed. */
export const DEAREST = 10_000_000
export const LARGEST_PACK = 10_000

const dated = { from: DaySchema.nullable(), until: DaySchema.nullable().describe('the last day of it') }
const share = z.number().gt(0, 'A reduction of nothing is none.').max(1, 'More than 100 % off is no reduction.')
const inOrder = ([least, most]: readonly [number, number]): boolean => least <= most
const TURNED = 'The range is turned round: the least comes first.'
const range = z.tuple([share, share]).refine(inOrder, TURNED).describe('from the least to the most, 0 to 1')

/** What a shop takes off a price, and when. */
export const ReductionSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('off'), share: range, ...dated }).describe('so much off each'),
    z
      .strictObject({
        kind: z.literal('free'),
        buy: z.int().min(1).max(100),
        get: z.int().min(1).max(100),
        among: z
          .string()
          .trim()
          .min(1)
          .max(40)
          .optional()
          .describe('any of these: all offers of the shop that say the same count together'),
        ...dated,
      })
      .describe('of every so many that are bought, so many more go free'),
    z.strictObject({ kind: z.literal('coupon'), share: range, ...dated }).describe('so much off one'),
    z
      .strictObject({
        kind: z.literal('clearance'),
        price: z.tuple([z.int().min(0).max(DEAREST), z.int().min(0).max(DEAREST)]).refine(inOrder, TURNED),
        ...dated,
      })
      .describe('sold off at this price instead, minor units'),
  ])
  .refine(({ from, until }) => from === null || until === null || from <= until, 'It ends before it begins.')
export type Reduction = z.infer<typeof ReductionSchema>

/** Whether a reduction holds on a day. @param day null is no day that is known: only what always holds does */
export const holdsOn = ({ from, until }: Pick<Reduction, 'from' | 'until'>, day: Day | null): boolean =>
  day === null ? from === null && until === null : (from === null || from <= day) && (until === null || day <= until)

/** Shares are reckoned in hundredths of a percent, in whole numbers, so that no cent hangs on how a fraction is kept. */
const WHOLE = 10_000
const parts = (of: number): number => Math.round(of * WHOLE)

/**
 * How many of so many packs go free.
 * @example freeOf(7, { buy: 2, get: 1 }) // 2
 */
export function freeOf(packs: number, { buy, get }: { readonly buy: number; readonly get: number }): number {
  const round = buy + get
  return Math.floor(packs / round) * get + Math.max(0, (packs % round) - buy)
}

/** The deal by which most goes free, of several. */
export const freeDeal = (reductions: readonly Reduction[]): Extract<Reduction, { kind: 'free' }> | null =>
  reductions.reduce<Extract<Reduction, { kind: 'free' }> | null>(
    (best, each) => (each.kind === 'free' && (!best || freeOf(WHOLE, each) > freeOf(WHOLE, best)) ? each : best),
    null,
  )

/**
 * How many packs of each line go free where several kinds count together: laid out from the dearest down, of what costs as much the fewest
 * first, so that the order of lines changes nothing, of every round the last. No way to pay for them in several goes saves more.
 * @param lines what one pack of each costs, and how many there are @returns for each line, in their order
 * @example freeAmong([{ unit: 900, packs: 2 }, { unit: 500, packs: 2 }], { buy: 2, get: 1 }) // [0, 1]
 */
export function freeAmong(
  lines: readonly { readonly unit: Minor; readonly packs: number }[],
  deal: { readonly buy: number; readonly get: number },
): number[] {
  const free = lines.map(() => 0)
  let before = 0
  for (const i of lines.map((_, k) => k).sort((a, b) => lines[b]!.unit - lines[a]!.unit || lines[a]!.packs - lines[b]!.packs)) {
    const { packs } = lines[i]!
    free[i] = freeOf(before + packs, deal) - freeOf(before, deal)
    before += packs
  }
  return free
}

/**
 * What so many packs of one line come to, each line rounded to the cent, halves up: a clearance price takes the place of the
 * list price, what is off is taken off that, free ones go free, and a coupon takes its share off one that is paid for. Of several
 * of one kind the best is taken.
 * @param list of one pack, minor units @param packs whole, from 0 @param end where a reduction is a range, by its least or its most
 * @example lineCost(899, 3, [{ kind: 'off', share: [0.4, 0.5], from: null, until: null }], 'least') // 1618: 26.97 less 40 %
 */
export function lineCost(list: Minor, packs: number, reductions: readonly Reduction[], end: 'least' | 'most'): Minor {
  if (!packs) return 0
  const at = end === 'least' ? 0 : 1
  let unit = list
  let off = 0
  let coupon = 0
  let free = 0
  for (const each of reductions) {
    if (each.kind === 'clearance') unit = Math.min(unit, each.price[1 - at]!)
    else if (each.kind === 'off') off = Math.max(off, parts(each.share[at]!))
    else if (each.kind === 'coupon') coupon = Math.max(coupon, parts(each.share[at]!))
    else free = Math.max(free, freeOf(packs, each))
  }
  const paid = packs - free
  // Whole numbers throughout: BigInt where they would not fit.
  const scale = WHOLE * WHOLE
  const exact = unit * (WHOLE - off) * (paid * WHOLE - (paid > 0 ? coupon : 0))
  if (Number.isSafeInteger(exact)) return Math.floor(exact / scale) + ((exact % scale) * 2 >= scale ? 1 : 0)
  const large = BigInt(unit) * BigInt(WHOLE - off) * BigInt(paid * WHOLE - coupon)
  return Number((large * 2n + BigInt(scale)) / (2n * BigInt(scale)))
}

/** What so many packs come to, from the lowest with every reduction at its most, to the highest. */
export const lineRange = (list: Minor, packs: number, reductions: readonly Reduction[]): PriceRange => [
  lineCost(list, packs, reductions, 'most'),
  lineCost(list, packs, reductions, 'least'),
]

const rangeSaid = ([least, most]: PriceRange, said: (n: number) => Quantity): Said =>
  least === most ? [said(least)] : [said(least), ' to ', said(most)]

/** A reduction as one says it: "40 to 50 % off". */
export function reductionSaid(of: Reduction): Said {
  switch (of.kind) {
    case 'off':
      return [...rangeSaid(of.share, quantity.share), ' off']
    case 'free':
      return sum`buy ${quantity.count(of.buy)}, get ${quantity.count(of.get)} free${of.among ? ` of any ${of.among}` : ''}`
    case 'coupon':
      return [...rangeSaid(of.share, quantity.share), ' off one']
    case 'clearance':
      return ['cleared at ', ...rangeSaid(of.price, quantity.money)]
  }
}
