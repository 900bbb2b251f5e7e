import { describe, expect, it } from 'vitest'
import type { Need } from './need'
import { amountOf, byMaterial, lengthsIn, needsAsMade, thingsIn } from './need'

const things = (material: string, count: number, layer = 'a'): Need => ({
  of: 'things',
  material,
  use: 'laid',
  layer,
  count,
  cut: null,
  spare: 0,
})
const lengths = (material: string, length: number, count = 1): Need => ({
  of: 'lengths',
  material,
  use: 'tie',
  layer: 'a',
  length,
  count,
  joins: true,
})
const base: Need = { of: 'base', material: 'grapevine', use: 'base', layer: 'base', count: 1, name: 'grapevine', price: 899, width: 457 }
const all = [base, things('bay', 7), lengths('jute', 300, 2), things('rose', 3), things('bay', 3, 'b')]

describe('needs', () => {
  it('are whole things, lengths, or the base', () => {
    expect(thingsIn(all)).toEqual([all[1], all[3], all[4]])
    expect(lengthsIn(all)).toEqual([all[2]])
    // By hand: two lengths of 300 mm are 600 mm; a base is one.
    expect(all.map(amountOf)).toEqual([1, 7, 600, 3, 3])
  })
  it('go together by material, in the order in which these first come', () => {
    expect([...byMaterial(all)].map(([id, own]) => [id, own.length])).toEqual([
      ['grapevine', 1],
      ['bay', 2],
      ['jute', 1],
      ['rose', 1],
    ])
  })
  it('as the first was made are so many times as much: whole things shared out, lengths stretched, what came to nothing left out', () => {
    // Ten bay become round(10 × 1.25) = 13 (12.5 rounds up), 9.1 and 3.9 by their shares: 9 and 4.
    const made = needsAsMade(all, { bay: 1.25, jute: 0.5, rose: 0 })
    expect(made.map(({ material, layer }) => `${material} ${layer}`)).toEqual(['grapevine base', 'bay a', 'jute a', 'bay b'])
    expect(made.map((need) => (need.of === 'lengths' ? need.length : need.count))).toEqual([1, 9, 150, 4])
    expect(needsAsMade(all, { ivy: 2 })).toBe(all)
  })
  it('of parts of a thing stay parts', () => {
    const glue = [things('glue-stick', 0.35)]
    expect(thingsIn(needsAsMade(glue, { 'glue-stick': 2 }))[0]!.count).toBeCloseTo(0.7)
  })
})
