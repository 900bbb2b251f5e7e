import { z } from 'zod'
import { ruleSort } from './rule'

export const MANUAL_RULE = ruleSort(z.strictObject({ kind: z.literal('hand') }).describe('only what a hand put on'))({
  name: 'by hand',
  note: 'Only what you put on yourself.',
  usual: () => ({ kind: 'hand' }),
})
