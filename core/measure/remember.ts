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
