import type { EntityTable, Table } from 'dexie'
import type { RowOf, Whole, WholeTable } from '#core/exchange'
import { deltaOf } from '#core/measure'
import type { BenchDatabase, PieceRecord } from './index'

/** Settings that are of this browser and not of the workroom. */
const OF_BROWSER: ReadonlySet<string> = new Set(['seeded', 'written'])

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
  db.previews,
  db.needs,
  ...PLAIN.map((name) => db[name] as unknown as EntityTable<{ id: string }, 'id'>),
]

/** Everything that is kept in this browser, as plain data. */
export async function readAll(db: BenchDatabase): Promise<Whole> {
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

/** What became of what came in. */
export interface Taken {
  /** What is new here, was the same, and stayed as it is here though the file has it otherwise; by table. */
  readonly rows: readonly { readonly table: WholeTable | 'photos'; readonly came: number; readonly same: number; readonly kept: number }[]
  /** Pieces that differ from those here: they came in beside them, by these names. */
  readonly beside: readonly string[]
}

/**
 * Takes a whole workroom in. In place of what is here, or beside it: then what is the same is left, pieces that differ come in beside
 * their namesakes, and of everything else that differs ours stays. All of it, or nothing.
 */
export function takeAll(db: BenchDatabase, whole: Whole, how: 'merge' | 'replace', newId: () => string): Promise<Taken> {
  return db.transaction('rw', tablesOf(db), async () => {
    if (how === 'replace') for (const table of tablesOf(db)) if (table.name !== 'settings') await table.clear()
    const rows: { table: WholeTable | 'photos'; came: number; same: number; kept: number }[] = []
    const beside: string[] = []
    const add = async <T extends object>(
      name: WholeTable | 'photos',
      table: Table<T, string>,
      all: readonly T[],
      key: (row: T) => string,
    ): Promise<void> => {
      const there = await table.bulkGet(all.map(key))
      const fresh = all.filter((_, i) => there[i] === undefined)
      const same = all.filter((row, i) => there[i] !== undefined && deltaOf(there[i], row) === 0).length
      await table.bulkAdd(fresh)
      if (all.length) rows.push({ table: name, came: fresh.length, same, kept: all.length - fresh.length - same })
    }
    // Pieces: what differs comes in beside, under a new id, and what belongs to it goes along.
    const renamed = new Map<string, string>()
    const records: PieceRecord[] = []
    let same = 0
    for (const { piece, savedAt } of whole.tables.pieces) {
      const ours = await db.pieces.get(piece.id)
      if (!ours) records.push({ id: piece.id, piece, revision: 1, savedAt })
      else if (deltaOf(ours.piece, piece) === 0) same += 1
      else {
        const id = newId()
        renamed.set(piece.id, id)
        beside.push(piece.brief.name)
        records.push({ id, piece: { ...piece, id }, revision: 1, savedAt })
      }
    }
    await db.pieces.bulkAdd(records)
    if (whole.tables.pieces.length) rows.push({ table: 'pieces', came: records.length, same, kept: 0 })
    // Earlier versions of pieces that were here already stay those that are here.
    const came = new Set(records.map(({ id }) => id))
    await db.snapshots.bulkAdd(
      whole.tables.versions.flatMap(({ pieceId, at, piece }) => {
        const id = renamed.get(pieceId) ?? pieceId
        return came.has(id) ? [{ pieceId: id, at, piece: { ...piece, id } }] : []
      }),
    )
    const strings = <T extends WholeTable>(name: T): Table<RowOf<T> & object, string> => db.table(name)
    for (const name of PLAIN)
      await add(name, strings(name) as Table<{ id: string }, string>, whole.tables[name] as readonly { id: string }[], ({ id }) => id)
    await add('progress', strings('progress'), whole.tables.progress, ({ piece }) => piece)
    await add('shops', strings('shops'), whole.tables.shops, ({ id }) => id)
    const photos = whole.photos.map(({ id, type, bytes }) => ({ id, picture: new Blob([bytes as BlobPart], { type }) }))
    const there = await db.photos.bulkGet(photos.map(({ id }) => id))
    const fresh = photos.filter((_, i) => !there[i])
    await db.photos.bulkAdd(fresh)
    if (photos.length) rows.push({ table: 'photos', came: fresh.length, same: photos.length - fresh.length, kept: 0 })
    for (const [key, value] of Object.entries(whole.settings)) {
      if (OF_BROWSER.has(key)) continue
      if (how === 'replace' || (await db.settings.get(key)) === undefined) await db.settings.put({ key, value })
    }
    return { rows, beside }
  })
}
