import { z } from 'zod'
import { BaseSchema } from '../base'
import { WEATHERS } from '../material'
import { AskingSchema } from './pricing-decisions'
import { FixingSchema, HangerSchema, MakingSchema, PreparedSchema, ReadingSchema, WAYS } from './making-decisions'
import { MOST_PARTS, RuleSchema } from './rules'
import { countSchema, idSchema, MOST_PLACES, placeSchema, ROLES, shareSchema } from './schema-primitives'

export const FORMAT = 'ruddy-bramble/piece'
export const VERSION = 14

/** The most letters that a sign may bear. */
export const MOST_WORDS = 120

const colour = z.string().regex(/^#[0-9a-fA-F]{6}$/)

export const SURFACES = ['boards', 'door', 'brick', 'plaster', 'stone', 'glass', 'mantel'] as const
export const LIGHTS = ['day', 'dusk', 'lamp'] as const
export const FULLNESS = ['sparse', 'full', 'lush'] as const
export const STAGES = ['planned', 'gathering', 'making', 'hung', 'taken apart'] as const
export const FLOWS = ['clockwise', 'anticlockwise', 'apart', 'together', 'outward', 'inward', 'nest'] as const
export const BALANCES = ['even', 'mirrored', 'offset'] as const
/** A layer that lies on every run of the base, by the same rule on each. */
export const EACH = 'each'

/** How evenly a maker lays stems. */
export const HANDS = ['tight', 'loose', 'wild'] as const
export type Hand = (typeof HANDS)[number]

const BriefSchema = z.strictObject({
  name: z.string().trim().min(1, 'Give the piece a name.').max(80),
  occasion: z.string().max(80),
  surface: z.strictObject({ kind: z.enum(SURFACES), colour }),
  light: z.enum(LIGHTS).describe('what light the drawing shows it in'),
  door: z
    .strictObject({
      width: z.number().min(100).max(20_000).describe('mm'),
      height: z.number().min(100).max(20_000).describe('mm'),
    })
    .describe('the door, window or stretch of wall that it hangs on'),
  weather: z.enum(WEATHERS),
  fullness: z.enum(FULLNESS).describe('sparse: the base shows on purpose; full: no base seen; lush: two layers nearly everywhere'),
  hand: z.enum(HANDS).describe('how evenly stems are laid: all but alike, as hands do, or wild'),
  balance: z.strictObject({
    school: z.enum(BALANCES).describe('even all round; mirrored left and right; offset on purpose'),
    towards: z.number().min(0).lt(360).describe('the side that is meant to be heavy in an offset design, degrees clockwise from twelve'),
  }),
  budget: z.int().min(0).max(100_000_000).nullable().describe('for each one made, minor units'),
  copies: z.int().min(1).max(1000).describe('how many are made'),
})

/** What a hand changed about one thing. */
const NudgeSchema = z.strictObject({
  along: z.number().min(-20_000).max(20_000).describe('mm along the run'),
  across: z.number().min(-2).max(2).describe('in half widths of the face'),
  turn: z.number().min(-180).max(180).describe('degrees'),
  lift: z.int().min(-60).max(60).describe('over (positive) or under its layer by so many layers'),
  trim: z.number().min(5).max(3000).nullable().describe('cut to, mm; null as the layer says'),
  pinned: z.boolean().describe('stays where it is when the rest is evened out'),
})

const AddedSchema = z.strictObject({
  id: z.string().regex(/^[A-Za-z0-9_-]{1,38}$/),
  run: z.string().min(1).max(40),
  at: placeSchema,
  across: z.number().min(-2).max(2).describe('-1 inner edge, 1 outer edge of the face'),
  turn: z.number().min(-180).max(180).describe('degrees off the layer’s own direction'),
  material: z.string().min(1).max(60),
})

const MixSchema = z.strictObject({
  material: z.string().min(1).max(60),
  share: z.number().min(0).max(1000).describe('parts of the mix'),
  only: countSchema.nullable().describe('just so many of it, spread; null takes its share'),
})

/** The most things of one layer that hands may move. */
const MOST_NUDGES = MOST_PLACES * 4

/** The most things that hands may add to one layer. */
export const MOST_ADDED = 500

const BEND_TO = 'A bend needs a radius of 5 mm or more.'
export const BendSchema = z.union([
  z.enum(['straight', 'run']),
  z.strictObject({ radius: z.number(BEND_TO).min(5, BEND_TO).max(5000), toward: z.enum(['in', 'out']) }),
])

export const LayerSchema = z.strictObject({
  id: idSchema,
  role: z.enum(ROLES),
  run: z.string().min(1).max(40).describe(`a run of the base, or “${EACH}” for the same on every run`),
  mix: z.array(MixSchema).min(1, 'A layer needs a material.').max(MOST_PARTS),
  rule: RuleSchema,
  mirrored: z.boolean().describe('laid as the mirror image of its rule: the other of a pair'),
  flow: z.enum(FLOWS),
  seat: placeSchema.describe('where two halves part or meet'),
  across: z.number().min(-1).max(1).describe('-1 inner edge, 0 middle, 1 outer edge of the face'),
  acrossSpread: z.number().min(0).max(1).describe('to either side of that'),
  lean: z.number().min(-180).max(180).describe('degrees off the run, positive to the outside; for a sign or bow, off level, clockwise'),
  leanSpread: z.number().min(0).max(180).describe('degrees to either side of that'),
  bend: BendSchema.describe('how stems that bend are laid: straight, with the run, or to a radius in mm'),
  uneven: z.number().min(0).max(0.6).describe('how much shorter the shortest stem is than the longest, by chance: 0 all alike'),
  cut: z.number().min(5).max(3000).nullable().describe('cut length, mm; null leaves stems whole'),
  taper: shareSchema.describe('how much shorter stems get toward the ends: 0 not at all, 1 to nothing'),
  reserve: z
    .number()
    .min(0)
    .max(500)
    .nullable()
    .describe('keeps its own place free of other layers, with so many mm about it; null does not'),
  clear: z.boolean().describe('keeps clear of the places that other layers reserve'),
  hidden: z.boolean(),
  locked: z.boolean(),
  words: z
    .string()
    .max(MOST_WORDS)
    .nullable()
    .describe('what its signs and letters say, lines parted by line breaks; null leaves what they come with'),
  fixing: z.enum(WAYS).nullable().describe('how its things are held; null as suits each best'),
  backup: z.enum(WAYS).nullable().describe('what holds them besides, should that let go'),
  prepared: PreparedSchema,
  seed: z.int().min(0).max(2_147_483_647),
  nudges: z
    .record(z.string().max(80), NudgeSchema)
    .refine((all) => Object.keys(all).length <= MOST_NUDGES, `A hand may move up to ${MOST_NUDGES} things of a layer.`)
    .describe('what a hand moved, by slot'),
  added: z.array(AddedSchema).max(MOST_ADDED).describe('what a hand put on besides the rule'),
  taken: z
    .array(z.string().max(80))
    .max(MOST_PLACES * 10)
    .describe('slots of the rule that a hand left empty'),
})

export const PART_LIES = ['any way round', 'upright', 'like a stem'] as const
export const PART_LIMITS = { parts: 12, layers: 12, dries: 60 * 24 * 30 } as const

/** A small design that is made beforehand and then laid like a material. It has no parts of its own. */
export const PartSchema = z.strictObject({
  id: idSchema,
  name: z.string().trim().min(1, 'Give the part a name.').max(40),
  base: BaseSchema,
  layers: z.array(LayerSchema).max(PART_LIMITS.layers).describe('in the order they go on'),
  lies: z.enum(PART_LIES).describe('how it lies on the piece'),
  dries: z.number().min(0).max(PART_LIMITS.dries).describe('minutes that it dries or sets once it is made, before it can be laid'),
  bought: z.string().min(1).max(60).nullable().describe('a material that is bought ready-made in its place; null makes it'),
})

export const PieceSchema = z
  .strictObject({
    format: z.literal(FORMAT),
    version: z.literal(VERSION),
    id: idSchema,
    stage: z.enum(STAGES),
    brief: BriefSchema,
    base: BaseSchema,
    layers: z.array(LayerSchema).max(60).describe('in the order they go on'),
    parts: z.array(PartSchema).max(PART_LIMITS.parts).describe('made beforehand and laid like materials, by “part:” and their id'),
    fixing: FixingSchema,
    hanger: HangerSchema.nullable().describe('null while none was chosen'),
    making: MakingSchema,
    asking: AskingSchema,
    weighed: z.array(ReadingSchema).max(200),
  })
  .superRefine((piece, ctx) => {
    const weighed = piece.weighed.map(({ what }) => what)
    if (new Set(weighed).size < weighed.length) ctx.addIssue({ code: 'custom', path: ['weighed'], message: 'One thing has two weights.' })
    const claims = piece.asking.claims.map(({ id }) => id)
    if (new Set(claims).size < claims.length)
      ctx.addIssue({ code: 'custom', path: ['asking', 'claims'], message: 'Two claims have the same id.' })
    for (const { path, message } of layerFaults(piece.layers)) ctx.addIssue({ code: 'custom', path: ['layers', ...path], message })
    piece.parts.forEach(({ id, layers, bought }, i) => {
      const fault = (path: (string | number)[], message: string) => ctx.addIssue({ code: 'custom', path: ['parts', i, ...path], message })
      if (piece.parts.findIndex((other) => other.id === id) < i) fault(['id'], `Two parts have the id “${id}”.`)
      for (const { path, message } of layerFaults(layers)) fault(['layers', ...path], message)
      if (bought !== null && partOfMaterial(bought) !== null) fault(['bought'], 'A part is bought as a material, not as another part.')
      layers.forEach(({ mix, added }, k) => {
        if ([...mix, ...added].some(({ material }) => partOfMaterial(material) !== null))
          fault(['layers', k, 'mix'], 'A part is made of materials: it holds no part, not even itself.')
      })
    })
  })

/** What is wrong with layers beside one another, and where. */
function layerFaults(layers: readonly z.infer<typeof LayerSchema>[]): { readonly path: (string | number)[]; readonly message: string }[] {
  const seen = new Set<string>()
  return layers.flatMap((layer, i) => {
    const faults: { path: (string | number)[]; message: string }[] = []
    if (seen.has(layer.id)) faults.push({ path: [i, 'id'], message: `Two layers have the id “${layer.id}”.` })
    seen.add(layer.id)
    if (layer.rule.kind === 'bow' && layer.rule.ribbons.length !== layer.mix.length)
      faults.push({ path: [i, 'rule', 'ribbons'], message: 'A bow has a build for each of its ribbons.' })
    const added = layer.added.map((each) => each.id)
    if (new Set(added).size < added.length) faults.push({ path: [i, 'added'], message: 'Two things that a hand put on have the same id.' })
    return faults
  })
}

const PART = 'part:'
/** The material by which layers are laid of a part. @example materialOfPart('nest') // 'part:nest' */
export const materialOfPart = (part: string): string => `${PART}${part}`
/** The part that a material is; null of what is none. @example partOfMaterial('part:nest') // 'nest' */
export const partOfMaterial = (material: string): string | null => (material.startsWith(PART) ? material.slice(PART.length) : null)

export type Brief = z.infer<typeof BriefSchema>
export type Nudge = z.infer<typeof NudgeSchema>
export type Added = z.infer<typeof AddedSchema>
export type Mix = z.infer<typeof MixSchema>
export type Layer = z.infer<typeof LayerSchema>
export type Flow = Layer['flow']
export type Bend = Layer['bend']
export type Part = z.infer<typeof PartSchema>
export type Piece = z.infer<typeof PieceSchema>
/** A base and what is laid on it: what a piece and each of its parts are alike. */
export type Design = Pick<Piece, 'base' | 'layers'>
export type Stage = Piece['stage']

/** A thing that no hand has touched. */
export const STILL: Nudge = { along: 0, across: 0, turn: 0, lift: 0, trim: null, pinned: false }
