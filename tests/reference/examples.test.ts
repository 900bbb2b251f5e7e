import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import * as placement from '../../core/placement'
import * as base from '../../core/base'
import * as garlandRuns from '../../core/base/garland-runs'
import * as constructions from '../../core/constructions'
import * as cut from '../../core/cut'
import * as measure from '../../core/measure'
import * as formats from '../../core/formats'
import * as hanging from '../../core/hanging'
import * as piece from '../../core/piece'
import * as price from '../../core/price'
import * as daybook from '../../core/daybook'
import * as material from '../../core/material'
import * as season from '../../core/season'
import * as tasks from '../../core/tasks'
import * as stock from '../../core/stock'

/** The examples that stand in the docstrings of the core's formulas are true: `@example call // what it gives`. */
const CORE = fileURLToPath(new URL('../../core', import.meta.url))
const files = readdirSync(CORE, { recursive: true })
  .map(String)
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
const scope: Record<string, unknown> = {
  ...piece,
  ...daybook,
  ...stock,
  ...material,
  ...season,
  ...formats,
  ...tasks,
  ...hanging,
  ...price,
  ...cut,
  ...constructions,
  ...placement,
  ...garlandRuns,
  ...base,
  ...measure,
}

/** What a text comes to as an expression with the core's exports about it; undefined when it is none. */
function valueOf(text: string): { readonly value: unknown } | undefined {
  try {
    return { value: new Function(...Object.keys(scope), `return (${text})`)(...Object.values(scope)) as unknown }
  } catch {
    return undefined
  }
}

const examples = files.flatMap((file) =>
  [...readFileSync(join(CORE, file), 'utf8').matchAll(/@example (.+?) \/\/ ([^*\n]+)/g)].flatMap(([, call, says]) => {
    const said = valueOf(says!.trim())
    // What is said in words, or only in part, is for readers.
    return said === undefined || said.value === undefined ? [] : [{ file, call: call!, said: said.value }]
  }),
)

/** What stands after the arrow is code, and not words: a number, a text, a list, a word for nothing. */
const CODE = /^(-?[\d.]+|'.*'|\[.*\]|\{.*\}|true|false|null)$/

describe('the examples of the docstrings', () => {
  it('that say a value in code are all tried', () => {
    const dropped = files.flatMap((file) =>
      [...readFileSync(join(CORE, file), 'utf8').matchAll(/@example (.+?) \/\/ ([^*\n]+)/g)].flatMap(([, call, says]) =>
        CODE.test(says!.trim()) && !examples.some((each) => each.file === file && each.call === call) ? [`${file}: ${call}`] : [],
      ),
    )
    expect(dropped).toEqual([])
  })
  it('are many', () => expect(examples.length).toBeGreaterThan(45))
  it.each(examples)('$file: $call', ({ call, said }) => {
    const gives = valueOf(call)
    expect(gives, 'it can be worked out').toBeDefined()
    // A number is said to three places.
    if (typeof said === 'number') expect(Math.abs(Number(gives!.value) - said)).toBeLessThan(1e-3 * Math.max(1, Math.abs(said)))
    else expect(gives!.value).toEqual(said)
  })
})
