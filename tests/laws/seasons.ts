import fc from 'fast-check'
import { daysAfter } from '../../core/measure'
import type { SeasonJob, ToMake } from '../../core/season'
import { usualSeason } from '../../core/season'
import type { TaskTime } from '../../core/tasks'
import { TASK_KINDS } from '../../core/tasks'
import { makingOf, shelf, taskOf } from '../../core/testing'

export const MONDAY = '2026-11-02'
const task = fc.record({
  kind: fc.constantFrom(...TASK_KINDS),
  hands: fc.constantFrom(0, 5, 20, 60, 150),
  waits: fc.constantFrom(0, 0, 0, 60, 1500),
  after: fc.array(fc.nat({ max: 3 }), { maxLength: 2 }),
  wet: fc.boolean(),
  fresh: fc.boolean(),
})
/** Tasks, each of which may wait for those before it. */
export const anyTasks: fc.Arbitrary<TaskTime[]> = fc.array(task, { minLength: 1, maxLength: 4 }).map((all) =>
  all.map(({ kind, hands, waits, after, wet, fresh }, i) => {
    const before = [...new Set(after.filter((k) => k < i))].map((k) => `t${k}`)
    return taskOf(`t${i}`, hands, { kind, waits, after: before, ...(wet ? { wet: before } : {}), fresh })
  }),
)
const piece = fc.record({
  tasks: anyTasks,
  copies: fc.integer({ min: 1, max: 3 }),
  due: fc.option(fc.integer({ min: 0, max: 20 }), { nil: null }),
  hangs: fc.option(fc.integer({ min: 1, max: 40 }), { nil: null }),
  indoors: fc.boolean(),
})
/** A season of a few pieces with a few tasks each, some due, some together, in evenings. */
export const anySeason: fc.Arbitrary<SeasonJob> = fc
  .record({ all: fc.array(piece, { minLength: 1, maxLength: 4 }), together: fc.boolean(), evening: fc.constantFrom(60, 120, 240) })
  .map(({ all, together, evening }) => {
    const pieces: ToMake[] = all.map(({ due, ...of }, i) =>
      makingOf(`p${i}`, due === null ? null : daysAfter(MONDAY, due), of.tasks, {
        copies: of.copies,
        hangs: of.hangs,
        indoors: of.indoors,
      }),
    )
    return {
      season: { ...usualSeason(), hours: { week: Array.from({ length: 7 }, () => ({ from: 1080, minutes: evening })), days: [] } },
      batches: together && pieces.length > 1 ? [{ id: 'b', name: 'Batch', pieces: pieces.map(({ id }) => id) }] : [],
      pieces,
      today: MONDAY,
      rates: shelf,
      freshDays: [],
    }
  })
