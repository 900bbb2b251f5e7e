import { expect, it } from 'vitest'
import { readClock, readHours } from './parsing'

it.each([
  ['2', 120],
  ['2.5', 150],
  ['2:30', 150],
  ['2 h 30 min', 150],
  ['3h', 180],
  ['45 min', 45],
  ['none', 0],
  ['', 0],
  ['24', 1440],
])('reads “%s” as %d minutes', (text, minutes) => expect(readHours(text)).toEqual({ ok: true, value: minutes }))
it.each(['25', 'two', '-1', '90 h'])('does not take “%s” for hours of a day', (text) => expect(readHours(text).ok).toBe(false))
it('reads and says times of day', () => {
  expect([readClock('18:30'), readClock('9')]).toEqual([
    { ok: true, value: 1110 },
    { ok: true, value: 540 },
  ])
  for (const text of ['24:00', '9:75', 'noon', '']) expect(readClock(text).ok).toBe(false)
})
