import { expect, it } from 'vitest'
import { BASE_KINDS, usualBase } from '#core/base'
import { tuckGlyph } from '#core/looks'
import { FOOT, footOf } from './sprites'

it.each(BASE_KINDS)('keeps what crosses over a foot on a %s within the place that is painted for it', (kind) => {
  for (let turn = 0; turn < 360; turn += 10) {
    for (let seed = 0; seed < 8; seed++) {
      const { bounds } = tuckGlyph(usualBase(kind), { x: 0, y: 0 }, turn, turn * 7, seed)
      for (const reach of [-bounds.left, -bounds.top, bounds.right, bounds.bottom]) expect(reach).toBeLessThan(FOOT - 2)
    }
  }
  expect(footOf({ x: 100, y: -50 })).toEqual({ left: 70, right: 130, top: -80, bottom: -20 })
})
