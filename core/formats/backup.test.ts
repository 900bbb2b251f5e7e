import CRC32 from 'crc-32'
import { strToU8, unzipSync, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { random } from '../measure'
import { startPiece } from '../piece'
import { startKit, usualSeason } from '../season'
import { lotOf } from '../stock'
import type { Whole } from './backup'
import { readWhole, TABLE_NAMES, WHOLE_VERSION, writeWhole } from './backup'

const WRITTEN = '2026-11-02T10:00:00.000Z'
const empty = Object.fromEntries(TABLE_NAMES.map((name) => [name, []])) as unknown as Whole['tables']
const whole: Whole = {
  tables: {
    ...empty,
    pieces: [{ piece: startPiece('ring', 'Ring'), savedAt: 1 }],
    versions: [{ pieceId: 'ring', at: 3, piece: startPiece('ring', 'Ring before') }],
    lots: [lotOf('l', 'ivy', { things: 3 })],
    kits: [startKit('k', 'ring', 'Kits', 14)],
    progress: [{ piece: 'ring', done: ['base'], counted: { a: 1 }, spent: { base: 3.5 }, timers: [], at: null, revision: 2 }],
    sales: [
      {
        id: 's',
        piece: 'ring',
        name: 'Ring',
        form: 'Wire ring',
        day: '2026-10-20',
        count: 1,
        price: 4500,
        materials: 1200,
        minutes: 90,
        where: 'market',
      },
    ],
  },
  settings: { season: usualSeason(), currency: 'USD' },
  photos: [{ id: 'p', type: 'image/png', bytes: strToU8('picture') }],
}
/** The archive with a file changed as if it had been written so, checksum and all. */
const rewritten = (name: string, change: (value: never) => unknown): Uint8Array =>
  repacked((files) => {
    const text = (of: string): unknown => JSON.parse(new TextDecoder().decode(files[of]))
    files[name] = json(change(text(name) as never))
    const manifest = text('workroom.json') as { files: Record<string, unknown> }
    if (name !== 'workroom.json') manifest.files[name] = { bytes: files[name].length, crc32: CRC32.buf(files[name]) }
    files['workroom.json'] = name === 'workroom.json' ? files[name] : json(manifest)
  })
/** The archive with its files changed. */
function repacked(change: (files: Record<string, Uint8Array>) => void): Uint8Array {
  const files = unzipSync(writeWhole(whole, WRITTEN))
  change(files)
  return zipSync(files)
}
const json = (value: unknown): Uint8Array => strToU8(JSON.stringify(value))
const faultsOf = (bytes: Uint8Array) => {
  const read = readWhole(bytes)
  return read.ok ? [] : read.faults.map(({ at, says }) => `${at}: ${says}`)
}

describe('everything in one file', () => {
  it('comes back as it was', () => {
    const read = readWhole(writeWhole(whole, WRITTEN))
    expect(read).toMatchObject({ ok: true, written: WRITTEN, aside: [] })
    if (!read.ok) return
    expect(read.whole.tables).toEqual(whole.tables)
    expect(read.whole.settings).toEqual(whole.settings)
    expect([...read.whole.photos[0]!.bytes]).toEqual([...strToU8('picture')])
  })
  it('is the same file twice: it takes no time from a clock', () => expect(writeWhole(whole, WRITTEN)).toEqual(writeWhole(whole, WRITTEN)))
  it('of format 1 had ids of pieces within the texts of what was cut for them, and of bows that are bought', () => {
    const lot = (id: string, reserved: object) => ({ ...lotOf(id, 'ribbon-slate', { length: 300 }), reserved })
    const written = {
      'lots.json': [
        lot('bow', { piece: 'ring', want: 'ring:bow:bow:0' }),
        lot('list', { piece: null, want: 'ring:listed' }),
        lot('kept', { piece: 'ring', want: null }),
      ],
      'settings.json': { season: { ...usualSeason(), ready: ['ring:bow:b', 'gone:bow:c'] } },
    }
    const first = repacked((files) => {
      const manifest = JSON.parse(new TextDecoder().decode(files['workroom.json'])) as { version: number; files: Record<string, unknown> }
      for (const [name, value] of Object.entries(written)) {
        files[name] = json(value)
        manifest.files[name] = { bytes: files[name].length, crc32: CRC32.buf(files[name]) }
      }
      files['workroom.json'] = json({ ...manifest, version: 1 })
    })
    const read = readWhole(first)
    expect(read.ok ? [] : read.faults).toEqual([])
    if (!read.ok) return
    expect(read.whole.tables.lots.map(({ reserved }) => reserved)).toEqual([
      { piece: 'ring', want: 'bow:bow:0' },
      { piece: null, want: 'ring:listed' },
      { piece: 'ring', want: null },
    ])
    expect(read.whole.settings.season).toEqual({
      ...usualSeason(),
      ready: [
        { piece: 'ring', task: 'bow:b' },
        { piece: 'gone', task: 'bow:c' },
      ],
    })
  })
  it('brings pieces of an older format up', () => {
    const old = repacked((files) => {
      const { making, ...rest } = startPiece('ring', 'Ring')
      const { recipe: _r, ...before } = making
      files['pieces.json'] = json([{ piece: { ...rest, version: 8, making: before }, savedAt: 1 }])
      const manifest = JSON.parse(new TextDecoder().decode(files['workroom.json'])) as { files: Record<string, unknown> }
      manifest.files['pieces.json'] = { bytes: files['pieces.json'].length, crc32: CRC32.buf(files['pieces.json']) }
      files['workroom.json'] = json(manifest)
    })
    const read = readWhole(old)
    expect(read.ok && read.whole.tables.pieces[0]!.piece).toEqual(startPiece('ring', 'Ring'))
  })
})

describe('a file that is wrong changes nothing and says why', () => {
  it('no zip, and an empty one', () => {
    expect(faultsOf(strToU8('not a zip'))[0]).toMatch(/no zip file/)
    expect(faultsOf(new Uint8Array())[0]).toMatch(/no zip file/)
    expect(faultsOf(zipSync({}))).toEqual([': This is no workroom: “workroom.json” is not in it.'])
  })
  it('a file missing', () => {
    expect(faultsOf(repacked((files) => delete files['lots.json']))).toEqual(['lots.json: This file is missing from the archive.'])
    expect(faultsOf(repacked((files) => delete files['photos/0001.png']))).toEqual([
      'photos/0001.png: This file is missing from the archive.',
    ])
  })
  it('a file twice', () => {
    // Two archives’ entries one after the other: written by hand, since no library writes such.
    const a = zipSync({ 'workroom.json': strToU8('{}') }, { level: 0 })
    const twice = twiceOver(a)
    expect(faultsOf(twice)).toEqual(['workroom.json: This file is in the archive twice.'])
  })
  it('a file cut short', () =>
    expect(faultsOf(repacked((files) => (files['lots.json'] = files['lots.json']!.slice(0, 10))))[0]).toMatch(
      /^lots.json: It has 10 bytes; \d+ were written/,
    ))
  it('a file in which something changed on the way', () => {
    const spoiled = repacked((files) => {
      files['lots.json'] = strToU8(new TextDecoder().decode(files['lots.json']).replace('"things": 3', '"things": 4'))
    })
    expect(faultsOf(spoiled)).toEqual(['lots.json: It is not what was written: its checksum differs.'])
  })
  it('bytes turned over anywhere are noticed, or change nothing', () => {
    const good = writeWhole(whole, WRITTEN)
    const stream = random(15)
    let noticed = 0
    for (let n = 0; n < 400; n++) {
      const bad = good.slice()
      for (let k = 0; k <= n % 3; k++) bad[stream.below(bad.length)]! ^= 1 << stream.below(8)
      const read = readWhole(bad)
      if (!read.ok) {
        noticed += 1
        expect(read.faults.length).toBeGreaterThan(0)
      } else expect([read.whole.tables, read.whole.settings]).toEqual([whole.tables, whole.settings])
    }
    expect(noticed).toBeGreaterThan(200)
  })
  it('days and hours that are none', () => {
    expect(faultsOf(rewritten('sales.json', ([sale]: [object]) => [{ ...sale, day: '2026-02-30' }]))).toEqual([
      'sales.json: 0.day: That is no day of the calendar.',
    ])
    expect(faultsOf(rewritten('versions.json', ([one]: [object]) => [{ ...one, at: 1e300 }]))[0]).toMatch(/^versions.json: 0.at: /)
    expect(faultsOf(rewritten('workroom.json', (of: object) => ({ ...of, written: 'some day' })))[0]).toMatch(/^workroom.json: written: /)
  })
  it('the same id twice', () => {
    expect(faultsOf(rewritten('lots.json', ([lot]: [object]) => [lot, lot]))).toEqual(['lots.json: “l” is in it twice.'])
    expect(faultsOf(rewritten('pieces.json', ([piece]: [object]) => [piece, piece]))).toEqual(['pieces.json: “ring” is in it twice.'])
    expect(faultsOf(rewritten('progress.json', ([one]: [object]) => [one, one]))).toEqual(['progress.json: “ring” is in it twice.'])
    expect(faultsOf(rewritten('versions.json', ([one]: [object]) => [one, one]))).toEqual([])
  })
  it('documents without a checksum', () =>
    expect(faultsOf(rewritten('workroom.json', (of: object) => ({ ...of, files: {}, photos: [] })))).toContain(
      'lots.json: It has no checksum in workroom.json.',
    ))
  it('documents that would unpack to far more than any workroom has', () => {
    const bomb = repacked((files) => (files['lots.json'] = new Uint8Array(161 * 1024 * 1024)))
    expect(bomb.length).toBeLessThan(1024 * 1024)
    expect(faultsOf(bomb)).toEqual([': It would unpack to more than any workroom has.'])
  })
  it('another format, and a newer version', () => {
    expect(faultsOf(repacked((files) => (files['workroom.json'] = json({ format: 'other' }))))[0]).toMatch(/“format” should be/)
    const newer = repacked((files) => {
      files['workroom.json'] = json({
        ...(JSON.parse(new TextDecoder().decode(files['workroom.json'])) as object),
        version: WHOLE_VERSION + 1,
      })
    })
    expect(faultsOf(newer)).toEqual([
      `workroom.json: It was written by a newer version of the app (format ${WHOLE_VERSION + 1}; this app reads up to ${WHOLE_VERSION}).`,
    ])
  })
  it('a row that makes no sense, by its file and place', () => {
    const bad = writeWhole({ ...whole, tables: { ...whole.tables, lots: [{ ...lotOf('l', 'ivy', { things: 3 }), things: -1 }] } }, WRITTEN)
    expect(faultsOf(bad)[0]).toMatch(/^lots.json: 0.things: /)
    const season = writeWhole({ ...whole, settings: { season: { hours: 3 } } }, WRITTEN)
    expect(faultsOf(season)[0]).toMatch(/^settings.json: /)
    for (const settings of [null, 3, []])
      expect(faultsOf(writeWhole({ ...whole, settings: settings as never }, WRITTEN))[0]).toMatch(/^settings.json: /)
  })
})

/** A stored archive of one file, with that file in it a second time. */
function twiceOver(bytes: Uint8Array): Uint8Array {
  const end = bytes.length - 22
  const view = new DataView(bytes.buffer, bytes.byteOffset)
  const directory = view.getUint32(end + 16, true)
  const entry = bytes.slice(directory, end)
  const out = new Uint8Array(bytes.length + entry.length)
  out.set(bytes.slice(0, end))
  out.set(entry, end)
  out.set(bytes.slice(end), end + entry.length)
  const tail = new DataView(out.buffer, end + entry.length)
  tail.setUint16(8, 2, true)
  tail.setUint16(10, 2, true)
  tail.setUint32(12, entry.length * 2, true)
  return out
}
