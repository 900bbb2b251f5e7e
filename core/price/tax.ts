import { z } from 'zod'
import type { Minor } from '../measure'

/** Sales tax as the place has it: on each line or on the whole bill, added to prices or in them already. */
export const TaxSchema = z.strictObject({
  share: z.number().min(0, 'A tax is nought or more.').max(1, 'More than 100 % is no tax.'),
  by: z.enum(['line', 'bill']).describe('where it is rounded to the cent'),
  included: z.boolean().describe('whether prices have it in them'),
  known: z.boolean().describe('whether anyone has said what it is here'),
})
export type Tax = z.infer<typeof TaxSchema>
export const NO_TAX: Tax = { share: 0, by: 'bill', included: false, known: true }
/** Until someone says what it is. */
export const UNKNOWN_TAX: Tax = { ...NO_TAX, known: false }

/** Taxes have up to three places of a percent. */
const WHOLE = 100_000
const halvesUp = (part: number, whole: number): number => Math.floor((2 * part + whole) / (2 * whole))

/**
 * The tax that comes on top of lines, rounded where the place rounds it, halves up; nothing where prices have it in them.
 * @param lines minor units, each rounded already
 * @example taxOn([999, 999], { share: 0.0825, by: 'line', included: false }) // 164: 82 on each
 * @example taxOn([999, 999], { share: 0.0825, by: 'bill', included: false }) // 165
 */
export function taxOn(lines: readonly Minor[], { share, by, included }: Omit<Tax, 'known'>): Minor {
  if (included) return 0
  const rate = Math.round(share * WHOLE)
  const of = (amount: Minor): Minor => halvesUp(amount * rate, WHOLE)
  return by === 'line' ? lines.reduce((all, line) => all + of(line), 0) : of(lines.reduce((all, line) => all + line, 0))
}

/**
 * The tax that is in lines, where prices have it in them; nothing where it comes on top.
 * @example taxIn([1200], { share: 0.2, by: 'bill', included: true }) // 200
 */
export function taxIn(lines: readonly Minor[], { share, by, included }: Omit<Tax, 'known'>): Minor {
  if (!included) return 0
  const rate = Math.round(share * WHOLE)
  const of = (amount: Minor): Minor => halvesUp(amount * rate, WHOLE + rate)
  return by === 'line' ? lines.reduce((all, line) => all + of(line), 0) : of(lines.reduce((all, line) => all + line, 0))
}
