import type { EntityTable } from 'dexie'
import type { Whole, WholeTable } from '#core/formats'
import { deltaOf } from '#core/measure'
import type { Piece } from '#core/piece'
import type { Season } from '#core/season'
import { SeasonSchema } from '#core/season'
import type { Lot } from '#core/stock'
import type { BenchDatabase, PieceRecord, MakingProgress, Purchase, ShopRecord } from './index'
import { EVERY_TABLE, setAside } from './sound'

/** Settings that are of this browser and not of the workroom. */
const OF_BROWSER: ReadonlySet<string> = new Set(['version', 'seeded', 'written'])

/** Tables whose rows have an id of their own, by the same names in the file and in the database. */
const PLAIN = [
  'materials',
  'lots',
  'rolls',
  'cutList',
  'purchases',
  'sales',
  'daybook',
  'kits',
  'batches',
] as const satisfies readonly WholeTable[]

const tablesOf = (db: BenchDatabase) => [
  db.pieces,
  db.snapshots,
  db.progress,
  db.shops,
  db.settings,
  db.photos,
  db.drafts,
  db.previews,
  db.needs,
  ...PLAIN.map((name) => db[name] as unknown as EntityTable<{ id: string }, 'id'>),
]

/** Everything that is kept in this browser and can be read, as plain data; what cannot is put aside first. */
export async function readAll(db: BenchDatabase): Promise<Whole> {
  await setAside(db, EVERY_TABLE)
  const [read, pictures] = await db.transaction('r', tablesOf(db), async () => {
    const plain = Object.fromEntries(await Promise.all(PLAIN.map(async (name) => [name, await db[name].toArray()] as const)))
    return [
      {
        ...plain,
        pieces: (await db.pieces.orderBy('id').toArray()).map(({ piece, savedAt }) => ({ piece, savedAt })),
        versions: (await db.snapshots.toArray()).map(({ pieceId, at, piece }) => ({ pieceId, at, piece })),
        progress: await db.progress.toArray(),
        shops: (await db.shops.toArray()).filter(({ own }) => own),
        settings: (await db.settings.toArray()).filter(({ key }) => !OF_BROWSER.has(key)),
      },
      await db.photos.toArray(),
    ] as const
  })
  const { settings, ...tables } = read
  return {
    tables: tables as unknown as Whole['tables'],
    settings: Object.fromEntries(settings.map(({ key, value }) => [key, value])),
    photos: await Promise.all(
      pictures.map(async ({ id, picture }) => ({
        id,
        type: picture.type || 'image/webp',
        bytes: new Uint8Array(await picture.arrayBuffer()),
      })),
    ),
  }
}

/** A piece by all that it is but its id. */
const withoutId = (piece: Piece): string => JSON.stringify({ ...piece, id: '' })

/** Settings as they are kept: a file of before has all rules of thumb in one. */
const settingsIn = ({ settings }: Whole): (readonly [string, unknown])[] =>
  Object.entries(settings).flatMap(([key, value]): (readonly [string, unknown])[] => {
    if (key === 'rates') return Object.entries((value ?? {}) as object).map(([id, own]) => [`rate:${id}`, own])
    if (key === 'shunned' || key === 'unmeasured') return Array.isArray(value) ? value.map((id) => [`${key}:${String(id)}`, true]) : []
    return [[key, value]]
  })

/** What was decided of a season, by the ids that its pieces go by here. */
const seasonFor = ({ pins, later, ready, ...rest }: Season, renamed: ReadonlyMap<string, string>): Season => {
  const idOf = (id: string): string => renamed.get(id) ?? id
  return {
    ...rest,
    pins: Object.fromEntries(Object.entries(pins).map(([id, day]) => [idOf(id), day])),
    later: later.map(idOf),
    ready: ready.map(({ piece, task }) => ({ piece: idOf(piece), task })),
  }
}

/** What became of what came in. */
export interface BroughtIn {
  /** What is new here, was the same, and stayed as it is here though the file has it otherwise; by table. */
  readonly rows: readonly { readonly table: WholeTable | 'photos'; readonly came: number; readonly same: number; readonly kept: number }[]
  /** Pieces that differ from those here: they came in beside them, by these names. */
  readonly beside: readonly string[]
}

/** Pieces that come in, and by which ids those go that do not keep their own. */
interface PiecesIn {
  readonly records: readonly PieceRecord[]
  readonly renamed: ReadonlyMap<string, string>
  /** The names of those that come in beside ours. */
  readonly beside: readonly string[]
}

/**
 * Which pieces come in: one that differs from ours by the same id comes in beside it under a new one, unless it did so before.
 * @param ours by their ids @param revisions what other tabs, and what was worked out of a piece here, know it by: they count on
 */
function piecesIn(
  theirs: Whole['tables']['pieces'],
  ours: ReadonlyMap<string, PieceRecord>,
  revisions: ReadonlyMap<string, number>,
  newId: () => string,
): PiecesIn {
  const ids = new Set(theirs.map(({ piece }) => piece.id))
  /** Of ours those that the file knows by no id of its own: one of them may be what came in beside ours before. */
  const alike = new Map<string, string[]>()
  for (const { id, piece } of ours.values()) if (!ids.has(id)) alike.set(withoutId(piece), [...(alike.get(withoutId(piece)) ?? []), id])
  const renamed = new Map<string, string>()
  const beside: string[] = []
  const records: PieceRecord[] = []
  for (const { piece, savedAt } of theirs) {
    const mine = ours.get(piece.id)
    const all = withoutId(piece)
    if (mine && withoutId(mine.piece) === all) continue
    const known = mine && alike.get(all)?.pop()
    if (known !== undefined) {
      renamed.set(piece.id, known)
      continue
    }
    const id = mine ? newId() : piece.id
    if (id !== piece.id) {
      renamed.set(piece.id, id)
      beside.push(piece.brief.name)
    }
    records.push({ id, piece: { ...piece, id }, revision: (revisions.get(id) ?? 0) + 1, savedAt })
  }
  return { records, renamed, beside }
}

type Came = BroughtIn['rows'][number]

/** Rows that are not here come in; of those that differ ours stay. @param as how a row goes here */
async function rowsIn<T extends object, K extends object>(
  db: BenchDatabase,
  name: WholeTable,
  all: readonly T[],
  as: (row: T) => K,
  key: (row: K) => string = (row) => (row as { id: string }).id,
): Promise<Came[]> {
  const table = db.table<K, string>(name)
  const mine = all.map(as)
  const there = await table.bulkGet(mine.map(key))
  const fresh = mine.filter((_, i) => there[i] === undefined)
  const same = mine.filter((row, i) => there[i] !== undefined && (deltaOf(there[i], row) === 0 || deltaOf(there[i], all[i]) === 0)).length
  await table.bulkAdd(fresh)
  return all.length ? [{ table: name, came: fresh.length, same, kept: all.length - fresh.length - same }] : []
}

/** All that is no piece, in the order of the tables. @param idOf by which id a piece goes here @param reservedAs for whom a lot is kept here */
async function tablesIn(
  db: BenchDatabase,
  { tables }: Whole,
  idOf: (id: string) => string,
  reservedAs: (lot: Lot) => Lot['reserved'],
): Promise<Came[]> {
  const ofPiece = <T extends { readonly piece: string }>(row: T): T => ({ ...row, piece: idOf(row.piece) })
  return [
    ...(await rowsIn(db, 'materials', tables.materials, (row) => row)),
    ...(await rowsIn(db, 'lots', tables.lots, (row) => ({ ...row, reserved: reservedAs(row) }))),
    ...(await rowsIn(db, 'rolls', tables.rolls, (row) => row)),
    ...(await rowsIn(db, 'cutList', tables.cutList, (row) => row)),
    ...(await rowsIn(db, 'purchases', tables.purchases, (row): Purchase => row)),
    ...(await rowsIn(db, 'shops', tables.shops, (row): ShopRecord => row)),
    ...(await rowsIn(db, 'sales', tables.sales, ofPiece)),
    ...(await rowsIn(db, 'daybook', tables.daybook, ofPiece)),
    ...(await rowsIn(db, 'kits', tables.kits, ofPiece)),
    ...(await rowsIn(db, 'batches', tables.batches, (row) => ({ ...row, pieces: row.pieces.map(idOf) }))),
    ...(await rowsIn(
      db,
      'progress',
      tables.progress,
      (row): MakingProgress => ofPiece(row),
      ({ piece }) => piece,
    )),
  ]
}

async function photosIn(db: BenchDatabase, photos: Whole['photos']): Promise<Came[]> {
  const rows = photos.map(({ id, type, bytes }) => ({ id, picture: new Blob([bytes as BlobPart], { type }) }))
  const there = await db.photos.bulkGet(rows.map(({ id }) => id))
  const fresh = rows.filter((_, i) => !there[i])
  await db.photos.bulkAdd(fresh)
  return rows.length ? [{ table: 'photos', came: fresh.length, same: rows.length - fresh.length, kept: 0 }] : []
}

/** @param over whether they come in the place of ours */
async function settingsTaken(db: BenchDatabase, whole: Whole, over: boolean, renamed: ReadonlyMap<string, string>): Promise<void> {
  for (const [key, value] of settingsIn(whole)) {
    if (OF_BROWSER.has(key)) continue
    if (over || (await db.settings.get(key)) === undefined)
      await db.settings.put({ key, value: key === 'season' ? seasonFor(SeasonSchema.parse(value), renamed) : value })
  }
}

/**
 * Takes a whole workroom in. In place of what is here, or beside it: then what is the same is left, pieces that differ come in beside
 * their namesakes with all that belongs to them, and of everything else that differs ours stays. All of it, or nothing.
 */
export function takeAll(db: BenchDatabase, whole: Whole, how: 'merge' | 'replace', newId: () => string): Promise<BroughtIn> {
  return db.transaction('rw', tablesOf(db), async () => {
    const revisions = new Map((await db.pieces.toArray()).map(({ id, revision }) => [id, revision]))
    if (how === 'replace') for (const table of tablesOf(db)) if (table.name !== 'settings') await table.clear()
    const ours = new Map((await db.pieces.toArray()).map((record) => [record.id, record]))
    const { pieces, versions, kits } = whole.tables
    const { records, renamed, beside } = piecesIn(pieces, ours, revisions, newId)
    await db.pieces.bulkAdd([...records])
    const idOf = (id: string): string => renamed.get(id) ?? id
    const came = new Set(records.map(({ id }) => id))
    // Earlier versions of pieces that were here already stay those that are here.
    await db.snapshots.bulkAdd(
      versions.flatMap(({ pieceId, at, piece }) =>
        came.has(idOf(pieceId)) ? [{ pieceId: idOf(pieceId), at, piece: { ...piece, id: idOf(pieceId) } }] : [],
      ),
    )
    const orders = new Set([...ours.keys(), ...came, ...[...kits, ...(await db.kits.toArray())].map(({ id }) => id)])
    /** What is kept for nobody that there is, is nobody's. */
    const reservedAs = ({ reserved }: Lot): Lot['reserved'] => {
      if (!reserved?.piece) return reserved
      const piece = idOf(reserved.piece)
      return orders.has(piece) ? { ...reserved, piece } : null
    }
    const rows: Came[] = pieces.length ? [{ table: 'pieces', came: records.length, same: pieces.length - records.length, kept: 0 }] : []
    rows.push(...(await tablesIn(db, whole, idOf, reservedAs)), ...(await photosIn(db, whole.photos)))
    await settingsTaken(db, whole, how === 'replace', renamed)
    return { rows, beside }
  })
}
