import { z } from 'zod'

/** What may stand somewhere, in words. */
const KINDS: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no',
  array: 'a list',
  tuple: 'a list',
  object: 'a record',
  record: 'a record',
  null: 'nothing',
}
const MOST_NAMED = 6

function kindOf(input: unknown): string {
  if (input === null) return 'nothing'
  if (Array.isArray(input)) return 'a list'
  if (Number.isNaN(input)) return 'no number'
  return KINDS[typeof input] ?? 'something else'
}
const several = (n: number | bigint, one: string, many: string): string => `${n} ${Number(n) === 1 ? one : many}`

/**
 * What is wrong with something that was read, as a maker is told it; where it is wrong stands beside it.
 * @returns undefined where the schema has words of its own, or none fit
 */
export function faultSaid(issue: z.core.$ZodRawIssue): string | undefined {
  switch (issue.code) {
    case 'invalid_type': {
      const wanted = KINDS[issue.expected] ?? `a ${issue.expected}`
      return issue.input === undefined
        ? `It is not there; it should be ${wanted}.`
        : `It should be ${wanted}, and is ${kindOf(issue.input)}.`
    }
    case 'invalid_value':
      return issue.values.length > MOST_NAMED
        ? 'It is none of the words that may stand here.'
        : `It should be ${issue.values.map((each) => (each === null ? 'nothing' : `“${String(each)}”`)).join(' or ')}.`
    case 'too_small':
      if (issue.origin === 'string') return `It should have ${several(issue.minimum, 'letter', 'letters')} at least.`
      if (issue.origin === 'array' || issue.origin === 'set')
        return `It should have ${several(issue.minimum, 'entry', 'entries')} at least.`
      return issue.inclusive === false ? `It should be over ${issue.minimum}.` : `It should be ${issue.minimum} or more.`
    case 'too_big':
      if (issue.origin === 'string') return `It should have ${several(issue.maximum, 'letter', 'letters')} at most.`
      if (issue.origin === 'array' || issue.origin === 'set') return `It should have ${several(issue.maximum, 'entry', 'entries')} at most.`
      return issue.inclusive === false ? `It should be under ${issue.maximum}.` : `It should be ${issue.maximum} or less.`
    case 'unrecognized_keys':
      return `It has ${issue.keys.map((key) => `“${key}”`).join(', ')}, which nothing here knows.`
    case 'invalid_format':
      return issue.format === 'datetime' ? 'It is no date and time.' : 'It is not written as it should be.'
    case 'invalid_union':
      return 'It is none of what may stand here.'
    default:
      return undefined
  }
}

z.config({ customError: faultSaid })
