import type { Day, Figure, Minor, Rated, Term } from '../measure'
import { COUNTED, quantity, asUnit, byRule, given, minus, named, ofFigure, divide, plus, saidAs, times, worked } from '../measure'
import type { Asking } from '../piece'
import { SCHOOLS_OF_PRICE } from '../piece'
import { FACTOR, HOUR_RATE, MARKUP, OVERHEADS } from './rules-of-thumb'

/** A price to ask by one school, and what of it stays after all costs. */
export interface AskedPrice {
  readonly school: Asking['school']
  /** Null where the market's price is not known. */
  readonly price: Figure | null
  /** Of the price, what is left after materials, time and overheads; below nothing it loses. */
  readonly margin: Figure | null
}

export interface AskingPrices {
  readonly time: Figure
  readonly overheads: Figure
  /** Materials as used, time and overheads. */
  readonly cost: Figure
  readonly schools: readonly AskedPrice[]
}

/**
 * What one piece costs with the time that goes into it, and what to ask for it.
 * @param materials of one, what is used of them @param hands minutes for one @param market what such a piece fetches, or null
 */
export function askingPrices(materials: Figure, hands: Figure, market: Minor | null, by: Rated): AskingPrices {
  const used = saidAs(ofFigure(materials), ['materials ', quantity.money(materials.value)])
  const hours: Term = { ...saidAs(ofFigure(hands), [quantity.time(hands.value)]), unit: 'ratio' }
  const inHours: Term = { ...hours, value: hours.value / 60, low: hours.low / 60, high: hours.high / 60 }
  const time = whole(times(inHours, saidAs(byRule(HOUR_RATE, by), [quantity.money(byRule(HOUR_RATE, by).value), ' an hour'])))
  const timeSaid = saidAs(time, ['time ', quantity.money(time.value)])
  const overheads = whole(times(plus(used, timeSaid), byRule(OVERHEADS, by)))
  const cost = plus(used, timeSaid, saidAs(overheads, ['overheads ', quantity.money(overheads.value)]))
  const prices: Record<Asking['school'], Term | null> = {
    'materials by a factor': whole(times(used, byRule(FACTOR, by))),
    'materials and time, marked up': whole(times(plus(used, timeSaid), byRule(MARKUP, by))),
    'what the market bears': market === null ? null : named('such a piece fetches', quantity.money(market), COUNTED),
  }
  return {
    time: worked(time),
    overheads: worked(overheads),
    cost: worked(cost),
    schools: SCHOOLS_OF_PRICE.map((school) => {
      const price = prices[school]
      const plain = price && given(quantity.money(price.value), price.basis)
      const costs = saidAs(cost, ['cost ', quantity.money(cost.value)])
      return {
        school,
        price: price && worked(price),
        margin: plain && plain.value > 0 ? worked(asUnit('share', divide(minus(plain, costs), plain))) : null,
      }
    }),
  }
}

/** Money is whole cents. */
const whole = (term: Term): Term => ({
  ...term,
  unit: 'money',
  value: Math.round(term.value),
  low: Math.round(term.low),
  high: Math.round(term.high),
})

/** What was sold, and what had gone into it. */
export interface Sale {
  readonly id: string
  readonly piece: string
  readonly name: string
  /** What sort of base it is on, as one says it. */
  readonly form: string
  readonly day: Day
  readonly count: number
  /** Of each: what was paid for it, the materials used in it, and minutes of hands. */
  readonly price: Minor
  readonly materials: Minor
  readonly minutes: number
  readonly where: string
}

/** What pieces of one form bring, over all that were sold. */
export interface Earning {
  readonly form: string
  readonly count: number
  readonly taken: Minor
  readonly materials: Minor
  readonly minutes: number
  /** What is left for an hour of hands; null where no time was written down. */
  readonly perHour: Figure | null
}

/** Which form earns: what is left of all sales of it after materials, by the hour, the best first. */
export function earnings(sales: readonly Sale[]): Earning[] {
  const forms = new Map<string, Sale[]>()
  for (const sale of sales) forms.set(sale.form, [...(forms.get(sale.form) ?? []), sale])
  return [...forms]
    .map(([form, own]): Earning => {
      const total = (of: (sale: Sale) => number): number => own.reduce((all, sale) => all + sale.count * of(sale), 0)
      const [taken, materials, minutes] = [total(({ price }) => price), total((sale) => sale.materials), total((sale) => sale.minutes)]
      const hours = saidAs(given({ value: minutes / 60, unit: 'ratio' }, { kind: 'measured' }), [quantity.time(minutes)])
      const rest = minus(named('taken', quantity.money(taken), COUNTED), named('materials', quantity.money(materials), COUNTED))
      return {
        form,
        count: own.reduce((all, { count }) => all + count, 0),
        taken,
        materials,
        minutes,
        perHour: minutes > 0 ? worked(whole(divide(rest, hours))) : null,
      }
    })
    .sort((a, b) => (b.perHour?.value ?? -Infinity) - (a.perHour?.value ?? -Infinity))
}
