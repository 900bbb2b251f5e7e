import { random } from '../measure'
import { tone } from './colour'
import { footprintOf, grow } from './grow'
import type { Order } from './grow'
import type { Growth, Species } from './growth'
import type { Bounds, Glyph } from './marks'
import { fitting, Pen } from './pen'
import type { Fit } from './pen'
import { SPECIES } from './species'

/** Light is worked out for so many bearings, and there are so many twins of each kind: what sprites are cached by. */
const TURNS = 16
const TWINS = 7

/** What one thing looks like, wherever it lies. */
export interface Looks {
  readonly species: string
  /** mm */
  readonly length: number
  readonly width: number
  readonly tint: string | null
  readonly words: string | null
  readonly seed: number
  /** Which way it will point, degrees clockwise from right. */
  readonly bearing: number
  /** How deep it lies: 0 on top. */
  readonly depth: number
  /** How far it stands off the base, in layers: 0 on it. */
  readonly rise: number
}

/** The species of a name. @throws RangeError when there is none */
export function speciesOf(name: string): Species {
  const species = SPECIES[name]
  if (!species) throw new RangeError(`no species ${name}`)
  return species
}

/**
 * The drawing of one thing, pointing to the right with its anchor at the origin and as large as it says; the light
 * is right once it is turned to its bearing.
 */
export function itemGlyph(item: Looks): Glyph {
  const species = speciesOf(item.species)
  const [length, width] = species.fit === 'none' ? species.size : [item.length, item.width]
  const order: Order = { length, width, tint: item.tint === null ? null : tone(item.tint), words: item.words }
  const turned = turnOf(item) * (360 / TURNS)
  const draw = (options: { readonly fit?: Fit, readonly measuring?: boolean }): Pen => {
    const pen = new Pen(random(twinOf(item) * 7919 + 17), { turned, ...options })
    grow(pen, species, order)
    return pen
  }
  return draw({ fit: fitOf(species, draw({ measuring: true }).bounds, footprintOf(species, order)) }).glyph()
}

/** What makes a drawing of some bounds as large as its footprint. What grows from its foot keeps its foot on its own line. */
function fitOf({ fit = 'both', stance }: Species, drawn: Bounds, room: Bounds): Fit {
  if (fit === 'none') return { sx: 1, sy: 1, dx: 0, dy: 0 }
  const whole = fitting(drawn, room)
  if (fit === 'length') return { sx: whole.sx, sy: whole.sx, dx: whole.dx, dy: 0 }
  return stance === 'stem' ? { ...whole, dy: 0 } : whole
}

const inside = (growth: Growth): readonly Growth[] => ('grow' in growth ? growth.put : [])
const hasWords = (growth: Growth): boolean => ('part' in growth && growth.part === 'words' && !growth.fixed) || inside(growth).some(hasWords)

/** Whether a maker's own words can stand on it. */
export const bearsWords = (species: string): boolean => SPECIES[species]?.grow.some(hasWords) ?? false

const twinOf = ({ seed }: Looks): number => Math.abs(seed) % TWINS
const turnOf = ({ bearing }: Looks): number => ((Math.round((bearing / 360) * TURNS) % TURNS) + TURNS) % TURNS

/** Two things with the same key look the same before they are put in place. */
export function looksKey(item: Looks): string {
  return [item.species, item.length.toFixed(1), item.width.toFixed(1), item.tint ?? '', item.words ?? '', twinOf(item), turnOf(item), item.depth, item.rise].join('|')
}
