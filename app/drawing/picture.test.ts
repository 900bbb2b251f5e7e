import { describe, expect, it } from 'vitest'
import { layerOf, pieceWith, shelf } from '#core/testing'
import { work } from '#core/workings'
import { framed, PIXELS, pixelsDown, viewFor, wrongPixels } from './picture'

const workings = work(pieceWith([layerOf('a', 'bracken', { kind: 'compass', count: 9, start: 0 })]), shelf)

describe('a picture to give out', () => {
  it('frames the piece with a little about it, or the whole door', () => {
    const [near, whole] = [framed(workings, 'piece'), framed(workings, 'whole')]
    const { size } = workings
    expect(near.left).toBeLessThan(size.left)
    expect(near.right - near.left).toBeLessThan((size.right - size.left) * 1.25)
    expect(whole.bottom - whole.top).toBeGreaterThan(2000)
  })
  it('keeps its proportions in whole pixels, and shows just what is framed', () => {
    const bounds = { left: -100, right: 100, top: -50, bottom: 100 }
    expect(pixelsDown(bounds, 800)).toBe(600)
    expect(viewFor({ scene: workings.scene, bounds, across: 800, bare: false })).toEqual({ x: 0, y: 25, scale: 4, width: 800, height: 600 })
  })
  it('refuses parts of pixels, too few, too many across, and too many down, and says how many it can be', () => {
    const square = { left: 0, right: 100, top: 0, bottom: 100 }
    expect(wrongPixels(square, PIXELS.most)).toBeNull()
    for (const across of [PIXELS.most + 1, PIXELS.least - 1, 100.5, Number.NaN])
      expect(wrongPixels(square, across)).toBe('A whole number from 64 to 6,000.')
    const tall = { left: 0, right: 100, top: 0, bottom: 300 }
    expect(wrongPixels(tall, 6000)).toBe('It would be 18,000 pixels high; the most is 9,000. Take 3,000 across or fewer.')
    expect(wrongPixels(tall, 3000)).toBeNull()
  })
})
