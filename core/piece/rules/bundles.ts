import { z } from 'zod'
import { inches } from '../../measure'
import { flip, placeSchema } from '../schema-primitives'
import { BUNDLE_ADVANCE } from '../rules-of-thumb'
import { ruleSort } from './rule'

export const BUNDLES_RULE = ruleSort(
  z
    .strictObject({
      kind: z.literal('bundles'),
      start: placeSchema,
      advance: z.number().min(5).max(3000).describe('wanted from bundle to bundle along the centre line, mm'),
      sprigs: z.int().min(1).max(40).describe('in each bundle'),
      wraps: z.int().min(1).max(9).describe('of wire round each bundle; twice at least at the start and in the last quarter'),
      bound: z.number().min(2).max(600).describe('how thick frame and stems are together, mm'),
      faces: z.int().min(1).max(2).describe('2 covers the back as well, for a window'),
    })
    .describe('bundles bound on one after another, each over the stems of the last'),
)({
  name: 'bundles',
  note: 'Sprigs bound on by the bundle, each over the stems of the last.',
  usual: () => ({ kind: 'bundles', start: 0, advance: BUNDLE_ADVANCE.value, sprigs: 4, wraps: 2, bound: inches(1), faces: 1 }),
  image: (rule) => ({ ...rule, start: flip(rule.start) }),
  spaced: false,
  evening: 'meant',
  faces: ({ faces }) => faces,
})
