import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { readFileSync } from 'node:fs'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { CATALOGUE } from '#core/material'
import type { RibbonOf } from '#core/piece'
import { startPiece, usualRibbon, usualRule, VERSION } from '#core/piece'
import { lotOf } from '#core/stock'
import { layerOf } from '#core/testing'
import { door } from './door'
import { BenchDatabase } from './index'
import { apartFrom, editPiece, removePiece, savePiece, snapPiece, snapshotsOf, takeUpRescues } from '../commands/pieces'
import { reason } from './storage-error-text'
import { forgetRescue, rescues, writeRescue } from './unsaved-recovery'
import { SCHEMA_VERSION } from './steps'

const piece = startPiece('ring', 'Porch ring')
let db: BenchDatabase
let count = 0
beforeEach(() => {
  db = new BenchDatabase(`test-${count++}`)
})
afterEach(() => db.delete())

it('of a newer version is not read, and nothing in it is touched', async () => {
  const name = `newer-${count++}`
  const next = new Dexie(name)
  next.version(SCHEMA_VERSION + 1).stores({ pieces: 'id, savedAt', settings: 'key', unread: '++id', progress: 'piece', things: 'id' })
  await next.table('pieces').put({ id: 'p', piece: { of: 'tomorrow' }, savedAt: 1 })
  next.close()
  const old = new BenchDatabase(name)
  await expect(old.pieces.toArray()).rejects.toThrow('The database is of a newer version.')
  expect(door.value).toBe('newer')
  old.close()
  expect(await next.open().then(() => next.table('pieces').toArray())).toEqual([{ id: 'p', piece: { of: 'tomorrow' }, savedAt: 1 }])
  door.value = 'open'
  await next.delete()
})
it('opens at its schema version with its tables', async () => {
  await db.open()
  expect(db.verno).toBe(SCHEMA_VERSION)
  expect(db.tables.map(({ name }) => name).sort()).toEqual([
    'batches',
    'cutList',
    'daybook',
    'drafts',
    'kits',
    'lots',
    'materials',
    'needs',
    'photos',
    'pieces',
    'previews',
    'progress',
    'purchases',
    'rolls',
    'sales',
    'settings',
    'shops',
    'snapshots',
    'unread',
  ])
  expect(await Dexie.exists(db.name)).toBe(true)
})

describe('editPiece', () => {
  it('writes the edit and keeps the piece as it was; what cannot be writes nothing', async () => {
    await savePiece(db, piece, 0, 1000)
    const made = await editPiece(db, piece.id, { do: 'brief', set: { copies: 4 } }, 'make four', 2000)
    expect(made.brief.copies).toBe(4)
    expect((await db.pieces.get(piece.id))!).toMatchObject({ revision: 2, piece: { brief: { copies: 4 } } })
    expect((await snapshotsOf(db, piece.id)).map((each) => each.piece)).toEqual([piece])
    await expect(editPiece(db, piece.id, { do: 'brief', set: { copies: 0 } }, 'make none', 3000)).rejects.toThrow(/At least 1/)
    await expect(editPiece(db, 'nobody', { do: 'brief', set: { copies: 2 } }, 'make two', 3000)).rejects.toThrow(/thrown away/)
    expect((await db.pieces.get(piece.id))!.revision).toBe(2)
    expect(await snapshotsOf(db, piece.id)).toHaveLength(1)
  })
})

describe('savePiece', () => {
  it('counts revisions and keeps what it was given', async () => {
    expect(await savePiece(db, piece, 0, 1000)).toEqual({ ok: true, revision: 1 })
    expect(await savePiece(db, { ...piece, stage: 'making' }, 1, 2000)).toEqual({ ok: true, revision: 2 })
    expect(await db.pieces.get('ring')).toMatchObject({ revision: 2, savedAt: 2000, piece: { stage: 'making' } })
  })
  it('never writes over what another tab saved in between', async () => {
    await savePiece(db, piece, 0, 1)
    await savePiece(db, { ...piece, stage: 'hung' }, 1, 2)
    expect(await savePiece(db, { ...piece, stage: 'making' }, 1, 3)).toMatchObject({ ok: false, current: { revision: 2 } })
    expect((await db.pieces.get('ring'))!.piece.stage).toBe('hung')
  })
  it('does not bring back what was thrown away', async () => {
    await savePiece(db, piece, 0, 1)
    await removePiece(db, 'ring')
    expect(await savePiece(db, piece, 1, 2)).toEqual({ ok: false, current: null })
    expect(await db.pieces.count()).toBe(0)
  })
})

describe('snapshots', () => {
  it('come newest first, without repeats, and only so many', async () => {
    await snapPiece(db, piece, 1)
    await snapPiece(db, piece, 2)
    expect(await snapshotsOf(db, 'ring')).toHaveLength(1)
    for (let i = 0; i < 40; i++) await snapPiece(db, { ...piece, brief: { ...piece.brief, copies: i + 1 } }, 10 + i)
    const kept = await snapshotsOf(db, 'ring')
    expect(kept).toHaveLength(30)
    expect(kept[0]!.piece.brief.copies).toBe(40)
  })
  it('go with their piece and leave others alone', async () => {
    await snapPiece(db, piece, 1)
    await snapPiece(db, { ...piece, id: 'other' }, 1)
    await removePiece(db, 'ring')
    expect(await snapshotsOf(db, 'ring')).toEqual([])
    expect(await snapshotsOf(db, 'other')).toHaveLength(1)
  })
})

it('keeps snapshots in the order they were made, also when the clock was set back', async () => {
  for (const [i, at] of [1000, 2000, 50, 60].entries()) await snapPiece(db, { ...piece, brief: { ...piece.brief, copies: i + 1 } }, at)
  expect((await snapshotsOf(db, 'ring')).map((each) => each.piece.brief.copies)).toEqual([4, 3, 2, 1])
})

/** Local storage as a browser has it. */
class Local {
  readonly kept = new Map<string, string>()
  get length(): number {
    return this.kept.size
  }
  key(i: number): string | null {
    return [...this.kept.keys()][i] ?? null
  }
  getItem(key: string): string | null {
    return this.kept.get(key) ?? null
  }
  setItem(key: string, text: string): void {
    if (text.length > 5_000_000) throw new DOMException('full', 'QuotaExceededError')
    this.kept.set(key, text)
  }

  removeItem(key: string): void {
    this.kept.delete(key)
  }
}

describe('rescue', () => {
  let local: Local
  const newId = (): string => `new${count++}`
  const names = async (): Promise<string[]> => (await db.pieces.toArray()).map((record) => record.piece.brief.name).sort()
  beforeEach(() => {
    local = new Local()
    vi.stubGlobal('localStorage', local)
  })
  afterEach(() => vi.unstubAllGlobals())

  it('is written at once, read back, and forgotten', () => {
    expect(writeRescue({ ...piece, stage: 'making' }, 4)).toBe(true)
    expect(rescues('ring').sound).toMatchObject([{ revision: 4, piece: { stage: 'making' } }])
    expect(rescues('other')).toEqual({ sound: [], unread: [] })
    forgetRescue('ring')
    expect(local.length).toBe(0)
  })
  it('says when it cannot be written, reads nothing where storage is blocked, and erases nothing that is not sound', () => {
    expect(writeRescue({ ...piece, brief: { ...piece.brief, occasion: 'x'.repeat(5_000_001) } }, 1)).toBe(false)
    local.setItem('ruddy-bramble:rescue:ring:tab', JSON.stringify({ revision: 1, piece: { nonsense: true } }))
    expect(rescues('ring')).toMatchObject({ sound: [], unread: [{ key: 'ruddy-bramble:rescue:ring:tab' }] })
    expect(local.length).toBe(1)
    vi.stubGlobal(
      'localStorage',
      new Proxy(
        {},
        {
          get() {
            throw new DOMException('blocked', 'SecurityError')
          },
        },
      ),
    )
    expect([writeRescue(piece, 1), rescues()]).toEqual([false, { sound: [], unread: [] }])
    forgetRescue('ring')
  })
  it('goes into its piece when nothing was saved since', async () => {
    await savePiece(db, piece, 0, 1)
    writeRescue({ ...piece, stage: 'hung' }, 1)
    expect(await takeUpRescues(db, newId, 9)).toEqual([])
    expect(await db.pieces.get('ring')).toMatchObject({ revision: 2, piece: { stage: 'hung' } })
    expect(local.length).toBe(0)
  })
  it('comes in beside its piece when that was saved since or thrown away, and is no copy of what is there', async () => {
    await savePiece(db, piece, 0, 1)
    await savePiece(db, { ...piece, stage: 'making' }, 1, 2)
    writeRescue({ ...piece, stage: 'hung' }, 1)
    local.setItem('ruddy-bramble:rescue:gone:tab', JSON.stringify({ revision: 3, piece: { ...piece, id: 'gone' } }))
    local.setItem('ruddy-bramble:rescue:ring:same', JSON.stringify({ revision: 1, piece: { ...piece, stage: 'making' } }))
    expect(await takeUpRescues(db, newId, 9)).toEqual(['Porch ring (rescued)', 'Porch ring (rescued, 2)'])
    expect(await names()).toEqual(['Porch ring', 'Porch ring (rescued)', 'Porch ring (rescued, 2)'])
    expect(local.length).toBe(0)
  })
})

it('names what goes on beside its piece as no other is named', async () => {
  const long = { ...piece, brief: { ...piece.brief, name: 'x'.repeat(80) } }
  const apart = await apartFrom(db, long, () => 'a', 'kept from this tab')
  expect(apart).toMatchObject({ id: 'a', brief: { name: `${'x'.repeat(59)} (kept from this tab)` } })
  await savePiece(db, apart, 0, 1)
  expect((await apartFrom(db, apart, () => 'b', 'kept from this tab')).brief.name).toMatch(/^x{56} \(kept from this tab, 2\)$/)
})

it('says in words why the storage refused', () => {
  expect(reason(new DOMException('', 'QuotaExceededError'))).toContain('full')
  expect(reason(new Dexie.AbortError('aborted', new DOMException('', 'QuotaExceededError')))).toContain('full')
  expect(reason(new Dexie.MissingAPIError(''))).toContain('no storage')
  expect(reason(new Error('else'))).toBe('else')
  expect(reason('text')).toBe('text')
})

describe('the steps from older schemas', () => {
  const {
    base: { shape: _shape, turn: _turn, hook: _hook, mass: _mass, ...base },
    brief: { balance: _balance, light: _light, ...brief },
    ...rest
  } = piece
  const old = { ...rest, version: 1, brief, base: { ...base, join: 90, outer: 300, inner: 200 } }

  it('brings stored pieces and snapshots to today’s format, and adds the new tables', async () => {
    const name = `step-${count++}`
    const before = new Dexie(name)
    before.version(1).stores({ pieces: 'id, savedAt', snapshots: '++id, [pieceId+at]', settings: 'key' })
    await before.table('pieces').put({ id: 'ring', piece: old, revision: 3, savedAt: 5 })
    await before.table('snapshots').add({ pieceId: 'ring', at: 5, piece: old })
    before.close()
    const after = new BenchDatabase(name)
    expect(await after.pieces.get('ring')).toMatchObject({
      revision: 3,
      piece: { version: VERSION, base: { shape: { form: 'ring', outer: 300, inner: 200 }, join: 0.25 } },
    })
    expect((await snapshotsOf(after, 'ring'))[0]!.piece.version).toBe(VERSION)
    expect(await after.lots.count()).toBe(0)
    await after.delete()
  })
  it('brings materials of schema 2 to the names that draw them now', async () => {
    const name = `step-${count++}`
    const before = new Dexie(name)
    before
      .version(2)
      .stores({ pieces: 'id, savedAt', snapshots: '++id, [pieceId+at]', settings: 'key', materials: 'id, kind', stash: 'material' })
    await before.table('materials').bulkPut([
      { ...CATALOGUE.bay, id: 'own-twig', species: 'twig' },
      { ...CATALOGUE.bay, id: 'own-bay' },
    ])
    const { light: _hour, ...dayless } = piece.brief
    const { words: _words, ...layer } = layerOf('a', 'bay', { kind: 'hand' })
    await before
      .table('pieces')
      .put({ id: 'ring', piece: { ...piece, version: 2, brief: dayless, layers: [layer] }, revision: 3, savedAt: 5 })
    before.close()
    const after = new BenchDatabase(name)
    expect((await after.materials.toArray()).map(({ id, species }) => [id, species])).toEqual([
      ['own-bay', 'bay'],
      ['own-twig', 'birch'],
    ])
    expect(await after.pieces.get('ring')).toMatchObject({
      piece: { version: VERSION, brief: { light: 'day' }, layers: [{ words: null }] },
    })
    await after.delete()
  })
  it('gives schema 3 room for cutting lists and keeps the rest', async () => {
    const name = `step-${count++}`
    const before = new Dexie(name)
    before
      .version(3)
      .stores({ pieces: 'id, savedAt', snapshots: '++id, [pieceId+at]', settings: 'key', materials: 'id, kind', stash: 'material' })
    await before.table('pieces').put({ id: 'ring', piece, revision: 3, savedAt: 5 })
    before.close()
    const after = new BenchDatabase(name)
    expect(await after.pieces.get('ring')).toMatchObject({ revision: 3, piece })
    expect(await after.cutList.count()).toBe(0)
    await after.delete()
  })
  it('keeps the bows of schema 5, their loops all by one length', async () => {
    const name = `step-${count++}`
    const before = new Dexie(name)
    before.version(5).stores({
      pieces: 'id, savedAt',
      snapshots: '++id, [pieceId+at]',
      settings: 'key',
      materials: 'id, kind',
      stash: 'material',
      cutList: 'id, material',
      offcuts: 'id, material',
      cutPieces: 'id, material',
      rolls: 'id, material',
    })
    const layer = layerOf('a', 'ribbon-slate', usualRule('bow', ''))
    const { groups: _groups, ...alike } = usualRibbon('hand') as RibbonOf<'hand'>
    await before.table('pieces').put({
      id: 'ring',
      piece: { ...piece, version: 4, layers: [{ ...layer, rule: { ...layer.rule, ribbons: [alike] } }] },
      revision: 3,
      savedAt: 5,
    })
    await before.table('rolls').put({ id: 'r', material: 'ribbon-slate', length: 4000, price: 300 })
    before.close()
    const after = new BenchDatabase(name)
    expect(await after.pieces.get('ring')).toMatchObject({
      revision: 3,
      piece: { version: VERSION, layers: [{ rule: { kind: 'bow', ribbons: [{ ...alike, groups: null }] } }] },
    })
    expect(await after.rolls.get('r')).toMatchObject({ price: 300 })
    await after.delete()
  })
  it('gives schema 6 room for previews and needs, and keeps the rest', async () => {
    const name = `step-${count++}`
    const before = new Dexie(name)
    before.version(6).stores({
      pieces: 'id, savedAt',
      snapshots: '++id, [pieceId+at]',
      settings: 'key',
      materials: 'id, kind',
      stash: 'material',
      cutList: 'id, material',
      offcuts: 'id, material',
      cutPieces: 'id, material',
      rolls: 'id, material',
    })
    await before.table('pieces').put({ id: 'ring', piece, revision: 3, savedAt: 5 })
    before.close()
    const after = new BenchDatabase(name)
    expect(await after.pieces.get('ring')).toMatchObject({ revision: 3, piece })
    expect([await after.previews.count(), await after.needs.count()]).toEqual([0, 0])
    await after.delete()
  })
  it('gives bundles of schema 4 their one face, and room for rolls of other lengths', async () => {
    const name = `step-${count++}`
    const before = new Dexie(name)
    before.version(4).stores({
      pieces: 'id, savedAt',
      snapshots: '++id, [pieceId+at]',
      settings: 'key',
      materials: 'id, kind',
      stash: 'material',
      cutList: 'id, material',
      offcuts: 'id, material',
      cutPieces: 'id, material',
    })
    const layer = layerOf('a', 'bay', { kind: 'bundles', start: 0, advance: 80, sprigs: 4, wraps: 2, bound: 25, faces: 1 })
    const { faces: _faces, ...faceless } = layer.rule as Extract<typeof layer.rule, { kind: 'bundles' }>
    await before
      .table('pieces')
      .put({ id: 'ring', piece: { ...piece, version: 3, layers: [{ ...layer, rule: faceless }] }, revision: 3, savedAt: 5 })
    await before.table('offcuts').put({ id: 'o', material: 'ribbon-slate', length: 400 })
    before.close()
    const after = new BenchDatabase(name)
    expect(await after.pieces.get('ring')).toMatchObject({ piece: { version: VERSION, layers: [{ rule: { kind: 'bundles', faces: 1 } }] } })
    expect(await after.lots.get('o')).toMatchObject({ length: 400, things: null, source: { kind: 'offcut' } })
    expect(await after.rolls.count()).toBe(0)
    await after.delete()
  })
  it('puts the stash, offcuts and cut pieces of schema 7 in one table and loses none of them; money becomes the workroom’s', async () => {
    const name = `step-${count++}`
    const before = new Dexie(name)
    before.version(7).stores({
      pieces: 'id, savedAt',
      snapshots: '++id, [pieceId+at]',
      settings: 'key',
      materials: 'id, kind',
      stash: 'material',
      cutList: 'id, material',
      offcuts: 'id, material',
      cutPieces: 'id, material',
      rolls: 'id, material',
      previews: 'id, [id+key]',
      needs: 'id',
    })
    const five = JSON.parse(readFileSync(new URL('../../tests/reference/versions/piece-5.json', import.meta.url), 'utf8')) as {
      brief: object
    }
    for (const [i, currency] of ['EUR', 'GBP', 'EUR'].entries())
      await before
        .table('pieces')
        .put({ id: `p${i}`, piece: { ...five, id: `p${i}`, brief: { ...five.brief, currency } }, revision: 3, savedAt: i })
    await before.table('settings').put({ key: 'manner', value: { units: 'cm', light: 'day', spare: 0.2 } })
    await before.table('stash').bulkPut([
      { material: 'bracken', count: 4 },
      { material: 'ribbon-slate', count: 2 },
    ])
    await before.table('offcuts').put({ id: 'o', material: 'ribbon-slate', length: 400 })
    // Known by their places among all lengths of the piece.
    await before.table('cutPieces').bulkPut([
      { id: 'c', material: 'ribbon-slate', want: 'p0:bow:bow:3', length: 900 },
      { id: 'd', material: 'ribbon-slate', want: 'p0:bow:bow:6', length: 300 },
      { id: 'e', material: 'ribbon-slate', want: 'l', length: 400 },
    ])
    await before.table('rolls').put({ id: 'r', material: 'ribbon-slate', length: 4000, price: 300 })
    await before.table('cutList').put({ id: 'l', material: 'ribbon-slate', use: 'Tail', length: 400, count: 2, joins: false })
    await before.table('needs').put({ id: 'p0', key: 'k', takes: [] })
    before.close()
    const after = new BenchDatabase(name)
    const cut = (id: string, length: number, want: string, piece: string | null = null) =>
      lotOf(id, 'ribbon-slate', { length, source: { kind: 'cut', from: null }, reserved: { piece, want } })
    expect(await after.lots.orderBy('id').toArray()).toEqual([
      cut('c', 900, 'bow:bow:0', 'p0'),
      lotOf('counted:bracken', 'bracken', { things: 4 }),
      lotOf('counted:ribbon-slate', 'ribbon-slate', { things: 2 }),
      cut('d', 300, 'bow:bow:1', 'p0'),
      cut('e', 400, 'l'),
      lotOf('o', 'ribbon-slate', { length: 400, source: { kind: 'offcut' } }),
    ])
    expect([await after.rolls.count(), await after.cutList.count(), await after.needs.count()]).toEqual([1, 1, 0])
    expect((await after.pieces.toArray()).map(({ piece: { version, brief: now } }) => [version, 'currency' in now])).toEqual([
      [VERSION, false],
      [VERSION, false],
      [VERSION, false],
    ])
    expect(await after.settings.get('currency')).toEqual({ key: 'currency', value: 'EUR' })
    expect(await after.settings.get('rate:construct.spare')).toEqual({ key: 'rate:construct.spare', value: 0.2 })
    expect(await after.settings.get('manner')).toEqual({ key: 'manner', value: { units: 'cm', light: 'day' } })
    expect([...after.backendDB().objectStoreNames].filter((table) => ['stash', 'offcuts', 'cutPieces'].includes(table))).toEqual([])
    await after.delete()
  })
  it('gives pieces of schema 11 their hanger, and room for how far a making is; needs are worked out anew', async () => {
    const name = `step-${count++}`
    const before = new Dexie(name)
    before.version(11).stores({
      pieces: 'id, savedAt',
      snapshots: '++id, [pieceId+at]',
      settings: 'key',
      materials: 'id, kind',
      cutList: 'id, material',
      rolls: 'id, material',
      previews: 'id, [id+key]',
      needs: 'id',
      lots: 'id, material',
    })
    const read = (file: string) =>
      JSON.parse(readFileSync(new URL(`../../tests/reference/versions/${file}`, import.meta.url), 'utf8')) as object
    await before.table('pieces').put({ id: 'ring', piece: { ...read('piece-6.json'), id: 'ring' }, revision: 3, savedAt: 5 })
    await before.table('snapshots').put({ pieceId: 'ring', at: 1, piece: { ...read('piece-6.json'), id: 'ring' } })
    await before.table('needs').put({ id: 'ring', key: 'k', needs: [] })
    await before
      .table('lots')
      .put({ id: 'l', material: 'bay', things: 3, length: null, source: { kind: 'counted' }, paid: null, reserved: null })
    before.close()
    const after = new BenchDatabase(name)
    const kept = (await after.pieces.get('ring'))!
    expect(kept).toMatchObject({
      revision: 3,
      piece: { version: VERSION, fixing: { school: 'as suits' }, hanger: { loop: 'twine loop', run: 'ring', at: 0 }, weighed: [] },
    })
    expect(kept.piece.layers.every(({ fixing, backup }) => fixing === null && backup === null)).toBe(true)
    expect((await snapshotsOf(after, 'ring'))[0]!.piece.version).toBe(VERSION)
    expect([await after.needs.count(), await after.lots.count(), await after.progress.count()]).toEqual([0, 1, 0])
    await after.delete()
  })
  it('lots of schema 12 lose nothing: what was cut is its piece’s, and they say no more than is known', async () => {
    const name = `step-${count++}`
    const before = new Dexie(name)
    before.version(12).stores({
      pieces: 'id, savedAt',
      snapshots: '++id, [pieceId+at]',
      settings: 'key',
      materials: 'id, kind',
      cutList: 'id, material',
      rolls: 'id, material',
      previews: 'id, [id+key]',
      needs: 'id',
      lots: 'id, material',
      progress: 'piece',
    })
    const seven = JSON.parse(readFileSync(new URL('../../tests/reference/versions/piece-7.json', import.meta.url), 'utf8')) as object
    await before.table('pieces').put({ id: 'ring', piece: { ...seven, id: 'ring' }, revision: 2, savedAt: 5 })
    await before.table('needs').put({ id: 'ring', key: 'k', needs: [] })
    await before.table('lots').bulkPut([
      { id: 'counted:bay', material: 'bay', things: 7, length: null, source: { kind: 'counted' }, paid: null, reserved: null },
      { id: 'rolls', material: 'ribbon-slate', things: 2, length: null, source: { kind: 'counted' }, paid: 1798, reserved: null },
      { id: 'off', material: 'ribbon-slate', things: null, length: 700, source: { kind: 'offcut' }, paid: null, reserved: null },
      {
        id: 'cut',
        material: 'ribbon-slate',
        things: null,
        length: 900,
        source: { kind: 'cut', from: 'rolls' },
        paid: 200,
        reserved: 'ring:bow:bow:0',
      },
      { id: 'tail', material: 'ribbon-slate', things: null, length: 400, source: { kind: 'cut', from: null }, paid: null, reserved: 'l' },
    ])
    await before.table('progress').put({ piece: 'ring', done: ['base'], counted: {}, spent: {}, timers: [], at: null, revision: 3 })
    before.close()
    const after = new BenchDatabase(name)
    expect(await after.lots.orderBy('id').toArray()).toEqual([
      lotOf('counted:bay', 'bay', { things: 7 }),
      lotOf('cut', 'ribbon-slate', {
        length: 900,
        source: { kind: 'cut', from: 'rolls' },
        paid: 200,
        reserved: { piece: 'ring', want: 'bow:bow:0' },
      }),
      lotOf('off', 'ribbon-slate', { length: 700, source: { kind: 'offcut' } }),
      lotOf('rolls', 'ribbon-slate', { things: 2, paid: 1798 }),
      lotOf('tail', 'ribbon-slate', { length: 400, source: { kind: 'cut', from: null }, reserved: { piece: null, want: 'l' } }),
    ])
    expect((await after.pieces.get('ring'))!.piece).toMatchObject({ version: VERSION, asking: { claims: [], market: null } })
    expect([await after.needs.count(), await after.progress.count(), await after.shops.count()]).toEqual([0, 1, 0])
    expect((await after.lots.where('reserved.piece').equals('ring').toArray()).map(({ id }) => id)).toEqual(['cut'])
    await after.delete()
  })
  it('13 to 14: making under way has times, pieces have a recipe to come, and nothing else changed', async () => {
    const name = `step-${count++}`
    const before = new Dexie(name)
    before.version(13).stores({
      pieces: 'id, savedAt',
      snapshots: '++id, [pieceId+at]',
      settings: 'key',
      materials: 'id, kind',
      cutList: 'id, material',
      rolls: 'id, material',
      previews: 'id, [id+key]',
      needs: 'id',
      lots: 'id, material, reserved.piece',
      progress: 'piece',
      shops: 'id',
      purchases: 'id, shop',
      sales: 'id, piece',
      photos: 'id',
    })
    const { recipe: _none, ...making } = piece.making
    await before.table('pieces').put({ id: 'ring', piece: { ...piece, id: 'ring', version: 8, making }, revision: 3, savedAt: 5 })
    await before.table('progress').put({ piece: 'ring', done: ['base'], counted: { stems: 2 }, timers: [], at: 'stems', revision: 4 })
    await before.table('needs').put({ id: 'ring', key: 'k', needs: [] })
    before.close()
    const after = new BenchDatabase(name)
    expect((await after.pieces.get('ring'))!.piece).toEqual({ ...piece, id: 'ring' })
    expect(await after.progress.get('ring')).toEqual({
      piece: 'ring',
      done: ['base'],
      counted: { stems: 2 },
      spent: {},
      timers: [],
      at: 'stems',
      revision: 4,
    })
    expect([await after.needs.count(), await after.daybook.count(), await after.kits.count()]).toEqual([0, 0, 0])
    await after.delete()
  })
  it('a piece that is thrown away takes along how far its making was', async () => {
    await db.pieces.put({ id: 'ring', piece: { ...piece, id: 'ring' }, revision: 1, savedAt: 1 })
    await db.progress.put({ piece: 'ring', done: ['base'], counted: {}, spent: {}, timers: [], at: null, revision: 1 })
    await removePiece(db, 'ring')
    expect(await db.progress.count()).toBe(0)
  })
})
