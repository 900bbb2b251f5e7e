/**
 * Remembers one answer for each object, for as long as the object lives. What is laid on a base keeps its identity
 * while nothing about it changes, so what follows from it alone need not be worked out again.
 * @example const counts = onceFor<Layer, number>(); counts(layer, () => count(layer))
 */
export function onceFor<K extends object, T>(): (of: K, work: () => T) => T {
  const known = new WeakMap<K, { readonly answer: T }>()
  return (of, work) => {
    const before = known.get(of)
    if (before) return before.answer
    const answer = work()
    known.set(of, { answer })
    return answer
  }
}

/**
 * Remembers the last answers by their keys, the oldest forgotten first.
 * @param most how many are kept
 * @example const plans = kept<Plan>(300); plans(JSON.stringify(job), () => plan(job))
 */
export function kept<T>(most: number): (key: string, work: () => T) => T {
  const known = new Map<string, { readonly answer: T }>()
  return (key, work) => {
    const before = known.get(key)
    if (before) return before.answer
    const answer = work()
    known.set(key, { answer })
    if (known.size > most) known.delete(known.keys().next().value!)
    return answer
  }
}

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * The next state of plain data, with every part that equals its last state being that very object. What comes over a
 * wire comes as copies; this gives it back the identity that `onceFor` goes by.
 */
export function sharing<T>(last: T, next: T): T {
  if (Object.is(last, next)) return last
  if (Array.isArray(last) && Array.isArray(next)) {
    const parts = next.map((each, i): unknown => sharing(last[i] as unknown, each as unknown))
    return last.length === next.length && parts.every((each, i) => each === last[i]) ? last : (parts as T)
  }
  if (isRecord(last) && isRecord(next)) {
    const parts = Object.fromEntries(Object.entries(next).map(([key, value]) => [key, sharing(last[key], value)]))
    const same =
      Object.keys(last).length === Object.keys(next).length &&
      Object.entries(parts).every(([key, value]) => key in last && value === last[key])
    return same ? last : (parts as T)
  }
  return next
}

/**
 * Remembers one answer for each object as long as what else it was worked out from is the same.
 * @example const words = onceWith<Layer, string>(); words(layer, [shelf, 3], () => say(layer, shelf, 3))
 */
export function onceWith<K extends object, T>(): (of: K, by: readonly unknown[], work: () => T) => T {
  const known = new WeakMap<K, { readonly by: readonly unknown[]; readonly answer: T }>()
  return (of, by, work) => {
    const before = known.get(of)
    if (before && before.by.length === by.length && before.by.every((each, i) => each === by[i])) return before.answer
    const answer = work()
    known.set(of, { by, answer })
    return answer
  }
}
