import type { Dexie, Table, Transaction } from 'dexie'
import { z } from 'zod'
import { StoredPieceSchema, WHOLE_TABLES } from '#core/formats'
import { VERSION } from '#core/piece'
import { SeasonSchema } from '#core/season'

/** A stored record that this version cannot read: put aside as it is, so that it stands in nobody's way and is not lost. */
export interface UnreadRecord {
  readonly id: number
  readonly table: string
  readonly record: unknown
  /** What is wrong with it, and where. */
  readonly why: string
  /** When it was put aside, milliseconds since 1970. */
  readonly at: number
}

const row = { id: z.string(), revision: z.number(), savedAt: WHOLE_TABLES.pieces.shape.savedAt }
/** The forms that take longer than a moment. */
const DRAFT_KINDS = ['page', 'lot', 'material', 'prices', 'materials'] as const
export type DraftKind = (typeof DRAFT_KINDS)[number]

const fields = z.record(z.string(), z.unknown())
const draft = { id: z.string(), of: z.string(), title: z.string(), at: row.savedAt, begun: fields, changed: fields }
/** What forms begin with that show a record of a table; the others begin with a table of text. */
const BEGUN: Partial<Record<DraftKind, z.ZodType>> = {
  page: WHOLE_TABLES.daybook,
  lot: WHOLE_TABLES.lots,
  material: WHOLE_TABLES.materials,
}
/** What a record of each table is: no page reads anything else. */
const SOUND = {
  pieces: z
    .looseObject({ ...row, piece: StoredPieceSchema })
    .refine(({ id, piece }) => id === piece.id, { path: ['id'], message: 'It is kept under another id than its own.' }),
  snapshots: z.looseObject({ pieceId: z.string(), at: row.savedAt, piece: StoredPieceSchema }),
  materials: WHOLE_TABLES.materials,
  lots: WHOLE_TABLES.lots,
  rolls: WHOLE_TABLES.rolls,
  cutList: WHOLE_TABLES.cutList,
  progress: WHOLE_TABLES.progress,
  shops: WHOLE_TABLES.shops.extend({ own: z.boolean() }),
  purchases: WHOLE_TABLES.purchases,
  sales: WHOLE_TABLES.sales,
  daybook: WHOLE_TABLES.daybook,
  kits: WHOLE_TABLES.kits,
  batches: WHOLE_TABLES.batches,
  drafts: z.looseObject({ ...draft, kind: z.enum(DRAFT_KINDS) }).superRefine(({ kind, begun }, ctx) => {
    const read = BEGUN[kind]?.safeParse(begun)
    for (const issue of read?.error?.issues ?? []) ctx.addIssue({ ...issue, path: ['begun', ...issue.path] } as never)
  }),
  // Single settings are read by what they are; the season is a document.
  settings: z.looseObject({ key: z.string(), value: z.unknown() }).superRefine(({ key, value }, ctx) => {
    const season = key === 'season' ? SeasonSchema.safeParse(value) : null
    for (const issue of season?.error?.issues ?? []) ctx.addIssue({ ...issue, path: ['value', ...issue.path] } as never)
  }),
} as const
type Checked = keyof typeof SOUND

export const EVERY_TABLE = Object.keys(SOUND) as Checked[]
/** Earlier versions of pieces are many, and are looked at when one is asked for. */
export const READ_AT_ONCE = EVERY_TABLE.filter((name) => name !== 'snapshots')

const WITH_PIECES: ReadonlySet<string> = new Set<Checked>(['pieces', 'snapshots'])

const FAULTS_SAID = 3
/** What is wrong in a record, and where. */
export const faultsSaid = (issues: readonly z.core.$ZodIssue[]): string =>
  issues
    .slice(0, FAULTS_SAID)
    .map(({ path, message }) => (path.length ? `${path.map(String).join('.')}: ${message}` : message))
    .join('\n')

type Read = { readonly ok: true; readonly record: object } | { readonly ok: false; readonly why: string }

/** A record as today's code reads it: pieces of older formats are brought up. */
function read(table: Checked, record: unknown): Read {
  const found = SOUND[table].safeParse(record)
  if (!found.success) return { ok: false, why: faultsSaid(found.error.issues) }
  const old = WITH_PIECES.has(table) && (record as { readonly piece: { readonly version?: unknown } }).piece.version !== VERSION
  return { ok: true, record: old ? found.data : (record as object) }
}

/** Those of a table that today's code reads; for reading what is not looked at when the database is opened. */
export const soundOf = <T>(table: Checked, records: readonly T[]): T[] => records.filter((each) => read(table, each).ok)

/** What is to be written of a table: records that were brought up, and those that cannot be read. */
interface Sorted {
  readonly table: Checked
  readonly up: readonly object[]
  readonly unread: readonly { readonly key: unknown; readonly record: unknown; readonly why: string }[]
}

async function sortOut(name: Checked, table: Table): Promise<Sorted> {
  const up: object[] = []
  const unread: { key: unknown; record: unknown; why: string }[] = []
  const { keyPath } = table.schema.primKey
  for (const record of (await table.toArray()) as object[]) {
    const now = read(name, record)
    if (!now.ok) unread.push({ key: (record as Record<string, unknown>)[keyPath as string], record, why: now.why })
    else if (now.record !== record) up.push(now.record)
  }
  return { table: name, up, unread }
}

/** Brings what can be read to today's format, each record by itself, and puts aside what cannot. Within a transaction of its caller's. */
export async function setAsideIn(step: Pick<Transaction, 'table'>, tables: readonly Checked[]): Promise<void> {
  const aside = step.table<Omit<UnreadRecord, 'id'>>('unread')
  for (const name of tables) {
    const table = step.table(name)
    const { up, unread } = await sortOut(name, table)
    if (up.length) await table.bulkPut(up)
    for (const { key, record, why } of unread) {
      await aside.add({ table: name, record, why, at: Date.now() })
      await table.delete(key)
    }
  }
}

/** The same for a database that is open: written only where there is something to be. What was put aside and can be read by now comes back. */
export async function setAside(db: Dexie, tables: readonly Checked[]): Promise<void> {
  const back = ((await db.table('unread').toArray()) as UnreadRecord[]).filter(
    ({ table, record }) => Object.hasOwn(SOUND, table) && read(table as Checked, record).ok,
  )
  for (const { id, table, record } of back)
    await db.transaction('rw', [table, 'unread'], async () => {
      const { keyPath } = db.table(table).schema.primKey
      // Meanwhile there may be another of that name.
      const key = (record as Readonly<Record<string, string | number>>)[keyPath as string]!
      if ((await db.table(table).get(key)) !== undefined) return
      const now = read(table as Checked, record)
      if (now.ok) await db.table(table).add(now.record)
      await db.table('unread').delete(id)
    })
  const found = await Promise.all(tables.map((name) => sortOut(name, db.table(name))))
  const touched = found.flatMap(({ table, up, unread }) => (up.length || unread.length ? [table] : []))
  if (touched.length) await db.transaction('rw', [...touched, 'unread'], (step) => setAsideIn(step, touched))
}
