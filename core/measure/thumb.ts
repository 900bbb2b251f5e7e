import type { Quantity, RuleUsed, Unit } from './figure'

/** A rule of thumb: what makers go by where nobody has measured. Declared once, and the maker's own to change. */
export interface Thumb extends Quantity {
  /** `room.name`, by which a changed one is kept. */
  readonly id: string
  readonly name: string
  /** What usually holds. */
  readonly value: number
  /** What makes sense at all. */
  readonly least: number
  readonly most: number
  readonly why: string
}

/** A maker's own rules of thumb, by id; what is not there is as usual. */
export type Rates = Readonly<Record<string, number>>

/** What brings a maker's own rules of thumb: a shelf. */
export interface Rated {
  readonly rates: Rates
}

/** With every rule of thumb as it usually is. */
export const USUAL: Rated = { rates: {} }

/**
 * @throws RangeError when what is usual lies outside what makes sense
 * @example thumb('hang.glue-each', 'Glue to each thing that is glued', 'mass', 0.5, [0.1, 5], 'A pea of hot glue.')
 */
export function thumb(id: string, name: string, unit: Unit, value: number, [least, most]: readonly [number, number], why: string): Thumb {
  if (!(value >= least && value <= most)) throw new RangeError(`${id}: ${value} is not from ${least} to ${most}`)
  return { id, name, unit, value, least, most, why }
}

/** What a maker goes by: their own, or what is usual. */
export const rate = ({ id, value }: Thumb, { rates }: Rated): number => (Object.hasOwn(rates, id) ? rates[id]! : value)

export const ruleUsed = (of: Thumb, by: Rated): RuleUsed => ({
  id: of.id,
  name: of.name,
  unit: of.unit,
  value: rate(of, by),
  usual: of.value,
})
