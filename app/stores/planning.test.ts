import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it } from 'vitest'
import { useNotices } from '~/stores/notices'
import { WorkerLost, WorkerStopped } from '~/workers/bridge'
import { usePlanning } from './planning'

beforeEach(() => setActivePinia(createPinia()))
/** A plan whose tries are ended by hand, in any order. */
function planning() {
  const tries: { good(): void; bad(error: Error): void }[] = []
  const make = (): Promise<void> => new Promise((good, bad) => tries.push({ good, bad }))
  return { tries, ...usePlanning('It could not be planned', make) }
}

it('says why there is none, once it is known, and nothing of it while it is tried again', async () => {
  const { tries, noPlan, again } = planning()
  const first = again()
  expect(noPlan.value).toBeNull()
  tries[0]!.bad(new WorkerLost('The worker', 'it was silent for 45 seconds'))
  await first
  expect(noPlan.value).toBe('The worker could not be started, or broke off: it was silent for 45 seconds')
  expect(useNotices().shown).toMatchObject([{ severity: 'fault', title: 'It could not be planned' }])
  const second = again()
  expect(noPlan.value).toBeNull()
  tries[1]!.good()
  await second
  expect(noPlan.value).toBeNull()
})
it('says nothing of a try that a newer one took the place of', async () => {
  const { tries, noPlan, again } = planning()
  const first = again()
  const second = again()
  tries[0]!.bad(new Error('too late'))
  await first
  expect([noPlan.value, useNotices().shown]).toEqual([null, []])
  tries[1]!.good()
  await second
})
it('calls it no fault where somebody stopped it', async () => {
  const { tries, noPlan, again } = planning()
  const trying = again()
  tries[0]!.bad(new WorkerStopped())
  await trying
  expect([noPlan.value, useNotices().shown]).toEqual(['It was stopped.', []])
})
