import { z } from 'zod'
import { inches } from '../../measure'
import { flip, placeSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const EVENLY_SPACED_RULE = ruleSort(
  z.strictObject({
    kind: z.literal('every'),
    spacing: z.number().min(1).max(20_000).describe('wanted, along the centre line, mm'),
    start: placeSchema,
  }),
)({
  name: 'every so far',
  note: 'A spacing wanted; the count follows.',
  usual: () => ({ kind: 'every', spacing: inches(3), start: 0 }),
  image: (rule) => ({ ...rule, start: flip(rule.start) }),
})
