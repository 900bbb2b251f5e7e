import { converter, differenceCiede2000, formatHex, wcagContrast } from 'culori'
import type { LaidLayer, Placement } from '../placement'
import { BASE_SORTS } from '../base'
import { silhouetteOf } from '../looks'
import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Figure } from '../measure'
import { figure, onceWith, quantity, RULE_OF_THUMB, sum } from '../measure'
import type { Piece } from '../piece'

/** The same answer for the same words: colours are few and are asked about for every thing on a piece. */
function remembered<T>(read: (hex: string) => T): (hex: string) => T {
  const known = new Map<string, T>()
  return (hex) => {
    const answer = known.get(hex) ?? read(hex)
    known.set(hex, answer)
    return answer
  }
}

const oklch = converter('oklch')
const oklab = converter('oklab')
const toOklch = remembered((hex) => oklch(hex)!)
const toOklab = remembered((hex) => oklab(hex)!)
const deltaE = differenceCiede2000()

const TEXTURE_WEIGHT = { fine: 0.8, medium: 1, coarse: 1.25 } as const

const weighed = onceWith<Placement, number>()

/**
 * How much an eye gives a thing: its area in square centimetres, more for dark, strong and coarse ones. Rule of thumb.
 */
export const visualWeight = (thing: Placement, shelf: Shelf): number =>
  weighed(thing, [shelf.materials], () => {
    const material = materialOf(shelf, thing.material)!
    const { l, c } = toOklch(material.colours[0]!)
    return (silhouetteOf(thing, shelf).area / 100) * (0.6 + (1 - l) + 2.5 * c) * TEXTURE_WEIGHT[material.texture]
  })

export const COLOUR_FAMILIES = ['white', 'grey', 'black', 'brown', 'red', 'pink', 'orange', 'yellow', 'green', 'blue', 'purple'] as const
export type ColourFamily = (typeof COLOUR_FAMILIES)[number]

/** The name that people give a colour: by hue, and by lightness and strength where those say more. */
export const colourFamily = remembered((hex: string): ColourFamily => {
  const { l, c, h = 0 } = toOklch(hex)
  if (l < 0.25) return 'black'
  if (c < 0.028) return l > 0.84 ? 'white' : 'grey'
  if (l > 0.88 && c < 0.05) return 'white'
  if (h < 12 || h >= 340) return l > 0.62 ? 'pink' : h >= 340 && h < 353 ? 'purple' : 'red'
  if (h < 42) return l > 0.68 ? 'pink' : c < 0.07 && l < 0.6 ? 'brown' : 'red'
  if (h < 72) return c < 0.12 && l < 0.65 ? 'brown' : 'orange'
  if (h < 108) return l < 0.66 && c < 0.1 ? 'brown' : l < 0.56 || c < 0.06 ? 'brown' : 'yellow'
  if (h < 185) return 'green'
  if (h < 285) return 'blue'
  return 'purple'
})

export interface ColourCarry {
  readonly family: ColourFamily
  /** A colour that stands for the family here. */
  readonly colour: string
  /** Share of all that is on the piece, by area. */
  readonly share: Figure
  /** The sides on which it shows. */
  readonly sides: readonly Side[]
}

const SIDES = ['top', 'right', 'bottom', 'left'] as const
export type Side = (typeof SIDES)[number]

/** Nearer to the middle than this share of the base's reach a thing belongs to both sides. */
const MIDDLE = 0.12

interface Share {
  readonly family: ColourFamily
  readonly colour: string
  readonly area: number
  readonly sides: ReadonlySet<Side>
}

const shared = onceWith<LaidLayer, readonly Share[]>()

/** What a layer brings of each colour. */
const layerShares = (laid: LaidLayer, reach: number, shelf: Shelf): readonly Share[] =>
  shared(laid, [reach, shelf.materials], () => {
    const found = new Map<ColourFamily, { colour: string; area: number; sides: Set<Side> }>()
    for (const placement of laid.placements) {
      const { material: id, x, y } = placement
      const material = materialOf(shelf, id)!
      const area = silhouetteOf(placement, shelf).area / material.colours.length
      for (const colour of material.colours) {
        const family = colourFamily(colour)
        const own = found.get(family) ?? { colour, area: 0, sides: new Set<Side>() }
        own.area += area
        if (y < MIDDLE * reach) own.sides.add('top')
        if (y > -MIDDLE * reach) own.sides.add('bottom')
        if (x < MIDDLE * reach) own.sides.add('left')
        if (x > -MIDDLE * reach) own.sides.add('right')
        found.set(family, own)
      }
    }
    return [...found].map(([family, own]) => ({ family, ...own }))
  })

/** Where each colour shows, the commonest first. @param reach half the bare base's longer side, mm */
export function colourCarry(laid: readonly LaidLayer[], reach: number, shelf: Shelf): ColourCarry[] {
  const all = laid.flatMap((each) => layerShares(each, reach, shelf))
  const whole = all.reduce((total, { area }) => total + area, 0)
  return COLOUR_FAMILIES.flatMap((family) => {
    const own = all.filter((each) => each.family === family)
    return own.length
      ? [
          {
            family,
            colour: own[0]!.colour,
            area: own.reduce((total, { area }) => total + area, 0),
            sides: new Set(own.flatMap(({ sides }) => [...sides])),
          },
        ]
      : []
  })
    .sort((a, b) => b.area - a.area)
    .map(({ family, colour, area, sides }) => ({
      family,
      colour,
      sides: SIDES.filter((side) => sides.has(side)),
      share: figure(
        quantity.share(area / whole),
        sum`what is ${family} covers ${quantity.share(area / whole)} of the area of all that is on it, a thing of two colours counting half for each`,
        RULE_OF_THUMB,
      ),
    }))
}

interface Mixed {
  readonly l: number
  readonly a: number
  readonly b: number
  readonly area: number
}

const mixing = onceWith<LaidLayer, Mixed>()

const layerMixed = (laid: LaidLayer, shelf: Shelf): Mixed =>
  mixing(laid, [shelf.materials], () => {
    let [l, a, b, all] = [0, 0, 0, 0]
    for (const placement of laid.placements) {
      const material = materialOf(shelf, placement.material)!
      const { area } = silhouetteOf(placement, shelf)
      const own = toOklab(material.colours[0]!)
      l += own.l * area
      a += own.a * area
      b += own.b * area
      all += area
    }
    return { l, a, b, area: all }
  })

/** The colour of all that is on a piece, seen from across the room: the mean in OKLab by area. Null for a bare base. */
export function meanColour(laid: readonly LaidLayer[], shelf: Shelf): string | null {
  const parts = laid.map((each) => layerMixed(each, shelf))
  const total = (of: keyof Mixed): number => parts.reduce((sum, each) => sum + each[of], 0)
  const area = total('area')
  return area > 0 ? formatHex({ mode: 'oklab', l: total('l') / area, a: total('a') / area, b: total('b') / area }) : null
}

const CIEDE: Figure['basis'] = { kind: 'published', source: 'CIEDE2000 (Sharma, Wu and Dalal 2005)' }
const WCAG: Figure['basis'] = { kind: 'published', source: 'contrast ratio of WCAG 2.2' }

export interface Contrast {
  /** Piece against what it hangs on; null for a bare base. */
  readonly surface: { readonly difference: Figure; readonly ratio: Figure } | null
  /** The tie that shows least on the base, and how much the usual green one shows. */
  readonly tie: { readonly name: string; readonly best: Figure; readonly green: Figure }
}

/** Wires and ties that are to be had, by colour. */
const TIES = [
  { name: 'green wire', colour: '#37524A' },
  { name: 'brown wire', colour: '#5E4632' },
  { name: 'bare wire', colour: '#8C8E8C' },
  { name: 'black wire', colour: '#2A2827' },
  { name: 'white wire', colour: '#E4E4DF' },
  { name: 'brass wire', colour: '#B08D4A' },
] as const

/** How far apart two colours look: CIEDE2000, 0 the same, about 2 just told apart. */
export const colourDifference = (a: string, b: string): number => deltaE(a, b)
const differences = remembered((pair) => colourDifference(...(pair.split(' ') as [string, string])))

export function contrastOf({ base, brief }: Piece, laid: readonly LaidLayer[], shelf: Shelf): Contrast {
  const mean = meanColour(laid, shelf)
  const difference = (a: string, b: string, words: string): Figure => {
    const value = differences(`${a} ${b}`)
    return figure(
      quantity.ratio(value),
      sum`${words}, ${a} against ${b}: ${quantity.ratio(value)}; under 10 is hard to see from across a room`,
      CIEDE,
    )
  }
  const best = TIES.reduce((least, each) =>
    differences(`${each.colour} ${base.colour}`) < differences(`${least.colour} ${base.colour}`) ? each : least,
  )
  const { colour } = brief.surface
  const name = BASE_SORTS[base.kind].name.toLowerCase()
  return {
    surface:
      mean === null
        ? null
        : {
            difference: difference(mean, colour, 'the mean colour of what is on it'),
            ratio: figure(
              quantity.ratio(wcagContrast(mean, colour)),
              sum`lightness of ${mean} against ${colour} = ${quantity.ratio(wcagContrast(mean, colour))} to 1`,
              WCAG,
            ),
          },
    tie: {
      name: best.name,
      best: difference(best.colour, base.colour, `${best.name} on the ${name}`),
      green: difference(TIES[0].colour, base.colour, `${TIES[0].name} on the ${name}`),
    },
  }
}
