import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, it } from 'vitest'
import type { CutRoll } from '#core/cut'
import type { Lot } from '#core/stock'
import { lotOf } from '#core/stock'
import { cutPiece } from './cutting'
import { BenchDatabase } from '../db/index'

let db: BenchDatabase
let count = 0
let ids = 0
beforeEach(() => {
  db = new BenchDatabase(`cutting-${count++}`)
})
afterEach(() => db.delete())
const newId = (): string => `id${ids++}`

const cuts = [
  { want: 'bow', length: 600, part: false },
  { want: 'tail', length: 300, part: false },
  { want: 'tie', length: 80, part: false },
]
const roll: CutRoll = { from: 'roll', stock: '', length: 1000, cuts, rest: 20, usable: false }
const cutting = (i: number) => ({ material: 'ribbon', least: 150, cut: cuts[i]!, want: { piece: 'ring', want: cuts[i]!.want } })
const lot = (set: Partial<Lot>): Lot => lotOf('a', 'ribbon', { length: 1000, source: { kind: 'offcut' }, ...set })
const lengths = async (): Promise<unknown[]> =>
  (await db.lots.toArray())
    .map(({ length, reserved, source }) => [length, reserved?.want ?? null, 'from' in source ? source.from : null])
    .sort((a, b) => Number(b[0]) - Number(a[0]))

it('keeps what was cut for what it was cut for, and what is left of the roll, and says where both came from', async () => {
  const rest = await cutPiece(db, { roll, ...cutting(0) }, newId)
  expect(rest).toMatchObject({ length: 400, reserved: null, source: { kind: 'cut', from: null } })
  expect(await lengths()).toEqual([
    [600, 'bow', null],
    [400, null, null],
  ])
  const next = await cutPiece(
    db,
    { roll: { from: 'house', stock: rest!.id, length: 400, cuts: cuts.slice(1), rest: 20, usable: false }, ...cutting(1) },
    newId,
  )
  // Shorter than what is of use, but the tie is still to come from it.
  expect(await lengths()).toEqual([
    [600, 'bow', null],
    [300, 'tail', rest!.id],
    [100, null, rest!.id],
  ])
  expect(
    await cutPiece(
      db,
      { roll: { from: 'house', stock: next!.id, length: 100, cuts: cuts.slice(2), rest: 20, usable: false }, ...cutting(2) },
      newId,
    ),
  ).toBeNull()
  expect(await lengths()).toEqual([
    [600, 'bow', null],
    [300, 'tail', rest!.id],
    [80, 'tie', next!.id],
  ])
})
it('takes one of several rolls in the house, with its share of what was paid', async () => {
  await db.lots.add(lot({ things: 3, length: null, source: { kind: 'counted' }, paid: 3000 }))
  await cutPiece(db, { roll: { ...roll, from: 'house', stock: 'a' }, ...cutting(0) }, newId)
  const all = await db.lots.toArray()
  expect(all.find(({ id }) => id === 'a')).toMatchObject({ things: 2, paid: 2000 })
  // 600 of 1,000 mm of a roll for 10.00.
  expect(
    all
      .filter(({ id }) => id !== 'a')
      .map(({ length, paid }) => [length, paid])
      .sort(),
  ).toEqual([
    [400, 400],
    [600, 600],
  ])
})
it('cuts a piece that nothing wants any more, which is then gone', async () => {
  await db.lots.add(lot({ id: 'old', reserved: { piece: 'gone', want: 'bow:bow:0' } }))
  await cutPiece(db, { roll: { ...roll, from: 'house', stock: 'old' }, ...cutting(0) }, newId)
  expect(await lengths()).toEqual([
    [600, 'bow', 'old'],
    [400, null, 'old'],
  ])
})
it('does nothing when another tab was there first', async () => {
  await expect(cutPiece(db, { roll: { ...roll, from: 'house', stock: 'none' }, ...cutting(0) }, newId)).rejects.toThrow('another tab')
  expect(await db.lots.count()).toBe(0)
})
