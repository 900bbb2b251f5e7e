import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { yearOf } from '../../core/daybook'
import { startPiece } from '../../core/piece'
import { changedBy, Clock, planSeasonSoon, seasonMends, usualSeason } from '../../core/season'
import { bookDays, comesDownOn, handsOfCopies, keepsHanging } from '../../core/tasks'
import { makingOf, shelf } from '../../core/testing'
import { anySeason, anyTasks, MONDAY } from './seasons'
import { hold } from './workrooms'

describe('any season', () => {
  it('has hands at one thing at a time, in their hours', () =>
    hold(anySeason, (of) => {
      const { sittings } = planSeasonSoon(of)
      const clock = new Clock(of.season.hours, MONDAY)
      const parts = sittings.flatMap((each) => each.parts).sort((a, b) => a[0] - b[0])
      parts.forEach(([from, to], i) => {
        expect(clock.between(from, to)).toBeCloseTo(to - from, 6)
        if (i) expect(from).toBeGreaterThanOrEqual(parts[i - 1]![1] - 1e-6)
      })
    }))
  it('begins nothing before what it waits for: dry, or at the least off hands', () =>
    hold(anySeason, (of) => {
      const { sittings } = planSeasonSoon(of)
      const byId = new Map(sittings.map((each) => [each.id, each]))
      for (const { begins, chore } of sittings)
        for (const id of chore.after) {
          const before = byId.get(id)!
          expect(begins).toBeGreaterThanOrEqual((chore.wet.includes(id) ? before.handsOff : before.done) - 1e-6)
        }
    }))
  it('books every minute of hands, neither more nor fewer', () =>
    hold(anySeason, (of) => {
      const { sittings } = planSeasonSoon(of)
      for (const { chore, parts } of sittings) expect(parts.reduce((n, [a, b]) => n + b - a, 0)).toBeCloseTo(chore.hands, 6)
    }))
  it('that fits is done in time, all of it', () =>
    hold(anySeason, (of) => {
      const plan = planSeasonSoon(of)
      if (!plan.fits) return
      const clock = new Clock(of.season.hours, MONDAY)
      for (const { chore, done } of plan.sittings)
        for (const id of chore.pieces) {
          const due = of.pieces.find((each) => each.id === id)!.due
          if (due !== null && chore.kind !== 'record') expect(done).toBeLessThanOrEqual(clock.ends(due) + 1e-6)
        }
    }))
  it('is not said to be proven too short while leaving a piece out by itself makes no difference', () =>
    hold(
      anySeason,
      (of) => {
        const plan = planSeasonSoon(of)
        if (plan.fits || !plan.proven) return
        // With all the hours there are in three days for each, no proof may have stood in the way.
        const more = {
          ...of,
          season: { ...of.season, hours: { week: Array.from({ length: 7 }, () => ({ from: 0, minutes: 1440 })), days: [] } },
        }
        expect(planSeasonSoon(more).over).toBeLessThanOrEqual(plan.over + 1e-6)
      },
      0.3,
    ))
  it('takes what a change says it leaves', () =>
    hold(
      anySeason,
      (of) => {
        for (const { change, over, fits } of seasonMends(of, planSeasonSoon(of))) {
          const after = planSeasonSoon({
            ...of,
            season: { ...of.season, ...changedBy(change, of.season) },
            pieces:
              change.kind === 'fewer'
                ? of.pieces.map((each) => (each.id === change.piece ? { ...each, copies: change.copies } : each))
                : of.pieces,
          })
          expect([after.over, after.fits]).toEqual([over, fits])
        }
      },
      0.1,
    ))
  it('lets nothing be bought by a day that is past', () =>
    hold(anySeason, (of) => {
      for (const { by } of planSeasonSoon(of).buying) expect(by >= MONDAY).toBe(true)
    }))
  it('takes a piece down on the day that the year and its own page say', () =>
    hold(anySeason, (of) => {
      for (const dates of planSeasonSoon(of).pieces) {
        const own = of.pieces.find(({ id }) => id === dates.id)!
        if (own.due === null || dates.begins === null) continue
        const fresh = dates.fresh !== null
        const down = comesDownOn(own.due, own.hangs, keepsHanging(fresh, own.indoors, shelf))
        expect(dates.down).toBe(down)
        const start = startPiece('p', 'P')
        const [bar] = yearOf(
          '2026',
          [],
          [
            {
              ...start,
              brief: { ...start.brief, weather: own.indoors ? 'indoors' : 'open' },
              making: { ...start.making, day: own.due, hangs: own.hangs },
              fresh,
            },
          ],
          shelf,
        )
        expect(bar!.to).toBe(down)
      }
    }))
  it('takes as long for one piece, copies and all, as that piece’s own days say', () =>
    hold(fc.tuple(anyTasks, fc.integer({ min: 1, max: 4 })), ([all, copies]) => {
      const chores = planSeasonSoon({
        season: usualSeason(),
        batches: [],
        pieces: [makingOf('p', null, all, { copies })],
        today: MONDAY,
        rates: shelf,
        freshDays: [],
      }).hands
      expect(all.reduce((n, { kind, hands }) => n + handsOfCopies(kind, hands, copies, shelf), 0)).toBeCloseTo(chores, 6)
    }))
})

describe('the days of one piece', () => {
  it('wait for what dries, and not for what only sets', () =>
    hold(anyTasks, (all) => {
      const booked = new Map(bookDays(all, 180).map((each) => [each.id, each]))
      for (const { id, after, wet } of all)
        for (const before of after) {
          const of = booked.get(before)!
          expect(booked.get(id)!.begins).toBeGreaterThanOrEqual((wet?.includes(before) ? of.handsOff : of.done) - 1e-6)
        }
    }))
})
