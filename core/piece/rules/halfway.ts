import { z } from 'zod'
import { idSchema } from '../terms'
import { ruleSort } from './rule'

export const HALFWAY = ruleSort(z.strictObject({ kind: z.literal('halfway'), of: idSchema.describe('the layer whose gaps are halved') }))({
  name: 'halfway',
  note: 'In the middle of another layer’s gaps.',
  usual: (of) => ({ kind: 'halfway', of }),
  refers: true,
  evening: 'shaped',
})
