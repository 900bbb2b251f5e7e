import { z } from 'zod'
import { DaySchema } from '../measure'
import { HoursSchema, usualHours } from './working-hours'

const id = z.string().min(1).max(80)
/** A task of one piece. */
export const TaskOfSchema = z.strictObject({ piece: id, task: z.string().min(1).max(200) })
export type TaskOf = z.infer<typeof TaskOfSchema>

/** What a maker decided of the season: when hands work, and where a hand moved a piece. Nothing that follows from it. */
export const SeasonSchema = z.strictObject({
  hours: HoursSchema,
  from: DaySchema.nullable().describe('when the work on it begins at the earliest; null today'),
  to: DaySchema.nullable().describe('pieces due after this day are left for later; null takes all'),
  pins: z.record(id, DaySchema).describe('pieces that begin on a day of their maker’s choice, by their ids'),
  later: z.array(id).max(2000).describe('pieces that are left out, by their ids'),
  ready: z.array(TaskOfSchema).max(2000).describe('bows that are bought ready-made'),
})
export type Season = z.infer<typeof SeasonSchema>

export const usualSeason = (): Season => ({ hours: usualHours(), from: null, to: null, pins: {}, later: [], ready: [] })

/** Pieces that are made together: a mirrored pair, or a batch of different ones. */
export const BatchSchema = z.strictObject({
  id,
  name: z.string().trim().min(1, 'Give the batch a name.').max(80),
  pieces: z.array(id).min(1).max(200),
})
export type Batch = z.infer<typeof BatchSchema>
