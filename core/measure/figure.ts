import type { Currency, Minor } from './money'
import { formatMoney } from './money'
import type { LengthUnits } from './length'
import { readExact, readTape, trimZeros } from './length'
import { clock } from './angle'

/** What a number counts. Lengths are mm, masses g, money minor units, times minutes, angles degrees, rates shares said to the thousandth of a percent. */
export type Unit = 'length' | 'mass' | 'money' | 'count' | 'share' | 'clock' | 'ratio' | 'angle' | 'time' | 'rate'

export interface Quantity {
  readonly value: number
  readonly unit: Unit
}

/** Where a figure's trust comes from. */
export type Basis =
  | { readonly kind: 'measured' }
  | { readonly kind: 'geometry' }
  | { readonly kind: 'counted' }
  | { readonly kind: 'published'; readonly source: string }
  | { readonly kind: 'rule of thumb' }

export type SumPart = string | Quantity

/** What a maker's own readings made of a rule of thumb: its number, and from where to where it may well lie. */
export interface Measured {
  readonly value: number
  readonly low: number
  readonly high: number
  /** How many readings it goes by. */
  readonly readings: number
}

/** A rule of thumb as a figure went by it. */
export interface RuleUsed extends Quantity {
  readonly id: string
  readonly name: string
  readonly usual: number
  /** The maker's own readings, where it goes by them. */
  readonly measured?: Measured
}

/**
 * A number a person may rely on, with the sum that made it.
 * The sum keeps its quantities as values, so it reads in whatever units are on screen.
 */
export interface Figure extends Quantity {
  readonly sum: Said
  readonly basis: Basis
  /** From the least to the most that it may be; absent where it is one number. */
  readonly range?: readonly [least: number, most: number]
  /** The rules of thumb that it went by, each with the number it had. */
  readonly rules?: readonly RuleUsed[]
}

/** How numbers are shown to this person. */
export interface DisplayOptions {
  readonly units: LengthUnits
  readonly currency: Currency
}

export const quantity = {
  length: (value: number): Quantity => ({ value, unit: 'length' }),
  mass: (value: number): Quantity => ({ value, unit: 'mass' }),
  money: (value: Minor): Quantity => ({ value, unit: 'money' }),
  count: (value: number): Quantity => ({ value, unit: 'count' }),
  share: (value: number): Quantity => ({ value, unit: 'share' }),
  clock: (value: number): Quantity => ({ value, unit: 'clock' }),
  ratio: (value: number): Quantity => ({ value, unit: 'ratio' }),
  /** @param value degrees */
  angle: (value: number): Quantity => ({ value, unit: 'angle' }),
  /** @param value minutes */
  time: (value: number): Quantity => ({ value, unit: 'time' }),
} as const

/** Writes a sum as a sentence with its numbers in place: sum`π × ${quantity.length(304.8)}`. */
export function sum(words: TemplateStringsArray, ...numbers: readonly SumPart[]): SumPart[] {
  const parts: SumPart[] = []
  words.forEach((word, i) => {
    if (word) parts.push(word)
    const next = numbers[i]
    if (next !== undefined) parts.push(next)
  })
  return parts
}

export function figure(of: Quantity, how: Said, basis: Basis): Figure {
  return { ...of, sum: how, basis }
}

export const GEOMETRY: Basis = { kind: 'geometry' }
export const COUNTED: Basis = { kind: 'counted' }
export const RULE_OF_THUMB: Basis = { kind: 'rule of thumb' }

/** A quantity as people read it: lengths as on a tape. */
export function show(of: Quantity, manner: DisplayOptions): string {
  if (of.unit === 'length') return readTape(of.value, manner.units)
  return of.unit === 'time' ? timeSaid(of.value, 0) : showExact(of, manner)
}

/** Shorter times are told in seconds, and from here on in hours, minutes. */
const [SECONDS, HOURS] = [1.5, 90]

/** Minutes as one says them: "12 s", "8.2 min", "2 h 19 min". @param places of a minute */
function timeSaid(minutes: number, places: 0 | 1): string {
  if (minutes === 0) return '0 min'
  if (Math.abs(minutes) < SECONDS) return `${trimZeros((minutes * 60).toFixed(places))} s`
  const of = Math.round(minutes * 10 ** places) / 10 ** places
  if (Math.abs(of) < HOURS) return `${trimZeros(of.toFixed(places))} min`
  const sign = of < 0 ? '-' : ''
  const hours = Math.floor(Math.abs(of) / 60)
  const rest = trimZeros((Math.abs(of) - hours * 60).toFixed(places))
  return `${sign}${hours} h ${rest} min`
}

/** A quantity with two decimals where it has any, as it stands inside a sum. */
export function showExact(of: Quantity, manner: DisplayOptions): string {
  const { value, unit } = of
  switch (unit) {
    case 'length':
      return readExact(value, manner.units)
    case 'mass':
      return manner.units === 'in' && value >= 28.35
        ? `${trimZeros((value / 28.349523125).toFixed(1))} oz`
        : `${trimZeros(value.toFixed(value < 10 ? 1 : 0))} g`
    case 'money':
      return formatMoney(value, manner.currency)
    case 'share':
      return `${trimZeros((Math.abs(value) < 0.0005 ? 0 : value * 100).toFixed(1))} %`
    case 'rate':
      return `${trimZeros((value * 100).toFixed(3))} %`
    case 'clock':
      return clock(value)
    case 'count':
      return String(value)
    case 'ratio':
      return trimZeros(value.toFixed(2))
    case 'angle':
      return `${trimZeros(value.toFixed(2))}°`
    case 'time':
      return timeSaid(value, 1)
  }
}

/**
 * A rate as it is told: short times to the second or the tenth of a minute, counts to the tenth; all else as in a sum.
 * @example showRate({ value: 2.5, unit: 'time' }, { units: 'in', currency: 'USD' }) // '2.5 min'
 */
export function showRate(of: Quantity, manner: DisplayOptions): string {
  return of.unit === 'count' ? trimZeros(of.value.toFixed(1)) : showExact(of, manner)
}

/** Words with quantities in them, which read in whatever units are on screen. */
export type Said = readonly SumPart[]

/** What is said, with lengths as on a tape. */
export function say(said: Said, manner: DisplayOptions): string {
  return said.map((part) => (typeof part === 'string' ? part : show(part, manner))).join('')
}

/** The sum of a figure, with every number in it. */
export function showSum(of: Figure, manner: DisplayOptions): string {
  return of.sum.map((part) => (typeof part === 'string' ? part : showExact(part, manner))).join('')
}
