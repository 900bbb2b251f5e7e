import { z } from 'zod'
import { inches } from '../../measure'
import { flip, mmSchema, placeSchema, shareSchema } from '../schema-primitives'
import { ruleSort } from './rule'

/** What is meant by the length of a loop: from the pinch to its end, or the ribbon that goes into it. */
export const LOOP_MEANS = ['visible', 'ribbon used'] as const
export const ENDS = ['v', 'slant', 'straight', 'hem'] as const
/** What ties a bow: a material, or the ribbon in front itself. */
export const OWN_RIBBON = 'own-ribbon'
export const TIED_WITH = ['stem-wire-20', 'paddle-wire', 'pipe-cleaner', 'zip-tie', OWN_RIBBON] as const
/** The most ribbons in one bow. */
export const MOST_RIBBONS = 6
/** The most loops, strips or layers of one ribbon. */
export const MOST_LOOPS = 60

const loops = z.int().min(1).max(MOST_LOOPS)
const loop = mmSchema(5, 2000).describe('of each, mm, in the sense that the bow’s maker says')
const tail = mmSchema(0, 5000)

/** What is made of one ribbon of a bow. */
const RibbonSchema = z.discriminatedUnion('build', [
  z
    .strictObject({
      build: z.literal('hand'),
      loops: loops.describe('both sides together'),
      loop: loop.describe('the longest'),
      taper: shareSchema.describe('how much shorter the last pair is: 0 all alike'),
      groups: z
        .array(z.strictObject({ loops, loop }))
        .min(1)
        .max(12)
        .nullable()
        .describe('loops of unequal lengths, group after group, instead of so many by one length and a taper; null has none'),
      tails: z.tuple([tail, tail]),
      centre: mmSchema(0, 1000).describe('ribbon in the loop over the middle'),
      twist: mmSchema(0, 300).describe('what each pinch takes to turn a one-sided ribbon'),
    })
    .describe('by hand or on a jig, loops to each side in turn'),
  z
    .strictObject({ build: z.literal('strips'), strips: loops, loop, tail })
    .describe('strips folded to two loops and two tails, pinched and stacked'),
  z
    .strictObject({
      build: z.literal('rag'),
      strips: loops,
      strip: mmSchema(20, 5000),
      overhang: mmSchema(0, 1000).describe('left at each end'),
      loop,
      taper: z.number().min(0).max(0.9).describe('how much shorter the last loop of a strip is than its first: 0 all alike'),
    })
    .describe('strips of cloth looped in a jig'),
  z
    .strictObject({ build: z.literal('coil'), layers: loops, flat: mmSchema(20, 3000).describe('length of the flat coil') })
    .describe('wound flat, notched in the middle and pulled apart'),
  z
    .strictObject({
      build: z.literal('flat'),
      rounds: loops,
      width: mmSchema(20, 2000).describe('of the widest round'),
      strip: mmSchema(0, 500).describe('over the middle'),
    })
    .describe('flat rounds laid on one another with a strip over the middle'),
  z
    .strictObject({ build: z.literal('folded'), loop, tail, strip: mmSchema(0, 500).describe('the knot over the middle') })
    .describe('one loop to each side, and a length folded to a V for tails'),
  z
    .strictObject({ build: z.literal('tails'), tails: loops.describe('how many'), tail: mmSchema(5, 5000).describe('of each') })
    .describe('loose tails alone, laid under a bow or hung by themselves'),
  z
    .strictObject({ build: z.literal('fill-ins'), strips: loops.describe('how many'), loop })
    .describe('lengths folded once and tucked in beside a bow'),
])

export type Ribbon = z.infer<typeof RibbonSchema>
export type Build = Ribbon['build']
export const BUILDS = ['hand', 'strips', 'rag', 'coil', 'flat', 'folded', 'tails', 'fill-ins'] as const satisfies readonly Build[]
export type RibbonOf<B extends Build> = Extract<Ribbon, { build: B }>
export type LoopMeans = (typeof LOOP_MEANS)[number]
export type Ends = (typeof ENDS)[number]

export const BUILD_NAMES: Record<Build, string> = {
  hand: 'By hand or on a jig',
  strips: 'Pinched strips, stacked',
  rag: 'Strips looped in a jig',
  coil: 'Wound coil',
  flat: 'Flat rounds with a strip',
  folded: 'One loop each side, folded tails',
  tails: 'Loose tails',
  'fill-ins': 'Folded lengths, tucked beside',
}
export const END_NAMES: Record<Ends, string> = { v: 'V cut', slant: 'Slant', straight: 'Straight, tucked', hem: 'Hemmed' }

/** What is made of one ribbon with everyday numbers. */
export function usualRibbon(build: Build): Ribbon {
  switch (build) {
    case 'hand':
      return { build, loops: 6, loop: inches(4), taper: 0.2, groups: null, tails: [inches(9), inches(10)], centre: inches(3), twist: 0 }
    case 'strips':
      return { build, strips: 3, loop: inches(4), tail: inches(4) }
    case 'rag':
      return { build, strips: 3, strip: inches(40), overhang: inches(1), loop: inches(4.75), taper: 0 }
    case 'coil':
      return { build, layers: 9, flat: inches(9) }
    case 'flat':
      return { build, rounds: 3, width: inches(7), strip: inches(4) }
    case 'folded':
      return { build, loop: inches(4), tail: inches(8), strip: inches(4) }
    case 'tails':
      return { build, tails: 2, tail: inches(12) }
    case 'fill-ins':
      return { build, strips: 4, loop: inches(4) }
  }
}

export const BOW_RULE = ruleSort(
  z.strictObject({
    kind: z.literal('bow'),
    at: placeSchema,
    means: z.enum(LOOP_MEANS).nullable().describe('what a loop’s length means; null while its maker has not said'),
    ribbons: z.array(RibbonSchema).min(1).max(MOST_RIBBONS).describe('one for each material of the mix, from the back to the front'),
    ends: z.enum(ENDS),
    hem: mmSchema(0, 100).describe('turned in at each end that is hemmed'),
    tied: z.enum(TIED_WITH),
    fixes: z.boolean().describe('whether the wire that ties it also fixes it'),
  }),
)({
  name: 'made of ribbon',
  note: 'A bow by its numbers, of one ribbon or several.',
  usual: (_of, parts) => ({
    kind: 'bow',
    at: 0.5,
    means: null,
    ribbons: Array.from({ length: parts }, () => usualRibbon('hand')),
    ends: 'v',
    hem: 0,
    tied: 'stem-wire-20',
    fixes: true,
  }),
  image: (rule) => ({ ...rule, at: flip(rule.at) }),
  lays: 'lengths',
  bears: true,
  materials: { ribbon: 0, mesh: 3 },
  level: true,
  spaced: false,
  evening: 'meant',
  parts: MOST_RIBBONS,
  builds: true,
  role: 'bow',
})
