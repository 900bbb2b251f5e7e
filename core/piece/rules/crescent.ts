import { z } from 'zod'
import { countSchema, flip, placeSchema, shareSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const DENSE = ['middle', 'start', 'end'] as const
const OTHER_END = { middle: 'middle', start: 'end', end: 'start' } as const

export const CRESCENT_RULE = ruleSort(
  z.strictObject({
    kind: z.literal('crescent'),
    from: placeSchema,
    to: placeSchema,
    count: countSchema,
    dense: z.enum(DENSE),
    thin: shareSchema.describe('0 even, 1 thins to nothing'),
  }),
)({
  name: 'crescent',
  note: 'From one clock position to another, thinning out.',
  usual: () => ({ kind: 'crescent', from: 5 / 12, to: 10 / 12, count: 12, dense: 'middle', thin: 0.6 }),
  image: (rule) => ({ ...rule, from: flip(rule.to), to: flip(rule.from), dense: OTHER_END[rule.dense] }),
  evening: 'shaped',
})
