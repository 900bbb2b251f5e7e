import { z } from 'zod'
import { inches } from '../../measure'
import { flip, mmSchema, placeSchema } from '../schema-primitives'
import { ruleSort } from './rule'

/** What a spray is bound with. */
export const SPRAY_TIES = ['wire', 'zip ties'] as const

export const SPRAY_RULE = ruleSort(
  z
    .strictObject({
      kind: z.literal('spray'),
      at: placeSchema,
      pairs: z.int().min(1).max(60),
      odd: z.boolean().describe('one more in the middle, last'),
      spread: z.number().min(0).max(120).describe('how far the outermost pair leans to either side, degrees'),
      wraps: z.int().min(1).max(9),
      tied: z.enum(SPRAY_TIES).describe('what it is bound with'),
      bound: mmSchema(2, 600).describe('how thick the stems are at the tie, mm'),
    })
    .describe('made apart: stems crossed left and right in pairs, bound once, then fixed'),
)({
  name: 'bound spray',
  note: 'Stems in pairs, crossed and bound once, made apart.',
  usual: () => ({ kind: 'spray', at: 0.5, pairs: 5, odd: true, spread: 40, wraps: 3, tied: 'wire', bound: inches(1) }),
  image: (rule) => ({ ...rule, at: flip(rule.at) }),
  pairs: true,
  spaced: false,
  evening: 'meant',
})
