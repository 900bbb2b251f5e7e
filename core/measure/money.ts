import { allocate, dinero, toSnapshot } from 'dinero.js'
import { USD } from 'dinero.js/currencies'

/** Money is a whole number of minor units (cents); the currency is one for the whole app. */
export type Minor = number

export const CURRENCIES = ['USD', 'EUR', 'GBP', 'CAD', 'AUD', 'NZD'] as const
export type Currency = (typeof CURRENCIES)[number]

/**
 * Shares an amount out so that the parts add up to it exactly (largest remainder).
 * @param ratios non-negative; at least one above zero
 * @example shareOut(899, [1, 2]) // [299, 600]
 */
export function shareOut(amount: Minor, ratios: readonly number[]): Minor[] {
  return allocate(dinero({ amount, currency: USD }), [...ratios]).map((part) => toSnapshot(part).amount)
}

/** Making one is far slower than using it. */
const formats = new Map<Currency, Intl.NumberFormat>()
function formatIn(currency: Currency): Intl.NumberFormat {
  const known = formats.get(currency) ?? new Intl.NumberFormat('en', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' })
  formats.set(currency, known)
  return known
}

/** @example formatMoney(1299, 'USD') // '$12.99' */
export function formatMoney(amount: Minor, currency: Currency): string {
  return formatIn(currency).format(amount / 100)
}

/** Reads `25`, `25.50` or `$25.50`; null when it is not an amount of money. */
export function parseMoney(text: string): Minor | null {
  const found = /^\s*[^\d\s.,-]{0,3}\s*(\d{1,7})(?:[.,](\d{1,2}))?\s*$/.exec(text)
  if (!found) return null
  return Number(found[1]) * 100 + Number((found[2] ?? '').padEnd(2, '0'))
}
