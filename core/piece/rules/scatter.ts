import { z } from 'zod'
import { countSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const SCATTER_RULE = ruleSort(z.strictObject({ kind: z.literal('scatter'), count: countSchema }))({
  name: 'scatter',
  note: 'Spread without clumps, into the thinnest places first.',
  usual: () => ({ kind: 'scatter', count: 24 }),
  spaced: false,
  evening: 'meant',
})
