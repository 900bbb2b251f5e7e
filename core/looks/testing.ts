import { expect } from 'vitest'
import type { Looks } from './looks'
import { itemGlyph } from './glyphs'
import type { Glyph, Mark } from './vector-marks'

/** All numbers of a path. */
export const numbers = (d: string): number[] => (d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number)

/** Expects every mark to be a closed or stroked path of finite numbers. */
export const sound = (marks: readonly Mark[]): void => expect(marks.flatMap(wrongWith)).toEqual([])

/** What is wrong with a mark. All of a drawing's marks are looked at in one expectation: each costs as much as a hundred looks. */
function wrongWith({ d, fill, stroke, opacity }: Mark): string[] {
  const wrong = (is: boolean, what: string): string[] => (is ? [`${what}: ${d.slice(0, 60)}`] : [])
  return [
    ...wrong(!/^M[-\d. MLCAZ]+$/.test(d), 'no path of finite numbers'),
    ...wrong(!fill && !stroke, 'neither filled nor stroked'),
    ...wrong(Boolean(fill) && !d.endsWith('Z'), 'a filled outline that is open'),
    ...wrong(stroke !== undefined && !(stroke.width > 0), 'a stroke without width'),
    ...wrong(opacity !== undefined && !(opacity > 0), 'not to be seen'),
    ...[fill, stroke?.paint].flatMap((paint) =>
      typeof paint === 'object'
        ? [
            ...wrong(
              paint.stops.some(([at], i) => i > 0 && at < paint.stops[i - 1]![0]),
              'stops out of order',
            ),
            ...wrong(
              ![...(paint.kind === 'linear' ? [...paint.from, ...paint.to] : [...paint.centre, ...paint.focus, paint.radius])].every(
                Number.isFinite,
              ),
              'a gradient without a place',
            ),
          ]
        : [],
    ),
  ]
}

/** Draws a species alone. */
export const draw = (species: string, length: number, width: number, more: Partial<Looks> = {}): Glyph =>
  itemGlyph({
    species,
    length,
    width,
    seed: 3,
    bend: 0,
    bearing: 0,
    tint: null,
    words: null,
    depth: 0,
    rise: 0,
    made: null,
    part: null,
    ...more,
  })
