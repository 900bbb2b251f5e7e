/**
 * A record of these entries and of nothing else: no name is found in it that nobody put there, not even `constructor`.
 * @example 'toString' in recordOf([['bay', 1]]) // false
 */
export const recordOf = <T>(entries: Iterable<readonly [string, T]>): Record<string, T> =>
  Object.assign(Object.create(null) as Record<string, T>, Object.fromEntries(entries))
