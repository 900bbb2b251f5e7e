import { expect, it } from 'vitest'
import { inches } from '../measure'
import { shelf } from '../testing'
import { lotOf } from './lot'
import { lotSaid, ownerSaid, sourceSaid } from './lot-said'

const manner = { units: 'in', currency: 'USD' } as const

it('says how much a lot is as one would count it', () => {
  const said = (...[material, set]: [string, Parameters<typeof lotOf>[2]]) => lotSaid(lotOf('l', material, set), shelf, manner)
  expect(said('ribbon-slate', { length: inches(180) })).toBe('180 in of 360 in')
  expect(said('ribbon-slate', { things: 2 })).toBe('2 whole ones')
  expect(said('ivy', { things: 1 })).toBe('one')
  expect(said('ivy', { things: 11 })).toBe('11 of them')
  expect(said('ivy', { things: 4, cut: inches(7) })).toBe('4, cut to 7 in')
  expect(said('a thing that is gone', { length: inches(9) })).toBe('9 in')
})
it('says where it came from and who has it', () => {
  expect(sourceSaid(lotOf('l', 'ivy', { source: { kind: 'shop', shop: 'The Corner' } }))).toBe('bought at The Corner')
  expect(sourceSaid(lotOf('l', 'ivy', { source: { kind: 'gift' }, day: '2026-12-05' }))).toMatch(/^a gift, .*5 Dec/)
  const names = new Map([['p', 'Door ring']])
  expect(ownerSaid({ reserved: null }, names)).toBe('')
  expect(ownerSaid({ reserved: { piece: 'p', want: null } }, names)).toBe('Door ring')
  expect(ownerSaid({ reserved: { piece: 'p', want: 'bow:a:0' } }, names)).toBe('cut for Door ring')
  expect(ownerSaid({ reserved: { piece: 'q', want: null } }, names)).toBe('a piece that is gone')
  expect(ownerSaid({ reserved: { piece: null, want: 'x' } }, names)).toBe('cut for the list')
})
