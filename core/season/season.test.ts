import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayOf, say, showSum, USUAL, weekdayOf } from '../measure'
import { makingOf as piece, taskOf as task } from '../testing'
import { batchWork, choresOf } from './batch'
import type { ToMake } from './batch'
import { chainTo } from '../tasks'
import type { Hours } from './working-hours'
import { Clock, HoursSchema, minutesOn, usualHours } from './working-hours'
import type { SeasonChange } from './remedies'
import { changedBy, seasonMends, withMore } from './remedies'
import type { SeasonJob } from './plan'
import { planSeason, planSeasonSoon } from './plan'
import { usualSeason } from './season'

const MANNER = { units: 'in', currency: 'USD' } as const
/** So many minutes each day from six in the evening. */
const evenings = (minutes: number, days: Hours['days'] = []): Hours => ({
  week: Array.from({ length: 7 }, () => ({ from: 1080, minutes })),
  days,
})
/** A Monday. */
const MONDAY = '2026-11-02'
const jobOf = (pieces: readonly ToMake[], hours = evenings(120), set: Partial<SeasonJob> = {}): SeasonJob => ({
  season: { ...usualSeason(), hours },
  batches: [],
  pieces,
  today: MONDAY,
  rates: USUAL,
  freshDays: [],
  ...set,
})
const of = (plan: ReturnType<typeof planSeasonSoon>, id: string) => plan.pieces.find((each) => each.id === id)!

/** A season with a change done to it. */
const doing = (job: SeasonJob, change: SeasonChange): SeasonJob => ({
  ...job,
  season: { ...job.season, ...changedBy(change, job.season) },
  pieces:
    change.kind === 'fewer' ? job.pieces.map((each) => (each.id === change.piece ? { ...each, copies: change.copies } : each)) : job.pieces,
})

describe('the clock of hands', () => {
  it('works in its hours and on no day off', () => {
    const clock = new Clock(usualHours(), MONDAY)
    expect(clock.next(0)).toBe(18 * 60 + 30)
    // Two hours on Monday, then one more on Tuesday.
    expect(clock.book(0, 180)).toEqual({
      ends: 1440 + 19 * 60 + 30,
      parts: [
        [1110, 1230],
        [1440 + 1110, 1440 + 1170],
      ],
    })
    // Saturday at nine; from Saturday night on the next is Monday.
    expect(clock.next(5 * 1440)).toBe(5 * 1440 + 540)
    expect(clock.next(5 * 1440 + 1300)).toBe(7 * 1440 + 1110)
    expect(clock.between(0, 7 * 1440)).toBe(5 * 120 + 240)
    expect(clock.dayAt(5 * 1440 + 3)).toBe('2026-11-07')
  })
  it('has days that are otherwise, and knows when there are no hours at all', () => {
    const free = { day: '2026-11-04', from: 540, minutes: 300, kind: 'bench', note: '' } as const
    const clock = new Clock({ ...evenings(0), days: [free] }, MONDAY)
    expect(clock.next(0)).toBe(2 * 1440 + 540)
    expect(clock.book(0, 300)!.ends).toBe(2 * 1440 + 840)
    expect(clock.book(0, 301)).toBeNull()
    expect(new Clock(evenings(0), MONDAY).next(0)).toBe(Infinity)
    expect(minutesOn({ ...evenings(0), days: [free] }, '2026-11-04')).toBe(300)
  })
  it('knows the weekday of any day', () => {
    // 1 January 2000 was a Saturday, 29 February 2024 a Thursday.
    expect([weekdayOf('2000-01-01'), weekdayOf('2024-02-29'), weekdayOf('1969-12-31')]).toEqual([5, 3, 2])
    expect(() => weekdayOf('2026-02-30')).toThrow(RangeError)
  })
  it('refuses hours beyond midnight, and one day twice', () => {
    expect(HoursSchema.safeParse(evenings(360)).success).toBe(true)
    expect(HoursSchema.safeParse(evenings(361)).success).toBe(false)
    expect(HoursSchema.safeParse({ ...evenings(0), week: evenings(400).week }).success).toBe(false)
    const day = { day: MONDAY, from: 0, minutes: 1, kind: 'off', note: '' }
    expect(HoursSchema.safeParse({ ...evenings(60), days: [day, day] }).success).toBe(false)
  })
  it('books as many minutes as were asked, never outside the hours', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 300 }), { minLength: 7, maxLength: 7 }),
        fc.integer({ min: 0, max: 20_000 }),
        fc.integer({ min: 1, max: 3000 }),
        (week, at, minutes) => {
          const clock = new Clock({ week: week.map((each) => ({ from: 600, minutes: each })), days: [] }, MONDAY)
          const booked = clock.book(at, minutes)
          if (week.every((each) => each === 0)) return expect(booked).toBeNull()
          expect(booked!.parts.reduce((all, [from, to]) => all + to - from, 0)).toBeCloseTo(minutes, 6)
          for (const [from, to] of booked!.parts) {
            const weekday = Math.floor(from / 1440) % 7
            expect(from % 1440).toBeGreaterThanOrEqual(600)
            expect(from).toBeGreaterThanOrEqual(at)
            expect((to - 1e-6) % 1440).toBeLessThanOrEqual(600 + week[weekday]!)
          }
        },
      ),
      { numRuns: 200 },
    )
  })
})

describe('several of one, and batches', () => {
  const paint = task('paint:l', 20, { kind: 'paint', waits: 240 })
  const lay = task('layer:l', 30, { kind: 'lay', after: ['paint:l'] })
  it('does at once what can be, and saves getting ready for each further one', () => {
    // Four copies: 4 × 20 less 3 × 4 min; it dries once; laying saves nothing.
    const chores = choresOf([piece('ring', null, [paint, lay], { copies: 4 })], [], [], USUAL)
    expect(chores.map(({ hands, waits, saves, times }) => [hands, waits, saves, times])).toEqual([
      [68, 240, 12, 4],
      [120, 0, 0, 4],
    ])
  })
  it('saves no more than half of what it takes', () => {
    const [chore] = choresOf([piece('ring', null, [task('s', 2, { kind: 'stems' })], { copies: 3 })], [], [], USUAL)
    expect(chore!.saves).toBe(2)
  })
  it('a bow that is bought saves nobody getting ready', () => {
    const bow = task('bow:b', 12, { kind: 'bow' })
    const batch = { id: 'pair', name: 'Pair', pieces: ['left', 'right'] }
    const both = [piece('left', null, [bow]), piece('right', null, [bow])]
    expect(choresOf(both, [batch], [], USUAL)[0]).toMatchObject({ hands: 20, saves: 4, times: 2 })
    expect(choresOf(both, [batch], [{ piece: 'left', task: 'bow:b' }], USUAL)[0]).toMatchObject({ hands: 12, saves: 0, times: 1 })
  })
  it('puts the same work of a pair together, and each is laid for itself after it', () => {
    const batch = { id: 'pair', name: 'Pair', pieces: ['left', 'right'] }
    const both = [piece('left', null, [paint, lay]), piece('right', null, [{ ...paint, title: 'other' }, lay])]
    const chores = choresOf(both, [batch], [], USUAL)
    expect(chores.map(({ id, pieces, after }) => [id, pieces, after])).toEqual([
      ['pair:paint:0', ['left', 'right'], []],
      ['left:layer:l', ['left'], ['pair:paint:0']],
      ['right:layer:l', ['right'], ['pair:paint:0']],
    ])
    expect(chores[0]).toMatchObject({ hands: 36, saves: 4, title: 'Paint' })
    const work = batchWork(batch, [...both, piece('other', null, [paint])], [], USUAL)
    expect([work.hands, work.apart, work.atOnce.length, work.oneByOne.length]).toEqual([96, 100, 1, 2])
  })
  it('leaves out what is done and bows that are bought, and untangles rings', () => {
    const bow = task('bow:b', 12, { kind: 'bow', waits: 5 })
    expect(choresOf([piece('ring', null, [paint, lay], { done: ['paint:l'] })], [], [], USUAL)).toMatchObject([
      { id: 'ring:layer:l', after: [] },
    ])
    expect(choresOf([piece('ring', null, [bow])], [], [{ piece: 'ring', task: 'bow:b' }], USUAL)).toMatchObject([{ hands: 0, waits: 0 }])
    const first = [task('a', 5, { kind: 'paint' }), task('b', 5, { kind: 'bow', after: ['a'] })]
    const other = [task('b', 5, { kind: 'bow' }), task('a', 5, { kind: 'paint', after: ['b'] })]
    const batch = { id: 'p', name: 'p', pieces: ['x', 'y'] }
    const plan = planSeasonSoon(jobOf([piece('x', null, first), piece('y', null, other)], undefined, { batches: [batch] }))
    expect(plan.sittings).toHaveLength(2)
  })
})

describe('a season', () => {
  it('lets hands be at another piece while something dries', () => {
    const plan = planSeasonSoon(
      jobOf([
        piece('painted', '2026-11-03', [task('p', 30, { waits: 60 }), task('q', 30, { after: ['p'] })]),
        piece('other', '2026-11-04', [task('r', 60)]),
      ]),
    )
    // Half an hour of paint, the other for an hour meanwhile, then the rest of the first: all on Monday.
    expect(plan.sittings.map(({ id, begins }) => [id, begins])).toEqual([
      ['painted:p', 1080],
      ['other:r', 1110],
      ['painted:q', 1170],
    ])
    expect(plan.fits && plan.proven).toBe(true)
    expect(plan.hands).toBe(120)
    expect(plan.hours).toBe(3 * 120)
  })
  it('tells which pieces do not fit and by how much, and the chain that makes it so', () => {
    const plan = planSeasonSoon(jobOf([piece('big', '2026-11-03', [task('a', 150), task('b', 150, { after: ['a'] })])]))
    expect(plan.fits).toBe(false)
    // Four hours until Tuesday night, five wanted.
    expect([plan.over, of(plan, 'big').over, of(plan, 'big').late]).toEqual([60, 60, 1])
    expect(plan.path).toEqual(['big:a', 'big:b'])
    expect(plan.problems.find(({ id }) => id === 'over:big')).toMatchObject({ severity: 'fault', piece: 'big' })
  })
  it('says what its minutes are made of: by pieces, and by the days there are', () => {
    const plan = planSeasonSoon(jobOf([piece('big', '2026-11-03', [task('a', 300)]), piece('small', null, [task('b', 30)])]))
    const { hands, hours, over } = plan.figures
    expect([hands.value, showSum(hands, MANNER)]).toEqual([330, 'big 5 h 0 min + small 30 min = 5 h 30 min'])
    // Monday and Tuesday.
    expect([hours.value, showSum(hours, MANNER)]).toEqual([240, 'Mon 2 Nov 2 h 0 min + Tue 3 Nov 2 h 0 min = 4 h 0 min'])
    expect([over!.value, plan.over]).toEqual([60, 60])
    // A hundred days are not named one by one, and are all there.
    const long = planSeasonSoon(jobOf([piece('far', dayOf(20_759 + 99), [task('a', 30)])]))
    expect(long.figures.hours.value).toBe(100 * 120)
    expect(planSeasonSoon(jobOf([])).figures).toMatchObject({ hands: { value: 0 }, hours: { value: 0 }, over: null, saved: null })
  })
  it('is late by drying alone, too', () => {
    const plan = planSeasonSoon(jobOf([piece('glued', MONDAY, [task('g', 60, { waits: 1440 })])]))
    expect(of(plan, 'glued')).toMatchObject({ over: 0, late: 1, done: '2026-11-03' })
    expect(plan.problems.map(({ id }) => id)).toEqual(['late:glued'])
    expect(plan.fits).toBe(false)
  })
  it('does not count writing it down afterwards', () => {
    const plan = planSeasonSoon(jobOf([piece('ring', MONDAY, [task('a', 120), task('record', 30, { kind: 'record', after: ['a'] })])]))
    expect(plan.fits).toBe(true)
    expect(of(plan, 'ring').done).toBe(MONDAY)
  })
  it('cuts greens no sooner than they keep until it hangs, and tells when they are too old', () => {
    const fresh = piece('green', '2026-11-20', [task('a', 10), task('stems', 30, { kind: 'stems', fresh: true, after: ['a'] })])
    const plan = planSeasonSoon(jobOf([fresh], undefined, { freshDays: [1, 4] }))
    // Six days before it hangs is Saturday the 14th; bought on the Friday before, when there are any.
    expect(of(plan, 'green').fresh).toEqual({ from: '2026-11-14', cut: '2026-11-14', keeps: '2026-11-28' })
    expect(plan.buying).toEqual([
      { piece: 'green', name: 'green', what: 'things', by: '2026-11-02' },
      { piece: 'green', name: 'green', what: 'greens', by: '2026-11-13' },
    ])
    expect(of(plan, 'green').down).toBe('2026-11-28')
    // Bound three weeks ago and hung too late.
    const old = planSeasonSoon(jobOf([piece('green', '2026-11-03', [task('s', 30, { fresh: true }), task('z', 3000, { after: ['s'] })])]))
    expect(old.problems.some(({ id }) => id === 'stale:green')).toBe(true)
  })
  it('begins a piece on the day a hand put it, before the rest, and says what that breaks', () => {
    const pieces = [piece('a', '2026-11-05', [task('t', 120)]), piece('b', '2026-11-03', [task('t', 120)])]
    expect(planSeasonSoon(jobOf(pieces)).fits).toBe(true)
    const job = jobOf(pieces)
    const pinned = planSeasonSoon({ ...job, season: { ...job.season, pins: { b: '2026-11-04' } } })
    expect(of(pinned, 'b')).toMatchObject({ begins: '2026-11-04', pinned: '2026-11-04', over: 120 })
    expect(of(pinned, 'a').begins).toBe(MONDAY)
  })
  it('what a hand put on a day goes first on it, though something else is due sooner', () => {
    const job = jobOf([piece('soon', '2026-11-03', [task('t', 60)]), piece('later', '2026-11-20', [task('t', 60)])])
    expect(planSeasonSoon(job).sittings.map(({ id }) => id)).toEqual(['soon:t', 'later:t'])
    const pinned = planSeasonSoon({ ...job, season: { ...job.season, pins: { later: MONDAY } } })
    expect(pinned.sittings.map(({ id }) => id)).toEqual(['later:t', 'soon:t'])
    expect(pinned.fits).toBe(true)
  })
  it('takes the earliest due first before it looks for anything better', () => {
    const job = jobOf([piece('last', '2026-11-04', [task('t', 120)]), piece('first', MONDAY, [task('t', 120)])])
    expect(planSeasonSoon(job)).toMatchObject({ over: 0, fits: true })
  })
  it('knows only what is due in it', () => {
    const job = jobOf([
      piece('before', '2026-11-05', []),
      piece('in', '2026-11-15', []),
      piece('after', '2026-12-05', []),
      piece('never', null, []),
    ])
    const season = { ...job.season, from: '2026-11-10', to: '2026-11-30' }
    expect(planSeasonSoon({ ...job, season }).pieces.map(({ id }) => id)).toEqual(['in'])
    expect(planSeasonSoon({ ...job, season: { ...season, later: ['in'] } }).pieces).toEqual([])
  })
  it('stops when it is told to, with a plan all the same', () => {
    const pieces = Array.from({ length: 12 }, (_, i) => piece(`p${i}`, dayOf(20_759 + (i % 4)), [task('t', 100 + i)]))
    const going = planSeason(jobOf(pieces))
    expect(going.next(false).done).toBe(false)
    const stopped = going.next(true)
    expect(stopped.done).toBe(true)
    expect(stopped.done && stopped.value.sittings).toHaveLength(12)
  })
})

describe('whatever there is to do', () => {
  const some = fc.array(
    fc.record({
      due: fc.option(fc.integer({ min: 0, max: 9 })),
      copies: fc.integer({ min: 1, max: 3 }),
      tasks: fc.array(
        fc.record({
          hands: fc.integer({ min: 0, max: 200 }),
          waits: fc.integer({ min: 0, max: 300 }),
          kind: fc.constantFrom('paint', 'lay', 'bow', 'own', 'record'),
          after: fc.array(fc.nat(5), { maxLength: 2 }),
          fresh: fc.boolean(),
        }),
        { maxLength: 5 },
      ),
    }),
    { minLength: 1, maxLength: 4 },
  )
  it('hands do one thing at a time, nothing before what it waits for, and all of it is booked', () => {
    fc.assert(
      fc.property(some, fc.boolean(), (all, together) => {
        const pieces = all.map(({ due, copies, tasks }, i) =>
          piece(
            `p${i}`,
            due === null ? null : dayOf(20_759 + due),
            tasks.map(({ after, ...of }, k) => task(`t${k}`, of.hands, { ...of, after: after.filter((n) => n < k).map((n) => `t${n}`) })),
            { copies },
          ),
        )
        const batches = together ? [{ id: 'b', name: 'b', pieces: pieces.map(({ id }) => id) }] : []
        const plan = planSeasonSoon(jobOf(pieces, undefined, { batches }))
        const chores = new Map(plan.sittings.map((each) => [each.id, each]))
        for (const { chore, begins, done, handsOff } of plan.sittings) {
          expect(done).toBeCloseTo(handsOff + chore.waits, 6)
          for (const before of chore.after) expect(begins).toBeGreaterThanOrEqual(chores.get(before)!.done - 1e-6)
        }
        const parts = plan.sittings.flatMap((each) => each.parts).sort((a, b) => a[0] - b[0])
        parts.slice(1).forEach(([from], i) => expect(from).toBeGreaterThanOrEqual(parts[i]![1] - 1e-6))
        expect(parts.reduce((sum, [from, to]) => sum + to - from, 0)).toBeCloseTo(plan.hands, 6)
        expect(plan.hands + plan.saved).toBeCloseTo(
          pieces.reduce((sum, { copies, tasks }) => sum + copies * tasks.reduce((n, { hands }) => n + hands, 0), 0),
          6,
        )
        // What is too late is no more than what is done, and nothing where nothing is due.
        expect(plan.over).toBeLessThanOrEqual(plan.hands + 1e-6)
        if (pieces.every(({ due }) => due === null)) expect(plan.fits).toBe(true)
        // No chore of a chain begins before the one it waited for.
        plan.path.slice(1).forEach((id, i) => expect(chores.get(id)!.begins).toBeGreaterThanOrEqual(chores.get(plan.path[i]!)!.begins))
      }),
      { numRuns: 150 },
    )
  })
  it('what a mend says it leaves is what is left when it is done', () => {
    fc.assert(
      fc.property(some, (all) => {
        const pieces = all.map(({ due, copies, tasks }, i) =>
          piece(
            `p${i}`,
            dayOf(20_759 + (due ?? 3)),
            tasks.map((of, k) => task(`t${k}`, of.hands * 2, { kind: of.kind })),
            { copies },
          ),
        )
        const job = jobOf(pieces, evenings(60))
        for (const { change, over, fits } of seasonMends(job, planSeasonSoon(job))) {
          const after = planSeasonSoon(doing(job, change))
          expect(after.over).toBeCloseTo(over, 6)
          expect(after.fits).toBe(fits)
        }
      }),
      { numRuns: 40 },
    )
  })
})

describe('bad input', () => {
  it('due yesterday is told, and planned all the same', () => {
    const plan = planSeasonSoon(jobOf([piece('late', '2026-11-01', [task('t', 30)])]))
    expect(plan.problems.map(({ id }) => id)).toEqual(['past:late'])
    expect(of(plan, 'late')).toMatchObject({ begins: MONDAY, over: 30 })
    expect(say(plan.problems[0]!.says, MANNER)).toBe('late was due on Sun 1 Nov.')
  })
  it('no hours at all are told, and nothing hangs for ever', () => {
    const plan = planSeasonSoon(jobOf([piece('ring', '2026-11-09', [task('t', 90)])], evenings(0)))
    expect(plan.problems.map(({ id }) => id)).toEqual(['hours:none', 'over:ring'])
    expect(of(plan, 'ring')).toMatchObject({ begins: null, done: null, over: 90 })
    expect(plan.fits).toBe(false)
  })
  it('a task longer than any day goes over several, and that is said', () => {
    const plan = planSeasonSoon(jobOf([piece('ring', null, [task('t', 300)])]))
    expect(plan.sittings[0]!.days.map(({ minutes }) => minutes)).toEqual([120, 120, 60])
    expect(plan.problems.map(({ id }) => id)).toEqual(['split:ring:t'])
  })
  it('is not said to be longer than any day while one day has the hours', () => {
    const hours = evenings(60, [{ day: '2026-11-07', from: 540, minutes: 300, kind: 'bench', note: '' }])
    const plan = planSeasonSoon(jobOf([piece('ring', null, [task('t', 100)])], hours))
    expect(plan.sittings[0]!.days).toHaveLength(2)
    expect(plan.problems).toEqual([])
  })
  it('a few free days that are not enough are told, also where nothing is due', () => {
    const hours = evenings(0, [{ day: '2026-11-07', from: 540, minutes: 30, kind: 'bench', note: '' }])
    const plan = planSeasonSoon(jobOf([piece('ring', null, [task('t', 100)])], hours))
    expect(plan.problems.map(({ id }) => id)).toEqual(['left:ring'])
    expect(plan.fits).toBe(false)
  })
  it('nothing to make is a plan', () => expect(planSeasonSoon(jobOf([]))).toMatchObject({ fits: true, pieces: [], sittings: [], hands: 0 }))
})

describe('what would make it fit', () => {
  const bow = task('bow:b', 45, { kind: 'bow' })
  const job = jobOf([piece('ring', '2026-11-03', [task('t', 120), bow], { copies: 2 })])
  it('each is worked out by itself: more hours, bows that are bought, fewer, later', () => {
    // 2 × 120 + 86 with one getting ready saved: 326 of 240.
    const plan = planSeasonSoon(job)
    expect(plan.over).toBeCloseTo(86)
    const mends = seasonMends(job, plan)
    const kinds = Object.fromEntries(mends.map(({ change, over }) => [change.kind, over]))
    expect(kinds).toMatchObject({ hours: 0, fewer: 0, later: 0, bows: 0 })
    expect(
      mends
        .find(({ change }) => change.kind === 'hours')!
        .says.map((part) => (typeof part === 'string' ? part : part.value))
        .join(''),
    ).toBe('90 more on Tue 3 Nov')
    expect(mends.find(({ change }) => change.kind === 'fewer')!.change).toEqual({ kind: 'fewer', piece: 'ring', copies: 1 })
    // Taken, it does what was said.
    for (const { change, over, fits } of mends) {
      expect(planSeasonSoon(doing(job, change)).over).toBeCloseTo(over)
      expect(planSeasonSoon(doing(job, change)).fits || !fits).toBe(true)
    }
  })
  it('begins earlier where it would begin later than today', () => {
    const later = { ...job, season: { ...job.season, from: MONDAY }, today: '2026-10-26' }
    const mend = seasonMends(later, planSeasonSoon(later)).find(({ change }) => change.kind === 'earlier')
    expect(mend).toMatchObject({ change: { from: '2026-11-01' }, over: 0, fits: true })
  })
  it('what is late by drying alone is mended too, and fits only when it is dry', () => {
    // Glued on Tuesday evening it is dry on Wednesday evening, a day late; begun on Sunday or left for later it is not.
    const glued = jobOf([piece('glued', '2026-11-03', [task('g', 60, { waits: 1440 })])])
    const late = { ...glued, season: { ...glued.season, from: '2026-11-03' }, today: '2026-10-30' }
    const plan = planSeasonSoon(late)
    expect([plan.over, plan.fits]).toEqual([0, false])
    const mends = seasonMends(late, plan)
    expect(mends.filter(({ fits }) => fits).map(({ change }) => change.kind)).toEqual(['earlier', 'later'])
    for (const { change, fits } of mends) expect(planSeasonSoon(doing(late, change)).fits).toBe(fits)
  })
  it('asks for no hours at the bench on a day at the market', () => {
    const days = [1, 2, 3].map((i) => ({ day: `2026-11-0${i}`, kind: 'market' as const, note: '', from: 540, minutes: 0 }))
    const busy = { ...job, season: { ...job.season, hours: { ...job.season.hours, days } } }
    const asked = (of: SeasonJob) =>
      seasonMends(of, planSeasonSoon(of)).flatMap(({ change }) => (change.kind === 'hours' ? [change.day] : []))
    expect(asked(job).length).toBeGreaterThan(0)
    expect(asked(busy).filter((day) => days.some((each) => each.day === day))).toEqual([])
  })
  it('offers nothing where it fits', () => {
    const fits = jobOf([piece('ring', '2026-11-03', [task('t', 10)])])
    expect(seasonMends(fits, planSeasonSoon(fits))).toEqual([])
  })
  it('adds hours to a day as it is', () => {
    const season = { ...usualSeason(), hours: evenings(120) }
    expect(withMore(season, MONDAY, 60).days).toEqual([{ day: MONDAY, kind: 'bench', note: '', from: 1080, minutes: 180 }])
    const twice = withMore({ ...season, hours: withMore(season, MONDAY, 60) }, MONDAY, 240)
    // Seven hours from six would end after midnight: they begin at five.
    expect(twice.days).toEqual([{ day: MONDAY, kind: 'bench', note: '', from: 1020, minutes: 420 }])
    // Other days stay, in their order.
    const other = { day: '2026-11-01', kind: 'off' as const, note: '', from: 0, minutes: 0 }
    expect(withMore({ hours: { ...season.hours, days: [other] } }, MONDAY, 60).days.map(({ day }) => day)).toEqual(['2026-11-01', MONDAY])
  })
})

it('follows the chain of what waited for what', () => {
  const at = { begins: 0, handsOff: 0, done: 0, parts: [] }
  expect(
    chainTo('c', [
      { id: 'a', because: null, ...at },
      { id: 'b', because: 'a', ...at },
      { id: 'c', because: 'b', ...at },
    ]),
  ).toEqual(['a', 'b', 'c'])
})
