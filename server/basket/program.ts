import type { BasketJob, PacksChosen } from '../../core/price'
import { freeDeal, lineCost } from '../../core/price'

type Offer = BasketJob['shops'][number]['offers'][number]

/** What of an offer an integer program has to know, at its highest: what one costs that is paid for, what goes free, and what a coupon takes off one. */
interface Priced {
  readonly at: { readonly shop: string; readonly offer: number }
  readonly holds: number
  readonly stock: number
  readonly unit: number
  readonly free: ReturnType<typeof freeDeal>
  readonly coupon: number
}

/** What a thing from elsewhere counts besides its price, so that it is bought there only where no shop has it: more than the dearest way to have it from a shop. */
const looking = ({ shops }: Pick<BasketJob, 'shops'>, { material }: Pick<BasketJob['wants'][number], 'material'>): number =>
  Math.max(0, ...shops.flatMap(({ offers }) => offers.flatMap((offer) => (offer.material === material ? [offer.price] : [])))) +
  shops.reduce((all, { trip, minimum }) => all + trip + minimum, 0)

/** What counts together in a shop, whatever of it is bought. */
interface Among {
  readonly buy: number
  readonly get: number
  readonly lines: { readonly unit: number; readonly paid: string; readonly free: string }[]
}

/** Whether a deal counts several kinds together: where a shop asks for a least as well, each is counted by itself, which may miss the best. */
const countsAmong = ({ minimum }: Pick<BasketJob['shops'][number], 'minimum'>, { among }: NonNullable<Priced['free']>): boolean =>
  among !== undefined && minimum === 0

/** What lines that count together are known by. */
const amongKey = ({ among, buy, get }: NonNullable<Priced['free']>): string => JSON.stringify([among, buy, get])

/** Whether the program says what baskets really cost. */
export const isExact = ({ shops }: Pick<BasketJob, 'shops'>): boolean =>
  shops.every(({ minimum, offers }) => minimum === 0 || offers.every(({ reductions }) => freeDeal(reductions)?.among === undefined))

/** The largest program that is solved, terms: five times that of sixty kinds in eight shops with two packs of each. */
export const LARGEST_PROGRAM = 60_000

/** How large the program of a basket is, terms: each offer of what is wanted has its rows, and what counts together has one for each two. */
export function termsOf({ wants, shops }: BasketJob): number {
  const wanted = new Set(wants.map(({ material }) => material))
  return shops.reduce((all, shop) => {
    const own = shop.offers.filter(({ material }) => wanted.has(material))
    const together = new Map<string, number>()
    for (const { reductions } of own) {
      const free = freeDeal(reductions)
      if (free && countsAmong(shop, free)) together.set(amongKey(free), (together.get(amongKey(free)) ?? 0) + 1)
    }
    return all + own.length * TERMS_OF_OFFER + [...together.values()].reduce((n, lines) => n + lines * lines, 0)
  }, wants.length)
}
const TERMS_OF_OFFER = 12

/** What of a solution's cost stands for things that no shop has at all, and is no cost. */
export const notCost = (job: BasketJob): number =>
  job.wants.reduce((all, want) => {
    const there = job.shops.reduce(
      (n, { offers }) =>
        n +
        offers.reduce(
          (m, { material, holds, stock }) => m + (material === want.material ? (stock === null ? Infinity : stock * holds) : 0),
          0,
        ),
      0,
    )
    return all + Math.max(0, want.count - there) * looking(job, want)
  }, 0)

/** A program as it is written: what it costs, what must hold, and which of its columns are whole or yes and no. */
interface Written {
  readonly cost: string[]
  readonly rows: string[]
  readonly bounds: string[]
  readonly integers: string[]
  readonly binary: string[]
  /** What gives each material, by packs of so many. */
  readonly covers: Map<string, string[]>
}

/** A shop in it, by its number, and what is spent there. */
interface ShopIn {
  readonly shop: BasketJob['shops'][number]
  readonly s: number
  readonly spend: string[]
  /** What counts together there. */
  readonly among: Map<string, Among>
}

/** The columns of an offer: packs that are paid for and that go free, rounds of a deal, a coupon. */
const columnsOf = (s: number, o: number) => ({ paid: `q${s}_${o}`, free: `f${s}_${o}`, rounds: `r${s}_${o}`, coupon: `c${s}_${o}` })

/** What goes free of an offer by itself, in rounds. @param minimum that the shop asks for, minor units */
function freeRows(to: Written, { buy, get }: NonNullable<Priced['free']>, s: number, o: number, minimum: number): void {
  const { paid, free, rounds } = columnsOf(s, o)
  to.rows.push(`${buy} ${rounds} - ${paid} <= 0`, `${free} - ${get} ${rounds} <= 0`)
  to.integers.push(free, rounds)
  if (!minimum) return
  // Where a shop asks for a least, nothing that would go free is paid for to reach it: full rounds, then what is paid for of
  // the next, and only when all of that is, some of what goes free with it.
  const begun = `w${s}_${o}`
  to.rows.push(
    `${free} - ${get} ${rounds} + ${get} ${begun} >= 0`,
    `${paid} - ${buy} ${rounds} <= ${buy - 1}`,
    `${free} - ${get} ${rounds} + ${begun} <= 0`,
    `${paid} - ${buy} ${rounds} + ${buy} ${begun} <= ${buy}`,
  )
  to.binary.push(begun)
}

/** An offer of what is wanted. @param count of that */
function offerRows(to: Written, { shop, s, spend, among }: ShopIn, o: number, count: number): void {
  const offer = shop.offers[o]!
  const priced = pricedOf(offer, { shop: shop.id, offer: o })
  const { paid, free, coupon } = columnsOf(s, o)
  const cap = Math.min(
    priced.stock,
    Math.ceil(count / priced.holds) + (shop.minimum ? roundsOf(Math.ceil(shop.minimum / Math.max(1, priced.unit)), priced.free) : 0),
  )
  to.cost.push(`${priced.unit} ${paid}`)
  spend.push(`${priced.unit} ${paid}`)
  to.integers.push(paid)
  const cover = to.covers.get(offer.material) ?? []
  cover.push(`${priced.holds} ${paid}`, ...(priced.free ? [`${priced.holds} ${free}`] : []))
  to.covers.set(offer.material, cover)
  if (priced.free && countsAmong(shop, priced.free)) {
    const { buy, get } = priced.free
    const key = amongKey(priced.free)
    const known = among.get(key) ?? { buy, get, lines: [] }
    known.lines.push({ unit: priced.unit, paid, free })
    among.set(key, known)
    to.integers.push(free)
  } else if (priced.free) freeRows(to, priced.free, s, o, shop.minimum)
  to.rows.push(`${paid}${priced.free ? ` + ${free}` : ''} - ${cap} y${s} <= 0`)
  if (!priced.coupon) return
  to.cost.push(`-${priced.coupon} ${coupon}`)
  to.rows.push(`${coupon} - ${paid} <= 0`)
  to.binary.push(coupon)
}

/**
 * Of all that is as dear as something, or dearer, no more goes free than what is paid for of it brings: so each frees only what
 * costs no more than it does.
 * @param k its number in the shop
 */
function amongRows(to: Written, { buy, get, lines }: Among, s: number, k: number): void {
  const dearest = [...lines].sort((a, b) => b.unit - a.unit)
  dearest.forEach((_, j) => {
    const round = `g${s}_${k}_${j}`
    const down = dearest.slice(0, j + 1)
    to.rows.push(
      `${buy} ${round} ${down.map(({ paid }) => `- ${paid}`).join(' ')} <= 0`,
      `${down.map(({ free }) => free).join(' + ')} - ${get} ${round} <= 0`,
    )
    to.integers.push(round)
  })
}

/** A shop, whether one goes there, and all its offers of what is wanted. @param counts of each material that is */
function shopRows(to: Written, shop: BasketJob['shops'][number], s: number, counts: ReadonlyMap<string, number>): void {
  const of: ShopIn = { shop, s, spend: [], among: new Map() }
  to.cost.push(`${shop.trip} y${s}`)
  to.binary.push(`y${s}`)
  shop.offers.forEach(({ material }, o) => {
    const count = counts.get(material)
    if (count !== undefined) offerRows(to, of, o, count)
  })
  for (const [k, among] of [...of.among.values()].entries()) amongRows(to, among, s, k)
  if (shop.minimum > 0) to.rows.push(`${of.spend.join(' + ')} - ${shop.minimum} y${s} >= 0`)
}

/**
 * The least cost of what is wanted, as an integer program in the format of CPLEX: packs that are paid for and packs that go free,
 * of each offer; shops that are gone to; what is bought elsewhere. Lines are not rounded in it.
 * @param most shops at most; null is any number @param whole whether packs are whole: without, it says what none can beat
 */
export function programOf({ wants, shops }: BasketJob, most: number | null, whole = true): string {
  const to: Written = { cost: [], rows: [], bounds: [], integers: [], binary: [], covers: new Map() }
  const counts = new Map(wants.map(({ material, count }) => [material, count]))
  shops.forEach((shop, s) => shopRows(to, shop, s, counts))
  wants.forEach((want, i) => {
    const { material, count, usual } = want
    const elsewhere = `e${i}`
    to.cost.push(`${usual.price / usual.holds + looking({ shops }, want)} ${elsewhere}`)
    to.rows.push(`${[...(to.covers.get(material) ?? []), elsewhere].join(' + ')} >= ${count}`)
    to.bounds.push(`0 <= ${elsewhere} <= ${count}`)
  })
  if (most !== null && shops.length) to.rows.push(`${shops.map((_, s) => `y${s}`).join(' + ')} <= ${most}`)
  return textOf(to, whole)
}

/** A program as text. */
function textOf({ cost, rows, bounds, integers, binary }: Written, whole: boolean): string {
  const terms = cost.length ? cost.join(' + ').replaceAll('+ -', '- ') : '0 e'
  return [
    'Minimize',
    ` cost: ${terms}`,
    'Subject To',
    ...rows.map((row, i) => ` r${i}: ${row.replaceAll('+ -', '- ')}`),
    'Bounds',
    ...[...bounds, ...(whole ? [] : binary.map((of) => `0 <= ${of} <= 1`))].map((row) => ` ${row}`),
    ...(whole && integers.length ? ['General', ` ${integers.join(' ')}`] : []),
    ...(whole && binary.length ? ['Binary', ` ${binary.join(' ')}`] : []),
    'End',
  ].join('\n')
}

/** Packs of which so many are paid for, with what goes free with them. */
const roundsOf = (paid: number, free: Priced['free']): number => (free ? Math.ceil(paid / free.buy) * (free.buy + free.get) : paid)

function pricedOf({ holds, price, reductions, stock }: Offer, at: Priced['at']): Priced {
  // A clearance and what is off hold for each; what goes free and what is off one are the program’s own to count.
  const each = reductions.filter(({ kind }) => kind === 'clearance' || kind === 'off')
  const HUNDRED = 100
  const unit = lineCost(price, HUNDRED, each, 'least') / HUNDRED
  const free = freeDeal(reductions)
  const coupon = Math.max(0, ...reductions.map((one) => (one.kind === 'coupon' ? one.share[0] : 0)))
  return { at, holds, stock: stock ?? Number.MAX_SAFE_INTEGER, unit, free, coupon: unit * coupon }
}

/** What a solution of the program buys. @param value of a column by its name, 0 where there is none */
export const choicesOf = ({ shops }: BasketJob, value: (column: string) => number): PacksChosen[] =>
  shops.flatMap((shop, s) =>
    shop.offers.flatMap((_, o): PacksChosen[] => {
      const packs = Math.round(value(`q${s}_${o}`) + value(`f${s}_${o}`))
      return packs > 0 ? [{ shop: shop.id, offer: o, packs }] : []
    }),
  )
