import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { lotOf } from '#core/stock'
import { db } from '~/db'
import { allTried } from '~/db/pending'
import { useNotices } from '~/stores/notices'
import { useDraft } from './useDraft'

const closers: (() => void)[] = []
afterEach(() => closers.splice(0).forEach((close) => close()))
beforeEach(async () => {
  setActivePinia(createPinia())
  await db().drafts.clear()
})
const bay = lotOf('bay', 'bay', { things: 3 })
/** A form that is opened. @returns what it shows, and how it is closed */
function opened(begun = bay, whole = false) {
  const scope = effectScope()
  closers.push(() => scope.stop())
  const form = scope.run(() => useDraft({ kind: 'lot', of: 'bay', begun, title: ({ place }) => `Bay in ${place}`, whole }))!
  return { ...form, close: () => scope.stop() }
}
const kept = () => db().drafts.get('lot:bay')

it('keeps what is written, and whoever opens the form again finds it', async () => {
  const one = opened()
  one.set({ place: 'drawer 7' })
  one.set({ things: 4 })
  one.close()
  await vi.waitFor(async () => expect(await kept()).toBeDefined())
  expect(await kept()).toMatchObject({ title: 'Bay in drawer 7', begun: bay, changed: { place: 'drawer 7', things: 4 } })
  const other = opened()
  await vi.waitFor(() => expect(other.value.value).toEqual({ ...bay, place: 'drawer 7', things: 4 }))
  expect(Date.now() - other.since.value!).toBeLessThan(60_000)
})
it('lays it over what is in the record by now, and what is typed before it is there counts', async () => {
  const one = opened()
  one.set({ place: 'drawer 7', season: 'Advent' })
  one.close()
  await vi.waitFor(async () => expect(await kept()).toBeDefined())
  const other = opened({ ...bay, things: 9 })
  other.set({ season: 'Easter' })
  await vi.waitFor(() => expect(other.since.value).not.toBeNull())
  expect(other.value.value).toEqual({ ...bay, things: 9, place: 'drawer 7', season: 'Easter' })
})
it('forgets what is as it began again, what is begun anew, and what is kept where it belongs', async () => {
  const one = opened()
  one.set({ place: 'drawer 7' })
  one.set({ place: '' })
  await allTried()
  expect(await kept()).toBeUndefined()
  one.set({ place: 'drawer 7' })
  await one.again()
  expect([one.value.value, one.since.value, await kept()]).toEqual([bay, null, undefined])
  one.set({ place: 'drawer 8' })
  await one.done()
  // A field that is left late says nothing any more.
  one.set({ place: 'drawer 9' })
  await allTried()
  expect(await kept()).toBeUndefined()
})
it('keeps when it was written, whoever looks at it; opening a form writes nothing', async () => {
  const one = opened()
  one.set({ place: 'drawer 7' })
  one.close()
  await vi.waitFor(async () => expect(await kept()).toBeDefined())
  await db().drafts.update('lot:bay', { at: 5 })
  const put = vi.spyOn(db().drafts, 'put')
  const gone = vi.spyOn(db().drafts, 'delete')
  const other = opened()
  await vi.waitFor(() => expect(other.since.value).toBe(5))
  other.close()
  const plain = effectScope()
  closers.push(() => plain.stop())
  plain.run(() => useDraft({ kind: 'lot', of: 'ivy', begun: bay, title: () => 'Ivy' }))
  await new Promise((resolve) => setTimeout(resolve, 30))
  expect([put.mock.calls.length, gone.mock.calls.length, (await kept())!.at]).toEqual([0, 0, 5])
})
it('keeps from the first what was chosen from outside', async () => {
  const one = opened(bay, true)
  await vi.waitFor(async () => expect(await kept()).toMatchObject({ begun: bay, changed: {} }))
  one.close()
  const other = opened(bay, true)
  await vi.waitFor(async () => expect(await kept()).toBeDefined())
  expect(other.since.value).toBeNull()
})
it('says so where it cannot be kept', async () => {
  const put = vi.spyOn(db().drafts, 'put').mockRejectedValueOnce(new Error('The disk is full.'))
  const one = opened()
  one.set({ place: 'drawer 7' })
  await vi.waitFor(() => expect(useNotices().shown[0]).toMatchObject({ severity: 'fault', title: 'What you write could not be kept' }))
  expect(one.value.value.place).toBe('drawer 7')
  put.mockRestore()
})
it('stays where the same form was done with in another tab', async () => {
  const one = opened()
  one.set({ place: 'drawer 7' })
  await vi.waitFor(async () => expect(await kept()).toBeDefined())
  const other = opened()
  await vi.waitFor(() => expect(other.since.value).not.toBeNull())
  other.set({ season: 'Advent' })
  await allTried()
  await one.done()
  await vi.waitFor(async () => expect((await kept())?.changed).toEqual({ place: 'drawer 7', season: 'Advent' }))
})
