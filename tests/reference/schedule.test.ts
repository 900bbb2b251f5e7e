import { addDays, format, parseISO, differenceInCalendarDays } from 'date-fns'
import { describe, expect, it } from 'vitest'
import { dayNumber, dayOf, daysAfter, daySaid, random as randomFrom } from '../../core/measure'
import type { Step } from '../../core/tasks'
import { criticalPath } from '../../core/tasks'

const after = (durations: Record<string, number>, of: Record<string, readonly string[]>): Step[] =>
  Object.entries(durations).map(([id, duration]) => ({
    id,
    duration,
    after: (of[id] ?? []).map((each) => ({ id: each, lag: durations[each]! })),
  }))

describe('the critical path', () => {
  // A widely taught activity-on-node example (operations-management courses; from memory): a 15-week project of eight activities.
  // A 2, B 3, C 2 after A, D 4 after B, E 4 after C, F 3 after C, G 5 after D and E, H 2 after F and G.
  const steps = after(
    { A: 2, B: 3, C: 2, D: 4, E: 4, F: 3, G: 5, H: 2 },
    { C: ['A'], D: ['B'], E: ['C'], F: ['C'], G: ['D', 'E'], H: ['F', 'G'] },
  )
  it('of the textbook’s project is A-C-E-G-H, 15 long', () => {
    const { end, path } = criticalPath(steps)
    expect([end, path]).toEqual([15, ['A', 'C', 'E', 'G', 'H']])
  })
  it('with the textbook’s earliest and latest starts, and slacks', () => {
    expect(criticalPath(steps).timings.map(({ id, earliest, latest, slack }) => [id, earliest, latest, slack])).toEqual([
      ['A', 0, 0, 0],
      ['B', 0, 1, 1],
      ['C', 2, 2, 0],
      ['D', 3, 4, 1],
      ['E', 4, 4, 0],
      ['F', 4, 10, 6],
      ['G', 8, 8, 0],
      ['H', 13, 13, 0],
    ])
  })
  it('is the longest of all ways through, tried one by one', () => {
    const random = randomFrom(7)
    for (let n = 0; n < 200; n++) {
      const names = Array.from({ length: 2 + Math.floor(random.next() * 7) }, (_, i) => `t${i}`)
      const durations = Object.fromEntries(names.map((name) => [name, 1 + Math.floor(random.next() * 9)]))
      const of = Object.fromEntries(names.map((name, i) => [name, names.slice(0, i).filter(() => random.next() < 0.4)]))
      const longest = (name: string): number => durations[name]! + Math.max(0, ...of[name]!.map(longest))
      expect(criticalPath(after(durations, of)).end).toBe(Math.max(...names.map(longest)))
    }
  })
})

describe('days of the calendar against date-fns', () => {
  it('counts, adds and says them as it does, over four hundred years', () => {
    const random = randomFrom(11)
    for (let n = 0; n < 2000; n++) {
      const day = dayOf(Math.floor((random.next() - 0.3) * 150_000))
      const more = Math.floor((random.next() - 0.5) * 4000)
      const date = parseISO(day)
      expect(daysAfter(day, more)).toBe(format(addDays(date, more), 'yyyy-MM-dd'))
      expect(dayNumber(day)).toBe(differenceInCalendarDays(date, parseISO('1970-01-01')))
      expect(daySaid(day)).toBe(format(date, 'EEE d MMM'))
    }
  })
  it.each(['2026-02-29', '2026-13-01', '2026-00-10', '26-01-01', '2026-1-1', 'tomorrow', ''])('%s is no day', (text) =>
    expect(dayNumber(text)).toBeNull(),
  )
  it('leap years by the rule of 1582', () => {
    expect([dayNumber('2000-02-29'), dayNumber('1900-02-29'), dayNumber('2024-02-29')].map((each) => each !== null)).toEqual([
      true,
      false,
      true,
    ])
  })
})
