import { colourDifference } from '../coverage'
import type { Material, Shelf } from '../material'
import { isCut, materialOf, WEATHERS } from '../material'
import type { Said } from '../measure'
import { quantity, several, sum } from '../measure'
import type { Lot } from '../stock'
import { isFree, lotsOf } from '../stock'
import { partOfMaterial } from '../piece'

/** Something that may stand in for another. */
export interface Substitute {
  readonly material: Material
  /** CIEDE2000 between what an eye sees most of. */
  readonly colour: number
  /** How many of it cover as much as one of the other. */
  readonly ratio: number
  /** The less the nearer. */
  readonly distance: number
  readonly says: Said
}

/**
 * What counts how much: a step of texture, doubling or halving in size, and another state, in steps of colour; and what a step of colour
 * counts in what holds other things and hardly shows. Rules of thumb.
 */
const WEIGHS = { texture: 8, size: 12, state: 6, kind: 30, hidden: 0.2 } as const
/** A difference of colour that most people take for another colour. */
const OTHER_COLOUR = 25

/** Kinds that do one another's work. */
const FAMILIES: readonly (readonly Material['kind'][])[] = [
  ['greenery', 'bough', 'herb', 'twig'],
  ['stem', 'twig', 'filler'],
  ['focal', 'second flower'],
  ['second flower', 'filler', 'accent'],
]
const kin = (a: Material['kind'], b: Material['kind']): number =>
  a === b ? 0 : FAMILIES.some((each) => each.includes(a) && each.includes(b)) ? 1 : Infinity

const face = ({ length, width }: Material): number => length * width
const TEXTURE_AT = { fine: 0, medium: 1, coarse: 2 } as const

/**
 * What may stand in for a material, the nearest first: by kind, colour, size and texture. What stands less weather is left out,
 * and so is what comes otherwise, by the length or by the piece; ribbon and mesh of another width are no substitute.
 * @param most how many
 */
export function substitutesFor(of: Material, { materials }: Pick<Shelf, 'materials'>, most = 6): Substitute[] {
  return (
    Object.values(materials)
      // What a piece makes itself stands in for nothing that is bought.
      .filter(({ id }) => partOfMaterial(id) === null)
      .flatMap((material): Substitute[] => {
        const apart = kin(of.kind, material.kind)
        if (material.id === of.id || apart === Infinity || isCut(of) !== isCut(material)) return []
        if (WEATHERS.indexOf(material.hardy) < WEATHERS.indexOf(of.hardy)) return []
        if (isCut(of) && Math.abs(Math.log2(material.width / of.width)) > 0.3) return []
        // A small thing does what comes in the same pack: a paddle of wire for another paddle.
        if (of.kind === 'mechanic' && (material.species !== of.species || material.pack.name !== of.pack.name)) return []
        const colour = colourDifference(of.colours[0]!, material.colours[0]!)
        if (colour > OTHER_COLOUR && of.kind !== 'mechanic') return []
        const ratio = isCut(of) ? 1 : face(of) / face(material)
        const texture = Math.abs(TEXTURE_AT[of.texture] - TEXTURE_AT[material.texture])
        const distance =
          colour * (of.kind === 'mechanic' ? WEIGHS.hidden : 1) +
          WEIGHS.texture * texture +
          WEIGHS.size * Math.abs(Math.log2(ratio)) +
          (of.state === material.state ? 0 : WEIGHS.state) +
          WEIGHS.kind * apart
        return [{ material, colour, ratio, distance, says: said(colour, texture, ratio) }]
      })
      .sort((a, b) => a.distance - b.distance)
      .slice(0, most)
  )
}

/** Up to here nobody tells two colours apart side by side at arm's length; from here on they are near. Rules of thumb. */
const [SAME_COLOUR, NEAR_COLOUR] = [3, 10]

function said(colour: number, texture: number, ratio: number): Said {
  const tone = colour < SAME_COLOUR ? 'the same colour' : colour < NEAR_COLOUR ? 'near in colour' : 'another shade'
  const size = ratio > 1.15 ? 'smaller' : ratio < 0.87 ? 'larger' : 'as large'
  return [tone, ', ', size, texture ? ', of another texture' : '', ` (colour differs by ${Math.round(colour * 10) / 10})`]
}

/** How many of a substitute stand in for so many of another. @param count whole, from 0 */
export const standIns = (count: number, { ratio }: Pick<Substitute, 'ratio'>): number =>
  count ? Math.max(1, Math.ceil(count * ratio - 1e-9)) : 0

/** "14 cedar tips for 10" */
export function standInsSaid(count: number, of: Substitute): Said {
  const n = standIns(count, of)
  return sum`${several(n, of.material.name, of.material.plural)} for ${quantity.count(count)}`
}

/** Something that lies in the house and would do in place of what is to be bought. */
export interface Instead {
  readonly wanted: Material
  readonly here: Material
}

/** What is farther from what is wanted than this would not do without another thought; and so many of the nearest are looked for. */
const [WOULD_DO, LOOKED_FOR] = [22, 12]

/** What is to be bought though something of the same kind that serves as well lies here and is nobody's. @param toBuy materials, by their ids */
export function insteadOf(toBuy: readonly string[], lots: readonly Lot[], shelf: Pick<Shelf, 'materials'>): Instead[] {
  return toBuy.flatMap((id): Instead[] => {
    const wanted = materialOf(shelf, id)
    const near = wanted ? substitutesFor(wanted, shelf, LOOKED_FOR) : []
    const here = near.find(
      ({ material, distance }) =>
        material.kind === wanted!.kind && distance < WOULD_DO && lotsOf(lots, material.id).some((lot) => isFree(lot)),
    )
    return wanted && here ? [{ wanted, here: here.material }] : []
  })
}
