/** One international inch in millimetres: the 1959 agreement, NIST SP 811. */
export const MM_PER_INCH = 25.4

/** The two ways a maker may read a tape. */
export type Units = 'in' | 'cm'

/** Lengths that people give are kept to the millionth of a millimetre, so that 12 in is 304.8 and not a hair less. */
const settled = (mm: number): number => Math.round(mm * 1e6) / 1e6

export const inches = (n: number): number => settled(n * MM_PER_INCH)
export const toInches = (mm: number): number => mm / MM_PER_INCH

const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞']

/**
 * A length as a tape is read: inches to the nearest 1/8 with real fractions, or centimetres to 0.5.
 * @param mm length in millimetres, any sign
 * @example readTape(inches(3.25), 'in') // '3¼ in'
 */
export function readTape(mm: number, units: Units): string {
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

/** A length to two decimals of the unit, for a sum that someone wants to check on a calculator. */
export function readExact(mm: number, units: Units): string {
  const value = units === 'in' ? toInches(mm) : mm / 10
  return `${trimZeros(value.toFixed(2))} ${units}`
}

/** Takes the zeros off that say nothing: `1.50` is `1.5`, `2.00` is `2`, `100` stays. */
export const trimZeros = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text)

const UNIT_MM: Record<string, number> = {
  'in': MM_PER_INCH, 'inch': MM_PER_INCH, 'inches': MM_PER_INCH, '"': MM_PER_INCH, '″': MM_PER_INCH,
  'ft': 12 * MM_PER_INCH, 'foot': 12 * MM_PER_INCH, 'feet': 12 * MM_PER_INCH, '\'': 12 * MM_PER_INCH, '′': 12 * MM_PER_INCH,
  'yd': 36 * MM_PER_INCH, 'yard': 36 * MM_PER_INCH, 'yards': 36 * MM_PER_INCH,
  'mm': 1, 'cm': 10, 'm': 1000,
}

const GLYPH_FRACTIONS: Record<string, string> = {
  '½': '1/2', '¼': '1/4', '¾': '3/4', '⅛': '1/8', '⅜': '3/8', '⅝': '5/8', '⅞': '7/8', '⅓': '1/3', '⅔': '2/3',
}

export type Parsed<T> = { ok: true, value: T } | { ok: false, error: string }

/**
 * Reads what a maker types: `18`, `3 1/2`, `3½ in`, `7'`, `6 ft 8 in`, `45 cm`.
 * A bare number is taken in the units on screen.
 * @returns millimetres, or an error that says what could not be read
 */
export function parseLength(text: string, units: Units): Parsed<number> {
  const plain = text.trim().toLowerCase()
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (glyph) => ` ${GLYPH_FRACTIONS[glyph]} `)
    .replace(/,/g, '.').replace(/\s+/g, ' ').trim()
  if (!plain) return { ok: false, error: 'Give a length, for example 18 in or 45 cm.' }
  const part = /(\d+ \d+\/\d+|\d+\/\d+|\d*\.?\d+)\s*([a-z"'″′]*)\s*/gy
  let mm = 0
  let at = 0
  for (let found = part.exec(plain); found; found = part.exec(plain)) {
    const unit = found[2] || units
    const scale = UNIT_MM[unit]
    if (scale === undefined) return { ok: false, error: `“${found[2]}” is not a unit. Use in, ft, yd, mm, cm or m.` }
    const number = readNumber(found[1]!)
    if (!Number.isFinite(number)) return { ok: false, error: `“${text.trim()}” divides by zero.` }
    mm += number * scale
    at = part.lastIndex
  }
  if (at !== plain.length) return { ok: false, error: `“${text.trim()}” is not a length. Try 18, 3 1/2 in or 45 cm.` }
  return { ok: true, value: settled(mm) }
}

function readNumber(text: string): number {
  return text.split(' ').reduce((sum, word) => {
    const [top, bottom] = word.split('/')
    return sum + (bottom === undefined ? Number(top) : Number(top) / Number(bottom))
  }, 0)
}
