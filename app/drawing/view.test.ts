import { expect, it } from 'vitest'
import { closeUp, fitView, fittingBench, outgrown, regionOf, toMm, zoomed } from './view'

it('fits bounds into a view, and shows just that region', () => {
  const view = fitView({ left: -100, right: 300, top: -50, bottom: 50 }, 800, 600, 1)
  expect(view).toEqual({ x: 100, y: 0, scale: 2, width: 800, height: 600 })
  expect(regionOf(view)).toEqual({ left: -100, right: 300, top: -150, bottom: 150 })
  expect(fitView({ left: 0, right: 10, top: 0, bottom: 1000 }, 800, 500, 1).scale).toBe(0.5)
})

const pane = { x: 0, y: 0, scale: 1, width: 800, height: 600 }

it('keeps what is fitted to the bench clear of the tools above and below', () => {
  // 800 by 600 less 40 above and below leaves 520 px for 260 mm.
  const view = fittingBench({ left: -50, right: 50, top: -130, bottom: 130 }, pane)
  expect(view).toEqual({ x: 0, y: 0, scale: 2, width: 800, height: 600 })
  expect(outgrown({ left: -50, right: 50, top: -130, bottom: 130 }, view)).toBe(false)
  // 261 mm are 522 px and stand out of 520; 190 mm are 380 px, 73 in 100.
  expect(outgrown({ left: -50, right: 50, top: -130, bottom: 131 }, view)).toBe(true)
  expect(outgrown({ left: -50, right: 50, top: -95, bottom: 95 }, view)).toBe(true)
  // 400 mm across are all of 800 px.
  expect(outgrown({ left: -200, right: 200, top: -10, bottom: 10 }, view)).toBe(false)
})

it('keeps the place under the pointer while it comes nearer, and goes no nearer than it may', () => {
  const at = { x: 700, y: 100 }
  const near = zoomed(pane, 2, at)
  expect(near.scale).toBe(2)
  // 300 px right and 200 above the middle at 1 px to the mm.
  expect(toMm(at, pane)).toEqual({ x: 300, y: -200 })
  expect(toMm(at, near)).toEqual({ x: 300, y: -200 })
  expect(zoomed(pane, 2)).toMatchObject({ x: 0, y: 0 })
  expect(zoomed(pane, 1000).scale).toBe(6)
  expect(zoomed(pane, 0.0001).scale).toBe(0.04)
})

it('looks from close up at what is chosen, else at where things lie closest', () => {
  const [alone, ...crowd] = [
    { x: -400, y: 0 },
    { x: 200, y: 10 },
    { x: 210, y: 0 },
    { x: 190, y: 0 },
  ]
  expect(closeUp([alone!, ...crowd], [], pane)!.x).toBeGreaterThan(100)
  expect(closeUp([alone!, ...crowd], [alone!], pane)).toMatchObject({ x: -400, y: 0 })
  expect(closeUp([alone!, ...crowd], [alone!, { x: 200, y: 10 }], pane)).toMatchObject({ x: -100, y: 5 })
  // 240 mm of 600 px.
  expect(closeUp(crowd, [], pane)!.scale).toBe(2.5)
  expect(closeUp([], [], pane)).toBeNull()
})

it('finds that what was fitted fits, whatever its sums come to', () => {
  for (let i = 1; i < 4000; i++) {
    const [across, down] = [101.3 + i * 0.37, 97.1 + ((i * 7919) % 4001) * 0.29]
    const bounds = { left: -across, right: across * 1.1, top: -down, bottom: down * 1.3 }
    expect(outgrown(bounds, fittingBench(bounds, { ...pane, width: 696, height: 544 })), `${across} by ${down}`).toBe(false)
  }
})
