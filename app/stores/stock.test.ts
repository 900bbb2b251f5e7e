import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { thingsOf } from '#core/stock'
import { db } from '~/db'
import { useStock } from './stock'

beforeEach(async () => {
  setActivePinia(createPinia())
  await db().lots.clear()
})

it('counts what is in the house in one lot, and forgets what is gone', async () => {
  const stock = useStock()
  await stock.count('ivy', 4)
  expect(thingsOf(stock.lots, 'ivy')).toBe(4)
  await stock.count('ivy', 6)
  expect(await db().lots.toArray()).toMatchObject([{ material: 'ivy', things: 6, source: { kind: 'counted' } }])
  await stock.count('ivy', 0)
  expect(await db().lots.count()).toBe(0)
})
it('adds lengths and takes them away, and prices by what is there', async () => {
  const stock = useStock()
  await stock.addLength('ribbon-slate', 500)
  await vi.waitFor(() => expect(stock.pricing.lots).toMatchObject([{ material: 'ribbon-slate', length: 500, things: null }]))
  await stock.remove(stock.lots.map(({ id }) => id))
  await vi.waitFor(() => expect(stock.lots).toEqual([]))
})
