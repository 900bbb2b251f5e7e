import pluralize from 'pluralize'

/** @example listed(['a', 'b', 'c']) // 'a, b and c' */
export function listed(items: readonly string[]): string {
  return items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`
}

/** @example several(1, 'frond', 'fronds') // '1 frond' */
export const several = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`

/** @example capital('oval') // 'Oval' */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** @example lowerFirst('Oval') // 'oval' */
export const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)

/**
 * A name as it stands in a list: what comes after its comma goes in brackets, so that the list's own commas part things.
 * @example inList('stem wire, 20 gauge') // 'stem wire (20 gauge)'
 */
export const inList = (name: string): string => name.replace(/^([^,]+), (.+)$/, '$1 ($2)')

/**
 * What several of a thing are called: its last word in the plural; what comes after a comma stays.
 * @example pluralOf('olive branch') // 'olive branches'
 */
export function pluralOf(name: string): string {
  const [whole, words, more] = /^([^,]*)(,.*)?$/s.exec(name) ?? [name, name, '']
  return words ? `${pluralize.plural(words)}${more ?? ''}` : whole
}
