import fc from 'fast-check'
import { expect, it } from 'vitest'
import { onceFor, onceWith, sharing } from './memoize'

it('works an answer out once for each object', () => {
  let worked = 0
  const count = onceFor<object, number>()
  const [a, b] = [{}, {}]
  for (const of of [a, a, b, a]) count(of, () => ++worked)
  expect(worked).toBe(2)
  expect(count(a, () => 99)).toBe(1)
})

it('gives what is equal its identity back, and no more', () => {
  const last = { a: { x: 1 }, list: [{ y: 1 }, { y: 2 }], gone: 3 }
  const next = sharing(last, { a: { x: 1 }, list: [{ y: 1 }, { y: 5 }], gone: 3 })
  expect(next).toEqual({ a: { x: 1 }, list: [{ y: 1 }, { y: 5 }], gone: 3 })
  expect(next.a).toBe(last.a)
  expect(next.list[0]).toBe(last.list[0])
  expect(next.list).not.toBe(last.list)
  expect(sharing(last, structuredClone(last))).toBe(last)
})

it('never changes what the next state is', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.jsonValue(), (last, next) => {
      expect(sharing(last, structuredClone(next))).toEqual(next)
      expect(sharing(next, structuredClone(next))).toBe(next)
    }),
  )
})

it('answers again as long as all that it was worked out from is the same', () => {
  const remembered = onceWith<object, number>()
  const [of, shelf] = [{}, {}]
  let worked = 0
  const ask = (by: readonly unknown[]): number =>
    remembered(of, by, () => {
      worked += 1
      return worked
    })
  expect([ask([shelf, 1]), ask([shelf, 1]), ask([shelf, 2]), ask([{}, 2]), ask([shelf])]).toEqual([1, 1, 2, 3, 4])
})
