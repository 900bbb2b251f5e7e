import { z } from 'zod'
import { inches } from '../../measure'
import { flip, mmSchema, MOST_PLACES, placeSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const POOFS_RULE = ruleSort(
  z
    .strictObject({
      kind: z.literal('poofs'),
      ties: z.int().min(1).max(MOST_PLACES),
      passes: z.int().min(1).max(9),
      uses: mmSchema(20, 3000).describe('ribbon or mesh in each poof, mm: about twice its height'),
      start: placeSchema,
    })
    .describe('a strip tied at every tie, pushed up between them'),
)({
  name: 'poofs from tie to tie',
  note: 'A strip caught at every tie and pushed up between.',
  usual: () => ({ kind: 'poofs', ties: 12, passes: 1, uses: inches(10), start: 0 }),
  image: (rule) => ({ ...rule, start: flip(rule.start) }),
  lays: 'lengths',
  bears: true,
  materials: { mesh: 1, ribbon: 2 },
  mindful: true,
  spaced: false,
  evening: 'meant',
})
