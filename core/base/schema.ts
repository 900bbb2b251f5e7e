import { z } from 'zod'
import { OUTLINE_LIMITS, StrokeSchema, strokesFault } from './outline'
import { bentHeight } from './segment'

/** Sizes the bench can hold, mm: from a napkin ring to a long rail. */
export const BASE_LIMITS = { smallest: 40, largest: 12_000, thinnest: 2, deepest: 20 } as const

/**
 * The sweep of an arc of given length at which its end lies farthest below its start, radians: where (1 − cos θ) ÷ θ is
 * largest, θ sin θ = 1 − cos θ.
 */
export const DEEPEST_SWEEP = 2.331122370414422
/** How far the ends of a ring that is cut and opened can hang below its middle, mm: each arm is half of its centre line. */
export const deepestOpened = ({ outer, inner }: { readonly outer: number; readonly inner: number }): number =>
  ((Math.PI * (outer + inner)) / 4) * ((1 - Math.cos(DEEPEST_SWEEP)) / DEEPEST_SWEEP)

const size = z.number().min(BASE_LIMITS.smallest).max(BASE_LIMITS.largest)
const thick = z.number().min(BASE_LIMITS.thinnest).max(1000)
/** What is drawn by hand may be narrow one way: the other is a base's size. */
const lineSize = z.number().min(BASE_LIMITS.thinnest).max(BASE_LIMITS.largest)
const drop = z.number().min(0).max(BASE_LIMITS.largest)

export const SWAG_JOINS = ['ties', 'hub'] as const
export const LETTERS = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ&'] as const

/** The measures of each form, mm unless said. */
export const ShapeSchema = z.discriminatedUnion('form', [
  z.strictObject({
    form: z.literal('ring'),
    outer: size.describe('outer diameter'),
    inner: z.number().min(0).max(BASE_LIMITS.largest).describe('inner diameter'),
  }),
  z.strictObject({
    form: z.literal('column'),
    rings: z.int().min(2).max(3).describe('one under the other, each touching the next'),
    top: size.describe('outer diameter of the uppermost'),
    bottom: size.describe('outer diameter of the lowest; a third between them is as large as their mean'),
    face: thick.describe('width of the face of each'),
  }),
  z.strictObject({
    form: z.literal('oval'),
    ring: size.describe('outer diameter of the ring it was bent from: it keeps that perimeter'),
    width: size,
    face: thick.describe('width of the face'),
  }),
  z.strictObject({ form: z.literal('square'), width: size, height: size, face: thick }),
  z.strictObject({ form: z.literal('heart'), width: size, height: size, face: thick }),
  z.strictObject({ form: z.literal('letter'), letter: z.enum(LETTERS), height: size, face: thick }),
  z.strictObject({
    form: z.literal('gourd'),
    height: size,
    width: size,
    ribs: z.int().min(0).max(9).describe('wires inside the outline'),
    face: thick,
  }),
  z.strictObject({
    form: z.literal('pear'),
    height: size.describe('without its stem'),
    width: size,
    ribs: z.int().min(0).max(9).describe('wires inside the outline'),
    stem: size.describe('length of the stem'),
    face: thick,
  }),
  z.strictObject({ form: z.literal('animal'), width: size.describe('of the head'), ears: size.describe('height of an ear'), face: thick }),
  z.strictObject({
    form: z.literal('outline'),
    width: lineSize.describe('as it finishes; a line that runs straight up is as wide as its wire'),
    height: lineSize.describe('as it finishes; a line that runs straight across is as high as its wire'),
    face: thick,
    strokes: z
      .array(StrokeSchema)
      .max(OUTLINE_LIMITS.runs)
      .describe('its runs, drawn in any measure, x to the right and y down: they are made so wide and high'),
  }),
  z.strictObject({
    form: z.literal('tree'),
    tree: size.describe('its height, from the foot of its trunk to its tip'),
    width: thick.describe('of the face at its fullest'),
  }),
  z.strictObject({
    form: z.literal('swag'),
    tree: size.describe('height of each tree'),
    overlap: drop.describe('of the trunks'),
    width: thick.describe('of the face at the join'),
    joined: z.enum(SWAG_JOINS).describe('trunk tied to trunk, or both pushed into a block of foam'),
  }),
  z.strictObject({
    form: z.literal('teardrop'),
    tree: size.describe('height of each tree'),
    overlap: drop.describe('of the trunks'),
    width: thick.describe('of the face at its fullest'),
  }),
  z.strictObject({
    form: z.literal('opened'),
    outer: size,
    inner: z.number().min(0).max(BASE_LIMITS.largest),
    drop: drop.describe('how far the ends hang below the middle'),
  }),
  z.strictObject({
    form: z.literal('spray'),
    length: size,
    width: thick,
    tie: z.number().min(0.05).max(0.95).describe('where it is bound, share of the length from the top'),
  }),
  z.strictObject({ form: z.literal('door'), width: size, height: size, face: thick }),
  z.strictObject({ form: z.literal('mantel'), width: size, drops: drop.describe('how far it hangs down at both ends'), face: thick }),
  z.strictObject({
    form: z.literal('rail'),
    length: size,
    slope: z.number().min(-60).max(60).describe('degrees, positive rises to the right'),
    face: thick,
  }),
  z.strictObject({
    form: z.literal('scallops'),
    span: size.describe('from hook to hook'),
    drop: drop.describe('of each scallop'),
    count: z.int().min(1).max(20),
    tails: drop.describe('how far it hangs down at both ends'),
    face: thick,
  }),
])
export type BaseShape = z.infer<typeof ShapeSchema>
export type Form = BaseShape['form']
export type ShapeOf<F extends Form> = Extract<BaseShape, { form: F }>

export const BASE_KINDS = [
  'wire-ring',
  'box-ring',
  'clamp-ring',
  'grapevine',
  'twisted',
  'straw',
  'foam',
  'hoop',
  'bead-ring',
  'evergreen-ring',
  'wire-column',
  'vine-column',
  'oval',
  'square',
  'heart',
  'letter',
  'gourd',
  'pear',
  'animal',
  'outline',
  'mini-tree',
  'tree-swag',
  'teardrop',
  'opened-ring',
  'spray',
  'door-garland',
  'mantel-garland',
  'rail-garland',
  'scallops',
] as const
export type BaseKind = (typeof BASE_KINDS)[number]

/** The form that each kind has. */
export const FORMS: Record<BaseKind, Form> = {
  'wire-ring': 'ring',
  'box-ring': 'ring',
  'clamp-ring': 'ring',
  grapevine: 'ring',
  twisted: 'ring',
  straw: 'ring',
  foam: 'ring',
  hoop: 'ring',
  'bead-ring': 'ring',
  'evergreen-ring': 'ring',
  'wire-column': 'column',
  'vine-column': 'column',
  oval: 'oval',
  square: 'square',
  heart: 'heart',
  letter: 'letter',
  gourd: 'gourd',
  pear: 'pear',
  animal: 'animal',
  outline: 'outline',
  'mini-tree': 'tree',
  'tree-swag': 'swag',
  teardrop: 'teardrop',
  'opened-ring': 'opened',
  spray: 'spray',
  'door-garland': 'door',
  'mantel-garland': 'mantel',
  'rail-garland': 'rail',
  scallops: 'scallops',
}

const share = z.number().min(0).max(1)

export const BaseSchema = z
  .strictObject({
    kind: z.enum(BASE_KINDS),
    shape: ShapeSchema,
    colour: z
      .string()
      .regex(/^#[0-9a-fA-F]{6}$/)
      .describe('colour of the base, #rrggbb'),
    turn: z.number().min(0).lt(360).describe('how far the base is turned, degrees clockwise: its join and hook go with it'),
    join: share.describe('where its join or flaw is before any turn, share of its first run'),
    hook: share.nullable().describe('where a built-in hook is before any turn, share of its first run; null without one'),
    price: z.int().min(0).max(10_000_000).nullable().describe('what one cost, minor units; null takes the usual price'),
    mass: z.number().min(0).max(100_000).nullable().describe('on the scale, g; null takes the usual mass'),
  })
  .superRefine(({ kind, shape }, ctx) => {
    if (FORMS[kind] !== shape.form) ctx.addIssue({ code: 'custom', path: ['shape', 'form'], message: `A ${kind} is not a ${shape.form}.` })
    const fault = shapeFault(shape)
    if (fault) ctx.addIssue({ code: 'custom', path: ['shape', fault.at], message: fault.says })
  })

/** Measures that each may have but not together. */
function shapeFault(shape: BaseShape): { readonly at: string; readonly says: string } | null {
  const { thinnest } = BASE_LIMITS
  switch (shape.form) {
    case 'ring':
    case 'opened':
      if (shape.inner > shape.outer - 2 * thinnest) return { at: 'inner', says: 'The hole must be smaller than the ring.' }
      return shape.form === 'opened' && shape.drop > deepestOpened(shape)
        ? {
            at: 'drop',
            says: `The ends cannot hang so deep: opened out it reaches ${Math.floor(deepestOpened(shape))} mm below its middle at most.`,
          }
        : null
    case 'column':
      return shape.face > Math.min(shape.top, shape.bottom) * 0.4 ? { at: 'face', says: 'The face must leave a hole in every ring.' } : null
    case 'oval': {
      const high = bentHeight(Math.PI * shape.ring, shape.width)
      return high < BASE_LIMITS.smallest
        ? { at: 'width', says: 'A ring cannot be bent so wide: its perimeter would not reach.' }
        : shape.face > Math.min(shape.width, high) / 2
          ? { at: 'face', says: 'The face must leave a hole.' }
          : null
    }
    case 'square':
    case 'heart':
    case 'gourd':
    case 'pear':
      return shape.face > Math.min(shape.width, shape.height) * 0.35
        ? { at: 'face', says: 'The face must be narrower than a third of the base.' }
        : null
    case 'letter':
      return shape.face > shape.height * 0.3 ? { at: 'face', says: 'The strokes must be narrower than a third of the letter.' } : null
    case 'animal':
      return shape.face > Math.min(shape.width, shape.ears) * 0.35
        ? { at: 'face', says: 'The wire must be thinner than a third of an ear.' }
        : null
    case 'outline':
      return (
        strokesFault(shape.strokes) ??
        (Math.max(shape.width, shape.height) < BASE_LIMITS.smallest
          ? { at: 'width', says: `An outline is at least ${BASE_LIMITS.smallest} mm wide or high.` }
          : null) ??
        (shape.face > Math.max(shape.width, shape.height) * 0.35
          ? { at: 'face', says: 'The wire must be thinner than a third of the outline.' }
          : null)
      )
    case 'swag':
    case 'teardrop':
      return shape.overlap > shape.tree * 0.9 ? { at: 'overlap', says: 'The trunks overlap by less than the tree.' } : null
    case 'scallops':
      return shape.drop > shape.span * BASE_LIMITS.deepest
        ? { at: 'drop', says: `A scallop hangs at most ${BASE_LIMITS.deepest} times its span.` }
        : null
    default:
      return null
  }
}

export type Base = z.infer<typeof BaseSchema>
