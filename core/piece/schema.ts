import { z } from 'zod'
import { CURRENCIES } from '../measure'
import { BaseSchema } from '../base'

export const FORMAT = 'ruddy-bramble/piece'
export const VERSION = 1

/** The most of anything that one layer may ask for. */
export const MOST_PLACES = 500

const id = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/)
const colour = z.string().regex(/^#[0-9a-fA-F]{6}$/)
const share = z.number().min(0).max(1)

/** A place on a run as a share of its length: on a ring 0 is twelve o'clock and 0.25 three. */
const place = z.number().min(0).max(1)

export const SURFACES = ['boards', 'door', 'brick', 'plaster', 'stone'] as const
export const WEATHERS = ['indoors', 'covered', 'open'] as const
export const FULLNESS = ['sparse', 'full', 'lush'] as const
export const STAGES = ['planned', 'gathering', 'making', 'hung', 'taken apart'] as const
export const ROLES = ['greenery', 'focal', 'second greenery', 'filler', 'accent', 'texture', 'bow', 'sign'] as const
export const FLOWS = ['clockwise', 'anticlockwise', 'apart', 'together', 'outward', 'inward', 'nest'] as const
export const DENSE = ['middle', 'start', 'end'] as const

export const BriefSchema = z.strictObject({
  name: z.string().trim().min(1, 'Give the piece a name.').max(80),
  occasion: z.string().max(80),
  surface: z.strictObject({ kind: z.enum(SURFACES), colour }),
  door: z.strictObject({
    width: z.number().min(100).max(20_000).describe('mm'),
    height: z.number().min(100).max(20_000).describe('mm'),
  }).describe('the door, window or stretch of wall that it hangs on'),
  weather: z.enum(WEATHERS),
  fullness: z.enum(FULLNESS).describe('sparse: the base shows on purpose; full: no base seen; lush: two layers nearly everywhere'),
  budget: z.int().min(0).max(100_000_000).nullable().describe('for each one made, minor units'),
  currency: z.enum(CURRENCIES),
  copies: z.int().min(1).max(1000).describe('how many are made'),
})

export const RuleSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('compass'), count: z.int().min(0).max(MOST_PLACES), start: place }),
  z.strictObject({ kind: z.literal('halfway'), of: id.describe('the layer whose gaps are halved') }),
  z.strictObject({ kind: z.literal('every'), spacing: z.number().min(1).max(20_000).describe('wanted, along the centre line, mm'), start: place }),
  z.strictObject({ kind: z.literal('cluster'), at: z.array(place).max(60), size: z.int().min(0).max(60).describe('how many in each cluster') }),
  z.strictObject({
    kind: z.literal('crescent'), from: place, to: place, count: z.int().min(0).max(MOST_PLACES),
    dense: z.enum(DENSE), thin: share.describe('0 even, 1 thins to nothing'),
  }),
  z.strictObject({
    kind: z.literal('single'), at: place,
    drop: z.number().min(0).max(3000).describe('how far below its place it hangs on a cord, mm; 0 sits on the face'),
  }),
])

export const NudgeSchema = z.strictObject({
  along: z.number().min(-20_000).max(20_000).describe('mm along the run'),
  across: z.number().min(-2).max(2).describe('in half widths of the face'),
  turn: z.number().min(-180).max(180).describe('degrees'),
})

export const MixSchema = z.strictObject({
  material: z.string().min(1).max(60),
  share: z.number().min(0).max(1000).describe('parts of the mix'),
})

export const LayerSchema = z.strictObject({
  id,
  role: z.enum(ROLES),
  run: z.string().min(1).max(40),
  mix: z.array(MixSchema).min(1, 'A layer needs a material.').max(12),
  rule: RuleSchema,
  flow: z.enum(FLOWS),
  seat: place.describe('where two halves part or meet'),
  across: z.number().min(-1).max(1).describe('-1 inner edge, 0 middle, 1 outer edge of the face'),
  acrossSpread: z.number().min(0).max(1).describe('to either side of that'),
  lean: z.number().min(-180).max(180).describe('degrees off the run, positive to the outside; for a sign or bow, off level, clockwise'),
  leanSpread: z.number().min(0).max(180).describe('degrees to either side of that'),
  cut: z.number().min(5).max(3000).nullable().describe('cut length, mm; null leaves stems whole'),
  seed: z.int().min(0).max(2_147_483_647),
  nudges: z.record(z.string().max(40), NudgeSchema).describe('what a hand moved, by slot'),
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
  })
})

export type Brief = z.infer<typeof BriefSchema>
export type Rule = z.infer<typeof RuleSchema>
export type RuleKind = Rule['kind']
export type Nudge = z.infer<typeof NudgeSchema>
export type Layer = z.infer<typeof LayerSchema>
export type Role = Layer['role']
export type Flow = Layer['flow']
export type Piece = z.infer<typeof PieceSchema>
export type Stage = Piece['stage']
