import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import type { Basket, Line } from '#core/price'
import { baseLots } from '#core/stock'
import { db } from '~/db'
import { useNotices } from '~/stores/notices'
import { useShops } from '~/stores/shops'
import { useShopping } from './useShopping'

const line = (material: string, packs: number, holds: number, cost: number, width: number | null = null): Line => ({
  material,
  of: { material, width },
  bought: { shop: 'Shop a', holds, price: cost / packs, reductions: [], stock: null, packs, cost: [cost, cost] },
})
const basket = (lines: readonly Line[], elsewhere: readonly Line[] = []): Basket => ({
  stops: [{ shop: 'a', name: 'Shop a', lines, goods: [0, 0], trip: 0, enough: true }],
  elsewhere,
  cost: [0, 0],
})

beforeEach(async () => {
  setActivePinia(createPinia())
  await Promise.all([db().purchases.clear(), db().lots.clear()])
  useShops().day = '2026-11-02'
})
async function written(...of: Parameters<typeof basket>) {
  const shopping = useShopping()
  await shopping.write(basket(...of))
  const count = of[0].length + (of[1]?.length ?? 0)
  await vi.waitFor(() => expect(shopping.lines).toHaveProperty('value.length', count))
  return shopping
}

it('has the lines of a basket by shop, and last what no shop has', async () => {
  const { stops } = await written([line('bay', 2, 8, 998), line('ivy', 1, 6, 550)], [line('oar-sign', 1, 1, 1299)])
  expect(stops.value.map(({ name, lines }) => [name, lines.map(({ material, packs, expects }) => [material, packs, expects])])).toEqual([
    [
      'Shop a',
      [
        ['bay', 2, [998, 998]],
        ['ivy', 1, [550, 550]],
      ],
    ],
    ['Elsewhere', [['oar-sign', 1, [1299, 1299]]]],
  ])
})
it('what is ticked off lies in the stash for what was really paid, all that its packs hold', async () => {
  const { lines, tick } = await written([line('bay', 2, 8, 998)])
  await tick(lines.value[0]!, 850)
  expect(await db().lots.toArray()).toMatchObject([
    { material: 'bay', things: 16, paid: 850, day: '2026-11-02', source: { kind: 'shop', shop: 'Shop a' }, reserved: null },
  ])
  await vi.waitFor(() => expect(lines.value[0]).toMatchObject({ paid: 850, lot: expect.any(String) }))
})
it('a bare base goes into the stash as wide as it is', async () => {
  const { lines, tick } = await written([line(baseLots('straw'), 2, 1, 1298, 305)])
  await tick(lines.value[0]!, 1298)
  expect(await db().lots.toArray()).toMatchObject([{ material: baseLots('straw'), things: 2, cut: 305, paid: 1298 }])
})
it('what is taken back is out of the stash, unless something was taken of it meanwhile', async () => {
  const { lines, tick, back } = await written([line('bay', 1, 8, 499)])
  await tick(lines.value[0]!, 499)
  await vi.waitFor(() => expect(lines.value[0]!.lot).not.toBeNull())
  await back(lines.value[0]!)
  expect(await db().lots.count()).toBe(0)
  await vi.waitFor(() => expect(lines.value[0]!.lot).toBeNull())
  await tick(lines.value[0]!, 499)
  await vi.waitFor(() => expect(lines.value[0]!.lot).not.toBeNull())
  const said = vi.spyOn(useNotices(), 'note')
  await db().lots.toCollection().modify({ things: 5 })
  await back(lines.value[0]!)
  expect(said).toHaveBeenCalledWith(expect.stringContaining('stays in the stash'))
  expect(await db().lots.toArray()).toMatchObject([{ things: 5 }])
})
it('written anew keeps what lies in the bag already', async () => {
  const shopping = await written([line('bay', 1, 8, 499), line('ivy', 1, 6, 550)])
  await shopping.tick(
    shopping.lines.value.find(({ material }) => material === 'bay')!,
    499,
  )
  await shopping.write(basket([line('eucalyptus', 3, 5, 1200)]))
  await vi.waitFor(() => expect(shopping.lines.value.map(({ material }) => material).sort()).toEqual(['bay', 'eucalyptus']))
  await shopping.clear()
  await vi.waitFor(() => expect(shopping.lines.value).toEqual([]))
  // The list is paper: what was bought stays.
  expect(await db().lots.count()).toBe(1)
})
