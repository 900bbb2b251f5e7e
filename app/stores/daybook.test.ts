import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import type { DaybookRecord } from '#core/daybook'
import { rate } from '#core/measure'
import { BUNDLE_EACH } from '#core/tasks/rules-of-thumb'
import { db } from '~/db'
import { useDaybook } from './daybook'
import { useSettings } from './settings'
import { useShops } from './shops'

beforeEach(async () => {
  setActivePinia(createPinia())
  await db().daybook.clear()
  await db().settings.clear()
})

const page = (id: string, took: number, day: string): DaybookRecord => ({
  id,
  piece: 'ring',
  name: 'Ring',
  occasion: '',
  base: 'wire-ring',
  run: 1000,
  day,
  compared: [
    {
      id: 'layer:a',
      of: 'task',
      name: 'Bundles',
      unit: 'time',
      planned: 30,
      took,
      broke: 0,
      covers: false,
      rules: [{ id: BUNDLE_EACH.id, value: 2.5, goes: 'with' }],
    },
  ],
  order: [],
  money: { planned: 0, spent: null },
  otherwise: '',
  where: '',
  from: null,
  to: null,
  end: 'hangs',
  lasted: '',
  photos: [],
})

it('a page changes what figures go by, one click sets it back, and a hand goes before both', async () => {
  const [daybook, settings, shops] = [useDaybook(), useSettings(), useShops()]
  expect(shops.shelf.measured).toBeUndefined()
  await daybook.keep(page('a', 45, '2026-01-01'))
  // A reading of 3.75 min moves 2.5 by a quarter of the way.
  await vi.waitFor(() => expect(rate(BUNDLE_EACH, shops.shelf)).toBeCloseTo(2.8125, 4))
  settings.goByReadings(BUNDLE_EACH.id, false)
  expect(rate(BUNDLE_EACH, shops.shelf)).toBe(2.5)
  settings.goByReadings(BUNDLE_EACH.id, true)
  settings.setRate(BUNDLE_EACH, 4)
  expect(rate(BUNDLE_EACH, shops.shelf)).toBe(4)
})
it('keeps the same rates as long as nothing of them changed: all figures hang on them', async () => {
  const daybook = useDaybook()
  await daybook.keep(page('a', 45, '2026-01-01'))
  await vi.waitFor(() => expect(Object.keys(daybook.measured)).toEqual([BUNDLE_EACH.id]))
  const before = daybook.measured
  await daybook.keep({ ...page('a', 45, '2026-01-01'), where: 'Mill door' })
  await vi.waitFor(() => expect(daybook.records[0]!.where).toBe('Mill door'))
  expect(daybook.measured).toBe(before)
})
it('a page that is torn out takes its photos along, and what it taught', async () => {
  const daybook = useDaybook()
  await db().photos.bulkPut(['mine', 'other'].map((id) => ({ id, picture: new Blob(['x']) })))
  await daybook.keep({ ...page('a', 45, '2026-01-01'), photos: ['mine'] })
  await vi.waitFor(() => expect(Object.keys(daybook.measured)).toHaveLength(1))
  await daybook.remove(daybook.records[0]!)
  await vi.waitFor(() => expect(daybook.measured).toEqual({}))
  expect((await db().photos.toArray()).map(({ id }) => id)).toEqual(['other'])
})
it('refuses a page that makes no sense', async () => {
  const daybook = useDaybook()
  expect(() => daybook.keep({ ...page('a', -1, '2026-01-01') })).toThrow()
  expect(await db().daybook.count()).toBe(0)
})
