import CRC32 from 'crc-32'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import type { Zippable } from 'fflate'
import { z } from 'zod'
import { RecordSchema } from '../daybook'
import { MaterialSchema } from '../material'
import { DaySchema } from '../measure'
import { migrate, PieceSchema } from '../piece'
import type { OwnRoll, Sale } from '../price'
import { ShopSchema } from '../price'
import { BatchSchema, KitSchema, SeasonSchema } from '../season'
import { LotSchema } from '../stock'
import { asItsParts, readyByPiece, wantOfItsPiece, withoutCurve } from './former'
import type { FileFault } from './portable-piece'

export const WHOLE_FORMAT = 'ruddy-bramble/workroom'
export const WHOLE_VERSION = 4

const id = z.string().min(1).max(200)
/** Milliseconds since 1970, as far as a calendar goes. */
const moment = z.number().min(-8.64e15).max(8.64e15)
const minor = z.int().min(0).max(1_000_000_000)
const mm = z.number().min(0).max(10_000_000)

/** A piece of any version that was read up to today's. */
export const StoredPieceSchema = z.unknown().transform((stored, ctx) => {
  const current = migrate(stored)
  if (!current.ok) {
    ctx.addIssue({ code: 'custom', message: current.error, path: [...current.path] })
    return z.NEVER
  }
  const read = PieceSchema.safeParse(current.document)
  if (!read.success) {
    for (const issue of read.error.issues) ctx.addIssue({ code: 'custom', message: issue.message, path: issue.path as (string | number)[] })
    return z.NEVER
  }
  return read.data
})

/** Every table of a workroom, and what a row of it is. */
export const WHOLE_TABLES = {
  pieces: z.strictObject({ piece: StoredPieceSchema, savedAt: moment }),
  versions: z.strictObject({ pieceId: id, at: moment, piece: StoredPieceSchema }),
  materials: MaterialSchema,
  lots: LotSchema,
  rolls: z.strictObject({ id, material: id, length: mm, price: minor }) satisfies z.ZodType<OwnRoll>,
  cutList: z.strictObject({ id, material: id, use: z.string().max(200), length: mm, count: z.int().min(0), joins: z.boolean() }),
  progress: z.strictObject({
    piece: id,
    done: z.array(id),
    counted: z.record(z.string(), z.number()),
    spent: z.record(z.string(), z.number().min(0)),
    timers: z.array(z.strictObject({ id, name: z.string(), ends: moment, of: z.number() })),
    at: id.nullable(),
    revision: z.int().min(0),
  }),
  shops: z.strictObject({ id, shop: ShopSchema, own: z.literal(true), at: moment }),
  purchases: z.strictObject({
    id,
    shop: id,
    shopName: z.string(),
    material: id,
    width: mm.nullable().optional(),
    holds: z.int().min(1),
    packs: z.int().min(0),
    expects: z.tuple([minor, minor]),
    paid: minor.nullable(),
    lot: id.nullable(),
  }),
  sales: z.strictObject({
    id,
    piece: z.string().max(200),
    name: z.string(),
    form: z.string(),
    day: DaySchema,
    count: z.int().min(1),
    price: minor,
    materials: minor,
    minutes: z.number().min(0),
    where: z.string(),
  }) satisfies z.ZodType<Sale>,
  daybook: RecordSchema,
  kits: KitSchema,
  batches: BatchSchema,
} as const
export type WholeTable = keyof typeof WHOLE_TABLES
export const TABLE_NAMES = Object.keys(WHOLE_TABLES) as WholeTable[]
export type RowOf<T extends WholeTable> = z.infer<(typeof WHOLE_TABLES)[T]>

export interface WholePhoto {
  readonly id: string
  readonly type: string
  readonly bytes: Uint8Array
}

/** Everything of a workroom, as plain data. */
export interface Whole {
  readonly tables: { readonly [T in WholeTable]: readonly RowOf<T>[] }
  readonly settings: Readonly<Record<string, unknown>>
  readonly photos: readonly WholePhoto[]
}

export type ReadWhole =
  | { readonly ok: true; readonly whole: Whole; readonly written: string; readonly aside: readonly string[] }
  | { readonly ok: false; readonly faults: readonly FileFault[] }

const ManifestSchema = z.strictObject({
  format: z.literal(WHOLE_FORMAT),
  version: z.int().min(1).max(WHOLE_VERSION),
  written: z.iso.datetime({ offset: true }),
  files: z
    .record(z.string(), z.strictObject({ bytes: z.int().min(0), crc32: z.int() }))
    .describe('every other file of the archive, with its length and checksum'),
  photos: z.array(z.strictObject({ id, file: z.string(), type: z.string().regex(/^image\/[a-z0-9.+-]+$/) })),
})
/** Settings by their names: what they are is checked where they are read, but for the season, which is a document. */
const SettingsSchema = z.looseObject({ season: SeasonSchema.optional() })
const MANIFEST = 'workroom.json'
const SETTINGS = 'settings.json'
const README = 'README.txt'

/** The JSON Schema of the documents in a whole workroom, by the names of their files, as published in docs/formats. */
export function wholeJsonSchema(): Record<string, unknown> {
  const { pieces, versions, ...others } = WHOLE_TABLES
  // Pieces of all versions are read; today's is written.
  const written = { ...others, pieces: pieces.extend({ piece: PieceSchema }), versions: versions.extend({ piece: PieceSchema }) }
  const documents = Object.fromEntries(TABLE_NAMES.map((name) => [`${name}.json`, z.array(written[name]).describe(ABOUT[name])]))
  const archive = z.strictObject({ [MANIFEST]: ManifestSchema, [SETTINGS]: SettingsSchema, ...documents })
  return {
    ...z.toJSONSchema(archive, { target: 'draft-2020-12', io: 'input', reused: 'ref' }),
    title: `Ruddy Bramble workroom, version ${WHOLE_VERSION}`,
    description:
      'Each property is a document of the archive by the name of its file; photos lie beside them, by the list in workroom.json.',
  }
}

/** The largest archive, and what its documents may unpack to, bytes: ten thousand pieces, or a hundred thousand lots. Pictures are as large packed as not. */
export const LARGEST_WHOLE = 400 * 1024 * 1024
const LARGEST_UNPACKED = 160 * 1024 * 1024
const MOST_FAULTS = 30

/** What each file is, for whoever opens the archive. */
const ABOUT: Readonly<Record<WholeTable, string>> = {
  pieces: 'the pieces, each as in a piece file',
  versions: 'earlier versions of them',
  materials: 'materials of your own',
  lots: 'what is in the house, lot by lot',
  rolls: 'lengths in which materials are sold as well',
  cutList: 'lengths that are to be cut besides',
  progress: 'how far making is',
  shops: 'price lists of your own',
  purchases: 'the shopping list',
  sales: 'what was sold',
  daybook: 'what really happened, piece by piece',
  kits: 'kits for classes',
  batches: 'pieces that are made together',
}

/**
 * One file with everything: a zip of JSON documents and photos, with a README of what is in it.
 * @param written when, as ISO 8601
 */
export function writeWhole({ tables, settings, photos }: Whole, written: string): Uint8Array {
  const files: Record<string, Uint8Array> = {}
  for (const name of TABLE_NAMES) files[`${name}.json`] = strToU8(`${JSON.stringify(tables[name], null, 1)}\n`)
  files[SETTINGS] = strToU8(`${JSON.stringify(settings, null, 1)}\n`)
  const named = photos.map(({ id: of, type }, i) => ({
    id: of,
    file: `photos/${String(i + 1).padStart(4, '0')}.${type.slice(6).replace(/[^a-z0-9].*$/, '')}`,
    type,
  }))
  photos.forEach(({ bytes }, i) => {
    files[named[i]!.file] = bytes
  })
  files[README] = strToU8(readme(tables, photos.length, written))
  const manifest = {
    format: WHOLE_FORMAT,
    version: WHOLE_VERSION,
    written,
    files: Object.fromEntries(Object.entries(files).map(([name, bytes]) => [name, { bytes: bytes.length, crc32: CRC32.buf(bytes) }])),
    photos: named,
  }
  const all: Zippable = { [MANIFEST]: strToU8(`${JSON.stringify(manifest, null, 1)}\n`) }
  // Photos are packed already.
  for (const [name, bytes] of Object.entries(files)) all[name] = [bytes, { level: name.startsWith('photos/') ? 0 : 6 }]
  return zipSync(all, { mtime: written })
}

const readme = (tables: Whole['tables'], photos: number, written: string): string =>
  [
    'A whole workroom of Ruddy Bramble.',
    `Written ${written}. Format ${WHOLE_FORMAT}, version ${WHOLE_VERSION}.`,
    '',
    'Take it back in under Settings: beside what is there, or in its place.',
    '',
    ...TABLE_NAMES.map((name) => `${`${name}.json`.padEnd(16)} ${String(tables[name].length).padStart(6)}  ${ABOUT[name]}`),
    `${SETTINGS.padEnd(16)}         units, money, tax, hours, rules of thumb`,
    `${'photos/'.padEnd(16)} ${String(photos).padStart(6)}  pictures, by the list in ${MANIFEST}`,
    '',
    'All text is UTF-8. Lengths are millimetres, masses grams, money whole cents, times minutes, days of the calendar as 2026-10-31.',
    '',
  ].join('\r\n')

/** What an archive holds, as it was unpacked; or what is wrong with it. */
type Step<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly faults: readonly FileFault[] }

const wrong = (says: string, at = ''): Extract<Step<never>, { ok: false }> => ({ ok: false, faults: [{ says, at, line: null }] })

type Files = Readonly<Record<string, Uint8Array>>
const fileIn = (files: Files, name: string): Uint8Array | undefined => (Object.hasOwn(files, name) ? files[name] : undefined)

/** Unpacks an archive, as long as it comes to no more than a workroom can. */
function unpack(bytes: Uint8Array): Step<Files> {
  if (bytes.length > LARGEST_WHOLE) return wrong(`It is larger than ${LARGEST_WHOLE / 1024 / 1024} MB.`)
  const seen = new Map<string, number>()
  let unpacked = 0
  let files: Files
  try {
    files = unzipSync(bytes, {
      filter: ({ name, size, originalSize }) => {
        seen.set(name, (seen.get(name) ?? 0) + 1)
        // What is stored as it is takes no more room than the archive does.
        unpacked += Math.max(0, originalSize - size)
        return unpacked <= LARGEST_UNPACKED && !name.endsWith('/')
      },
    })
  } catch (error) {
    return wrong(`It is no zip file, or a broken one: ${error instanceof Error ? error.message : String(error)}.`)
  }
  if (unpacked > LARGEST_UNPACKED) return wrong('It would unpack to more than any workroom has.')
  const twice = [...seen].find(([, n]) => n > 1)
  return twice ? wrong('This file is in the archive twice.', twice[0]) : { ok: true, value: files }
}

type Manifest = z.infer<typeof ManifestSchema>

/** What the archive says of itself. */
function manifestIn(files: Files): Step<Manifest> {
  const text = fileIn(files, MANIFEST)
  if (!text) return wrong(`This is no workroom: “${MANIFEST}” is not in it.`)
  const told = jsonIn(text, MANIFEST)
  if (!told.ok) return { ok: false, faults: [told.fault] }
  const { format, version } = (typeof told.value === 'object' && told.value !== null ? told.value : {}) as Record<string, unknown>
  if (format !== WHOLE_FORMAT) return wrong(`This is no workroom: “format” should be “${WHOLE_FORMAT}”.`, MANIFEST)
  if (typeof version === 'number' && version > WHOLE_VERSION)
    return wrong(`It was written by a newer version of the app (format ${version}; this app reads up to ${WHOLE_VERSION}).`, MANIFEST)
  const manifest = ManifestSchema.safeParse(told.value)
  return manifest.success ? { ok: true, value: manifest.data } : { ok: false, faults: faultsOf(manifest.error.issues, MANIFEST) }
}

/** Whether every file is there as it was written, and none that is read came in besides. */
function fileFaults(files: Files, manifest: Manifest): FileFault[] {
  const fault = (says: string, at: string): FileFault => ({ says, at, line: null })
  const listed = (name: string): boolean => Object.hasOwn(manifest.files, name)
  return [
    ...Object.entries(manifest.files).flatMap(([name, { bytes: size, crc32 }]) => {
      const found = fileIn(files, name)
      if (!found) return [fault(MISSING, name)]
      if (found.length !== size) return [fault(`It has ${found.length} bytes; ${size} were written.`, name)]
      return CRC32.buf(found) === crc32 ? [] : [fault('It is not what was written: its checksum differs.', name)]
    }),
    ...[...TABLE_NAMES.map((table) => `${table}.json`), SETTINGS]
      .filter((name) => !listed(name) && fileIn(files, name))
      .map((name) => fault(`It has no checksum in ${MANIFEST}.`, name)),
    ...manifest.photos.filter(({ file }) => !listed(file)).map(({ file }) => fault('This picture is missing from the archive.', file)),
  ]
}
const MISSING = 'This file is missing from the archive.'

/** The rows of one table, each as it must be, and none of them twice. */
function tableIn(files: Files, name: WholeTable, { version }: Manifest): Step<unknown[]> {
  const file = `${name}.json`
  const text = fileIn(files, file)
  if (!text) return wrong(MISSING, file)
  const rows = jsonIn(text, file)
  if (!rows.ok) return { ok: false, faults: [rows.fault] }
  if (!Array.isArray(rows.value)) return wrong('It should be a list.', file)
  const former = (row: unknown): unknown => {
    if (name === 'materials') return version < 4 ? withoutCurve(row) : row
    return name !== 'lots' || version > 2 ? row : asItsParts(version < 2 ? wantOfItsPiece(row) : row)
  }
  const read = z.array(WHOLE_TABLES[name] as z.ZodType).safeParse(rows.value.map(former))
  if (!read.success) return { ok: false, faults: faultsOf(read.error.issues, file) }
  const again = twiceIn(name, read.data as object[])
  return again ? wrong(`“${again}” is in it twice.`, file) : { ok: true, value: read.data }
}

/** @param pieces that are in the archive, by their ids */
function settingsIn(files: Files, { version }: Manifest, pieces: readonly string[]): Step<Whole['settings']> {
  const text = fileIn(files, SETTINGS)
  if (!text) return wrong(MISSING, SETTINGS)
  const settings = jsonIn(text, SETTINGS)
  if (!settings.ok) return { ok: false, faults: [settings.fault] }
  const read = SettingsSchema.safeParse(version < 2 ? seasonOfFirst(settings.value, pieces) : settings.value)
  return read.success ? { ok: true, value: read.data } : { ok: false, faults: faultsOf(read.error.issues, SETTINGS) }
}

const failed = (faults: readonly FileFault[]): ReadWhole => ({ ok: false, faults: faults.slice(0, MOST_FAULTS) })

/** Reads such a file back. Nothing is guessed: where anything is wrong, it says what and where, and gives nothing. */
export function readWhole(bytes: Uint8Array): ReadWhole {
  const unpacked = unpack(bytes)
  if (!unpacked.ok) return unpacked
  const files = unpacked.value
  const told = manifestIn(files)
  if (!told.ok) return told
  const manifest = told.value
  const broken = fileFaults(files, manifest)
  if (broken.length) return failed(broken)
  const tables = TABLE_NAMES.map((name) => [name, tableIn(files, name, manifest)] as const)
  const rows = Object.fromEntries(tables.map(([name, read]) => [name, read.ok ? read.value : []])) as unknown as Whole['tables']
  const settings = settingsIn(
    files,
    manifest,
    rows.pieces.map(({ piece }) => piece.id),
  )
  const faults = [...tables.map(([, read]) => read), settings].flatMap((read) => (read.ok ? [] : read.faults))
  if (faults.length || !settings.ok) return failed(faults)
  return {
    ok: true,
    written: manifest.written,
    whole: {
      tables: rows,
      settings: settings.value,
      photos: manifest.photos.map(({ id: of, file, type }) => ({ id: of, type, bytes: files[file]! })),
    },
    aside: Object.keys(files).filter((name) => name !== MANIFEST && !Object.hasOwn(manifest.files, name)),
  }
}

/** Settings of a file of format 1. */
const seasonOfFirst = (settings: unknown, pieces: readonly string[]): unknown =>
  typeof settings === 'object' && settings !== null && 'season' in settings
    ? { ...settings, season: readyByPiece(settings.season, pieces) }
    : settings

/** The first id that two rows of a table have. */
function twiceIn(name: WholeTable, rows: readonly object[]): string | undefined {
  if (name === 'versions') return undefined
  const there = new Set<string>()
  return rows
    .map((row) =>
      name === 'pieces'
        ? (row as RowOf<'pieces'>).piece.id
        : name === 'progress'
          ? (row as RowOf<'progress'>).piece
          : (row as { id: string }).id,
    )
    .find((each) => there.size === there.add(each).size)
}

function jsonIn(
  bytes: Uint8Array,
  at: string,
): { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly fault: FileFault } {
  try {
    return { ok: true, value: JSON.parse(strFromU8(bytes)) }
  } catch (error) {
    return { ok: false, fault: { says: `The file is broken: ${error instanceof Error ? error.message : String(error)}.`, at, line: null } }
  }
}

const faultsOf = (issues: readonly z.core.$ZodIssue[], file: string): FileFault[] =>
  issues.slice(0, MOST_FAULTS).map((issue) => ({
    says: `${issue.message}${issue.message.endsWith('.') ? '' : '.'}`,
    at: `${file}: ${issue.path.map(String).join('.')}`,
    line: null,
  }))
