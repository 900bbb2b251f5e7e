import { z } from 'zod'
import { countSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const BANDS_RULE = ruleSort(
  z
    .strictObject({
      kind: z.literal('bands'),
      outer: countSchema.nullable().describe('null: as many as lie side by side'),
      between: countSchema.nullable(),
      inner: countSchema.nullable(),
      gaps: z.boolean().describe('one more in every gap of the middle band'),
    })
    .describe('the first material of the mix goes on the outer rim, then between, inner rim and gaps'),
)({
  name: 'bands',
  note: 'Rows on the outer rim, between, and on the inner rim.',
  usual: () => ({ kind: 'bands', outer: null, between: 8, inner: null, gaps: false }),
  spaced: false,
  evening: 'meant',
})
