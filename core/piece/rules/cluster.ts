import { z } from 'zod'
import { flip, placeSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const CLUSTER_RULE = ruleSort(
  z.strictObject({
    kind: z.literal('cluster'),
    at: z.array(placeSchema).max(60),
    size: z.int().min(0).max(60).describe('how many in each cluster'),
  }),
)({
  name: 'clusters',
  note: 'Odd groups at places you choose.',
  usual: () => ({ kind: 'cluster', at: [7 / 12], size: 3 }),
  image: (rule) => ({ ...rule, at: rule.at.map(flip) }),
  evening: 'meant',
})
