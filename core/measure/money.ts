/** Money is a whole number of minor units (cents); the currency is one for the whole app. */
export type Minor = number

export const CURRENCIES = ['USD', 'EUR', 'GBP', 'CAD', 'AUD', 'NZD'] as const
export type Currency = (typeof CURRENCIES)[number]

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
