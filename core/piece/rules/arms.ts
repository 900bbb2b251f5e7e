import { z } from 'zod'
import { countSchema, shareSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const ARMS_RULE = ruleSort(
  z.strictObject({
    kind: z.literal('arms'),
    count: countSchema,
    from: shareSchema,
    to: shareSchema.describe('stations from the middle out, shares of an arm'),
  }),
)({
  name: 'arms',
  note: 'Left and right in turn, from the middle out.',
  usual: () => ({ kind: 'arms', count: 12, from: 0.12, to: 1 }),
  pairs: true,
  evening: 'shaped',
})
