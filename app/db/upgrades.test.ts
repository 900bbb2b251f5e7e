import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { readFileSync } from 'node:fs'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { CATALOGUE } from '#core/material'
import { PieceSchema, startPiece, VERSION } from '#core/piece'
import { usualSeason } from '#core/season'
import { lotOf } from '#core/stock'
import { BenchDatabase } from '.'
import { seasonNow } from '../commands/season'
import { savePiece, snapshotsOf, takeUpRescues } from '../commands/pieces'
import { SCHEMA_VERSION, STEPS } from './steps'
import { readAll } from './backup'

/** Pieces as the demo had them at each version of the document, taken from the project's own history. */
const documents = (version: number): { id: string; brief: { currency?: string } }[] =>
  JSON.parse(readFileSync(new URL(`../../tests/reference/versions/pieces-${version}.json`, import.meta.url), 'utf8')) as never

/** The newest document that a database of each version had, from the first: taken from the history as well. */
const DOCUMENTS = [1, 2, 2, 3, 4, 5, 5, 5, 6, 6, 6, 7, 8, 9, 10, 10, 10, 10, 11, 12, 13] as const
const ALL = Array.from({ length: SCHEMA_VERSION - 1 }, (_, i) => i + 1)

let count = 0
/** A database as it was at a version, not opened by today's code. */
function before(version: number): Dexie {
  const db = new Dexie(`was-${version}-${count++}`)
  const stores: Record<string, string | null> = {}
  for (const step of STEPS.slice(0, version)) Object.assign(stores, step.stores)
  db.version(version).stores(stores)
  return db
}
const opened: BenchDatabase[] = []
function today(name: string): BenchDatabase {
  const db = new BenchDatabase(name)
  opened.push(db)
  return db
}
afterEach(async () => {
  await Promise.all(opened.splice(0).map((db) => db.delete()))
  vi.unstubAllGlobals()
})

describe('a database of every version that ever was', () => {
  it.each(ALL)('%i: thirty pieces come up, what is spoiled is put aside, and nothing is locked out', async (version) => {
    const old = before(version)
    const newest = DOCUMENTS[version - 1]!
    const known = newest > 13 ? [startPiece('new', 'New')] : documents(newest)
    const pieces = Array.from({ length: 30 }, (_, i) => ({ ...known[i % known.length]!, id: `piece-${i}` }))
    for (const [i, piece] of pieces.entries()) {
      const money = newest < 6 ? { brief: { ...piece.brief, currency: i % 3 ? 'EUR' : 'GBP' } } : {}
      await old.table('pieces').put({ id: piece.id, piece: { ...piece, ...money }, revision: 3, savedAt: i })
      await old.table('snapshots').add({ pieceId: piece.id, at: i, piece: { ...piece, ...money } })
    }
    await old.table('pieces').put({ id: 'spoiled', piece: { ...pieces[0], id: 'spoiled', layers: 'none' }, revision: 1, savedAt: 99 })
    await old.table('pieces').put({ id: 'newer', piece: { ...pieces[0], id: 'newer', version: 99 }, revision: 1, savedAt: 98 })
    await old.table('snapshots').add({ pieceId: 'piece-0', at: 5, piece: null })
    // None of these versions asked how a stem bends.
    const { curve: _curve, ...bay } = CATALOGUE.bay!
    if (version >= 2) await old.table('materials').bulkPut([{ ...bay, id: 'mine' }, { id: 'odd' }])
    if (version >= 2 && version < 9)
      await old.table('stash').bulkPut([
        { material: 'bay', count: 4 },
        { material: 'ivy', count: 'many' },
      ])
    if (version >= 4 && version < 9) {
      await old.table('offcuts').bulkPut([
        { id: 'one', material: 'ribbon-slate', length: 400 },
        { id: 'nothing', material: 'jute-twine', length: 0 },
      ])
      await old.table('cutPieces').put({ id: 'one', material: 'ribbon-slate', want: 'piece-0:bow:bow:0', length: 300 })
    }
    if (version >= 13)
      await old.table('lots').bulkPut([lotOf('sound', 'bay', { things: 2 }), { ...lotOf('odd', 'bay', {}), things: 'two' }])
    if (version >= 13) {
      await old.table('lots').bulkPut(
        [
          // Of version 17 on without the piece in the text.
          { piece: 'piece-1', want: version < 17 ? 'piece-1:bow:bow:0' : 'bow:bow:0' },
          { piece: null, want: 'piece-1:listed' },
          { piece: 'piece-2', want: null },
        ].map((reserved, i) => ({ ...lotOf(`cut-${i}`, 'ribbon-slate', { length: 300 }), reserved })),
      )
      // Up to version 20 a swag was had as one.
      const swags =
        version < 21
          ? lotOf('swags', 'base:tree-swag', { things: 2, cut: 1100 })
          : lotOf('swags', 'base:mini-tree', { things: 4, cut: 609.6 })
      await old.table('lots').put({ ...swags, paid: 2000 })
      const { ready, ...season } = usualSeason()
      const was =
        version < 17
          ? ['piece-1:bow:b', 'gone:bow:c']
          : [
              { piece: 'piece-1', task: 'bow:b' },
              { piece: 'gone', task: 'bow:c' },
            ]
      await old.table('settings').put({ key: 'season', value: { ...season, ready: [...ready, ...was] } })
    }
    if (version >= 13) await old.table('sales').put({ id: 's', piece: 'piece-0', day: 'some day' })
    old.close()

    const db = today(old.name)
    const now = await db.pieces.toArray()
    expect(now).toHaveLength(30)
    for (const { piece, revision } of now) {
      expect(PieceSchema.parse(piece)).toEqual(piece)
      expect([piece.version, revision]).toEqual([VERSION, 3])
    }
    expect((await snapshotsOf(db, 'piece-0')).map(({ piece }) => piece.version)).toEqual([VERSION])
    const aside = await db.unread.toArray()
    expect(aside.filter(({ table }) => table === 'pieces').map(({ record }) => (record as { id: string }).id)).toEqual(['newer', 'spoiled'])
    expect(aside.every(({ why }) => /\S/.test(why))).toBe(true)
    if (newest < 6) expect((await db.settings.get('currency'))!.value).toBe('EUR')
    if (version >= 2) expect((await db.materials.toArray()).map(({ id, curve }) => [id, curve])).toEqual([['mine', null]])
    if (version >= 2 && version < 9) expect((await db.lots.get('counted:bay'))!.things).toBe(4)
    if (version >= 4 && version < 9)
      // Two tables had the same id: neither is lost.
      expect(
        (await db.lots.where({ material: 'ribbon-slate' }).toArray()).map(({ length, reserved }) => [length, reserved?.piece ?? null]),
      ).toEqual([
        [400, null],
        [300, 'piece-0'],
      ])
    if (version >= 13) {
      const lots = await db.lots.toArray()
      expect([lots.map(({ id }) => id), await db.sales.count()]).toEqual([['cut-0', 'cut-1', 'cut-2', 'sound', 'swags'], 0])
      // Two swags about 43 in long are four trees of 24 in, and worth what was paid.
      expect(lots.at(-1)).toMatchObject({ material: 'base:mini-tree', things: 4, cut: 609.6, paid: 2000 })
      expect(lots.map(({ reserved }) => reserved)).toEqual([
        { piece: 'piece-1', want: 'bow:bow:0' },
        { piece: null, want: 'piece-1:listed' },
        { piece: 'piece-2', want: null },
        null,
        null,
      ])
      expect((await seasonNow(db)).ready).toEqual([
        { piece: 'piece-1', task: 'bow:b' },
        { piece: 'gone', task: 'bow:c' },
      ])
    }
    // And all that can be read can be written to a file.
    expect((await readAll(db)).tables.pieces).toHaveLength(30)
  })
})

it('opens at the newest version', async () => {
  const db = today('fresh')
  await db.open()
  expect(db.verno).toBe(STEPS.length)
})

describe('what cannot be read', () => {
  let db: BenchDatabase
  beforeEach(() => {
    db = today(`unread-${count++}`)
  })
  it('comes back once it can be, unless its place is taken', async () => {
    const ring = startPiece('ring', 'Ring')
    await db.lots.put(lotOf('taken', 'ivy', { things: 1 }))
    for (const [table, record] of [
      ['pieces', { id: 'ring', piece: ring, revision: 2, savedAt: 5 }],
      ['lots', lotOf('taken', 'bay', { things: 9 })],
      ['rescued', '{'],
    ] as const)
      await db.unread.add({ table, record, why: 'of a version to come', at: 1 })
    db.close()
    await db.open()
    expect(await db.pieces.get('ring')).toMatchObject({ revision: 2, piece: ring })
    expect((await db.lots.get('taken'))!.material).toBe('ivy')
    expect((await db.unread.toArray()).map(({ table }) => table)).toEqual(['lots', 'rescued'])
  })
  it('is put aside each time the database is opened, by table', async () => {
    await savePiece(db, startPiece('ring', 'Ring'), 0, 1)
    await db.kits.put({ id: 'k', heads: 'ten' } as never)
    await db.purchases.put({ id: 'p', packs: -1 } as never)
    db.close()
    await db.open()
    expect([await db.kits.count(), await db.purchases.count(), await db.pieces.count()]).toEqual([0, 0, 1])
    expect((await db.unread.toArray()).map(({ table, record }) => [table, (record as { id: string }).id])).toEqual([
      ['purchases', 'p'],
      ['kits', 'k'],
    ])
  })
  it('of what a page had put aside is brought up where it can be, and never erased', async () => {
    const kept = new Map<string, string>()
    const key = (id: string): string => `ruddy-bramble:rescue:${id}:tab`
    for (const version of [1, 2, 3, 4, 5, 6, 7, 8, 9]) {
      const [piece] = documents(version)
      kept.set(key(`v${version}`), JSON.stringify({ revision: 1, piece: { ...piece, id: `v${version}` } }))
    }
    kept.set(key('newer'), JSON.stringify({ revision: 1, piece: { ...startPiece('newer', 'Newer'), version: 99 } }))
    kept.set(key('torn'), '{"revision": 1, "piece": {')
    vi.stubGlobal('localStorage', {
      get length() {
        return kept.size
      },
      key: (i: number) => [...kept.keys()][i] ?? null,
      getItem: (of: string) => kept.get(of) ?? null,
      removeItem: (of: string) => void kept.delete(of),
    })
    let made = 0
    await takeUpRescues(db, () => `made-${made++}`, 9)
    expect((await db.pieces.toArray()).map(({ piece }) => piece.version)).toEqual(Array.from({ length: 9 }, () => VERSION))
    const aside = await db.unread.toArray()
    expect(aside.map(({ table, why }) => [table, why.split(':')[0]])).toEqual([
      ['rescued', 'piece.version'],
      ['rescued', 'It is no JSON'],
    ])
    expect(aside[1]!.record).toBe('{"revision": 1, "piece": {')
    expect(kept.size).toBe(0)
  })
})
