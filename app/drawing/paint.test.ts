import { expect, it } from 'vitest'
import { CanvasSheet } from './paint'

/** A context that keeps how see-through each fill was. */
function contextOf() {
  const filled: number[] = []
  const ctx = {
    globalAlpha: 1,
    beginPath() {},
    moveTo() {},
    lineTo() {},
    closePath() {},
    fill() {
      filled.push(ctx.globalAlpha)
    },
    stroke() {},
  }
  return { ctx: ctx as unknown as CanvasRenderingContext2D, filled }
}

// A hat of straw lost its ribbon: pictures put on the canvas after a faint stroke were as faint.
it('a sheet leaves its canvas as it was: what is put on it next is not see-through because the last stroke was', () => {
  const { ctx, filled } = contextOf()
  const sheet = new CanvasSheet(ctx, 1)
  sheet.put({ kind: 'lines', lines: [[[0, 0], [9, 0]]], closed: false }, { fill: '#000', opacity: 0.2 }) // prettier-ignore
  expect(filled).toEqual([0.2])
  expect(ctx.globalAlpha).toBe(1)
})
