import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readPiece } from '#core/formats'
import { showSum } from '#core/measure'
import type { Figure } from '#core/measure'
import { benchOf } from '#core/testing'

/**
 * Every number that the demo pieces give: a change that moves one says so here. Written anew with piece format 7, which holds,
 * hangs and orders the demo pieces by decisions of their own. `FIGURES=write npx vitest run tests/net/demo-figures` writes the file anew.
 */
const FILE = new URL('./demo-figures.json', import.meta.url)
const DEMO = new URL('../../demo/', import.meta.url)

const isFigure = (value: object): value is Figure => 'sum' in value && 'basis' in value

/** All figures within a value, by where they stand: things of a list by their id. */
function figuresIn(value: unknown, path: string, found: Record<string, string>): Record<string, string> {
  if (typeof value !== 'object' || value === null) return found
  if (isFigure(value))
    found[path] =
      `${Number(value.value.toFixed(4))} ${value.unit}, ${value.basis.kind}: ${showSum(value, { units: 'in', currency: 'USD' })}`
  else if (Array.isArray(value))
    value.forEach((each: unknown, i) =>
      figuresIn(each, `${path}/${typeof each === 'object' && each !== null && 'id' in each ? String(each.id) : i}`, found),
    )
  else
    for (const [name, each] of Object.entries(value))
      if (name !== 'placements' && name !== 'scene') figuresIn(each, `${path}/${name}`, found)
  return found
}

const now = Object.fromEntries(
  readdirSync(DEMO)
    .filter((name) => name.endsWith('.json'))
    .map((name) => {
      const read = readPiece(readFileSync(new URL(name, DEMO), 'utf8'))
      if (!read.ok) throw new Error(name)
      const workings = benchOf(read.piece)
      return [
        name,
        {
          ...figuresIn(workings, '', {}),
          problems: workings.problems.map(({ id }) => id).join(' '),
          placements: String(workings.placements.length),
        },
      ]
    }),
)
if (process.env.FIGURES === 'write') writeFileSync(FILE, `${JSON.stringify(now, null, 1)}\n`)
const before = JSON.parse(readFileSync(FILE, 'utf8')) as typeof now

describe('the numbers of the demo pieces', () => {
  it.each(Object.keys(before))('are those on file: %s', (name) => {
    expect(now[name]).toEqual(before[name])
  })
})
