import { expect, it } from 'vitest'
import { startKit } from '../season'
import { classInHand, inHandSaid } from './in-hand'

it('says how many pieces and classes there are', () => {
  const said = (pieces: number, classes: number): string => {
    const kits = Array.from({ length: classes }, (_, i) => ({ id: `k${i}` }))
    return inHandSaid([...Array.from({ length: pieces }, (_, i) => ({ id: `p${i}` })), ...kits], kits)
  }
  expect([said(0, 0), said(1, 0), said(12, 1), said(0, 2)]).toEqual([
    '0 pieces',
    '1 piece',
    '12 pieces and 1 class',
    '0 pieces and 2 classes',
  ])
})

it('a class needs what its heads and spares take', () => {
  const kit = { ...startKit('k', 'p', 'Evening', 6), spares: 1 }
  const need = { of: 'things' as const, layer: 'a', use: 'laid', material: 'pine-cone', count: 3, cut: null, spare: 0 }
  const { needs, copies, name } = classInHand(kit, [need])
  expect([copies, name, needs.map((each) => each.count)]).toEqual([1, 'Evening, kits', [21]])
})
