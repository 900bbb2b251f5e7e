import { expect, it } from 'vitest'
import { z } from 'zod'
import './faults'

const said = (schema: z.ZodType, value: unknown): string[] => schema.safeParse(value).error!.issues.map(({ message }) => message)

it.each([
  [z.array(z.string()), 7, 'It should be a list, and is a number.'],
  [z.strictObject({ a: z.number() }), {}, 'It is not there; it should be a number.'],
  [z.number(), NaN, 'It should be a number, and is no number.'],
  [z.int(), 1.5, 'It should be a whole number, and is a number.'],
  [z.string(), null, 'It should be a text, and is nothing.'],
  [z.record(z.string(), z.number()), [], 'It should be a record, and is a list.'],
  [z.enum(['in', 'cm']), 'mm', 'It should be “in” or “cm”.'],
  [z.literal(null), 4, 'It should be nothing.'],
  [z.number().min(3), 2, 'It should be 3 or more.'],
  [z.number().gt(3), 3, 'It should be over 3.'],
  [z.number().max(3), 4, 'It should be 3 or less.'],
  [z.number().lt(3), 3, 'It should be under 3.'],
  [z.string().min(1), '', 'It should have 1 letter at least.'],
  [z.string().max(2), 'abc', 'It should have 2 letters at most.'],
  [z.array(z.number()).max(1), [1, 2], 'It should have 1 entry at most.'],
  [z.strictObject({}), { more: 1 }, 'It has “more”, which nothing here knows.'],
  [z.iso.datetime(), 'yesterday', 'It is no date and time.'],
  [z.string().regex(/^#/), 'red', 'It is not written as it should be.'],
  [z.union([z.string(), z.number()]), null, 'It is none of what may stand here.'],
] as const)('%#: says %s', (schema, value, words) => expect(said(schema, value)).toEqual([words]))

it('leaves a schema its own words', () => expect(said(z.string().min(1, 'Give it a name.'), '')).toEqual(['Give it a name.']))
