import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { startPiece } from '#core/piece'
import { startKit, usualSeason } from '#core/season'
import { BenchDatabase } from '../db'
import { removePiece, savePiece } from './pieces'
import { changeSeason, joinBatch, leaveBatch, seasonNow } from './season'

let db: BenchDatabase
let count = 0
beforeEach(() => {
  db = new BenchDatabase(`season-${count++}`)
})
afterEach(() => db.delete())

describe('the season as it is kept', () => {
  it('is as usual until something is changed, and two changes at once both stand', async () => {
    expect(await seasonNow(db)).toEqual(usualSeason())
    await Promise.all([
      changeSeason(db, ({ pins }) => ({ pins: { ...pins, a: '2026-11-02' } })),
      changeSeason(db, ({ pins }) => ({ pins: { ...pins, b: '2026-11-03' } })),
    ])
    expect((await seasonNow(db)).pins).toEqual({ a: '2026-11-02', b: '2026-11-03' })
  })
  it('refuses what makes no sense, and stays as it was', async () => {
    expect(await changeSeason(db, () => ({ from: '2026-02-30' }))).toBe('That is no day of the calendar.')
    expect(await seasonNow(db)).toEqual(usualSeason())
  })
  it('a kept one that cannot be read is told, not lost', async () => {
    await db.settings.put({ key: 'season', value: { hours: 3 } })
    await expect(seasonNow(db)).rejects.toThrow()
    await expect(changeSeason(db, () => ({ to: null }))).rejects.toThrow()
    expect((await db.settings.get('season'))!.value).toEqual({ hours: 3 })
  })
})

describe('batches', () => {
  const all = async () => (await db.batches.toArray()).map(({ id, pieces }) => [id, pieces])
  it('a piece is in one batch only, and a batch of one is none', async () => {
    await joinBatch(db, ['a', 'b'], 'Pair', 'p')
    await joinBatch(db, ['c', 'd'], 'Others', 'o')
    await joinBatch(db, ['b', 'e'], 'More', 'm')
    expect(await all()).toEqual([
      ['o', ['c', 'd']],
      ['p', ['a', 'b', 'e']],
    ])
    await joinBatch(db, ['a', 'c'], 'x', 'x')
    expect((await all()).flatMap(([, pieces]) => pieces).filter((id) => id === 'c')).toHaveLength(1)
    await leaveBatch(db, 'd')
    expect((await db.batches.toArray()).every(({ pieces }) => pieces.length > 1 && !pieces.includes('d'))).toBe(true)
  })
  it('a piece that is thrown away leaves its batch, and its kits go; what the daybook says of it stays', async () => {
    await savePiece(db, startPiece('a', 'A'), 0, 1)
    await joinBatch(db, ['a', 'b'], 'Pair', 'p')
    await db.kits.bulkPut([startKit('k', 'a', 'Kits', 3), startKit('l', 'b', 'Kits', 3)])
    await db.daybook.put({ id: 'r', piece: 'a', day: '2026-01-01' } as never)
    await removePiece(db, 'a')
    expect(await all()).toEqual([['p', ['b']]])
    expect((await db.kits.toArray()).map(({ id }) => id)).toEqual(['l'])
    expect(await db.daybook.count()).toBe(1)
  })
})
