import { expect, it } from 'vitest'
import { inSlices } from './cooperative-jobs'

function* counting(most: number): Generator<number, { readonly reached: number; readonly whole: boolean }, boolean | undefined> {
  for (let i = 1; i <= most; i++) {
    // Long enough that a slice is over every few steps.
    const until = performance.now() + 15
    while (performance.now() < until) {
      /* work */
    }
    if (yield i) return { reached: i, whole: false }
  }
  return { reached: most, whole: true }
}

it('goes to the end, telling how far it is', async () => {
  const told: number[] = []
  expect(
    await inSlices(
      counting(12),
      (i) => told.push(i),
      () => false,
    ),
  ).toEqual({ reached: 12, whole: true })
  expect(told.length).toBeGreaterThan(0)
  expect(told).toEqual([...told].sort((a, b) => a - b))
})
it('looks at messages in between, and ends early with what there is when it is told to', async () => {
  let stop = false
  setTimeout(() => {
    stop = true
  }, 60)
  const { reached, whole } = await inSlices(
    counting(1000),
    () => {},
    () => stop,
  )
  expect(whole).toBe(false)
  expect(reached).toBeLessThan(1000)
})
