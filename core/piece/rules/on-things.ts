import { z } from 'zod'
import { idSchema, MOST_PLACES } from '../schema-primitives'
import { ruleSort } from './rule'

/** Where on what bears it a thing lies: in its middle (of a bow the knot), at its tip or near its stem end, at its upper edge, on each loop of a bow, or at a place of its own. */
export const SPOTS = ['middle', 'tip', 'stem end', 'top', 'loops', 'place'] as const
export type Spot = (typeof SPOTS)[number]

/** In half lengths and half widths of what bears it. */
const offMiddle = z.number().min(-1.5).max(1.5)

export const ON_THINGS_RULE = ruleSort(
  z.strictObject({
    kind: z.literal('on'),
    of: idSchema.describe('the layer on whose things these lie'),
    only: z
      .array(z.string().max(80))
      .min(1, 'Say on which things.')
      .max(MOST_PLACES)
      .nullable()
      .describe('just those in these slots; null is as `every` and `from` say'),
    every: z.int().min(1).max(MOST_PLACES).describe('on each (1), or on every so many of them along a run'),
    from: z.int().min(1).max(MOST_PLACES).describe('the first of a run that bears one, from 1'),
    spot: z.enum(SPOTS),
    along: offMiddle.describe('of a place of its own: towards the tip, in half lengths of what bears it'),
    across: offMiddle.describe('of a place of its own: to the right of that, in half widths'),
    turns: z.boolean().describe('turned with what bears it, instead of as it lies of itself'),
  }),
)({
  name: 'on things',
  note: 'On the things of another layer: they move, turn and go together.',
  usual: (of) => ({ kind: 'on', of, only: null, every: 1, from: 1, spot: 'middle', along: 0, across: 0, turns: true }),
  refers: true,
  spaced: false,
  evening: 'meant',
})
