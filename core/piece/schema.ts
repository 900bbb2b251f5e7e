import { z } from 'zod'
import { CURRENCIES } from '../measure'
import { BaseSchema } from '../base'
import { WEATHERS } from '../material'

export const FORMAT = 'ruddy-bramble/piece'
export const VERSION = 5

/** The most letters that a sign may bear. */
export const MOST_WORDS = 120

/** The most of anything that one layer may ask for. */
export const MOST_PLACES = 500

const id = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/)
const colour = z.string().regex(/^#[0-9a-fA-F]{6}$/)
const share = z.number().min(0).max(1)

/** A place on a run as a share of its length: on a ring 0 is twelve o'clock and 0.25 three. */
const place = z.number().min(0).max(1)

export const SURFACES = ['boards', 'door', 'brick', 'plaster', 'stone', 'glass', 'mantel'] as const
export const LIGHTS = ['day', 'dusk', 'lamp'] as const
export const FULLNESS = ['sparse', 'full', 'lush'] as const
export const STAGES = ['planned', 'gathering', 'making', 'hung', 'taken apart'] as const
export const ROLES = ['greenery', 'focal', 'second greenery', 'filler', 'accent', 'texture', 'bow', 'sign'] as const
export const FLOWS = ['clockwise', 'anticlockwise', 'apart', 'together', 'outward', 'inward', 'nest'] as const
export const DENSE = ['middle', 'start', 'end'] as const
export const BALANCES = ['even', 'mirrored', 'offset'] as const
export const PATTERNS = ['better', 'even', 'dealt'] as const
/** A layer that lies on every run of the base, by the same rule on each. */
export const EACH = 'each'

export const BriefSchema = z.strictObject({
  name: z.string().trim().min(1, 'Give the piece a name.').max(80),
  occasion: z.string().max(80),
  surface: z.strictObject({ kind: z.enum(SURFACES), colour }),
  light: z.enum(LIGHTS).describe('what light the drawing shows it in'),
  door: z.strictObject({
    width: z.number().min(100).max(20_000).describe('mm'),
    height: z.number().min(100).max(20_000).describe('mm'),
  }).describe('the door, window or stretch of wall that it hangs on'),
  weather: z.enum(WEATHERS),
  fullness: z.enum(FULLNESS).describe('sparse: the base shows on purpose; full: no base seen; lush: two layers nearly everywhere'),
  balance: z.strictObject({
    school: z.enum(BALANCES).describe('even all round; mirrored left and right; offset on purpose'),
    towards: z.number().min(0).lt(360).describe('the side that is meant to be heavy in an offset design, degrees clockwise from twelve'),
  }),
  budget: z.int().min(0).max(100_000_000).nullable().describe('for each one made, minor units'),
  currency: z.enum(CURRENCIES),
  copies: z.int().min(1).max(1000).describe('how many are made'),
})

const count = z.int().min(0).max(MOST_PLACES)
/** A length, mm. */
const mm = (least: number, most: number) => z.number().min(least).max(most)

/** What is meant by the length of a loop: from the pinch to its end, or the ribbon that goes into it. */
export const LOOP_MEANS = ['visible', 'ribbon used'] as const
export const ENDS = ['v', 'slant', 'straight', 'hem'] as const
export const TIED_WITH = ['stem wire', 'paddle wire', 'pipe cleaner', 'zip tie', 'own ribbon'] as const
export const GATHERS = ['ruffle', 'petal', 'cluster'] as const
/** The most ribbons in one bow. */
export const MOST_RIBBONS = 6
/** The most loops, strips or layers of one ribbon. */
export const MOST_LOOPS = 60

const loops = z.int().min(1).max(MOST_LOOPS)
const loop = mm(5, 2000).describe('of each, mm, in the sense that the bow’s maker says')
const tail = mm(0, 5000)

/** What is made of one ribbon of a bow. */
export const RibbonSchema = z.discriminatedUnion('build', [
  z.strictObject({
    build: z.literal('hand'), loops: loops.describe('both sides together'), loop: loop.describe('the longest'), taper: share.describe('how much shorter the last pair is: 0 all alike'),
    groups: z.array(z.strictObject({ loops, loop })).min(1).max(12).nullable().describe('loops of unequal lengths, group after group, instead of so many by one length and a taper; null has none'),
    tails: z.tuple([tail, tail]), centre: mm(0, 1000).describe('ribbon in the loop over the middle'), twist: mm(0, 300).describe('what each pinch takes to turn a one-sided ribbon'),
  }).describe('by hand or on a jig, loops to each side in turn'),
  z.strictObject({ build: z.literal('strips'), strips: loops, loop, tail }).describe('strips folded to two loops and two tails, pinched and stacked'),
  z.strictObject({ build: z.literal('rag'), strips: loops, strip: mm(20, 5000), overhang: mm(0, 1000).describe('left at each end'), loop }).describe('strips of cloth looped in a jig'),
  z.strictObject({ build: z.literal('coil'), layers: loops, flat: mm(20, 3000).describe('length of the flat coil') }).describe('wound flat, notched in the middle and pulled apart'),
  z.strictObject({ build: z.literal('flat'), rounds: loops, width: mm(20, 2000).describe('of the widest round'), strip: mm(0, 500).describe('over the middle') }).describe('flat rounds laid on one another with a strip over the middle'),
  z.strictObject({ build: z.literal('folded'), loop, tail, strip: mm(0, 500).describe('the knot over the middle') }).describe('one loop to each side, and a length folded to a V for tails'),
  z.strictObject({ build: z.literal('tails'), tails: loops.describe('how many'), tail: mm(5, 5000).describe('of each') }).describe('loose tails alone, laid under a bow or hung by themselves'),
  z.strictObject({ build: z.literal('fill-ins'), strips: loops.describe('how many'), loop }).describe('lengths folded once and tucked in beside a bow'),
])

export const RuleSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('compass'), count, start: place }),
  z.strictObject({ kind: z.literal('halfway'), of: id.describe('the layer whose gaps are halved') }),
  z.strictObject({ kind: z.literal('every'), spacing: z.number().min(1).max(20_000).describe('wanted, along the centre line, mm'), start: place }),
  z.strictObject({ kind: z.literal('against'), of: id.describe('the layer whose points it goes among'), count, pattern: z.enum(PATTERNS).describe('turned evenly, dealt into the gaps, or whichever keeps the larger smallest gap') }),
  z.strictObject({ kind: z.literal('cluster'), at: z.array(place).max(60), size: z.int().min(0).max(60).describe('how many in each cluster') }),
  z.strictObject({
    kind: z.literal('crescent'), from: place, to: place, count,
    dense: z.enum(DENSE), thin: share.describe('0 even, 1 thins to nothing'),
  }),
  z.strictObject({
    kind: z.literal('mirror'), seat: place.describe('the middle of the gap that is kept'), gap: z.number().min(0).max(2000).describe('kept free to each side of the seat, mm'),
    reach: share.describe('how far up each side, share of the run'), count: count.describe('both sides together'), sequence: z.boolean().describe('the mix in its order up each side, instead of by rhythm'),
  }),
  z.strictObject({
    kind: z.literal('bands'), outer: count.nullable().describe('null: as many as lie side by side'), between: count.nullable(), inner: count.nullable(),
    gaps: z.boolean().describe('one more in every gap of the middle band'),
  }).describe('the first material of the mix goes on the outer rim, then between, inner rim and gaps'),
  z.strictObject({ kind: z.literal('arms'), count, from: share, to: share.describe('stations from the middle out, shares of an arm') }),
  z.strictObject({ kind: z.literal('scatter'), count }),
  z.strictObject({
    kind: z.literal('single'), at: place,
    drop: z.number().min(0).max(3000).describe('how far below its place it hangs on a cord, mm; 0 sits on the face'),
  }),
  z.strictObject({
    kind: z.literal('bundles'), start: place, advance: z.number().min(5).max(3000).describe('wanted from bundle to bundle along the centre line, mm'),
    sprigs: z.int().min(1).max(40).describe('in each bundle'), wraps: z.int().min(1).max(9).describe('of wire round each bundle; twice at least at the start and in the last quarter'),
    bound: z.number().min(2).max(600).describe('how thick frame and stems are together, mm'),
    faces: z.int().min(1).max(2).describe('2 covers the back as well, for a window'),
  }).describe('bundles bound on one after another, each over the stems of the last'),
  z.strictObject({
    kind: z.literal('boughs'), overlap: z.number().min(0).max(3000).describe('of each piece over the next, mm'),
    yields: z.number().min(50).max(20_000).describe('garland made of one large bough, mm'),
  }).describe('pieces of bough bound end over end along a run'),
  z.strictObject({
    kind: z.literal('spray'), at: place, pairs: z.int().min(1).max(60), odd: z.boolean().describe('one more in the middle, last'),
    spread: z.number().min(0).max(120).describe('how far the outermost pair leans to either side, degrees'), wraps: z.int().min(1).max(9), bound: mm(2, 600).describe('how thick the stems are at the tie, mm'),
  }).describe('made apart: stems crossed left and right in pairs, bound once, then fixed'),
  z.strictObject({
    kind: z.literal('wound'), pitch: mm(0.5, 3000).nullable().describe('from turn to turn, mm; null lays them side by side'), thick: mm(0.5, 1000).describe('through what it is wound round, mm'),
    ends: mm(0, 2000).describe('left over at each end, mm'), every: mm(5, 3000).nullable().describe('pinned or tied every so far; null at both ends only'),
  }).describe('ribbon, twine or a strand wound round the run'),
  z.strictObject({
    kind: z.literal('laid'), laps: z.number().min(0.05).max(40), tuck: mm(0, 2000).describe('to tuck in where it ends, mm'), every: mm(5, 3000).describe('pinned or tied every so far, mm'),
  }).describe('a garland or strands laid along the run, lap by lap'),
  z.strictObject({
    kind: z.literal('mesh'), ties: z.int().min(1).max(MOST_PLACES).describe('that the base has on each run'), count: count.describe('gathers wanted'),
    gathers: z.array(z.enum(GATHERS)).min(1).max(6).describe('dealt round in this order'), cut: mm(30, 3000).describe('length of each piece, mm'), start: place,
  }).describe('pieces of mesh gathered and caught in the base’s ties'),
  z.strictObject({
    kind: z.literal('poofs'), ties: z.int().min(1).max(MOST_PLACES), passes: z.int().min(1).max(9), uses: mm(20, 3000).describe('ribbon or mesh in each poof, mm: about twice its height'), start: place,
  }).describe('a strip tied at every tie, pushed up between them'),
  z.strictObject({
    kind: z.literal('beads'), allowance: mm(0, 1000).describe('wire kept bare, mm'), own: mm(0.1, 20).describe('thickness of the wire they are threaded on, mm'),
    turns: z.number().min(0).max(20).describe('of bare wire round the base at each end'), tail: mm(0, 500).describe('beyond them, mm'),
  }).describe('threaded along the run'),
  z.strictObject({
    kind: z.literal('bow'), at: place, means: z.enum(LOOP_MEANS).nullable().describe('what a loop’s length means; null while its maker has not said'),
    ribbons: z.array(RibbonSchema).min(1).max(MOST_RIBBONS).describe('one for each material of the mix, from the back to the front'),
    ends: z.enum(ENDS), hem: mm(0, 100).describe('turned in at each end that is hemmed'), tied: z.enum(TIED_WITH), fixes: z.boolean().describe('whether the wire that ties it also fixes it'),
  }),
  z.strictObject({ kind: z.literal('hand') }).describe('only what a hand put on'),
])

/** What a hand changed about one thing. */
export const NudgeSchema = z.strictObject({
  along: z.number().min(-20_000).max(20_000).describe('mm along the run'),
  across: z.number().min(-2).max(2).describe('in half widths of the face'),
  turn: z.number().min(-180).max(180).describe('degrees'),
  lift: z.int().min(-60).max(60).describe('over (positive) or under its layer by so many layers'),
  trim: z.number().min(5).max(3000).nullable().describe('cut to, mm; null as the layer says'),
  pinned: z.boolean().describe('stays where it is when the rest is evened out'),
})

export const AddedSchema = z.strictObject({
  id: z.string().regex(/^[A-Za-z0-9_-]{1,38}$/),
  run: z.string().min(1).max(40),
  at: place,
  across: z.number().min(-2).max(2).describe('-1 inner edge, 1 outer edge of the face'),
  turn: z.number().min(-180).max(180).describe('degrees off the layer’s own direction'),
  material: z.string().min(1).max(60),
})

export const MixSchema = z.strictObject({
  material: z.string().min(1).max(60),
  share: z.number().min(0).max(1000).describe('parts of the mix'),
  only: count.nullable().describe('just so many of it, spread; null takes its share'),
})

/** The most things of one layer that hands may move. */
export const MOST_NUDGES = MOST_PLACES * 4

/** The most things that hands may add to one layer. */
export const MOST_ADDED = 500

export const LayerSchema = z.strictObject({
  id,
  role: z.enum(ROLES),
  run: z.string().min(1).max(40).describe(`a run of the base, or “${EACH}” for the same on every run`),
  mix: z.array(MixSchema).min(1, 'A layer needs a material.').max(12),
  rule: RuleSchema,
  mirrored: z.boolean().describe('laid as the mirror image of its rule: the other of a pair'),
  flow: z.enum(FLOWS),
  seat: place.describe('where two halves part or meet'),
  across: z.number().min(-1).max(1).describe('-1 inner edge, 0 middle, 1 outer edge of the face'),
  acrossSpread: z.number().min(0).max(1).describe('to either side of that'),
  lean: z.number().min(-180).max(180).describe('degrees off the run, positive to the outside; for a sign or bow, off level, clockwise'),
  leanSpread: z.number().min(0).max(180).describe('degrees to either side of that'),
  cut: z.number().min(5).max(3000).nullable().describe('cut length, mm; null leaves stems whole'),
  taper: share.describe('how much shorter stems get toward the ends: 0 not at all, 1 to nothing'),
  reserve: z.number().min(0).max(500).nullable().describe('keeps its own place free of other layers, with so many mm about it; null does not'),
  clear: z.boolean().describe('keeps clear of the places that other layers reserve'),
  hidden: z.boolean(),
  locked: z.boolean(),
  words: z.string().max(MOST_WORDS).nullable().describe('what its signs and letters say, lines parted by line breaks; null leaves what they come with'),
  seed: z.int().min(0).max(2_147_483_647),
  nudges: z.record(z.string().max(80), NudgeSchema).refine((all) => Object.keys(all).length <= MOST_NUDGES, `A hand may move up to ${MOST_NUDGES} things of a layer.`).describe('what a hand moved, by slot'),
  added: z.array(AddedSchema).max(MOST_ADDED).describe('what a hand put on besides the rule'),
  taken: z.array(z.string().max(80)).max(MOST_PLACES * 10).describe('slots of the rule that a hand left empty'),
})

export const PieceSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  id,
  stage: z.enum(STAGES),
  brief: BriefSchema,
  base: BaseSchema,
  layers: z.array(LayerSchema).max(60).describe('in the order they go on'),
}).superRefine((piece, ctx) => {
  const seen = new Set<string>()
  piece.layers.forEach((layer, i) => {
    if (seen.has(layer.id)) ctx.addIssue({ code: 'custom', path: ['layers', i, 'id'], message: `Two layers have the id “${layer.id}”.` })
    seen.add(layer.id)
    if (layer.rule.kind === 'bow' && layer.rule.ribbons.length !== layer.mix.length) ctx.addIssue({ code: 'custom', path: ['layers', i, 'rule', 'ribbons'], message: 'A bow has a build for each of its ribbons.' })
    const added = layer.added.map((each) => each.id)
    if (new Set(added).size < added.length) ctx.addIssue({ code: 'custom', path: ['layers', i, 'added'], message: 'Two things that a hand put on have the same id.' })
  })
})

export type Brief = z.infer<typeof BriefSchema>
export type Rule = z.infer<typeof RuleSchema>
export type RuleKind = Rule['kind']
export type RuleOf<K extends RuleKind> = Extract<Rule, { kind: K }>
export type Ribbon = z.infer<typeof RibbonSchema>
export type Build = Ribbon['build']
export const BUILDS = ['hand', 'strips', 'rag', 'coil', 'flat', 'folded', 'tails', 'fill-ins'] as const satisfies readonly Build[]
export type RibbonOf<B extends Build> = Extract<Ribbon, { build: B }>
export type LoopMeans = (typeof LOOP_MEANS)[number]
export type Ends = (typeof ENDS)[number]
export type Gather = (typeof GATHERS)[number]
export type Nudge = z.infer<typeof NudgeSchema>
export type Added = z.infer<typeof AddedSchema>
export type Mix = z.infer<typeof MixSchema>
export type Layer = z.infer<typeof LayerSchema>
export type Role = Layer['role']
export type Flow = Layer['flow']
export type Piece = z.infer<typeof PieceSchema>
export type Stage = Piece['stage']

/** A thing that no hand has touched. */
export const STILL: Nudge = { along: 0, across: 0, turn: 0, lift: 0, trim: null, pinned: false }
