/**
 * What turns one state of plain data into the next: 0 when nothing, a whole value, the keys of a record that differ,
 * or the places of a list that do. Plain data itself, so that it crosses to and from a worker in place of the state.
 */
export type Delta =
  | 0
  | { readonly whole: unknown }
  | { readonly keys: readonly (readonly [string, Delta])[]; readonly gone: readonly string[] }
  | { readonly places: readonly (readonly [number, Delta])[]; readonly length: number }

const isRecord = (value: unknown): value is Record<string, unknown> => {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return false
  const shape: unknown = Object.getPrototypeOf(value)
  return shape === Object.prototype || shape === null
}

/**
 * What must be said to bring `last` to `next`. Parts that are one object in both are not looked into.
 * @example deltaOf({ a: 1, b: [1, 2] }, { a: 1, b: [1, 3] }) // { keys: [['b', { places: [[1, { whole: 3 }]], length: 2 }]], gone: [] }
 */
export function deltaOf(last: unknown, next: unknown): Delta {
  if (Object.is(last, next)) return 0
  if (Array.isArray(last) && Array.isArray(next)) {
    const places: [number, Delta][] = []
    for (let i = 0; i < next.length; i++) {
      const of: Delta = i < last.length ? deltaOf(last[i], next[i]) : { whole: next[i] }
      if (of !== 0) places.push([i, of])
    }
    return places.length === 0 && last.length === next.length ? 0 : { places, length: next.length }
  }
  if (isRecord(last) && isRecord(next)) {
    const keys: [string, Delta][] = []
    for (const key of Object.keys(next)) {
      const of: Delta = Object.hasOwn(last, key) ? deltaOf(last[key], next[key]) : { whole: next[key] }
      if (of !== 0) keys.push([key, of])
    }
    const gone = Object.keys(last).filter((key) => !Object.hasOwn(next, key))
    return keys.length === 0 && gone.length === 0 ? 0 : { keys, gone }
  }
  return { whole: next }
}

/** The state that a delta leads to; whatever it does not touch is the very object it was in `last`. */
export function withDelta<T>(last: T, delta: Delta): T {
  if (delta === 0) return last
  if ('whole' in delta) return delta.whole as T
  if ('places' in delta) {
    const list = (last as unknown[]).slice(0, delta.length)
    for (const [i, of] of delta.places) list[i] = withDelta(list[i], of)
    return list as T
  }
  const record = new Map(Object.entries(last as Record<string, unknown>))
  for (const key of delta.gone) record.delete(key)
  for (const [key, of] of delta.keys) record.set(key, withDelta(record.get(key), of))
  return Object.fromEntries(record) as T
}

/** The fields of a record that are no longer what they were, as they are now. */
export function changedFields(before: object, now: object): Record<string, unknown> {
  const was = new Map(Object.entries(before))
  return Object.fromEntries(Object.entries(now).filter(([key, value]) => deltaOf(was.get(key), value) !== 0))
}
