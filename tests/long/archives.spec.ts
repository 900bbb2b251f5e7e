import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import CRC32 from 'crc-32'
import type { Whole } from '../../core/formats'
import { readPiece, readWhole, TABLE_NAMES, writeWhole } from '../../core/formats'
import { CATALOGUE } from '../../core/material'
import { random } from '../../core/measure'
import type { Piece } from '../../core/piece'
import { startPiece } from '../../core/piece'
import { startKit, usualSeason } from '../../core/season'
import { lotOf } from '../../core/stock'

const WRITTEN = '2026-11-02T10:00:00.000Z'
const NOTHING: Whole = {
  tables: Object.fromEntries(TABLE_NAMES.map((name) => [name, []])) as unknown as Whole['tables'],
  settings: {},
  photos: [],
}
const row = (piece: Piece, savedAt = 1): Whole['tables']['pieces'][number] => ({ piece, savedAt })
const pieces = (n: number, set: Partial<Piece> = {}): Whole['tables']['pieces'] =>
  Array.from({ length: n }, (_, i) => row({ ...startPiece(`p${i}`, `Piece ${i}`), ...set, id: `p${i}` }, i))
const demo = readdirSync(new URL('../../demo', import.meta.url)).flatMap((name) => {
  if (!name.endsWith('.json')) return []
  const read = readPiece(readFileSync(new URL(`../../demo/${name}`, import.meta.url), 'utf8'))
  return read.ok ? [row(read.piece)] : []
})
const house = JSON.parse(readFileSync(new URL('../../demo/house/stash.json', import.meta.url), 'utf8')) as {
  lots: Whole['tables']['lots']
  sales: Whole['tables']['sales']
}
const ring = startPiece('ring', 'Ring')
const photo = (id: string, type = 'image/png') => ({ id, type, bytes: strToU8(`picture ${id}`) })
const shop = {
  id: 'own-yard',
  name: 'The yard',
  note: '',
  trip: 0,
  minimum: 0,
  sells: 0,
  offers: [{ material: 'bay', holds: 1, price: 420, reductions: [], stock: null, days: [] }],
}
const progress = (piece: string) => ({ piece, done: ['base'], counted: { a: 2 }, spent: { a: 1.5 }, timers: [], at: 'stems', revision: 3 })
const purchase = {
  id: 'b',
  shop: 'own-yard',
  shopName: 'The yard',
  material: 'bay',
  holds: 8,
  packs: 2,
  expects: [100, 120] as [number, number],
  paid: null,
  lot: null,
}
type Tables = Partial<{ -readonly [T in keyof Whole['tables']]: Whole['tables'][T] }>
const whole = (tables: Tables, settings: Whole['settings'] = {}, photos: Whole['photos'] = []): Whole => ({
  tables: { ...NOTHING.tables, ...tables },
  settings,
  photos,
})

/** Honest ones of every kind: all that is in them is there afterwards. */
const HONEST: Readonly<Record<string, Whole>> = {
  nothing: NOTHING,
  'one piece': whole({ pieces: [row(ring)] }),
  'thirty pieces': whole({ pieces: pieces(30) }),
  'two hundred pieces': whole({ pieces: pieces(200) }),
  'the demo': whole({ pieces: demo, lots: house.lots, sales: house.sales }),
  'twins but for their ids': whole({ pieces: [row(ring), row({ ...ring, id: 'twin' })] }),
  'three of one name': whole({ pieces: ['a', 'b', 'c'].map((id) => row({ ...ring, id })) }),
  'names of all scripts': whole({
    pieces: ['Ringelchen ‘ä’', 'リース', '‏זר‎', '<b>bold</b>', '=1+1', '🌿🌿', 'a'.repeat(80)].map((name, i) =>
      row({ ...ring, id: `n${i}`, brief: { ...ring.brief, name } }),
    ),
  }),
  'ids with odd letters': whole({
    pieces: ['a_b', 'a-b', 'A-b', '__proto__', 'constructor', 'x'.repeat(38)].map((id) => row({ ...ring, id })),
  }),
  'earlier versions': whole({
    pieces: [row(ring)],
    versions: Array.from({ length: 20 }, (_, at) => ({
      pieceId: 'ring',
      at,
      piece: { ...ring, brief: { ...ring.brief, name: `Ring ${at}` } },
    })),
  }),
  'materials of one’s own': whole({
    materials: [
      { ...CATALOGUE.bay!, id: 'mine' },
      { ...CATALOGUE.bay!, name: 'bay changed' },
    ],
  }),
  'lots of all kinds': whole({
    lots: [
      lotOf('a', 'bay', { things: 3 }),
      lotOf('b', 'ribbon-slate', { length: 0.1 }),
      lotOf('c', 'base:grapevine', { things: 2, cut: 355.6 }),
      lotOf('d', 'gone-material', { things: 1 }),
      lotOf('e', 'bay', {
        things: 1,
        source: { kind: 'piece', piece: 'gone', name: 'An old one' },
        paid: 0,
        colour: '#aabbcc',
        day: '2026-01-31',
      }),
    ],
  }),
  'lots kept and cut for a piece and the list': whole({
    pieces: [row(ring)],
    lots: [
      lotOf('a', 'bay', { things: 3, reserved: { piece: 'ring', want: null } }),
      lotOf('b', 'ribbon-slate', { length: 300, reserved: { piece: 'ring', want: 'bow:bow:0' } }),
      lotOf('c', 'ribbon-slate', { length: 300, reserved: { piece: null, want: 'l' } }),
    ],
    cutList: [{ id: 'l', material: 'ribbon-slate', use: 'Tail', length: 300, count: 2, joins: false }],
  }),
  'five thousand lots': whole({ lots: Array.from({ length: 5000 }, (_, i) => lotOf(`l${i}`, 'bay', { things: 1 + (i % 7) })) }),
  'a length of nothing on the list': whole({ cutList: [{ id: 'l', material: 'jute-twine', use: '', length: 0, count: 0, joins: true }] }),
  'rolls of one’s own': whole({ rolls: [{ id: 'r', material: 'ribbon-slate', length: 4000, price: 0 }] }),
  'making under way': whole({ pieces: [row(ring)], progress: [progress('ring')] }),
  'a price list': whole({ shops: [{ id: shop.id, shop: shop as never, own: true, at: 5 }] }),
  'a shopping list': whole({ purchases: [purchase, { ...purchase, id: 'c', width: null }, { ...purchase, id: 'd', width: 355.6 }] }),
  'sales of a piece that is gone': whole({
    sales: [
      { id: 's', piece: 'gone', name: 'Gone', form: 'ring', day: '2026-11-01', count: 1, price: 0, materials: 0, minutes: 0, where: '' },
    ],
  }),
  kits: whole({ pieces: [row(ring)], kits: [startKit('k', 'ring', 'Advent class', 14)] }),
  'kits of a piece that is gone': whole({ kits: [startKit('k', 'gone', 'Advent class', 14)] }),
  batches: whole({ pieces: pieces(3), batches: [{ id: 'b', name: 'Pair', pieces: ['p0', 'p2'] }] }),
  'a season': whole(
    { pieces: [row(ring)] },
    { season: { ...usualSeason(), pins: { ring: '2026-12-01' }, later: ['ring'], ready: [{ piece: 'ring', task: 'bow:b' }] } },
  ),
  'settings of before': whole(
    {},
    { rates: { 'construct.spare': 0.2 }, shunned: ['pinfold'], unmeasured: ['construct.spare'], currency: 'EUR' },
  ),
  'settings nobody knows': whole({}, { tomorrow: { a: [1, 2] } }),
  photos: whole({ lots: [lotOf('a', 'bay', { things: 1, photo: 'x' })] }, {}, [photo('x'), photo('y', 'image/webp')]),
  'a photo of nothing': whole({}, {}, [{ id: 'x', type: 'image/png', bytes: new Uint8Array() }]),
  'a photo of three megabytes': whole({}, {}, [{ id: 'x', type: 'image/jpeg', bytes: Uint8Array.from({ length: 3e6 }, (_, i) => i * i) }]),
  'a piece of far away days': whole({ pieces: [row({ ...ring, making: { ...ring.making, day: '2199-12-31' } }, 8.64e15)] }),
}

/** The archive with its files changed, and their checksums with them. */
function repacked(of: Whole, change: (files: Record<string, Uint8Array>) => void, sums = true): Uint8Array {
  const files = unzipSync(writeWhole(of, WRITTEN))
  change(files)
  if (sums && files['workroom.json']) {
    const manifest = JSON.parse(strFromU8(files['workroom.json'])) as { files: Record<string, unknown> }
    for (const name of Object.keys(manifest.files))
      if (files[name]) manifest.files[name] = { bytes: files[name].length, crc32: CRC32.buf(files[name]) }
    files['workroom.json'] = strToU8(JSON.stringify(manifest))
  }
  return zipSync(files)
}
const full = HONEST['lots kept and cut for a piece and the list']!
const rowsOf = (name: string, change: (rows: Record<string, unknown>[]) => unknown): Uint8Array =>
  repacked(full, (files) => {
    files[name] = strToU8(JSON.stringify(change(JSON.parse(strFromU8(files[name]!)) as Record<string, unknown>[])))
  })
const manifest = (change: (of: Record<string, unknown>) => unknown): Uint8Array =>
  repacked(
    full,
    (files) => {
      files['workroom.json'] = strToU8(JSON.stringify(change(JSON.parse(strFromU8(files['workroom.json']!)) as Record<string, unknown>)))
    },
    false,
  )
const good = writeWhole(full, WRITTEN)
const stream = random(24)
const flipped = (n: number): Uint8Array => {
  const bad = good.slice()
  // In what is packed, where a checksum sees it.
  for (let i = 0; i < n; i++) bad[40 + stream.below(bad.length - 400)]! ^= 1 << stream.below(8)
  return bad
}
const without = (name: string): Uint8Array => zipSync(Object.fromEntries(Object.entries(unzipSync(good)).filter(([each]) => each !== name)))

/** Others: refused in words, and nothing of them is taken. */
const REFUSED: Readonly<Record<string, Uint8Array>> = {
  'no bytes': new Uint8Array(),
  'a text': strToU8('Material,Price\nbay,4.20\n'),
  'a picture': strToU8('\u0089PNG\r\n'),
  'an empty zip': zipSync({}),
  'another zip': zipSync({ 'a.txt': strToU8('a') }),
  'half of it': good.slice(0, good.length / 2),
  'its end cut off': good.slice(0, -30),
  'its head cut off': good.slice(100),
  'a letter changed': repacked(
    full,
    (files) => (files['pieces.json'] = strToU8(strFromU8(files['pieces.json']!).replace('Ring', 'Rung'))),
    false,
  ),
  'ten bits turned over': flipped(10),
  'no pieces in it': without('pieces.json'),
  'no settings in it': without('settings.json'),
  'no manifest': without('workroom.json'),
  'a format of tomorrow': manifest((of) => ({ ...of, version: 99 })),
  'another format': manifest((of) => ({ ...of, format: 'else/where' })),
  'a time that is none': manifest((of) => ({ ...of, written: 'yesterday' })),
  'checksums left out': manifest((of) => ({ ...of, files: {} })),
  'a manifest of nulls': manifest(() => null),
  'lots that are no list': rowsOf('lots.json', () => ({})),
  'a lot of words': rowsOf('lots.json', (rows) => rows.map((each) => ({ ...each, things: 'many' }))),
  'a lot of two kinds': rowsOf('lots.json', (rows) => rows.map((each) => ({ ...each, things: 3, length: 5 }))),
  'a lot too many fields': rowsOf('lots.json', (rows) => rows.map((each) => ({ ...each, more: 1 }))),
  'one lot twice': rowsOf('lots.json', (rows) => [rows[0], rows[0]]),
  'one piece twice': rowsOf('pieces.json', (rows) => [rows[0], rows[0]]),
  'a piece of nothing': rowsOf('pieces.json', () => [{ piece: null, savedAt: 1 }]),
  'a piece of tomorrow': rowsOf('pieces.json', (rows) =>
    rows.map((each) => ({ ...each, piece: { ...(each.piece as object), version: 99 } })),
  ),
  'a piece saved at no time': rowsOf('pieces.json', (rows) => rows.map((each) => ({ ...each, savedAt: 1e300 }))),
  'a day that is none': rowsOf('sales.json', () => [
    { id: 's', piece: '', name: '', form: '', day: '2026-02-30', count: 1, price: 0, materials: 0, minutes: 0, where: '' },
  ]),
  'a file that is no JSON': repacked(full, (files) => (files['lots.json'] = strToU8('[{'))),
  'more than a workroom has when unpacked': repacked(full, (files) => (files['lots.json'] = new Uint8Array(170 * 1024 * 1024).fill(32))),
}

const choose = (page: Page, bytes: Uint8Array): Promise<void> =>
  page.getByLabel('A workroom file').setInputFiles({ name: 'workroom.zip', mimeType: 'application/zip', buffer: Buffer.from(bytes) })
async function written(page: Page): Promise<Whole> {
  const [file] = await Promise.all([
    page.waitForEvent('download', { timeout: 30_000 }),
    page.getByRole('button', { name: 'Write everything to one file' }).click(),
  ])
  const read = readWhole(readFileSync(await file.path()))
  expect(read.ok ? [] : read.faults).toEqual([])
  return (read as { whole: Whole }).whole
}
/** A row whose keys are in an order that says nothing; what is only kept for a piece follows from what the piece needs. */
function said(row: unknown): string {
  return JSON.stringify(row, (key, value: unknown) => {
    if (key === 'reserved' && value && (value as { want: unknown }).want === null) return null
    return value && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([one], [other]) => (one < other ? -1 : 1)))
      : value
  })
}
const sorted = ({ tables }: Whole): unknown =>
  Object.fromEntries(Object.entries(tables).map(([name, rows]) => [name, rows.map(said).sort()]))

for (const [name, of] of Object.entries(HONEST))
  test(`an honest archive with ${name}: all of it comes in, once, and every page stands`, async ({ page }) => {
    await page.goto('/settings')
    await choose(page, writeWhole(of, WRITTEN))
    await page.getByRole('button', { name: 'Beside what is here' }).click()
    await expect(page.getByTestId('taken')).toBeVisible()
    const first = await written(page)
    // What belongs to a piece that is not in the file is nobody's; all else is as it was.
    expect(sorted(first)).toEqual(sorted(of))
    expect(first.photos.map(({ id, bytes }) => [id, bytes.length])).toEqual(of.photos.map(({ id, bytes }) => [id, bytes.length]))
    await choose(page, writeWhole(of, WRITTEN))
    await page.getByRole('button', { name: 'Beside what is here' }).click()
    await expect(page.getByRole('dialog')).toHaveCount(0)
    expect(sorted(await written(page))).toEqual(sorted(of))
    for (const path of ['/', '/stash', '/ledger', '/season', '/daybook', '/kits']) {
      await page.goto(path)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      await expect(page.getByText('Something went wrong')).toHaveCount(0)
    }
  })

for (const [name, bytes] of Object.entries(REFUSED))
  test(`an archive with ${name} is refused in words, and nothing of it is taken`, async ({ page }) => {
    await page.goto('/settings')
    const before = sorted(await written(page))
    await choose(page, bytes)
    const fault = page.getByTestId('whole-file').getByRole('alert')
    await expect(fault).toContainText('Nothing was changed.')
    await expect(fault).not.toContainText(/undefined|\[object|Zod|TypeError/)
    expect(sorted(await written(page))).toEqual(before)
  })
