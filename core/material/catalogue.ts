import { inches } from '../measure'
import type { Hazard, Material } from './schema'

type Sketch = Omit<Material, 'id' | 'plural' | 'length' | 'width' | 'pack' | 'wired' | 'divides' | 'colour' | 'hazards'> & {
  plural?: string
  inches: readonly [length: number, width: number]
  pack: readonly [name: string, holds: number, price: number]
  wired?: boolean
  divides?: boolean
  colour?: string
  hazards?: Hazard[]
}

/** Sizes, masses and prices are invented but typical; sizes are given in inches as the trade quotes them. */
const SKETCHES: Record<string, Sketch> = {
  'bracken': { name: 'bracken frond', kind: 'greenery', species: 'bracken', form: 'leaf', inches: [12, 4.5], mass: 5, state: 'preserved', texture: 'fine', pack: ['bunch', 10, 899], hazards: ['foraged'] },
  'copper-beech': { name: 'copper beech sprig', kind: 'greenery', species: 'copper-beech', form: 'leaf', inches: [11, 4.5], mass: 9, state: 'preserved', texture: 'medium', pack: ['bunch', 6, 1099] },
  'bay': { name: 'bay sprig', kind: 'greenery', species: 'bay', form: 'leaf', inches: [16, 4], mass: 10, state: 'fresh', texture: 'medium', divides: true, pack: ['bunch', 8, 799] },
  'ivy': { name: 'ivy trail', kind: 'greenery', species: 'ivy', form: 'leaf', inches: [14, 4], mass: 8, state: 'fresh', texture: 'medium', divides: true, pack: ['bunch', 10, 649], hazards: ['poisonous-pets', 'foraged'] },
  'juniper': { name: 'juniper sprig', kind: 'greenery', species: 'juniper', form: 'leaf', inches: [14, 4], mass: 12, state: 'fresh', texture: 'fine', divides: true, pack: ['bunch', 8, 849], hazards: ['prickly'] },
  'fir': { name: 'fir tip', kind: 'greenery', species: 'fir', form: 'leaf', inches: [16, 5], mass: 18, state: 'fresh', texture: 'fine', divides: true, pack: ['bunch', 8, 749] },
  'cedar': { name: 'cedar spray', kind: 'greenery', species: 'cedar', form: 'leaf', inches: [15, 5.5], mass: 15, state: 'fresh', texture: 'fine', divides: true, pack: ['bunch', 8, 799] },
  'eucalyptus': { name: 'silver eucalyptus stem', kind: 'greenery', species: 'eucalyptus', form: 'leaf', inches: [22, 3.5], mass: 20, state: 'fresh', texture: 'medium', divides: true, pack: ['bunch', 6, 1199] },
  'larch': { name: 'larch twig with cones', plural: 'larch twigs with cones', kind: 'stem', species: 'larch', form: 'leaf', inches: [13, 3], mass: 14, state: 'dried', texture: 'coarse', pack: ['bundle', 6, 649], hazards: ['foraged'] },
  'crab-apple': { name: 'crab apple twig', kind: 'stem', species: 'crab-apple', form: 'leaf', inches: [11, 3.5], mass: 35, state: 'fresh', texture: 'coarse', pack: ['bundle', 5, 899] },
  'wheat': { name: 'wheat ear', kind: 'stem', species: 'wheat', form: 'leaf', inches: [11, 1.4], mass: 1.5, state: 'dried', texture: 'fine', pack: ['sheaf', 40, 899] },
  'lavender': { name: 'lavender stem', kind: 'stem', species: 'lavender', form: 'leaf', inches: [10, 1], mass: 1, state: 'dried', texture: 'fine', pack: ['bunch', 60, 949] },
  'berry-spray': { name: 'red berry spray', kind: 'accent', species: 'berry-spray', form: 'leaf', inches: [8, 3], mass: 9, state: 'artificial', texture: 'coarse', wired: true, pack: ['pack', 6, 549] },
  'sea-holly': { name: 'sea holly', plural: 'sea hollies', kind: 'focal', species: 'sea-holly', form: 'disc', inches: [3.4, 3.4], mass: 6, state: 'dried', texture: 'coarse', pack: ['bunch', 7, 1149], hazards: ['prickly'] },
  'dahlia': { name: 'wine dahlia', kind: 'focal', species: 'dahlia', form: 'disc', inches: [4, 4], mass: 14, state: 'artificial', texture: 'medium', wired: true, pack: ['stem', 1, 399] },
  'rose': { name: 'blush garden rose', kind: 'focal', species: 'rose', form: 'disc', inches: [3.2, 3.2], mass: 12, state: 'artificial', texture: 'medium', wired: true, pack: ['spray', 3, 799] },
  'daisy': { name: 'ox-eye daisy', plural: 'ox-eye daisies', kind: 'focal', species: 'daisy', form: 'disc', inches: [2.4, 2.4], mass: 4, state: 'artificial', texture: 'medium', wired: true, pack: ['spray', 5, 499] },
  'statice': { name: 'statice sprig', kind: 'filler', species: 'statice', form: 'leaf', inches: [7, 3], mass: 3, state: 'dried', texture: 'fine', pack: ['bunch', 14, 799] },
  'old-mans-beard': { name: 'old man’s beard', plural: 'old man’s beard trails', kind: 'filler', species: 'old-mans-beard', form: 'leaf', inches: [12, 4.5], mass: 4, state: 'dried', texture: 'fine', pack: ['bundle', 8, 599], hazards: ['poisonous', 'foraged'] },
  'heather': { name: 'heather sprig', kind: 'filler', species: 'heather', form: 'leaf', inches: [8, 2], mass: 3, state: 'dried', texture: 'fine', pack: ['bunch', 20, 649], hazards: ['foraged'] },
  'pine-cone': { name: 'pine cone', kind: 'accent', species: 'pine-cone', form: 'disc', inches: [2.4, 2.4], mass: 22, state: 'dried', texture: 'coarse', pack: ['bag', 12, 699], hazards: ['foraged'] },
  'moss': { name: 'moss cushion', kind: 'texture', species: 'moss', form: 'disc', inches: [3, 3], mass: 8, state: 'preserved', texture: 'fine', pack: ['bag', 12, 799], hazards: ['foraged'] },
  'bow-slate': { name: 'slate-blue ribbon bow', kind: 'bow', species: 'bow', form: 'disc', inches: [7.5, 7.5], mass: 18, state: 'made', texture: 'coarse', colour: '#4E6A85', pack: ['bow', 1, 550] },
  'bow-russet': { name: 'russet ribbon bow', kind: 'bow', species: 'bow', form: 'disc', inches: [6.5, 6.5], mass: 16, state: 'made', texture: 'coarse', colour: '#9A4A2B', pack: ['bow', 1, 495] },
  'bow-honey': { name: 'honey ribbon bow', kind: 'bow', species: 'bow', form: 'disc', inches: [6, 6], mass: 15, state: 'made', texture: 'coarse', colour: '#C98F2E', pack: ['bow', 1, 495] },
  'oar-sign': { name: 'oar-blade sign', kind: 'sign', species: 'oar-sign', form: 'board', inches: [15, 3.6], mass: 140, state: 'made', texture: 'coarse', pack: ['sign', 1, 1250] },
  'ticket-sign': { name: 'ferry-ticket sign', kind: 'sign', species: 'ticket-sign', form: 'board', inches: [7.5, 4], mass: 60, state: 'made', texture: 'coarse', pack: ['sign', 1, 750] },
  'skep': { name: 'woven skep', kind: 'figure', species: 'skep', form: 'disc', inches: [5, 4.6], mass: 90, state: 'made', texture: 'coarse', pack: ['skep', 1, 1400] },
}

function material(id: string, { inches: [length, width], pack: [name, holds, price], ...sketch }: Sketch): Material {
  return {
    plural: `${sketch.name}s`, wired: false, divides: false, colour: null, hazards: [],
    ...sketch, id, length: inches(length), width: inches(width), pack: { name, holds, price },
  }
}

/** What the shelf holds before anyone adds to it, by id. */
export const CATALOGUE: Readonly<Record<string, Material>> =
  Object.fromEntries(Object.entries(SKETCHES).map(([id, sketch]) => [id, material(id, sketch)]))
