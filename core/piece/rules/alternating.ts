import { z } from 'zod'
import { countSchema, idSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const PATTERNS = ['better', 'even', 'dealt'] as const

export const ALTERNATING_RULE = ruleSort(
  z.strictObject({
    kind: z.literal('against'),
    of: idSchema.describe('the layer whose points it goes among'),
    count: countSchema,
    pattern: z.enum(PATTERNS).describe('turned evenly, dealt into the gaps, or whichever keeps the larger smallest gap'),
  }),
)({
  name: 'N against M',
  note: 'So many among another layer’s points, as far from them as can be.',
  usual: (of) => ({ kind: 'against', of, count: 5, pattern: 'better' }),
  refers: true,
  evening: 'shaped',
})
