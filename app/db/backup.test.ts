import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { readWhole, writeWhole } from '#core/formats'
import { startPiece } from '#core/piece'
import { startKit, usualSeason } from '#core/season'
import { lotOf } from '#core/stock'
import { BenchDatabase } from '.'
import { savePiece, snapPiece } from '../commands/pieces'
import { changeSeason } from '../commands/season'
import { readAll, takeAll } from './backup'

let [here, there]: BenchDatabase[] = []
let count = 0
const newId = (): string => `new-${count++}`
beforeEach(() => {
  ;[here, there] = [new BenchDatabase(`whole-${count++}`), new BenchDatabase(`whole-${count++}`)]
})
afterEach(async () => {
  await Promise.all([here!.delete(), there!.delete()])
})

async function fill(db: BenchDatabase): Promise<void> {
  const ring = startPiece('ring', 'Ring')
  await savePiece(db, ring, 0, 100)
  await snapPiece(db, ring, 200)
  await db.lots.put(lotOf('l', 'ivy', { things: 3 }))
  await db.kits.put(startKit('k', 'ring', 'Kits', 14))
  await db.batches.put({ id: 'b', name: 'Pair', pieces: ['ring', 'other'] })
  await db.progress.put({ piece: 'ring', done: ['base'], counted: {}, spent: { base: 4 }, timers: [], at: null, revision: 3 })
  await db.photos.put({ id: 'p', picture: new Blob(['picture'], { type: 'image/png' }) })
  await db.settings.put({ key: 'currency', value: 'GBP' })
  await db.settings.put({ key: 'seeded', value: true })
  await changeSeason(db, () => ({ from: '2026-11-02' }))
}
/** By way of the file. */
async function carried(from: BenchDatabase) {
  const read = readWhole(writeWhole(await readAll(from), '2026-11-02T10:00:00Z'))
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  return read.whole
}

describe('the whole workroom', () => {
  it('is the same on another browser', async () => {
    await fill(here!)
    const whole = await carried(here!)
    expect(whole.settings).toEqual({ currency: 'GBP', season: { ...usualSeason(), from: '2026-11-02' } })
    const taken = await takeAll(there!, whole, 'merge', newId)
    expect(taken.beside).toEqual([])
    expect(taken.rows.find(({ table }) => table === 'pieces')).toEqual({ table: 'pieces', came: 1, same: 0, kept: 0 })
    const again = await readAll(there!)
    // Fake databases keep no pictures: by their ids.
    expect({ ...again, photos: again.photos.map(({ id }) => id) }).toEqual({ ...whole, photos: ['p'] })
    expect((await there!.pieces.get('ring'))!.revision).toBe(1)
  })
  it('taken in twice, changes nothing', async () => {
    await fill(here!)
    const whole = await carried(here!)
    await takeAll(there!, whole, 'merge', newId)
    const taken = await takeAll(there!, whole, 'merge', newId)
    expect(taken.rows.every(({ came, kept }) => came === 0 && kept === 0)).toBe(true)
    expect(await there!.snapshots.count()).toBe(1)
  })
  it('beside what is here: a piece that differs comes in under a new id, of the rest ours stays', async () => {
    await fill(here!)
    const whole = await carried(here!)
    await savePiece(there!, startPiece('ring', 'Ours'), 0, 1)
    await there!.lots.put(lotOf('l', 'ivy', { things: 9 }))
    await there!.settings.put({ key: 'currency', value: 'USD' })
    const taken = await takeAll(there!, whole, 'merge', newId)
    expect(taken.beside).toEqual(['Ring'])
    expect(taken.rows.find(({ table }) => table === 'lots')).toEqual({ table: 'lots', came: 0, same: 0, kept: 1 })
    expect((await there!.pieces.toArray()).map(({ piece }) => piece.brief.name).sort()).toEqual(['Ours', 'Ring'])
    expect((await there!.lots.get('l'))!.things).toBe(9)
    expect((await there!.settings.get('currency'))!.value).toBe('USD')
    // All that belongs to it goes by its new id.
    const id = (await there!.pieces.toArray()).find(({ piece }) => piece.brief.name === 'Ring')!.id
    expect((await there!.kits.get('k'))!.piece).toBe(id)
    expect((await there!.batches.get('b'))!.pieces).toEqual([id, 'other'])
    expect((await there!.progress.get(id))!.done).toEqual(['base'])
    // Once more, and nothing comes in a second time.
    const again = await takeAll(there!, whole, 'merge', newId)
    expect([again.beside, await there!.pieces.count()]).toEqual([[], 2])
    expect(again.rows.filter(({ came }) => came > 0)).toEqual([])
    // Its earlier version goes with it.
    const [copy] = (await there!.pieces.toArray()).filter(({ piece }) => piece.brief.name === 'Ring')
    expect(await there!.snapshots.where('[pieceId+at]').between([copy!.id, -Infinity], [copy!.id, Infinity]).count()).toBe(1)
  })
  it('in place of what is here: what was here is gone', async () => {
    await fill(here!)
    const whole = await carried(here!)
    await savePiece(there!, startPiece('mine', 'Mine'), 0, 1)
    await there!.settings.put({ key: 'currency', value: 'USD' })
    await takeAll(there!, whole, 'replace', newId)
    expect((await there!.pieces.toArray()).map(({ id }) => id)).toEqual(['ring'])
    expect((await there!.settings.get('currency'))!.value).toBe('GBP')
  })
  it('in place of what is here: a piece goes on from the state that is known here, also one that was never saved twice', async () => {
    await fill(here!)
    const whole = await carried(here!)
    await savePiece(there!, startPiece('ring', 'Another ring'), 0, 100)
    await takeAll(there!, whole, 'replace', newId)
    expect(await there!.pieces.get('ring')).toMatchObject({ revision: 2, savedAt: 100, piece: { brief: { name: 'Ring' } } })
  })
  it('all of it or nothing: when one row cannot be written, none is', async () => {
    await fill(here!)
    const whole = await carried(here!)
    await savePiece(there!, startPiece('mine', 'Mine'), 0, 1)
    const broken = { ...whole, tables: { ...whole.tables, batches: [...whole.tables.batches, ...whole.tables.batches] } }
    await expect(takeAll(there!, broken, 'replace', newId)).rejects.toThrow()
    expect((await there!.pieces.toArray()).map(({ id }) => id)).toEqual(['mine'])
    expect(await there!.lots.count()).toBe(0)
  })
  it('pieces that are alike but for their ids all come in, once', async () => {
    const [one, two] = [startPiece('one', 'Twin'), startPiece('two', 'Twin')]
    await savePiece(here!, one, 0, 1)
    await savePiece(here!, two, 0, 2)
    const whole = await carried(here!)
    await savePiece(there!, one, 0, 1)
    expect((await takeAll(there!, whole, 'merge', newId)).rows[0]).toEqual({ table: 'pieces', came: 1, same: 1, kept: 0 })
    // Another that is alike, which the file does not know.
    await savePiece(there!, startPiece('three', 'Twin'), 0, 1)
    expect((await takeAll(there!, whole, 'merge', newId)).rows[0]).toMatchObject({ came: 0, same: 2 })
    // And two that both differ from ours by the same ids.
    await savePiece(there!, startPiece('one', 'Ours'), 1, 1)
    await savePiece(there!, startPiece('two', 'Ours too'), 1, 1)
    await there!.pieces.delete('three')
    expect((await takeAll(there!, whole, 'merge', newId)).beside).toEqual(['Twin', 'Twin'])
    expect((await takeAll(there!, whole, 'merge', newId)).beside).toEqual([])
    expect((await there!.pieces.toArray()).map(({ piece }) => piece.brief.name).sort()).toEqual(['Ours', 'Ours too', 'Twin', 'Twin'])
  })
  it('what belongs to a piece goes by its new id everywhere, and what is kept for nobody is nobody’s', async () => {
    await fill(here!)
    const cut = (piece: string) => ({ piece, want: 'bow:bow:0' })
    await here!.lots.bulkPut([
      lotOf('cut', 'ribbon-slate', { length: 300, reserved: cut('ring') }),
      lotOf('kept', 'bay', { things: 3, reserved: { piece: 'ring', want: null } }),
      lotOf('class', 'bay', { things: 3, reserved: { piece: 'k', want: null } }),
      lotOf('ghost', 'bay', { things: 3, reserved: { piece: 'nobody', want: null } }),
      lotOf('list', 'ribbon-slate', { length: 200, reserved: { piece: null, want: 'listed' } }),
    ])
    await changeSeason(here!, () => ({
      pins: { ring: '2026-11-20' },
      later: ['ring', 'other'],
      ready: [
        { piece: 'ring', task: 'bow' },
        { piece: 'ringed', task: 'bow' },
      ],
    }))
    const whole = await carried(here!)
    await savePiece(there!, startPiece('ring', 'Ours'), 0, 1)
    await takeAll(there!, whole, 'merge', newId)
    const id = (await there!.pieces.toArray()).find(({ piece }) => piece.brief.name === 'Ring')!.id
    const whose = Object.fromEntries((await there!.lots.toArray()).map((lot) => [lot.id, lot.reserved]))
    expect(whose).toEqual({
      l: null,
      cut: cut(id),
      kept: { piece: id, want: null },
      class: { piece: 'k', want: null },
      ghost: null,
      list: { piece: null, want: 'listed' },
    })
    expect((await there!.settings.get('season'))!.value).toMatchObject({
      pins: { [id]: '2026-11-20' },
      later: [id, 'other'],
      ready: [
        { piece: id, task: 'bow' },
        { piece: 'ringed', task: 'bow' },
      ],
    })
  })
  it('a base on the shopping list is in the file, and what cannot be read stands in the way of none', async () => {
    await fill(here!)
    const base = {
      id: 'b',
      shop: 's',
      shopName: 'S',
      material: 'base:straw',
      holds: 1,
      packs: 2,
      expects: [600, 650] as const,
      paid: null,
      lot: null,
    }
    await here!.purchases.put({ ...base, width: 300 })
    await here!.lots.put({ ...lotOf('odd', 'ivy', {}), length: 0, things: null })
    await here!.sales.put({ id: 'odd', day: 'some day' } as never)
    const whole = await carried(here!)
    expect([whole.tables.purchases, whole.tables.lots.map(({ id }) => id), whole.tables.sales]).toEqual([
      [{ ...base, width: 300 }],
      ['l'],
      [],
    ])
    expect((await here!.unread.toArray()).map(({ table }) => table)).toEqual(['lots', 'sales'])
  })
})
