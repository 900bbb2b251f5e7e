import SVGPathCommander from 'svg-path-commander'
import { describe, expect, it } from 'vitest'
import { itemGlyph, SPECIES, baseGlyph } from '../../core/looks'
import type { Glyph } from '../../core/looks'
import type { Bounds } from '../../core/measure'
import { BASE_KINDS, runsOf, usualBase } from '../../core/base'

/**
 * Source: svg-path-commander (registry), which finds the bounding box of path data by its own sums. What is painted
 * reaches half a stroke further; round caps and joins reach no more than that.
 */
function boxOf({ marks }: Glyph): Bounds {
  const boxes = marks
    .filter(({ cast }) => !cast)
    .map(({ d, stroke }) => {
      const { x, y, x2, y2 } = SVGPathCommander.getPathBBox(d)
      const half = (stroke?.width ?? 0) / 2
      return { left: x - half, top: y - half, right: x2 + half, bottom: y2 + half }
    })
  return {
    left: Math.min(...boxes.map(({ left }) => left)),
    top: Math.min(...boxes.map(({ top }) => top)),
    right: Math.max(...boxes.map(({ right }) => right)),
    bottom: Math.max(...boxes.map(({ bottom }) => bottom)),
  }
}

/** Path data is written to hundredths of a millimetre. */
const ROUNDING = 0.03

function sameBox(glyph: Glyph): void {
  const box = boxOf(glyph)
  for (const side of ['left', 'top', 'right', 'bottom'] as const)
    expect(Math.abs(glyph.bounds[side] - box[side]), side).toBeLessThan(ROUNDING)
}

describe('the bounds that drawings declare are those that an independent reader of paths finds', () => {
  it.each(Object.keys(SPECIES))('%s', (species) => {
    sameBox(
      itemGlyph({
        species,
        length: 120,
        width: 70,
        bend: 0,
        seed: 5,
        bearing: 40,
        tint: null,
        words: null,
        depth: 0,
        rise: 0,
        made: null,
        part: null,
      }),
    )
  })
  it.each(BASE_KINDS)('base: %s', (kind) => sameBox(baseGlyph(usualBase(kind), runsOf(usualBase(kind)))))
})
