import type { Material } from '../material'
import { isCut } from '../material'
import type { Parsed, LengthUnits } from '../measure'
import { parseLength, parseNumber } from '../measure'

/** How much of something there is: whole things, or one length, mm. */
export type Amount = { readonly things: number; readonly length: null } | { readonly things: null; readonly length: number }

const WORDS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  half: 0.5,
  quarter: 0.25,
}
/** A dozen is a unit here: so many things. */
const DOZEN = 12

const good = (value: Amount): Parsed<Amount> => ({ ok: true, value })
const asks = (error: string): Parsed<Amount> => ({ ok: false, error })

/** A number in figures, in words, or both: "3", "1 1/2", "half a", "two". @returns what is left behind it */
function numberIn(text: string): { readonly n: number; readonly rest: string } | null {
  const half = /^(half|quarter)(?: an?| of an?)?\b\s*(.*)$/.exec(text)
  if (half) return { n: WORDS[half[1]!]!, rest: half[2]! }
  const mixed = /^(?:(\d+)\s+)?(\d+)\/([1-9]\d*)\s*(.*)$/.exec(text)
  if (mixed) return { n: Number(mixed[1] ?? 0) + Number(mixed[2]) / Number(mixed[3]), rest: mixed[4]! }
  const plain = /^([\d.,]*\d[\d.,]*)\s*(.*)$/.exec(text)
  if (plain) {
    const read = parseNumber(plain[1]!)
    return read.ok ? { n: read.value, rest: plain[2]! } : null
  }
  const word = /^([a-z]+)\b\s*(.*)$/.exec(text)
  return word && Object.hasOwn(WORDS, word[1]!) ? { n: WORDS[word[1]!]!, rest: word[2]! } : null
}

/** How many things a unit stands for: a bunch, the pack that it is bought in, a dozen, or each; null where it is none of these. */
function unitOf(unit: string, { name, plural, pack, kind }: Material): number | null {
  const one = unit.replace(/(ch|sh|s|x)es$/, '$1').replace(/s$/, '')
  if (one === '' || one === 'piece' || one === 'stem' || one === 'thing' || unit === name.toLowerCase() || unit === plural.toLowerCase())
    return 1
  if (one === 'dozen') return DOZEN
  if (one === pack.name.toLowerCase() || one === 'pack') return pack.holds
  if (one === 'bunch' && kind !== 'mechanic') return pack.holds / pack.bunches
  return null
}

/**
 * How much of a material there is, as makers say it: "11", "3 bunches", "half a bunch", "a dozen"; of what comes by the length whole
 * rolls, "half a roll" or "6 yd". What cannot be told is asked.
 * @example amountSaid('half a roll', { kind: 'ribbon', length: 9144, name: 'r', plural: 'r', pack: { name: 'roll', holds: 1, bunches: 1 } }, 'in').value.length // 4572
 */
export function amountSaid(text: string, material: Material, units: LengthUnits): Parsed<Amount> {
  const said = text.trim().toLowerCase().replace(/\s+/g, ' ')
  if (!said) return asks('Say how much there is, such as 11 or 3 bunches.')
  const number = numberIn(said)
  const cut = isCut(material)
  if (cut) {
    const roll = number ? unitOf(number.rest, material) : null
    if (!number || roll === null) {
      const length = parseLength(said, units)
      return length.ok
        ? good({ things: null, length: length.value })
        : asks(`“${text.trim()}” is no amount: say whole ${material.pack.name}s, half a ${material.pack.name}, or a length such as 6 yd.`)
    }
    const whole = number.n * roll
    if (whole <= 0) return asks('There is none of it then.')
    if (Number.isInteger(whole)) return good({ things: whole, length: null })
    return whole < 1
      ? good({ things: null, length: Math.round(whole * material.length * 100) / 100 })
      : asks(`Put ${Math.floor(whole)} whole in, and what is left of the other by itself.`)
  }
  const each = number ? unitOf(number.rest, material) : null
  if (!number || each === null)
    return asks(
      `“${text.trim()}” is no amount: say how many, or how many ${material.pack.name}s, such as 3 or half a ${material.pack.name}.`,
    )
  const things = number.n * each
  if (each === 1 && !Number.isInteger(things)) return asks('Say whole ones, or a part of a pack, such as half a bunch.')
  return things >= 0.5 ? good({ things: Math.round(things), length: null }) : asks('That is less than one of it.')
}
