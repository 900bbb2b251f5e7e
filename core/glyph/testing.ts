import { expect } from 'vitest'
import type { Looks } from './item'
import { itemGlyph } from './item'
import type { Glyph, Mark } from './marks'

/** All numbers of a path. */
export const numbers = (d: string): number[] => (d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number)

/** Expects every mark to be a closed or stroked path of finite numbers. */
export function sound(marks: readonly Mark[]): void {
  for (const { d, fill, stroke, opacity } of marks) {
    expect(d).toMatch(/^M[-\d. MLCAZ]+$/)
    expect(fill ?? stroke).toBeDefined()
    if (fill) expect(d.endsWith('Z'), 'a filled outline is closed').toBe(true)
    if (stroke) expect(stroke.width).toBeGreaterThan(0)
    if (opacity !== undefined) expect(opacity).toBeGreaterThan(0)
    for (const paint of [fill, stroke?.paint]) {
      if (typeof paint !== 'object') continue
      expect(paint.stops.map(([at]) => at)).toEqual(paint.stops.map(([at]) => at).sort((a, b) => a - b))
      expect([...(paint.kind === 'linear' ? [...paint.from, ...paint.to] : [...paint.centre, ...paint.focus, paint.radius])].every(Number.isFinite)).toBe(true)
    }
  }
}

export const draw = (species: string, length: number, width: number, more: Partial<Looks> = {}): Glyph =>
  itemGlyph({ species, length, width, seed: 3, bearing: 0, tint: null, words: null, depth: 0, rise: 0, made: null, ...more })
