import { converter, differenceCiede2000, formatHex, wcagContrast } from 'culori'
import type { Placement } from '../arrange'
import { BASE_SORTS } from '../base'
import type { Material, Shelf } from '../material'
import type { Figure } from '../measure'
import { figure, quantity, RULE_OF_THUMB, sum } from '../measure'
import type { Piece } from '../piece'

const toOklch = converter('oklch')
const toOklab = converter('oklab')
const deltaE = differenceCiede2000()

/** The area that a thing covers, mm²: two thirds of its box for a leaf. */
export function patchArea({ form }: Pick<Material, 'form'>, length: number, width: number): number {
  return length * width * (form === 'leaf' ? 0.66 : form === 'disc' ? Math.PI / 4 : 1)
}

const TEXTURE_WEIGHT = { fine: 0.8, medium: 1, coarse: 1.25 } as const

/**
 * How much an eye gives a thing: its area in square centimetres, more for dark, strong and coarse ones. Rule of thumb.
 */
export function visualWeight(material: Material, { length, width }: Pick<Placement, 'length' | 'width'>): number {
  const { l, c } = toOklch(material.colours[0])!
  return (patchArea(material, length, width) / 100) * (0.6 + (1 - l) + 2.5 * c) * TEXTURE_WEIGHT[material.texture]
}

export const COLOUR_FAMILIES = ['white', 'grey', 'black', 'brown', 'red', 'pink', 'orange', 'yellow', 'green', 'blue', 'purple'] as const
export type ColourFamily = (typeof COLOUR_FAMILIES)[number]

/** The name that people give a colour: by hue, and by lightness and strength where those say more. */
export function colourFamily(hex: string): ColourFamily {
  const { l, c, h = 0 } = toOklch(hex)!
  if (l < 0.25) return 'black'
  if (c < 0.028) return l > 0.84 ? 'white' : 'grey'
  if (l > 0.88 && c < 0.05) return 'white'
  if (h < 12 || h >= 345) return l > 0.62 ? 'pink' : 'red'
  if (h < 42) return l > 0.68 ? 'pink' : c < 0.07 && l < 0.6 ? 'brown' : 'red'
  if (h < 72) return c < 0.12 && l < 0.65 ? 'brown' : 'orange'
  if (h < 108) return l < 0.58 || c < 0.06 ? 'brown' : 'yellow'
  if (h < 185) return 'green'
  if (h < 285) return 'blue'
  return 'purple'
}

export interface ColourCarry {
  readonly family: ColourFamily
  /** A colour that stands for the family here. */
  readonly colour: string
  /** Share of all that is on the piece, by area. */
  readonly share: Figure
  /** The sides on which it shows. */
  readonly sides: readonly Side[]
}

export const SIDES = ['top', 'right', 'bottom', 'left'] as const
export type Side = (typeof SIDES)[number]

/** Nearer to the middle than this share of the base's reach a thing belongs to both sides. */
const MIDDLE = 0.12

/** Where each colour shows, the commonest first. @param reach half the bare base's longer side, mm */
export function colourCarry(placements: readonly Placement[], reach: number, shelf: Shelf): ColourCarry[] {
  const found = new Map<ColourFamily, { colour: string, area: number, sides: Set<Side> }>()
  let all = 0
  for (const placement of placements) {
    const material = shelf.materials[placement.material]!
    const area = patchArea(material, placement.length, placement.width)
    all += area
    for (const colour of material.colours) {
      const family = colourFamily(colour)
      const own = found.get(family) ?? { colour, area: 0, sides: new Set<Side>() }
      own.area += area / material.colours.length
      if (placement.y < MIDDLE * reach) own.sides.add('top')
      if (placement.y > -MIDDLE * reach) own.sides.add('bottom')
      if (placement.x < MIDDLE * reach) own.sides.add('left')
      if (placement.x > -MIDDLE * reach) own.sides.add('right')
      found.set(family, own)
    }
  }
  return [...found].sort(([, a], [, b]) => b.area - a.area).map(([family, { colour, area, sides }]) => ({
    family, colour, sides: SIDES.filter((side) => sides.has(side)),
    share: figure(quantity.share(area / all), sum`what is ${family} covers ${quantity.share(area / all)} of the area of all that is on it, a thing of two colours counting half for each`, RULE_OF_THUMB),
  }))
}

/** The colour of all that is on a piece, seen from across the room: the mean in OKLab by area. Null for a bare base. */
export function meanColour(placements: readonly Placement[], shelf: Shelf): string | null {
  let [l, a, b, all] = [0, 0, 0, 0]
  for (const placement of placements) {
    const material = shelf.materials[placement.material]!
    const area = patchArea(material, placement.length, placement.width)
    const own = toOklab(material.colours[0])!
    l += own.l * area
    a += own.a * area
    b += own.b * area
    all += area
  }
  return all > 0 ? formatHex({ mode: 'oklab', l: l / all, a: a / all, b: b / all }) : null
}

const CIEDE: Figure['basis'] = { kind: 'published', source: 'CIEDE2000 (Sharma, Wu and Dalal 2005)' }
const WCAG: Figure['basis'] = { kind: 'published', source: 'contrast ratio of WCAG 2.2' }

export interface Contrast {
  /** Piece against what it hangs on; null for a bare base. */
  readonly surface: { readonly difference: Figure, readonly ratio: Figure } | null
  /** The tie that shows least on the base, and how much the usual green one shows. */
  readonly tie: { readonly name: string, readonly best: Figure, readonly green: Figure }
}

/** Wires and ties that are to be had, by colour. */
export const TIES = [
  { name: 'green wire', colour: '#37524A' }, { name: 'brown wire', colour: '#5E4632' }, { name: 'bare wire', colour: '#8C8E8C' },
  { name: 'black wire', colour: '#2A2827' }, { name: 'white wire', colour: '#E4E4DF' }, { name: 'brass wire', colour: '#B08D4A' },
] as const

/** How far apart two colours look: CIEDE2000, 0 the same, about 2 just told apart. */
export const colourDifference = (a: string, b: string): number => deltaE(a, b)

export function contrastOf({ base, brief }: Piece, placements: readonly Placement[], shelf: Shelf): Contrast {
  const mean = meanColour(placements, shelf)
  const difference = (a: string, b: string, words: string): Figure => {
    const value = colourDifference(a, b)
    return figure(quantity.ratio(value), sum`${words}, ${a} against ${b}: ${quantity.ratio(value)}; under 10 is hard to see from across a room`, CIEDE)
  }
  const best = TIES.reduce((least, each) => (colourDifference(each.colour, base.colour) < colourDifference(least.colour, base.colour) ? each : least))
  const { colour } = brief.surface
  const name = BASE_SORTS[base.kind].name.toLowerCase()
  return {
    surface: mean === null ? null : {
      difference: difference(mean, colour, 'the mean colour of what is on it'),
      ratio: figure(quantity.ratio(wcagContrast(mean, colour)), sum`lightness of ${mean} against ${colour} = ${quantity.ratio(wcagContrast(mean, colour))} to 1`, WCAG),
    },
    tie: { name: best.name, best: difference(best.colour, base.colour, `${best.name} on the ${name}`), green: difference(TIES[0].colour, base.colour, `${TIES[0].name} on the ${name}`) },
  }
}
