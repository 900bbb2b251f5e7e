import type { Measured, Quantity, RuleUsed, Unit } from './figure'

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

/** What brings a maker's own rules of thumb: a shelf. What a hand set goes before what was measured, and that before what is usual. */
export interface Rated {
  readonly rates: Rates
  readonly measured?: Readonly<Record<string, Measured>>
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

/** What was measured of a rule of thumb, unless a hand set it; null where nothing was. */
export const measuredOf = ({ id }: Pick<Thumb, 'id'>, { rates, measured }: Rated): Measured | null =>
  !Object.hasOwn(rates, id) && measured && Object.hasOwn(measured, id) ? measured[id]! : null

/** What a maker goes by: what they set, what they measured, or what is usual. */
export const rate = (of: Pick<Thumb, 'id' | 'value'>, by: Rated): number =>
  Object.hasOwn(by.rates, of.id) ? by.rates[of.id]! : (measuredOf(of, by)?.value ?? of.value)

export function ruleUsed(of: Thumb, by: Rated): RuleUsed {
  const measured = measuredOf(of, by)
  return {
    id: of.id,
    name: of.name,
    unit: of.unit,
    value: rate(of, by),
    usual: of.value,
    ...(measured ? { measured } : {}),
  }
}
