import { z } from 'zod'

export const MATERIAL_KINDS = ['greenery', 'stem', 'focal', 'filler', 'accent', 'texture', 'bow', 'sign', 'figure'] as const
export const HAZARDS = ['poisonous-pets', 'poisonous', 'prickly', 'foraged'] as const

export const MaterialSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,60}$/),
  name: z.string().trim().min(1).max(60),
  /** Said of several: "nine bracken fronds". */
  plural: z.string().trim().min(1).max(60),
  kind: z.enum(MATERIAL_KINDS),
  species: z.string().min(1).max(40).describe('the glyph that draws it'),
  form: z.enum(['leaf', 'disc', 'board']).describe('the shape of the patch it covers'),
  length: z.number().min(5).max(3000).describe('as bought, mm; for a head, its diameter'),
  width: z.number().min(2).max(1500).describe('spread across, mm'),
  mass: z.number().min(0).max(20_000).describe('of one, g'),
  state: z.enum(['artificial', 'dried', 'fresh', 'preserved', 'made']),
  texture: z.enum(['fine', 'medium', 'coarse']),
  wired: z.boolean(),
  divides: z.boolean().describe('whether one stem may be cut into several pieces'),
  colour: z.string().regex(/^#[0-9a-fA-F]{6}$/).nullable().describe('tint over the species’ own palette'),
  pack: z.strictObject({
    name: z.string().trim().min(1).max(30),
    holds: z.int().min(1).max(10_000),
    price: z.int().min(0).max(10_000_000).describe('usual price, minor units'),
  }),
  hazards: z.array(z.enum(HAZARDS)).max(8),
})

export type Material = z.infer<typeof MaterialSchema>
export type MaterialKind = Material['kind']
export type Hazard = (typeof HAZARDS)[number]
