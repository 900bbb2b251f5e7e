import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, it } from 'vitest'
import { startPiece } from '#core/piece'
import { lotOf } from '#core/stock'
import { BenchDatabase } from '.'
import type { Draft } from './drafts'
import { draftId, putDraft, sweepPhotos } from './drafts'

let db: BenchDatabase
let count = 0
beforeEach(() => {
  db = new BenchDatabase(`drafts-${count++}`)
})
afterEach(() => db.delete())
const failed = (error: unknown): never => {
  throw error as Error
}
const bay = lotOf('bay', 'bay', { things: 3 })
const draft = (set: Partial<Draft> = {}): Draft => ({
  id: draftId('lot', 'bay'),
  kind: 'lot',
  of: 'bay',
  title: 'Bay',
  at: 5,
  begun: { ...bay },
  changed: { place: 'drawer 7' },
  ...set,
})

it('keeps a draft, and forgets it', async () => {
  await putDraft(db, 'lot:bay', draft(), failed)
  expect(await db.drafts.toArray()).toEqual([draft()])
  await putDraft(db, 'lot:bay', null, failed)
  expect(await db.drafts.count()).toBe(0)
})
it('puts aside a draft that no form could show', async () => {
  await db.drafts.bulkPut([
    draft(),
    draft({ id: 'odd', begun: { ...bay, things: 'many' } }),
    draft({ id: 'unknown', kind: 'sheet' as never }),
    draft({ id: 'list', kind: 'prices', begun: { text: 'a;b', name: 'a.csv' } }),
  ])
  db.close()
  await db.open()
  expect((await db.drafts.toArray()).map(({ id }) => id)).toEqual(['list', 'lot:bay'])
  expect((await db.unread.toArray()).map(({ record, why }) => [(record as Draft).id, why.split(':')[0]])).toEqual([
    ['odd', 'begun.things'],
    ['unknown', 'kind'],
  ])
})

const DAY = 24 * 60 * 60 * 1000
it('throws away photos that nobody has, but none that was just taken, begun with, or put aside', async () => {
  const picture = new Blob(['x'], { type: 'image/webp' })
  const now = 10 * DAY
  for (const id of ['of a lot', 'of a page', 'begun', 'aside', 'nobody’s', 'nobody’s of before'])
    await db.photos.put({ id, picture, at: 1 })
  await db.photos.put({ id: 'just taken', picture, at: now - 1000 })
  await db.photos.put({ id: 'nobody’s of before', picture })
  await db.lots.put({ ...bay, photo: 'of a lot' })
  const { id: piece } = startPiece('ring', 'Ring')
  await db.daybook.put({ id: 'p', piece, photos: ['of a page'] } as never)
  await db.drafts.put(draft({ changed: { photo: 'begun' } }))
  await db.unread.add({ table: 'lots', record: { photo: 'aside' }, why: 'It is odd.', at: 1 })
  expect(await sweepPhotos(db, now)).toBe(2)
  expect((await db.photos.toCollection().primaryKeys()).sort()).toEqual(['aside', 'begun', 'just taken', 'of a lot', 'of a page'])
  expect(await sweepPhotos(db, now)).toBe(0)
})
