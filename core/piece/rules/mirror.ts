import { z } from 'zod'
import { inches } from '../../measure'
import { countSchema, flip, placeSchema, shareSchema } from '../schema-primitives'
import { ruleSort } from './rule'

export const MIRROR_RULE = ruleSort(
  z.strictObject({
    kind: z.literal('mirror'),
    seat: placeSchema.describe('the middle of the gap that is kept'),
    gap: z.number().min(0).max(2000).describe('kept free to each side of the seat, mm'),
    reach: shareSchema.describe('how far up each side, share of the run'),
    count: countSchema.describe('both sides together'),
    sequence: z.boolean().describe('the mix in its order up each side, instead of by rhythm'),
  }),
)({
  name: 'mirror from a seat',
  note: 'A gap kept for the bow, then the same up each side.',
  usual: () => ({ kind: 'mirror', seat: 0.5, gap: inches(2.5), reach: 0.4, count: 12, sequence: false }),
  image: (rule) => ({ ...rule, seat: flip(rule.seat) }),
  pairs: true,
  evening: 'shaped',
})
