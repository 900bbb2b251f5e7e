import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { readWhole, writeWhole } from '#core/exchange'
import { startPiece } from '#core/piece'
import { startKit, usualSeason } from '#core/season'
import { lotOf } from '#core/stock'
import { BenchDatabase } from '.'
import { savePiece, snapPiece } from './pieces'
import { changeSeason } from './season'
import { readAll, takeAll } from './whole'

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
  it('all of it or nothing: when one row cannot be written, none is', async () => {
    await fill(here!)
    const whole = await carried(here!)
    await savePiece(there!, startPiece('mine', 'Mine'), 0, 1)
    const broken = { ...whole, tables: { ...whole.tables, batches: [...whole.tables.batches, ...whole.tables.batches] } }
    await expect(takeAll(there!, broken, 'replace', newId)).rejects.toThrow()
    expect((await there!.pieces.toArray()).map(({ id }) => id)).toEqual(['mine'])
    expect(await there!.lots.count()).toBe(0)
  })
})
