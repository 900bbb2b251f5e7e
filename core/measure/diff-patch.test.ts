import fc from 'fast-check'
import { expect, it } from 'vitest'
import { changedFields, deltaOf, withDelta } from './diff-patch'

it('leads from any state to any other, also over a wire', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.jsonValue(), (last, next) => {
      expect(withDelta(last, structuredClone(deltaOf(last, next)))).toEqual(next)
    }),
  )
})
it('says only what differs, and leaves the rest the very objects they were', () => {
  const last = {
    name: 'ring',
    places: [
      { s: 1, at: [0, 1] },
      { s: 2, at: [1, 0] },
    ],
    size: { wide: 3 },
  }
  const next = {
    name: 'ring',
    places: [
      { s: 1, at: [0, 1] },
      { s: 2.5, at: [1, 0] },
      { s: 3, at: [] },
    ],
    size: { wide: 3 },
  }
  const delta = deltaOf(last, next)
  expect(delta).toEqual({
    keys: [
      [
        'places',
        {
          places: [
            [1, { keys: [['s', { whole: 2.5 }]], gone: [] }],
            [2, { whole: { s: 3, at: [] } }],
          ],
          length: 3,
        },
      ],
    ],
    gone: [],
  })
  const led = withDelta(last, delta)
  expect(led.places[0]).toBe(last.places[0])
  expect(led.places[1]!.at).toBe(last.places[1]!.at)
  expect(led.size).toBe(last.size)
  expect(deltaOf(last, structuredClone(last))).toBe(0)
})
it('tells a list that lost its end, keys that went, and names that every object has', () => {
  for (const [last, next] of [
    [[1, 2, 3], [1]],
    [{ a: 1, b: 2 }, { b: 2 }],
    [{}, JSON.parse('{"__proto__": {"a": 1}, "constructor": 2}') as unknown],
    [JSON.parse('{"__proto__": 1}') as unknown, {}],
    [[1], { 0: 1 }],
    [null, {}],
  ]) {
    const led = withDelta(last, deltaOf(last, next))
    expect(JSON.stringify(led)).toBe(JSON.stringify(next))
    expect(Object.getPrototypeOf(led)).toBe(Object.getPrototypeOf(next))
  }
})
it('names the fields that are otherwise, whatever they hold', () => {
  const begun = { name: 'ring', places: [{ s: 1 }], note: null }
  expect(changedFields(begun, structuredClone(begun))).toEqual({})
  expect(changedFields(begun, { ...begun, places: [{ s: 2 }], more: 0 })).toEqual({ places: [{ s: 2 }], more: 0 })
})
