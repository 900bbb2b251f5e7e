import { z } from 'zod'

export const MATERIAL_KINDS = [
  'greenery',
  'bough',
  'herb',
  'stem',
  'twig',
  'focal',
  'second flower',
  'filler',
  'accent',
  'moss',
  'bow',
  'sign',
  'letter',
  'figure',
  'light',
  'garland',
  'ribbon',
  'mesh',
  'bead',
  'mechanic',
] as const
export const HAZARDS = ['poisonous-pets', 'poisonous', 'prickly', 'foraged'] as const
export const STATES = ['artificial', 'dried', 'fresh', 'preserved', 'made'] as const
export const TEXTURES = ['fine', 'medium', 'coarse'] as const
export const FORMS_OF_PATCH = ['leaf', 'disc', 'board'] as const
export const FACINGS = ['all round', 'one-sided', 'upright'] as const
/** What weather a thing stands, from the least to the most. */
export const WEATHERS = ['indoors', 'covered', 'open'] as const

const colour = z.string().regex(/^#[0-9a-fA-F]{6}$/)
const name = z.string().trim().min(1).max(60)

export const MaterialSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,60}$/),
  name,
  /** Said of several: "nine bracken fronds". */
  plural: name,
  kind: z.enum(MATERIAL_KINDS),
  species: z.string().min(1).max(40).describe('the glyph that draws it'),
  form: z.enum(FORMS_OF_PATCH).describe('the shape of the patch it covers'),
  length: z.number().min(5).max(100_000).describe('as bought, mm; for a head, its diameter; of a roll, all of it'),
  width: z.number().min(0.2).max(1500).describe('spread across, mm'),
  mass: z.number().min(0).max(20_000).describe('of one, g'),
  state: z.enum(STATES),
  texture: z.enum(TEXTURES),
  wired: z.boolean(),
  curve: z.number().min(5).max(2000).nullable().describe('the tightest curve that its stem takes, radius in mm; null is stiff'),
  facing: z.enum(FACINGS).describe('one-sided ribbon and faces have a back; an upright print has a top'),
  hardy: z.enum(WEATHERS).describe('the hardest weather it stands'),
  divides: z.boolean().describe('whether one stem may be cut into several pieces'),
  colour: colour.nullable().describe('tint over the species’ own palette'),
  colours: z.array(colour).min(1).max(4).describe('what an eye sees, the most of it first'),
  pack: z.strictObject({
    name: z.string().trim().min(1).max(30),
    holds: z.int().min(1).max(10_000).describe('pieces'),
    bunches: z.int().min(1).max(1000).describe('how many bunches they come in'),
    price: z.int().min(0).max(10_000_000).describe('usual price, minor units'),
  }),
  parts: z
    .array(z.strictObject({ name: z.string().trim().min(1).max(40), count: z.int().min(1).max(1000) }))
    .max(8)
    .describe('what comes off one piece separately'),
  months: z.array(z.int().min(1).max(12)).max(12).describe('when it can be had; empty is all year'),
  hazards: z.array(z.enum(HAZARDS)).max(8),
})

export type Material = z.infer<typeof MaterialSchema>
export type MaterialKind = Material['kind']
export type Hazard = (typeof HAZARDS)[number]

/** Shorter things of mechanics are used whole, mm. */
const LONG = 1000
const BY_LENGTH: ReadonlySet<MaterialKind> = new Set(['garland', 'ribbon', 'mesh'])
/** Whether it comes by the length and is cut to pieces. */
export const isCut = ({ kind, length }: Pick<Material, 'kind' | 'length'>): boolean =>
  BY_LENGTH.has(kind) || (kind === 'mechanic' && length >= LONG)
const STEMMED: ReadonlySet<MaterialKind> = new Set(['focal', 'second flower', 'filler', 'herb', 'stem', 'twig', 'greenery', 'bough'])
/** Whether it comes on a stem, whatever its form. */
export const onStem = ({ kind }: Pick<Material, 'kind'>): boolean => STEMMED.has(kind)
/** Whether a layer can be made of it: all but the small things that hold others. */
export const canLay = (material: Pick<Material, 'kind' | 'length'>): boolean => material.kind !== 'mechanic' || isCut(material)

/** How a stem takes a curve: not at all, held in it by what it is fixed to, or of itself by the wire in it. */
export const flexOf = ({ curve, wired }: Pick<Material, 'curve' | 'wired'>): 'stiff' | 'supple' | 'wired' =>
  curve === null ? 'stiff' : wired ? 'wired' : 'supple'

export const KIND_NAMES: Record<MaterialKind, string> = {
  greenery: 'Greenery',
  bough: 'Boughs',
  herb: 'Herbs',
  stem: 'Linear stems',
  twig: 'Twigs',
  focal: 'Focal flowers',
  'second flower': 'Second flowers',
  filler: 'Fillers',
  accent: 'Accents',
  moss: 'Moss',
  bow: 'Bows',
  sign: 'Signs',
  letter: 'Letters',
  figure: 'Figures',
  light: 'Lights',
  garland: 'Garlands by length',
  ribbon: 'Ribbon',
  mesh: 'Mesh',
  bead: 'Beads',
  mechanic: 'Mechanics',
}

/** How one buys and divides it, in words: "bundle of 2 bunches, 10 stems in all; may be cut into tips". */
export function yieldOf({ pack, divides, parts }: Material): string {
  const whole =
    pack.bunches > 1
      ? `${pack.name} of ${pack.bunches} bunches, ${pack.holds} in all`
      : pack.holds > 1
        ? `${pack.name} of ${pack.holds}`
        : pack.name
  const apart = parts.length ? `each comes apart into ${parts.map(({ name: part, count }) => `${count} ${part}`).join(', ')}` : ''
  return [whole, divides ? 'stems may be cut into tips' : '', apart].filter(Boolean).join('; ')
}
