import TinyQueue from 'tinyqueue'

/**
 * Every choice of at most one of each group, in the order of what it loses in all, the least first: none at all comes first.
 * They come one at a time, so that whoever looks for the first that will do need not wait for the others.
 * @param lossOf of one, from 0
 * @example [...choicesByLoss([[1, 3], [2]], (n) => n)].slice(0, 3) // [[], [1], [2]]
 */
export function* choicesByLoss<T>(groups: readonly (readonly T[])[], lossOf: (one: T) => number): Generator<readonly T[], void, undefined> {
  interface State {
    readonly loss: number
    /** What is taken of each group, by its place from 1; 0 is none. */
    readonly at: readonly number[]
    /** Groups from this one on may still be raised, so that every choice is met once. */
    readonly from: number
  }
  const sorted = groups.map((group) => [...group].sort((a, b) => lossOf(a) - lossOf(b)))
  const lossAt = (g: number, n: number): number => (n ? lossOf(sorted[g]![n - 1]!) : 0)
  const queue = new TinyQueue<State>([{ loss: 0, at: sorted.map(() => 0), from: 0 }], (a, b) => a.loss - b.loss)
  for (let state = queue.pop(); state; state = queue.pop()) {
    yield state.at.flatMap((n, g) => (n ? [sorted[g]![n - 1]!] : []))
    for (let g = state.from; g < sorted.length; g++) {
      const n = state.at[g]!
      if (n >= sorted[g]!.length) continue
      queue.push({ loss: state.loss - lossAt(g, n) + lossAt(g, n + 1), at: state.at.map((each, i) => (i === g ? n + 1 : each)), from: g })
    }
  }
}
