import { z } from 'zod'
import { idSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const BETWEEN_NEIGHBOURS_RULE = ruleSort(
  z.strictObject({ kind: z.literal('halfway'), of: idSchema.describe('the layer whose gaps are halved') }),
)({
  name: 'halfway',
  note: 'In the middle of another layer’s gaps.',
  usual: (of) => ({ kind: 'halfway', of }),
  refers: true,
  evening: 'shaped',
})
