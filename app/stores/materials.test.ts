import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { CATALOGUE } from '#core/material'
import { db } from '~/db'
import { useMaterials } from './materials'
import { useShops } from './shops'

beforeEach(async () => {
  setActivePinia(createPinia())
  await Promise.all(db().tables.map((table) => table.clear()))
})
const ivy = CATALOGUE['ivy']!

it('keeps materials of one’s own beside the catalogue, and gives a changed one back', async () => {
  const materials = useMaterials()
  const shops = useShops()
  expect(await materials.save({ ...ivy, id: 'own-ivy', name: 'own ivy' })).toBeNull()
  expect(await materials.save({ ...ivy, name: 'changed ivy' })).toBeNull()
  await vi.waitFor(() => expect(Object.keys(materials.own).sort()).toEqual(['ivy', 'own-ivy']))
  expect([shops.shelf.materials['own-ivy']!.name, shops.shelf.materials['ivy']!.name]).toEqual(['own ivy', 'changed ivy'])
  await materials.remove('ivy')
  await vi.waitFor(() => expect(shops.shelf.materials['ivy']!.name).toBe('ivy trail'))
})

it('says what is wrong with a material, and keeps nothing', async () => {
  expect(await useMaterials().save({ ...ivy, length: -1, name: '' })).toMatch(/length: .+/)
  expect(await db().materials.count()).toBe(0)
})

it('takes many at once', async () => {
  await useMaterials().saveAll([
    { ...ivy, id: 'a' },
    { ...ivy, id: 'b' },
  ])
  expect(await db().materials.count()).toBe(2)
})

it('makes ids that nothing has yet', async () => {
  const materials = useMaterials()
  expect(materials.freshId('Ivy')).toBe('ivy-2')
  expect(materials.freshId('Rue, blue')).toBe('rue-blue')
  expect(materials.freshId('—')).toBe('material')
  await materials.save({ ...ivy, id: 'rue-blue' })
  await vi.waitFor(() => expect(materials.freshId('Rue, blue')).toBe('rue-blue-2'))
})
