import { z } from 'zod'
import { countSchema, flip, placeSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const EVENLY_COUNTED_RULE = ruleSort(z.strictObject({ kind: z.literal('compass'), count: countSchema, start: placeSchema }))({
  name: 'compass',
  note: 'So many, evenly round.',
  usual: () => ({ kind: 'compass', count: 6, start: 0 }),
  image: (rule) => ({ ...rule, start: flip(rule.start) }),
})
