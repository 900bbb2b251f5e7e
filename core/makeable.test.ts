import { describe, expect, it } from 'vitest'
import { usualBase, widthOf } from './base'
import { basesFor, makeableOf } from './makeable'
import { plainShelf } from './material'
import { startPiece } from './piece'
import { beginOn } from './worker-jobs'
import { baseLots, lotOf } from './stock'
import { shelf } from './testing'
import { work } from './workings'

function made(have: { material: string; count: number }[], stopAfter = Infinity) {
  const going = makeableOf(have, [usualBase('wire-ring'), usualBase('straw')], plainShelf())
  let next = going.next()
  for (let i = 0; !next.done; i++) next = going.next(i >= stopAfter)
  return next.value
}
/** How many a maker would begin with there: what a layer of it comes to on the bench. */
function begun(kind: 'wire-ring' | 'straw', fullness: 'full' | 'sparse'): number {
  const piece = { ...startPiece('p', 'P', kind), brief: { ...startPiece('p', 'P').brief, fullness } }
  const { layer } = beginOn(piece, shelf, { id: 'a', material: 'bay', seed: 7, by: null })!
  return work({ ...piece, layers: [layer] }, shelf).placements.length
}

describe('the bases one could make it on', () => {
  it('are the bare ones that lie here, each in the usual size nearest to it, then those that are easily had', () => {
    const ring = lotOf('r', baseLots('wire-ring'), { cut: 17.8 * 25.4 })
    const [first, ...more] = basesFor([lotOf('ivy', 'ivy', { things: 3 }), ring])
    // Rings come in 16 and 18 in.
    expect([first!.kind, first!.shape.form === 'ring' && first!.shape.outer]).toEqual(['wire-ring', 18 * 25.4])
    expect(widthOf(first!)).toBe(457)
    expect(more.map(({ kind }) => kind)).toEqual(['wire-ring', 'grapevine', 'straw'])
    expect(basesFor([{ ...ring, reserved: { piece: 'p', want: null } }]).map(({ kind }) => kind)).toEqual([
      'wire-ring',
      'grapevine',
      'straw',
    ])
  })
  it('stand there once, and are no more than six', () => {
    const rings = Array.from({ length: 9 }, (_, i) => lotOf(`r${i}`, baseLots('wire-ring'), { cut: (i < 2 ? 12 : 8 + 2 * i) * 25.4 }))
    const found = basesFor(rings)
    expect(found).toHaveLength(6)
    expect(new Set(found.map((base) => JSON.stringify(base))).size).toBe(6)
    expect(basesFor([lotOf('r', baseLots('straw'), { cut: null })])).toEqual([
      usualBase('straw'),
      usualBase('wire-ring'),
      usualBase('grapevine'),
    ])
  })
})

describe('with what I have', () => {
  it('goes as far round as there are of what a maker would begin with', () => {
    const full = begun('wire-ring', 'full')
    // A stem of bay of 14 in gives three of the sprigs that a ring of wire is begun with: 4 1/4 in, by eye along it.
    const count = Math.floor(full / 10)
    const [wire] = made([{ material: 'bay', count }])
    const reach = wire!.reaches.find(({ fullness }) => fullness === 'full')!
    expect(reach.round).toBeCloseTo((3 * count) / full, 9)
    expect(reach.missing).toMatchObject({ material: { id: 'bay' }, count: Math.ceil((full - 3 * count) / 3) })
  })
  it('adds materials up, and misses nothing where it goes all round', () => {
    const [alone] = made([{ material: 'bay', count: 10 }])
    const [both] = made([
      { material: 'bay', count: 10 },
      { material: 'ivy', count: 10 },
    ])
    const [lots] = made([{ material: 'bay', count: 500 }])
    for (let i = 0; i < 3; i++) expect(both!.reaches[i]!.round).toBeGreaterThan(alone!.reaches[i]!.round)
    expect(lots!.reaches.map(({ missing }) => missing)).toEqual([null, null, null])
    expect(alone!.reaches[0]!.round).toBeGreaterThan(alone!.reaches[2]!.round)
  })
  it('takes nothing that does not cover, and goes base by base until it is stopped', () => {
    expect(
      made([
        { material: 'oar-sign', count: 3 },
        { material: 'ribbon-slate', count: 2 },
        { material: 'nothing', count: 2 },
      ])[0]!.covers,
    ).toEqual([])
    expect(made([{ material: 'bay', count: 3 }], 1)).toHaveLength(1)
    expect(made([{ material: 'bay', count: 3 }]).map(({ base }) => base.kind)).toEqual(['wire-ring', 'straw'])
  })
})
