export type Parsed<T> = { ok: true; value: T } | { ok: false; error: string }

const good = (value: number): Parsed<number> => ({ ok: true, value })

/**
 * Reads a number as people write it: `12`, `12.5`, `12,5`, `.5`, `5.`, `1,299.50`, `1.299,50`, `1 000`. What two people would
 * read differently is asked, not guessed: `1,299` may be 1299 or 1.299.
 * @param text digits with separators, no sign and no unit
 * @example parseNumber('1,5') // { ok: true, value: 1.5 }
 */
export function parseNumber(text: string): Parsed<number> {
  const plain = text.trim().replace(/[\u00A0\u202F]/g, ' ')
  if (/^\d+\.?$/.test(plain)) return good(Number(plain.replace('.', '')))
  if (/^\d{1,3}( \d{3})+([.,]\d+)?$/.test(plain)) return good(Number(plain.replaceAll(' ', '').replace(',', '.')))
  if (/^[1-9]\d{0,2},\d{3}$/.test(plain)) {
    return { ok: false, error: `“${plain}” can be read two ways. Write ${plain.replace(',', '')} or ${plain.replace(',', '.')}.` }
  }
  if (/^\d*[.,]\d+$/.test(plain)) return good(Number(`0${plain.replace(',', '.')}`))
  if (/^\d{1,3}(,\d{3})+(\.\d+)?$/.test(plain)) return good(Number(plain.replaceAll(',', '')))
  if (/^\d{1,3}(\.\d{3})+,\d+$/.test(plain) || /^\d{1,3}(\.\d{3}){2,}$/.test(plain))
    return good(Number(plain.replaceAll('.', '').replace(',', '.')))
  return { ok: false, error: `“${plain}” is not a number.` }
}
