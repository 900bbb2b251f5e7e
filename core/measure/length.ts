import type { Parsed } from './parse-number'
import { parseNumber } from './parse-number'

/** One international inch in millimetres: the 1959 agreement, NIST SP 811. */
export const MM_PER_INCH = 25.4

/** The two ways a maker may read a tape. */
export type LengthUnits = 'in' | 'cm'

/** Lengths that people give are kept to the millionth of a millimetre, so that 12 in is 304.8 and not a hair less. */
const settled = (mm: number): number => Math.round(mm * 1e6) / 1e6

/** @example inches(12) // 304.8 */
export const inches = (n: number): number => settled(n * MM_PER_INCH)
/** @example toInches(254) // 10 */
export const toInches = (mm: number): number => mm / MM_PER_INCH

const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞']

/**
 * A length as a tape is read: inches to the nearest 1/8 with real fractions, or centimetres to 0.5.
 * @param mm length in millimetres, any sign
 * @example readTape(inches(3.25), 'in') // '3¼ in'
 */
export function readTape(mm: number, units: LengthUnits): string {
  const sign = mm < 0 ? '−' : ''
  const size = Math.abs(mm)
  if (units === 'cm') {
    const halves = Math.round(size / 5)
    return `${halves ? sign : ''}${halves / 2} cm`
  }
  const eighths = Math.round(toInches(size) * 8)
  const whole = Math.floor(eighths / 8)
  const part = EIGHTHS[eighths % 8] ?? ''
  const text = whole || !part ? `${whole}${part}` : part
  return `${eighths ? sign : ''}${text} in`
}

/**
 * A length to two decimals of the unit, for a sum that someone wants to check on a calculator.
 * @example readExact(38.1, 'in') // '1.5 in'
 */
export function readExact(mm: number, units: LengthUnits): string {
  const value = units === 'in' ? toInches(mm) : mm / 10
  return `${trimZeros(value.toFixed(2))} ${units}`
}

/**
 * A long length as it is bought, in feet or metres.
 * @example readLong(inches(102), 'in') // '8.5 ft'
 */
export const readLong = (mm: number, units: LengthUnits): string =>
  units === 'in' ? `${(mm / FOOT).toFixed(1)} ft` : `${(mm / METRE).toFixed(2)} m`

/**
 * Takes the zeros off that say nothing: `1.50` is `1.5`, `2.00` is `2`, `100` stays.
 * @example trimZeros('1.50') // '1.5'
 */
export const trimZeros = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text)

const FOOT = 12 * MM_PER_INCH
const METRE = 1000
const UNIT_MM: Readonly<Record<string, number>> = {
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  ft: FOOT,
  foot: FOOT,
  feet: FOOT,
  "'": FOOT,
  yd: 3 * FOOT,
  yard: 3 * FOOT,
  yards: 3 * FOOT,
  mm: 1,
  cm: 10,
  m: METRE,
}

/** As makers and their keyboards write it, brought to plain letters: fractions with a slash, quotes straight. */
const plainly = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[¼½¾⅐-⅞]/g, (glyph) => ` ${glyph.normalize('NFKC')}`)
    .replace(/[⁄∕]/g, '/')
    .replace(/[’‘′ʼ´`]/g, "'")
    .replace(/[”“″]/g, '"')
    .replace(/''/g, '"')
    .replace(/[\s\u00A0\u202F]+/g, ' ')
    .trim()

interface Part {
  readonly value: number
  readonly unit: number | null
}

/**
 * Reads what a maker types: `18`, `3 1/2`, `3½ in`, `7'`, `6 ft 8 in`, `6'8"`, `45 cm`, `4m20`.
 * A bare number is taken in the units on screen; after feet it is inches. What cannot be read for certain (`3 4`, `1,200`) is
 * asked, not guessed.
 * @returns millimetres, or an error that says what could not be read
 */
export function parseLength(text: string, units: LengthUnits): Parsed<number> {
  const plain = plainly(text)
  const refuse = (error: string): Parsed<number> => ({ ok: false, error })
  const unclear = (): Parsed<number> => refuse(`“${text.trim()}” is not a length. Try 18, 3 1/2 in or 45 cm.`)
  if (!plain) return refuse('Give a length, for example 18 in or 45 cm.')
  const part = /(\d+[ -]\d+\/\d+|\d+\/\d+|\d{1,3}(?: \d{3})+(?![\d/])(?:[.,]\d+)?|[\d.,]*\d[\d.,]*)\s*([a-z]+|['"])?(?:(?<=[a-z])\.)?\s*/y
  const parts: Part[] = []
  while (part.lastIndex < plain.length) {
    const found = part.exec(plain)
    if (!found) return unclear()
    const scale = found[2] === undefined ? null : UNIT_MM[found[2]]
    if (scale === undefined) return refuse(`“${found[2]}” is not a unit. Use in, ft, yd, mm, cm or m.`)
    const number = readNumber(found[1]!)
    if (!number.ok) return number
    if (!Number.isFinite(number.value)) return refuse(`“${text.trim()}” divides by zero.`)
    parts.push({ value: number.value, unit: scale })
  }
  const [first, second] = parts
  if (!first) return unclear()
  if (parts.length === 1) return { ok: true, value: settled(first.value * (first.unit ?? UNIT_MM[units]!)) }
  if (parts.length === 2 && second!.unit === null) {
    if (first.unit === FOOT && second!.value < 12) return { ok: true, value: settled(first.value * FOOT + second!.value * MM_PER_INCH) }
    if (first.unit === METRE && /m ?\d\d$/.test(plain)) return { ok: true, value: settled(first.value * METRE + second!.value * 10) }
  }
  if (parts.every(({ unit }, i) => unit !== null && (i === 0 || unit < parts[i - 1]!.unit!)))
    return { ok: true, value: settled(parts.reduce((sum, { value, unit }) => sum + value * unit!, 0)) }
  return refuse(`“${text.trim()}” can be read more than one way. Give each number its unit, the larger first: 6 ft 8 in.`)
}

/** Whole numbers, decimals, and fractions with or without a whole before them. */
function readNumber(text: string): Parsed<number> {
  const fraction = /^(?:(\d+)[ -])?(\d+)\/(\d+)$/.exec(text)
  if (!fraction) return parseNumber(text)
  return { ok: true, value: Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3]) }
}
