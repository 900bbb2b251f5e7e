import type { Parsed } from '#core/measure'
import { parseNumber, trimZeros } from '#core/measure'

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
