import { z } from 'zod'
import { DaySchema } from '../measure'
import { idSchema, mmSchema, placeSchema } from './schema-primitives'

/** How a thing is held. */
export const WAYS = [
  'tuck',
  'push',
  'tips',
  'clamp',
  'paddle wire',
  'stem wire',
  'pins',
  'picks',
  'zip tie',
  'pipe cleaner',
  'hot glue',
  'weatherproof glue',
  'glue dots',
  'wire and glue',
  'staple and wire',
  'cord',
] as const
export type WayId = (typeof WAYS)[number]

/** What a maker goes by in fixing, where each has it otherwise. */
export const FIXING_SCHOOLS = ['as suits', 'wire', 'glue', 'dots', 'wire and details', 'place and hold', 'no glue'] as const
export type FixingSchool = (typeof FIXING_SCHOOLS)[number]
const KEEPS = ['for good', 'taken apart'] as const

export const FixingSchema = z.strictObject({
  school: z.enum(FIXING_SCHOOLS),
  keep: z.enum(KEEPS).describe('kept as it is, or taken apart again when its season is over'),
  wire: z.string().min(1).max(60).nullable().describe('the paddle wire that it is bound with; null takes the green one'),
})

/** What of a hanger is on the piece, and what it hangs on. */
export const LOOPS = ['own hook', 'twine loop', 'lark’s-head cord', 'wire loop', 'arch', 'coat hook', 'ribbon', 'tied'] as const
export const HOOKS = [
  'over-door hook',
  'nail',
  'screw',
  'adhesive strip',
  'suction cup',
  'over the door',
  'magnets',
  'route hooks',
] as const
export type LoopKind = (typeof LOOPS)[number]
export type HookKind = (typeof HOOKS)[number]

export const HangerSchema = z.strictObject({
  loop: z.enum(LOOPS),
  hook: z.enum(HOOKS),
  run: z.string().min(1).max(40).describe('the run of the base that it is on'),
  at: placeSchema.describe('where on that run, as the base stands'),
  gap: mmSchema(0, 2000).describe('between the two points of an arch'),
  rise: mmSchema(0, 2000).nullable().describe('from what it is tied round to the hook; null as usual'),
  rated: z
    .number()
    .min(1, 'A hook is rated for something: give what its packet says, or leave it out.')
    .max(500_000)
    .nullable()
    .describe('what the hook is rated for, g; null takes what such a hook usually bears'),
  clear: mmSchema(0, 1000).nullable().describe('room before a storm door or a screen; null has none in front'),
})
export type Hanger = z.infer<typeof HangerSchema>

export const CLEANINGS = ['none', 'wipe', 'bag', 'bake'] as const

/** What is done to a thing before it goes on. */
export const PreparedSchema = z.strictObject({
  paint: z
    .strictObject({
      colour: z.string().regex(/^#[0-9a-fA-F]{6}$/),
      coats: z.int().min(1, 'Paint takes a coat at least.').max(9),
    })
    .nullable(),
  seal: z.int().min(0).max(9).describe('coats of sealer over it'),
  clean: z.enum(CLEANINGS).describe('natural finds: wiped, kept in a bag, or baked'),
  joined: z.boolean().describe('bent or joined to a made part first'),
  from: z.string().max(80).nullable().describe('the older piece that it is taken from'),
})
export type Preparation = z.infer<typeof PreparedSchema>
export const UNPREPARED: Preparation = { paint: null, seal: 0, clean: 'none', joined: false, from: null }

/** The longest that a task may take, minutes of hands and of waiting. */
const LONGEST_HANDS = 6000
const LONGEST_WAIT = 60 * 24 * 60

const OwnTaskSchema = z.strictObject({
  id: idSchema,
  title: z.string().trim().min(1, 'Say what is to be done.').max(120),
  hands: z.number().min(0).max(LONGEST_HANDS).describe('minutes'),
  waits: z.number().min(0).max(LONGEST_WAIT).describe('minutes it dries or sets by itself'),
  after: z.string().min(1).max(60).nullable().describe('the task that must be done before it'),
  before: z.string().min(1).max(60).nullable().describe('the task that waits for it, until it is dry'),
})
export type OwnTask = z.infer<typeof OwnTaskSchema>

/** A task of one's own as it is begun. */
export const OWN_TASK: Omit<OwnTask, 'id'> = { title: '', hands: 10, waits: 0, after: null, before: null }
/** One's own tasks and one more, under an id that none of them has. */
export function withOwnTask(own: readonly OwnTask[], task: Partial<Omit<OwnTask, 'id'>>): OwnTask[] {
  let n = own.length + 1
  while (own.some(({ id }) => id === `own-${n}`)) n += 1
  return [...own, { ...OWN_TASK, ...task, id: `own-${n}` }]
}

export const HANGER_WHEN = ['first', 'top known', 'last'] as const
export const BOW_WHEN = ['first', 'last'] as const

/** How the first one was really made, for one: what the others are planned by. */
const RecipeSchema = z.strictObject({
  record: z.string().min(1).max(160).describe('the page of the daybook that it is from'),
  minutes: z.record(z.string().min(1).max(60), z.number().min(0).max(LONGEST_HANDS)).describe('of hands, by task'),
  uses: z.record(z.string().min(1).max(60), z.number().min(0).max(1000)).describe('of each material so many times as much as reckoned'),
})
export type Recipe = z.infer<typeof RecipeSchema>

export const MakingSchema = z.strictObject({
  day: DaySchema.nullable().describe('it must hang by'),
  hangs: z.int().min(1).max(3660).nullable().describe('days it is to hang; null leaves it as long as it keeps'),
  hanger: z.enum(HANGER_WHEN),
  bow: z.enum(BOW_WHEN),
  base: PreparedSchema,
  own: z.array(OwnTaskSchema).max(60),
  order: z.array(z.string().min(1).max(60)).max(300).describe('tasks as a hand put them; those it does not name stay where they belong'),
  accepted: z.array(z.string().max(40)).max(60).describe('cautions taken as read'),
  recipe: RecipeSchema.nullable().describe('as the first one was made; null plans by rules of thumb'),
})
export type MakingDecisions = z.infer<typeof MakingSchema>

/** What a scale said. */
export const ReadingSchema = z.strictObject({
  what: z.string().min(1).max(60).describe('“whole” for the finished piece, or a material'),
  grams: z.number().min(0, 'A weight is nought or more.').max(200_000).describe('all of them together'),
  of: z.int().min(1).max(1000).describe('how many lay on the scale'),
})
export type ScaleReading = z.infer<typeof ReadingSchema>

export const usualFixing = (): z.infer<typeof FixingSchema> => ({ school: 'as suits', keep: 'for good', wire: null })
export const usualMaking = (): MakingDecisions => ({
  day: null,
  hangs: null,
  hanger: 'last',
  bow: 'last',
  base: UNPREPARED,
  own: [],
  order: [],
  accepted: [],
  recipe: null,
})
