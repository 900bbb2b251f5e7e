import { z } from 'zod'

export const BASE_KINDS = ['wire-ring', 'grapevine', 'hoop', 'straw'] as const
export type BaseKind = (typeof BASE_KINDS)[number]

/** Sizes the bench can hold, mm: from a napkin ring to a gable. */
export const BASE_LIMITS = { smallest: 40, largest: 3000, thinnest: 2 } as const

export const BaseSchema = z.strictObject({
  kind: z.enum(BASE_KINDS),
  outer: z.number().min(BASE_LIMITS.smallest).max(BASE_LIMITS.largest).describe('outer diameter, mm'),
  inner: z.number().min(0).max(BASE_LIMITS.largest).describe('inner diameter, mm'),
  colour: z.string().regex(/^#[0-9a-fA-F]{6}$/).describe('colour of the base, #rrggbb'),
  join: z.number().min(0).lt(360).describe('where its join or flaw is, degrees clockwise from twelve'),
  price: z.int().min(0).max(10_000_000).nullable().describe('what one cost, minor units; null takes the usual price'),
}).refine((base) => base.inner <= base.outer - 2 * BASE_LIMITS.thinnest, {
  path: ['inner'], message: 'The hole must be smaller than the ring.',
})

export type Base = z.infer<typeof BaseSchema>
