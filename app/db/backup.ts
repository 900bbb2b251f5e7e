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

/**
 * Takes a whole workroom in. In place of what is here, or beside it: then what is the same is left, pieces that differ come in beside
 * their namesakes with all that belongs to them, and of everything else that differs ours stays. All of it, or nothing.
 */
export function takeAll(db: BenchDatabase, whole: Whole, how: 'merge' | 'replace', newId: () => string): Promise<BroughtIn> {
  return db.transaction('rw', tablesOf(db), async () => {
    /** What other tabs, and what was worked out of a piece here, know it by counts on. */
    const revisions = new Map((await db.pieces.toArray()).map(({ id, revision }) => [id, revision]))
    if (how === 'replace') for (const table of tablesOf(db)) if (table.name !== 'settings') await table.clear()
    const rows: { table: WholeTable | 'photos'; came: number; same: number; kept: number }[] = []
    // Pieces: one that differs comes in beside ours under a new id, unless it did so before.
    const ours = new Map((await db.pieces.toArray()).map((record) => [record.id, record]))
    const theirs = new Set(whole.tables.pieces.map(({ piece }) => piece.id))
    /** Of ours those that the file knows by no id of its own: one of them may be what came in beside ours before. */
    const alike = new Map<string, string[]>()
    for (const { id, piece } of ours.values())
      if (!theirs.has(id)) alike.set(withoutId(piece), [...(alike.get(withoutId(piece)) ?? []), id])
    const renamed = new Map<string, string>()
    const beside: string[] = []
    const records: PieceRecord[] = []
    for (const { piece, savedAt } of whole.tables.pieces) {
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
    await db.pieces.bulkAdd(records)
    const { pieces, versions } = whole.tables
    if (pieces.length) rows.push({ table: 'pieces', came: records.length, same: pieces.length - records.length, kept: 0 })
    /** By which id a piece goes here, and all that belongs to it. */
    const idOf = (id: string): string => renamed.get(id) ?? id
    const orders = new Set([...ours.keys(), ...records.map(({ id }) => id), ...whole.tables.kits.map(({ id }) => id)])
    for (const { id } of await db.kits.toArray()) orders.add(id)
    /** What is kept for nobody that there is, is nobody's. */
    const reservedAs = ({ reserved }: Lot): Lot['reserved'] => {
      if (!reserved?.piece) return reserved
      const piece = idOf(reserved.piece)
      return orders.has(piece) ? { ...reserved, piece } : null
    }
    const came = new Set(records.map(({ id }) => id))
    // Earlier versions of pieces that were here already stay those that are here.
    await db.snapshots.bulkAdd(
      versions.flatMap(({ pieceId, at, piece }) =>
        came.has(idOf(pieceId)) ? [{ pieceId: idOf(pieceId), at, piece: { ...piece, id: idOf(pieceId) } }] : [],
      ),
    )
    const add = async <T extends object, K extends object>(
      name: WholeTable,
      all: readonly T[],
      key: (row: K) => string,
      as: (row: T) => K,
    ): Promise<void> => {
      const table = db.table<K, string>(name)
      const mine = all.map(as)
      const there = await table.bulkGet(mine.map(key))
      const fresh = mine.filter((_, i) => there[i] === undefined)
      const same = mine.filter(
        (row, i) => there[i] !== undefined && (deltaOf(there[i], row) === 0 || deltaOf(there[i], all[i]) === 0),
      ).length
      await table.bulkAdd(fresh)
      if (all.length) rows.push({ table: name, came: fresh.length, same, kept: all.length - fresh.length - same })
    }
    const own = ({ id }: { readonly id: string }): string => id
    const ofPiece = <T extends { readonly piece: string }>(row: T): T => ({ ...row, piece: idOf(row.piece) })
    const { tables } = whole
    await add('materials', tables.materials, own, (row) => row)
    await add('lots', tables.lots, own, (row) => ({ ...row, reserved: reservedAs(row) }))
    await add('rolls', tables.rolls, own, (row) => row)
    await add('cutList', tables.cutList, own, (row) => row)
    await add('purchases', tables.purchases, own, (row): Purchase => row)
    await add('shops', tables.shops, own, (row): ShopRecord => row)
    await add('sales', tables.sales, own, ofPiece)
    await add('daybook', tables.daybook, own, ofPiece)
    await add('kits', tables.kits, own, ofPiece)
    await add('batches', tables.batches, own, (row) => ({ ...row, pieces: row.pieces.map(idOf) }))
    await add(
      'progress',
      tables.progress,
      ({ piece }: MakingProgress) => piece,
      (row): MakingProgress => ofPiece(row),
    )
    const photos = whole.photos.map(({ id, type, bytes }) => ({ id, picture: new Blob([bytes as BlobPart], { type }) }))
    const there = await db.photos.bulkGet(photos.map(({ id }) => id))
    const fresh = photos.filter((_, i) => !there[i])
    await db.photos.bulkAdd(fresh)
    if (photos.length) rows.push({ table: 'photos', came: fresh.length, same: photos.length - fresh.length, kept: 0 })
    for (const [key, value] of settingsIn(whole)) {
      if (OF_BROWSER.has(key)) continue
      if (how === 'replace' || (await db.settings.get(key)) === undefined)
        await db.settings.put({ key, value: key === 'season' ? seasonFor(SeasonSchema.parse(value), renamed) : value })
    }
    return { rows, beside }
  })
}
