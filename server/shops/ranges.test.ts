import { expect, it } from 'vitest'
import { CATALOGUE, ShopsSchema } from '../../core/material'
import { SHOPS } from './ranges'

it('has four shops whose every offer is of something on the shelf', () => {
  expect(ShopsSchema.parse({ shops: SHOPS }).shops.map(({ name }) => name)).toEqual([
    'Pinfold Trimmings',
    'Quay Street Surplus',
    'Netherby Stems',
    'Coppice & Cone',
  ])
  for (const { offers } of SHOPS) {
    expect(new Set(offers.map(({ material }) => material)).size).toBe(offers.length)
    for (const { material, price } of offers) {
      expect(CATALOGUE[material]).toBeDefined()
      expect(price).toBeGreaterThan(0)
    }
  }
})

it('between them sell everything on the shelf', () => {
  const sold = new Set(SHOPS.flatMap(({ offers }) => offers.map(({ material }) => material)))
  expect(Object.keys(CATALOGUE).filter((id) => !sold.has(id))).toEqual([])
})
