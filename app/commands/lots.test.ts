import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { Lengths, Need, Things } from '#core/material'
import { inches } from '#core/measure'
import type { Stage } from '#core/piece'
import { startPiece } from '#core/piece'
import type { Lot } from '#core/stock'
import { lotOf } from '#core/stock'
import { shelf } from '#core/testing'
import type { Purchase } from '../db/index'
import { BenchDatabase } from '../db/index'
import { changeLot, Kept, removeLots, settleStock, tickOff, untick } from './lots'
import { Changed } from '../db/merged'
import { removePiece, savePiece, saveStage, takeApart } from './pieces'

let db: BenchDatabase
let count = 0
let ids = 0
const newId = (): string => `n${ids++}`
beforeEach(() => {
  db = new BenchDatabase(`lots-${count++}`)
})
afterEach(() => db.delete())
const bow: Lengths = { of: 'lengths', material: 'ribbon-slate', use: 'bow', layer: 'bow', length: inches(116), count: 1, joins: false }
const ivy = (n: number): Things => ({ of: 'things', material: 'ivy', use: 'laid', layer: 'a', count: n, cut: null, spare: 0 })
const settle = (id: string, stage: Stage, needs: readonly Need[], of = db) =>
  settleStock(of, [{ id, stage, copies: 1, needs }], shelf, newId)
const keep = (id: string, needs: readonly Need[]) => settle(id, 'gathering', needs)
const owners = async (): Promise<(string | null)[]> => (await db.lots.toArray()).map(({ reserved }) => reserved?.piece ?? null).sort()

describe('one roll', () => {
  it('that two tabs want at once goes to one of them, and stays whole', async () => {
    await db.lots.add(lotOf('roll', 'ribbon-slate', { things: 1 }))
    const other = new BenchDatabase(db.name)
    await Promise.all([keep('p', [bow]), settle('q', 'gathering', [bow], other)])
    other.close()
    expect(await db.lots.count()).toBe(1)
    expect(['p', 'q']).toContain((await db.lots.get('roll'))!.reserved!.piece)
    // Again, and it is the same one's.
    const first = (await db.lots.get('roll'))!.reserved!.piece
    await keep(first === 'p' ? 'q' : 'p', [bow])
    expect((await db.lots.get('roll'))!.reserved!.piece).toBe(first)
  })
  it('that a piece has is not thrown away but on purpose, and what is thrown away is not missed twice', async () => {
    await db.lots.add(lotOf('roll', 'ribbon-slate', { things: 1 }))
    await keep('p', [bow])
    await expect(removeLots(db, ['roll'])).rejects.toThrow(Kept)
    expect(await db.lots.count()).toBe(1)
    await removeLots(db, ['roll'], true)
    await removeLots(db, ['roll'])
    expect(await db.lots.count()).toBe(0)
    await keep('p', [bow])
    expect(await db.lots.count()).toBe(0)
  })
})

describe('what a piece keeps', () => {
  const piece = { ...startPiece('p', 'P'), stage: 'gathering' as const }
  it('is nobody’s again when it is given back, or when the piece is thrown away', async () => {
    await db.lots.add(lotOf('l', 'ivy', { things: 9, paid: 90 }))
    await keep('p', [ivy(4)])
    expect(await owners()).toEqual([null, 'p'])
    await settle('p', 'planned', [])
    expect(await db.lots.toArray()).toEqual([lotOf('l', 'ivy', { things: 9, paid: 90 })])
    await savePiece(db, piece, 0, 1)
    await keep('p', [ivy(4)])
    await removePiece(db, 'p')
    expect(await db.lots.toArray()).toEqual([lotOf('l', 'ivy', { things: 9, paid: 90 })])
  })
  it('goes with its stage in one write, or neither is written', async () => {
    await db.lots.add(lotOf('l', 'ivy', { things: 9, paid: 90 }))
    await savePiece(db, startPiece('p', 'P'), 0, 1)
    const set = (stage: Stage, revision: number) =>
      saveStage(db, { piece: { ...piece, stage }, revision, needs: [ivy(4)] }, { shelf, newId, now: 2 })
    const known = async () => [(await db.pieces.get('p'))!.piece.stage, (await owners()).join()]
    expect(await set('gathering', 7)).toMatchObject({ ok: false })
    expect(await known()).toEqual(['planned', ''])
    expect(await set('gathering', 1)).toEqual({ ok: true, revision: 2 })
    expect(await known()).toEqual(['gathering', ',p'])
    // A lot that the database refuses leaves the stage as it was.
    const refuse = (): never => {
      throw new Error('full')
    }
    db.lots.hook('creating', refuse)
    db.lots.hook('updating', refuse)
    await expect(set('planned', 2)).rejects.toThrow('full')
    expect(await known()).toEqual(['gathering', ',p'])
    db.lots.hook('creating').unsubscribe(refuse)
    db.lots.hook('updating').unsubscribe(refuse)
    await set('planned', 2)
    expect(await db.lots.toArray()).toEqual([lotOf('l', 'ivy', { things: 9, paid: 90 })])
  })
  it('goes with the piece when that hung: it is in it', async () => {
    await db.lots.add(lotOf('l', 'ivy', { things: 9, paid: 90 }))
    await keep('p', [ivy(4)])
    await savePiece(db, { ...piece, stage: 'hung' }, 0, 1)
    await removePiece(db, 'p')
    expect((await db.lots.toArray()).map(({ things, reserved }) => [things, reserved])).toEqual([[5, null]])
  })
  it('goes when it is taken apart, and its parts come in its place', async () => {
    await db.lots.bulkAdd([lotOf('l', 'ivy', { things: 4 }), lotOf('other', 'ivy', { things: 2, reserved: { piece: 'q', want: null } })])
    await keep('p', [ivy(4)])
    const part: Lot = lotOf('part', 'ivy', { things: 3, cut: 120, source: { kind: 'piece', piece: 'p', name: 'P' } })
    await savePiece(db, piece, 0, 1)
    await takeApart(db, { piece, revision: 1 }, () => [part], 2)
    expect(await db.pieces.get('p')).toMatchObject({ revision: 2, piece: { stage: 'taken apart' } })
    expect((await db.lots.toArray()).map(({ id }) => id).sort()).toEqual(['other', 'part'])
  })
  it('stays, and the piece as well, when another tab changed that meanwhile or its parts cannot be written', async () => {
    await savePiece(db, piece, 0, 1)
    await db.lots.bulkAdd([
      lotOf('part', 'ivy', { things: 4, reserved: { piece: 'q', want: null } }),
      lotOf('mine', 'ivy', { reserved: { piece: 'p', want: null } }),
    ])
    await expect(takeApart(db, { piece, revision: 7 }, () => [lotOf('new', 'ivy', {})], 2)).rejects.toThrow('Another tab')
    await expect(takeApart(db, { piece, revision: 1 }, () => [lotOf('part', 'ivy', {})], 2)).rejects.toThrow()
    expect((await db.lots.toArray()).map(({ id }) => id).sort()).toEqual(['mine', 'part'])
    expect(await db.pieces.get('p')).toMatchObject({ revision: 1, piece: { stage: 'gathering' } })
  })
})

describe('a lot that someone changes', () => {
  it('is not written over what a piece took of it meanwhile: no ivy comes of nothing', async () => {
    const opened = lotOf('l', 'ivy', { things: 9 })
    await db.lots.add(opened)
    await keep('p', [ivy(4)])
    await expect(changeLot(db, opened, { ...opened, place: 'Attic' })).rejects.toThrow(Changed)
    expect((await db.lots.toArray()).reduce((n, { things }) => n + things!, 0)).toBe(9)
    const now = (await db.lots.get('l'))!
    await changeLot(db, now, { ...now, place: 'Attic' })
    expect(await db.lots.get('l')).toEqual({ ...now, place: 'Attic' })
  })
  it('does not come back when it was thrown away meanwhile', async () => {
    const opened = lotOf('l', 'ivy', { things: 9 })
    await expect(changeLot(db, opened, opened)).rejects.toThrow(Changed)
    expect(await db.lots.count()).toBe(0)
  })
})

describe('the shopping list', () => {
  const line: Purchase = {
    id: 'x',
    shop: 's',
    shopName: 'S',
    material: 'ivy',
    holds: 10,
    packs: 2,
    expects: [1000, 1200],
    paid: null,
    lot: null,
  }
  const lot = lotOf('bought', 'ivy', { things: 20, source: { kind: 'shop', shop: 'S' } })
  it('puts what was bought on the shelf once, for what was paid', async () => {
    await db.purchases.add(line)
    expect(await tickOff(db, 'x', lot, 1150)).toMatchObject({ paid: 1150, lot: 'bought' })
    expect(await tickOff(db, 'x', { ...lot, id: 'again' }, 1150)).toBeNull()
    expect(await db.lots.toArray()).toEqual([{ ...lot, paid: 1150 }])
  })
  it('takes it back while nothing was taken from it, and no longer', async () => {
    await db.purchases.add(line)
    await tickOff(db, 'x', lot, 1150)
    expect(await untick(db, 'x')).toBe(true)
    expect([await db.lots.count(), (await db.purchases.get('x'))!.lot]).toEqual([0, null])
    await tickOff(db, 'x', lot, 1150)
    await keep('p', [ivy(4)])
    expect(await untick(db, 'x')).toBe(false)
    expect((await db.lots.toArray()).reduce((n, { things }) => n + things!, 0)).toBe(20)
  })
})
