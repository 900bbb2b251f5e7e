import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { afterAll, beforeEach, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { db } from '~/db'
import { useProgress } from './useProgress'

beforeEach(async () => {
  setActivePinia(createPinia())
  await db().progress.clear()
})
const scope = effectScope()
afterAll(() => scope.stop())

const follow = (kept = true) => scope.run(() => useProgress('ring', kept))!

it('keeps what is done, counted and timed, and another page goes on from there', async () => {
  const one = follow()
  await vi.waitFor(() => expect(one.ready.value).toBe(true))
  one.set({ done: ['base'], at: 'stems' })
  one.count('stems', 3)
  one.start('Paint', 120)
  await vi.waitFor(async () => expect((await db().progress.get('ring'))?.timers).toHaveLength(1))
  const other = follow()
  await vi.waitFor(() => expect(other.progress.value).toMatchObject({ done: ['base'], at: 'stems', counted: { stems: 3 } }))
  const [timer] = other.progress.value.timers
  expect(timer).toMatchObject({ name: 'Paint', of: 120 * 60_000 })
  expect(timer!.ends - Date.now()).toBeGreaterThan(119 * 60_000)
})

it('presses that come faster than the storage writes are all taken, in order', async () => {
  const one = follow()
  await vi.waitFor(() => expect(one.ready.value).toBe(true))
  for (let i = 1; i <= 30; i++) {
    one.set({ done: [...one.progress.value.done, `t${i}`] })
    if (i % 3 === 0) await new Promise((resolve) => setTimeout(resolve, 1))
  }
  expect(one.progress.value.done).toHaveLength(30)
  await vi.waitFor(async () => expect((await db().progress.get('ring'))?.done).toHaveLength(30))
  expect(one.progress.value.done).toHaveLength(30)
})

it('a piece that is only looked at leaves nothing behind', async () => {
  const one = follow(false)
  expect(one.ready.value).toBe(true)
  one.set({ done: ['base'] })
  one.again()
  expect(one.progress.value.done).toEqual([])
  expect(await db().progress.count()).toBe(0)
})

it('adds up the time at each task, and timers ring as long after they were set as they were set for', async () => {
  const one = follow(false)
  one.spend('base', 1.5)
  one.spend('base', 2)
  expect(one.progress.value.spent).toEqual({ base: 3.5 })
  one.start('Paint', 120)
  const before = one.progress.value.timers[0]!.ends
  // The clock was put back an hour.
  one.clockMoved(-3_600_000)
  expect(one.progress.value.timers[0]!.ends).toBe(before - 3_600_000)
  one.again()
  expect(one.progress.value.spent).toEqual({})
})
