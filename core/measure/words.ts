/** @example listed(['a', 'b', 'c']) // 'a, b and c' */
export function listed(items: readonly string[]): string {
  return items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`
}

/** @example several(1, 'frond', 'fronds') // '1 frond' */
export const several = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`

/** @example capital('oval') // 'Oval' */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
