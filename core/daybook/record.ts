import { z } from 'zod'
import type { Day, Unit } from '../measure'
import { DaySchema } from '../measure'

const id = z.string().min(1).max(160)
const amount = z.number().min(0, 'An amount is nought or more.').max(10_000_000)

/** What is compared: minutes of a task, an amount of a material, or what was counted. */
export const COMPARED = ['task', 'material', 'count'] as const
export const UNITS_COMPARED = ['time', 'count', 'length'] as const satisfies readonly Unit[]

/** One thing as it was planned and as it was made, for one piece, and the rules that it tells something of. */
export const ComparedSchema = z.strictObject({
  id,
  of: z.enum(COMPARED),
  name: z.string().min(1).max(200),
  unit: z.enum(UNITS_COMPARED).describe('minutes, pieces, or mm'),
  planned: amount,
  took: amount.nullable().describe('null: as planned, or not written down'),
  broke: amount.nullable().describe('of what it took, pieces that broke; null is not said'),
  covers: z.boolean().describe('greenery that covers the base of a full or lush piece'),
  rules: z
    .array(
      z.strictObject({
        id: z.string().min(1).max(80),
        value: z.number().describe('what the rule said then'),
        goes: z.enum(['with', 'against', 'broken']).describe('with what it took, against it, or by the share that broke'),
      }),
    )
    .max(20),
})
export type Compared = z.infer<typeof ComparedSchema>

export const ENDS_OF = ['hangs', 'came down', 'sold', 'given away', 'fell'] as const

/** What really happened with one piece. */
export const RecordSchema = z.strictObject({
  id,
  piece: id,
  name: z.string().min(1).max(80),
  occasion: z.string().max(80),
  base: z.string().min(1).max(40).describe('the kind of base'),
  run: z.number().min(0).max(200_000).describe('all its runs together, mm'),
  day: DaySchema.describe('when it was made'),
  compared: z.array(ComparedSchema).max(600),
  order: z.array(id).max(300).describe('tasks in the order in which they were done'),
  money: z.strictObject({ planned: z.int().min(0), spent: z.int().min(0).nullable() }).describe('what was opened for one, minor units'),
  otherwise: z.string().max(2000).describe('what to do otherwise next time'),
  where: z.string().max(120).describe('where it hung'),
  from: DaySchema.nullable(),
  to: DaySchema.nullable().describe('when it came down'),
  end: z.enum(ENDS_OF),
  lasted: z.string().max(400).describe('how it lasted'),
  photos: z.array(id).max(60),
})
export type DaybookRecord = z.infer<typeof RecordSchema>

/** One thing that a record says of a rule. */
export interface RuleReading {
  readonly rule: string
  readonly value: number
  readonly record: string
  readonly name: string
  readonly day: Day
}

/**
 * What a record tells of rules of thumb: where hands took half as long again as planned, each rule that the minutes went by is
 * half as much again. What was not written down tells nothing.
 * @example readingsOf({ id: 'r', name: 'Ring', day: '2026-01-14', compared: [{ planned: 30, took: 36, broke: 0, rules: [{ id: 'steps.bundle-each', value: 2.5, goes: 'with' }] }] })[0].value // 3
 */
export function readingsOf({
  id: record,
  name,
  day: on,
  compared,
}: Pick<DaybookRecord, 'id' | 'name' | 'day' | 'compared'>): RuleReading[] {
  return compared.flatMap(({ planned, took, broke, rules }) => {
    if (took === null) return []
    return rules.flatMap((rule): RuleReading[] => {
      const value =
        rule.goes === 'broken'
          ? took > 0 && broke !== null
            ? broke / took
            : NaN
          : rule.goes === 'with'
            ? (rule.value * took) / planned
            : (rule.value * planned) / took
      return rule.goes === 'broken' && broke === null ? [] : [{ rule: rule.id, value, record, name, day: on }]
    })
  })
}

/** Minutes of hands in all, planned and as it was. */
export const minutesIn = ({ compared }: DaybookRecord): { readonly planned: number; readonly took: number } => {
  const tasks = compared.filter(({ of }) => of === 'task')
  return {
    planned: tasks.reduce((all, each) => all + each.planned, 0),
    took: tasks.reduce((all, each) => all + (each.took ?? each.planned), 0),
  }
}
