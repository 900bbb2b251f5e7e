import { z } from 'zod'
import { idSchema } from './schema-primitives'

const CLAIMS = ['under', 'at most', 'makes'] as const
/** The two ledgers: whole packs, and what of them is used. */
const LEDGERS = ['opened', 'used'] as const
export const SCHOOLS_OF_PRICE = ['materials by a factor', 'materials and time, marked up', 'what the market bears'] as const

const minor = z.int().min(0).max(100_000_000)

/** What someone says that a piece costs. */
const ClaimSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(CLAIMS).describe('under an amount, no more than it, or that something makes it just that'),
  amount: minor,
  of: z.enum(['each', 'all']).describe('for each one made, or for all of them'),
  ledger: z.enum(LEDGERS),
  copies: z.int().min(1).max(1000).nullable().describe('said of so many; null of as many as are made'),
  lines: z
    .array(z.string().min(1).max(60))
    .min(1, 'A claim is of one thing at least.')
    .max(60)
    .nullable()
    .describe('said of these lines of the bill alone: materials, or `base`; null of all of it'),
  off: z
    .strictObject({
      material: z.string().min(1).max(60).nullable().describe('null: whatever is bought'),
      share: z
        .number()
        .gt(0, 'A reduction of nothing is none.')
        .max(1, 'More than 100 % off is no reduction.')
        .nullable()
        .describe('null: however much it takes'),
    })
    .nullable()
    .describe('if so much is taken off list prices; null at today’s prices'),
})
export type Claim = z.infer<typeof ClaimSchema>

/** What is said of a piece's cost, and what is asked for it. */
export const AskingSchema = z.strictObject({
  claims: z.array(ClaimSchema).max(20),
  school: z.enum(SCHOOLS_OF_PRICE).describe('how its price is reckoned'),
  market: minor.nullable().describe('what such a piece fetches here; null is not known'),
})
export type Asking = z.infer<typeof AskingSchema>

export const usualAsking = (): Asking => ({ claims: [], school: 'materials and time, marked up', market: null })
