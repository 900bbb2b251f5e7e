import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, it } from 'vitest'
import { cutPiece } from './cutting'
import { BenchDatabase } from './index'

let db: BenchDatabase
let count = 0
let ids = 0
beforeEach(() => { db = new BenchDatabase(`cutting-${count++}`) })
afterEach(() => db.delete())
const newId = (): string => `id${ids++}`

const cuts = [{ want: 'bow', length: 600, part: false }, { want: 'tail', length: 300, part: false }, { want: 'tie', length: 80, part: false }]
const roll = { stock: 'new', length: 1000, cuts, rest: 20, usable: false }
const cutting = { material: 'ribbon', least: 150 }

it('keeps what was cut, and what is left of the roll as an offcut', async () => {
  const rest = await cutPiece(db, { ...cutting, roll, cut: cuts[0]!, from: 'new' }, newId)
  expect(rest).toMatchObject({ length: 400 })
  expect(await db.cutPieces.toArray()).toEqual([expect.objectContaining({ material: 'ribbon', want: 'bow', length: 600 })])
  const next = await cutPiece(db, { ...cutting, roll: { stock: rest!.id, length: 400, cuts: cuts.slice(1), rest: 20, usable: false }, cut: cuts[1]!, from: 'offcut' }, newId)
  // Shorter than what is of use, but the tie is still to come from it.
  expect((await db.offcuts.toArray()).map(({ length }) => length)).toEqual([100])
  expect(await cutPiece(db, { ...cutting, roll: { stock: next!.id, length: 100, cuts: cuts.slice(2), rest: 20, usable: false }, cut: cuts[2]!, from: 'offcut' }, newId)).toBeNull()
  expect(await db.offcuts.count()).toBe(0)
})
it('cuts a piece that nothing wants any more, which is then gone', async () => {
  await db.cutPieces.add({ id: 'old', material: 'ribbon', want: 'gone', length: 1000 })
  await cutPiece(db, { ...cutting, roll: { ...roll, stock: 'old' }, cut: cuts[0]!, from: 'piece' }, newId)
  expect((await db.cutPieces.toArray()).map(({ length }) => length)).toEqual([600])
})
it('does nothing when another tab was there first', async () => {
  for (const from of ['offcut', 'piece'] as const) await expect(cutPiece(db, { ...cutting, roll: { ...roll, stock: 'none' }, cut: cuts[0]!, from }, newId)).rejects.toThrow('another tab')
  expect(await db.cutPieces.count()).toBe(0)
})
