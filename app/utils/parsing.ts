import type { Parsed } from '#core/measure'
import { parseNumber, trimZeros } from '#core/measure'

const MOST = 24 * 60

/**
 * Reads how long hands have: `2`, `2.5`, `2:30`, `2 h 30 min`, `45 min`, `none`. A number alone is hours.
 * @returns minutes, whole
 * @example readHours('2:30') // { ok: true, value: 150 }
 */
export function readHours(text: string): Parsed<number> {
  const plain = text.trim().toLowerCase()
  if (plain === '' || plain === 'none') return { ok: true, value: 0 }
  const [, h, m] = /^(\d{1,2}):(\d\d)$/.exec(plain) ?? /^(\d{1,2})\s*h(?:ours?)?(?:\s*(\d{1,2})\s*(?:min(?:utes)?)?)?$/.exec(plain) ?? []
  const [, only] = /^(\d{1,4})\s*min(?:utes)?$/.exec(plain) ?? []
  const minutes = only !== undefined ? Number(only) : h !== undefined ? Number(h) * 60 + Number(m ?? 0) : null
  const number = minutes === null ? parseNumber(plain) : null
  if (number && !number.ok) return { ok: false, error: `“${text.trim()}” is no time. Try 2:30 or 2.5.` }
  const value = Math.round(minutes ?? (number as { value: number }).value * 60)
  return value <= MOST ? { ok: true, value } : { ok: false, error: 'A day has 24 hours.' }
}

/** Reads a time of day: `18:30`, `9`. @returns minutes after midnight */
export function readClock(text: string): Parsed<number> {
  const [, h, m] = /^(\d{1,2})(?::(\d\d))?$/.exec(text.trim()) ?? []
  const value = h === undefined ? NaN : Number(h) * 60 + Number(m ?? 0)
  return value < MOST && Number(m ?? 0) < 60 ? { ok: true, value } : { ok: false, error: `“${text.trim()}” is no time of day. Try 18:30.` }
}

/** A share as one types it in percent. @example formatShare(0.0825) // '8.25 %' */
export const formatShare = (share: number): string => `${trimZeros((share * 100).toFixed(3))} %`

/** Reads `8.25` or `8.25 %`; nothing is null. */
export function parseShare(text: string): Parsed<number | null> {
  const plain = text.replace('%', '').trim()
  if (!plain) return { ok: true, value: null }
  const read = parseNumber(plain)
  if (!read.ok) return read
  if (read.value > 100) return { ok: false, error: 'At most 100 %.' }
  return { ok: true, value: read.value / 100 }
}
