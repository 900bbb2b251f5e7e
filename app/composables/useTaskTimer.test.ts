import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import type { EffectScope } from 'vue'
import { useTaskTimer } from './useTaskTimer'

let scope: EffectScope
let stopwatch = 0
let clock = 1_000_000
const page = Object.assign(new EventTarget(), { visibilityState: 'visible' })
const window = new EventTarget()
beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('document', page)
  vi.stubGlobal('window', window)
  page.visibilityState = 'visible'
  scope = effectScope()
  stopwatch = 0
  clock = 1_000_000
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

function begin(hands = 5) {
  const task = ref<string | null>('base')
  const spent: Record<string, number> = {}
  const moved: number[] = []
  scope.run(() =>
    useTaskTimer({
      task: () => task.value,
      hands: () => hands,
      spend: (of, minutes) => (spent[of] = (spent[of] ?? 0) + minutes),
      clockMoved: (by) => moved.push(by),
      stopwatch: () => stopwatch,
      clock: () => clock,
    }),
  )
  return { task, spent, moved }
}
/** So many seconds go by, in steps of five. */
function pass(seconds: number, touching = false): void {
  for (let s = 0; s < seconds; s += 5) {
    stopwatch += 5000
    clock += 5000
    if (touching) window.dispatchEvent(new Event('pointerdown'))
    vi.advanceTimersByTime(5000)
  }
}

it('times the task at hand, and each by itself', async () => {
  const { task, spent } = begin()
  pass(60)
  task.value = 'stems'
  await nextTick()
  pass(30)
  expect(spent.base).toBeCloseTo(1)
  expect(spent.stems).toBeCloseTo(0.5)
  task.value = null
  await nextTick()
  pass(60)
  expect(Object.values(spent).reduce((a, b) => a + b)).toBeCloseTo(1.5)
})
it('does not count a page that nobody looks at, nor the machine’s sleep', () => {
  const { spent } = begin()
  page.visibilityState = 'hidden'
  pass(60)
  expect(spent).toEqual({})
  page.visibilityState = 'visible'
  page.dispatchEvent(new Event('visibilitychange'))
  // An hour asleep: stopwatch and clock go on, the page does not.
  stopwatch += 3_600_000
  clock += 3_600_000
  pass(10)
  expect(spent.base ?? 0).toBeLessThan(0.2)
})
it('stops when nothing was touched for long, and goes on when something is', () => {
  const { spent } = begin(6)
  pass(20 * 60)
  expect(spent.base).toBeCloseTo(12, 0)
  pass(60, true)
  expect(spent.base).toBeCloseTo(13, 0)
})
it('a clock put back in the middle is told, and costs no time', () => {
  const { spent, moved } = begin()
  pass(30)
  clock -= 3_600_000
  pass(30)
  expect(moved).toEqual([-3_600_000])
  expect(spent.base).toBeCloseTo(1)
  clock += 3_600_000
  pass(5)
  expect(moved).toEqual([-3_600_000, 3_600_000])
})
it('the machine’s sleep is no clock put on, whether the stopwatch slept with it or not', () => {
  const { spent, moved } = begin()
  pass(30)
  // Ten minutes asleep: the stopwatch stood still.
  clock += 600_000
  pass(30)
  // And ten more, through which it went on.
  clock += 600_000
  stopwatch += 600_000
  pass(30, true)
  expect(moved).toEqual([])
  expect(spent.base).toBeCloseTo(1.5, 0)
  // After a clock that was put back, sleep is still sleep.
  clock -= 3_600_000
  pass(5)
  clock += 600_000
  pass(5)
  expect(moved).toEqual([-3_600_000])
})
