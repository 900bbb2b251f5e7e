import { z } from 'zod'
import { flip, placeSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const SINGLE_RULE = ruleSort(
  z.strictObject({
    kind: z.literal('single'),
    at: placeSchema,
    drop: z.number().min(0).max(3000).describe('how far below its place it hangs on a cord, mm; 0 sits on the face'),
    folded: z.boolean().optional().describe('on one cord folded over the base, instead of two; not said means two'),
  }),
)({
  name: 'single',
  note: 'One, at one place.',
  usual: () => ({ kind: 'single', at: 0.5, drop: 0 }),
  image: (rule) => ({ ...rule, at: flip(rule.at) }),
  level: true,
  evening: 'meant',
})
