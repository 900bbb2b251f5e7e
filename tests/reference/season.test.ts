import fc from 'fast-check'
import ICAL from 'ical.js'
import JSZip from 'jszip'
import { describe, expect, it } from 'vitest'
import { fences, learningCurve, learnRate, quantile } from '../../core/daybook'
import { seasonCalendar, TABLE_NAMES, writeWhole, readWhole } from '../../core/formats'
import type { Whole } from '../../core/formats'
import { dayOf, thumb, USUAL } from '../../core/measure'
import { startPiece } from '../../core/piece'
import type { ToMake } from '../../core/season'
import { book, choresOf, Clock, planSeasonSoon, usualSeason } from '../../core/season'
import type { TaskTime } from '../../core/tasks'
import { makingOf, taskOf } from '../../core/testing'

/** Hands that never rest: minutes follow on minutes, so that textbook schedules can be read off. */
const ALWAYS = { week: Array.from({ length: 7 }, () => ({ from: 0, minutes: 1440 })), days: [] }
const MONDAY = '2026-11-02'
const FIRST = 20_759

const task = (id: string, hands: number, waits = 0, after: readonly string[] = []) => taskOf(id, hands, { waits, after })
/** @param due in days from Monday */
const job = (id: string, due: number | null, tasks: readonly TaskTime[]) => makingOf(id, due === null ? null : dayOf(FIRST + due), tasks)
const jobOf = (pieces: readonly ToMake[], hours = ALWAYS) => ({
  season: { ...usualSeason(), hours },
  batches: [],
  pieces,
  today: MONDAY,
  rates: USUAL,
  freshDays: [],
})
const permutations = <T>(all: readonly T[]): T[][] =>
  all.length < 2 ? [[...all]] : all.flatMap((each, i) => permutations(all.filter((_, k) => k !== i)).map((rest) => [each, ...rest]))

describe('single machine with due dates', () => {
  /** Greatest lateness of an order, by adding up: no scheduler of ours. */
  const greatest = (order: readonly { p: number; d: number }[]): number => {
    let at = 0
    return Math.max(...order.map(({ p, d }) => (at += p) - d))
  }
  /** Minutes of work after each one's due day, by adding up. */
  const tooLate = (order: readonly { p: number; d: number }[]): number => {
    let at = 0
    return order.reduce((all, { p, d }) => {
      at += p
      return all + Math.min(p, Math.max(0, at - d))
    }, 0)
  }
  const days = fc.array(fc.record({ p: fc.integer({ min: 1, max: 2000 }), due: fc.integer({ min: 0, max: 4 }) }), {
    minLength: 1,
    maxLength: 5,
  })

  // Jackson 1955, as in Pinedo, Scheduling, theorem 3.2.1 (from memory): 1 || Lmax is solved by earliest due date first.
  it('our first order, earliest due first, has the least greatest lateness of all orders', () => {
    fc.assert(
      fc.property(days, (all) => {
        const chores = choresOf(
          all.map(({ p, due }, i) => job(String(i), due, [task('t', p)])),
          [],
          [],
          USUAL,
        )
        const order = all.map((_, i) => i).sort((a, b) => all[a]!.due - all[b]!.due || a - b)
        const { booked } = book({
          chores,
          rank: new Map(order.map((i, at) => [String(i), at])),
          notBefore: () => 0,
          clock: new Clock(ALWAYS, MONDAY),
        })
        const ours = Math.max(...booked.map(({ id, done }) => done - (all[Number(id.split(':')[0])]!.due + 1) * 1440))
        const best = Math.min(...permutations(all).map((each) => greatest(each.map(({ p, due }) => ({ p, d: (due + 1) * 1440 })))))
        expect(ours).toBeCloseTo(best, 6)
      }),
      { numRuns: 100 },
    )
  })
  it('the plan has the fewest minutes too late of all orders, by brute force', () => {
    fc.assert(
      fc.property(days, (all) => {
        const plan = planSeasonSoon(jobOf(all.map(({ p, due }, i) => job(String(i), due, [task('t', p)]))))
        const best = Math.min(...permutations(all).map((each) => tooLate(each.map(({ p, due }) => ({ p, d: (due + 1) * 1440 })))))
        expect(plan.over).toBeCloseTo(best, 6)
        expect(plan.proven).toBe(true)
        expect(plan.fits).toBe(best === 0)
      }),
      { numRuns: 60 },
    )
  })
  it('the search comes as near as brute force with seven, mostly', () => {
    const orders = permutations([0, 1, 2, 3, 4, 5, 6])
    let gap = 0
    for (let seed = 1; seed <= 8; seed++) {
      const all = Array.from({ length: 7 }, (_, i) => ({ p: ((seed * 7919 + i * 104_729) % 1400) + 200, due: (seed * 31 + i * 17) % 5 }))
      const plan = planSeasonSoon(jobOf(all.map(({ p, due }, i) => job(String(i), due, [task('t', p)]))))
      const best = Math.min(...orders.map((order) => tooLate(order.map((i) => ({ p: all[i]!.p, d: (all[i]!.due + 1) * 1440 })))))
      expect(plan.over).toBeGreaterThanOrEqual(best - 1e-6)
      gap += plan.over - best
    }
    expect(gap).toBeLessThan(30)
  })
})

// The house-building network of an operations-research textbook kind (from memory): with hands that do one thing at a time
// and waits that go on by themselves, the chain of waits decides.
describe('critical path', () => {
  it('is the longest chain when waits outweigh hands', () => {
    const tasks = [
      task('A', 1, 60),
      task('B', 1, 30, ['A']),
      task('C', 1, 120, ['A']),
      task('D', 1, 10, ['B', 'C']),
      task('E', 1, 0, ['D']),
    ]
    const plan = planSeasonSoon(jobOf([job('house', 5, tasks)]))
    expect(plan.path).toEqual(['house:A', 'house:C', 'house:D', 'house:E'])
    // By hand: A 0–1, dry at 61; C 61–62 before B, since what follows it dries longest, dry at 182; D 182–183, dry at 193; E 193–194.
    expect(Object.fromEntries(plan.sittings.map(({ id, begins, done }) => [id, [begins, done]]))).toEqual({
      'house:A': [0, 61],
      'house:C': [61, 182],
      'house:B': [62, 93],
      'house:D': [182, 193],
      'house:E': [193, 194],
    })
  })
})

describe('statistics', () => {
  // R: quantile(c(2, 4, 4, 5, 7, 9, 11), c(.25, .5, .75)) gives 4, 5, 8 (type 7; worked by hand: h = (n − 1)p).
  it('quantiles by method 7', () => {
    const data = [2, 4, 4, 5, 7, 9, 11]
    expect([0.25, 0.5, 0.75].map((p) => quantile(data, p))).toEqual([4, 5, 8])
    expect(quantile([1, 2, 3, 4], 0.1)).toBeCloseTo(1.3)
  })
  // Tukey 1977: with quartiles 4 and 8 the inner fences are 4 − 6 and 8 + 6.
  it('fences', () => expect(fences([11, 2, 4, 9, 4, 7, 5])).toEqual([-2, 14]))
  // Wright 1936, the 80 % curve of every textbook: 100, 80, 70.21, 64, 59.56 …
  it('the 80 % learning curve', () => {
    const curve = learningCurve([100, 80, 70.2104, 64, 59.5637])!
    expect(curve.ratio).toBeCloseTo(0.8, 4)
    expect(curve.first).toBeCloseTo(100, 2)
    expect(curve.fit).toBeCloseTo(1, 6)
  })
  const RULE = thumb('test.rate', 'A thing takes', 'time', 10, [1, 100], 'It does.')
  const reading = (value: number, i: number) => ({ rule: 'test.rate', value, record: `r${i}`, name: 'ring', day: dayOf(FIRST + i) })
  const level = { rates: { 'daybook.fades': 200 } }
  // Bühlmann 1967: Z = n ÷ (n + v ÷ a). Makers differ by 30 % of 10: a = 9. Before anything is known v = 3a = 27, counting
  // as two readings: Z of one is 1 ÷ (1 + 3); of two alike, v = 2 × 27 ÷ 3 = 18, Z = 2 ÷ (2 + 2).
  it('credibility: one reading moves a rate by a quarter, two alike by half', () => {
    const one = learnRate(RULE, [reading(14, 0)], USUAL)!
    expect(one.trust).toBeCloseTo(0.25, 6)
    expect(one.value).toBeCloseTo(11, 6)
    // What is left of the spread of makers: 1.96 × √(9 × ¾).
    expect(one.high - one.value).toBeCloseTo(1.96 * Math.sqrt(6.75), 6)
    const two = learnRate(RULE, [reading(14, 0), reading(14, 1)], level)!
    expect(two.trust).toBeCloseTo(0.5, 3)
    expect(two.value).toBeCloseTo(12, 2)
  })
  it('many readings that agree carry it there, and the spread is the sample’s', () => {
    const values = [13, 14, 15, 14, 13, 15, 14, 14, 15, 13]
    const many = learnRate(RULE, values.map(reading), level)!
    expect(many.mean).toBeCloseTo(14, 1)
    // s² = 6 ÷ 9 by hand.
    expect(Math.abs(many.spread - Math.sqrt(6 / 9))).toBeLessThan(0.01)
    // v = (2 × 27 + 9 × 0.667) ÷ 11 = 5.4545; Z = 10 ÷ (10 + 0.606).
    expect(many.trust).toBeCloseTo(10 / (10 + 60 / 11 / 9), 2)
    expect(many.value).toBeGreaterThan(13.5)
  })
  it('never leaves the line from the rule to the readings, whatever they are', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 1, max: 100, noNaN: true }), { minLength: 1, maxLength: 20 }), (values) => {
        const learned = learnRate(RULE, values.map(reading), USUAL)
        if (!learned) return
        const [from, to] = [Math.min(10, learned.mean), Math.max(10, learned.mean)]
        expect(learned.value).toBeGreaterThanOrEqual(from - 1e-9)
        expect(learned.value).toBeLessThanOrEqual(to + 1e-9)
        expect(learned.low).toBeLessThanOrEqual(learned.value + 1e-9)
        expect(learned.high).toBeGreaterThanOrEqual(learned.value - 1e-9)
      }),
      { numRuns: 200 },
    )
  })
})

describe('the calendar of a season, read back by another library', () => {
  it('has the sittings at their hours, floating, and what is bought and hangs by whole days', async () => {
    const evenings = { week: Array.from({ length: 7 }, () => ({ from: 1110, minutes: 120 })), days: [] }
    const plan = planSeasonSoon(jobOf([job('Ring', 3, [task('paint', 30, 60), task('lay; and, fix', 150, 0, ['paint'])])], evenings))
    const text = (await seasonCalendar(plan, { units: 'in', currency: 'USD' }, Date.UTC(2026, 9, 20)))!
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((each) => new ICAL.Event(each))
    const bench = events.filter(({ summary }) => summary.startsWith('At the bench'))
    // Painted from 18:30; dry an hour after seven, at 20:00; half an hour that evening, the rest the next.
    expect(bench.map(({ startDate, endDate }) => [startDate.toString(), endDate.toString(), startDate.zone?.tzid])).toEqual([
      ['2026-11-02T18:30:00', '2026-11-02T20:30:00', 'floating'],
      ['2026-11-03T18:30:00', '2026-11-03T20:30:00', 'floating'],
    ])
    expect(bench[0]!.description).toContain('paint: 30 min')
    expect(bench[0]!.description).toContain('lay; and, fix: 30 min')
    const due = events.find(({ summary }) => summary === 'Ring must hang')!
    expect([due.startDate.toString(), due.startDate.isDate]).toEqual(['2026-11-05', true])
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length)
  })
  it('is none while nothing is planned', async () =>
    expect(await seasonCalendar(planSeasonSoon(jobOf([])), { units: 'in', currency: 'USD' }, 0)).toBeNull())
})

describe('the whole workroom, packed and unpacked by another library', () => {
  const whole: Whole = {
    tables: {
      ...(Object.fromEntries(TABLE_NAMES.map((name) => [name, []])) as unknown as Whole['tables']),
      pieces: [{ piece: startPiece('ring', 'Ring with “quotes” & ünïcode'), savedAt: 5 }],
    },
    settings: { currency: 'GBP' },
    photos: [{ id: 'p1', type: 'image/webp', bytes: Uint8Array.from([1, 2, 3, 255]) }],
  }
  it('is a zip of JSON documents with a README and photos', async () => {
    const zip = await JSZip.loadAsync(writeWhole(whole, '2026-11-02T10:00:00Z'), { checkCRC32: true })
    const names = Object.keys(zip.files).sort()
    expect(names).toEqual(
      ['README.txt', 'photos/0001.webp', 'settings.json', 'workroom.json', ...TABLE_NAMES.map((name) => `${name}.json`)].sort(),
    )
    const pieces = JSON.parse(await zip.file('pieces.json')!.async('string')) as { piece: { brief: { name: string } } }[]
    expect(pieces[0]!.piece.brief.name).toBe('Ring with “quotes” & ünïcode')
    expect([...(await zip.file('photos/0001.webp')!.async('uint8array'))]).toEqual([1, 2, 3, 255])
    expect(await zip.file('README.txt')!.async('string')).toContain('pieces.json')
  })
  it('takes one back that another program packed anew', async () => {
    const zip = await JSZip.loadAsync(writeWhole(whole, '2026-11-02T10:00:00Z'))
    zip.file('__MACOSX/._pieces.json', 'left by a desktop')
    const read = readWhole(await zip.generateAsync({ type: 'uint8array', compression: 'DEFLATE' }))
    expect(read).toMatchObject({ ok: true, aside: ['__MACOSX/._pieces.json'], whole: { settings: { currency: 'GBP' } } })
    expect(read.ok && read.whole.tables.pieces[0]!.piece).toEqual(whole.tables.pieces[0]!.piece)
    expect(read.ok && [...read.whole.photos[0]!.bytes]).toEqual([1, 2, 3, 255])
  })
})
