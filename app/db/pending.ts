import type { Table as DexieTable } from 'dexie'
import type { BenchDatabase } from './index'
import { forget } from './unsaved-recovery'

/**
 * Small records that change with every press, ticks, counts and settings: each is put where it survives the page before its write
 * begins, and is there until the database has it. A write that fails is tried again with growing pauses; the newest counts.
 */
const KEY = 'ruddy-bramble:pending:'
const TAB = crypto.randomUUID()
const PAUSES = [1000, 2000, 4000, 8000, 16_000, 30_000] as const

type Table = 'progress' | 'settings' | 'drafts'
const TABLES: readonly unknown[] = ['progress', 'settings', 'drafts'] satisfies Table[]
/** What is to be written under a key; null takes it away. */
interface Waiting {
  readonly table: Table
  readonly key: string
  readonly record: object | null
  /** When it was put, milliseconds since 1970; not there for what was put by versions before. */
  readonly at?: number
}

const placeOf = (table: Table, key: string): string => `${KEY}${table}:${key}:${TAB}`

/** What is longer than this is not put aside, letters: local storage holds few millions, and pieces need them more than a table that came from a file. */
const LONGEST_ASIDE = 300_000

function putAside(of: Waiting): void {
  const text = JSON.stringify(of)
  if (text.length > LONGEST_ASIDE) return
  try {
    localStorage.setItem(placeOf(of.table, of.key), text)
  } catch {
    /* blocked or full: then only the write itself keeps it */
  }
}

/** What waits for its write, by its place: the newest of each. */
const waiting = new Map<string, Waiting>()
const writing = new Map<string, Promise<void>>()
/** How often in a row a write failed, and what tries it again. */
const failures = new Map<string, number>()
const timers = new Map<string, ReturnType<typeof setTimeout>>()

/**
 * Writes a record soon, after those that were put before it. @param failed told once when it cannot be, until it is
 * @returns when it is written, or cannot be for now
 */
export function putSoon(db: BenchDatabase, put: Omit<Waiting, 'at'>, failed: (error: unknown) => void): Promise<void> {
  const of: Waiting = { ...put, at: Date.now() }
  const place = placeOf(of.table, of.key)
  putAside(of)
  waiting.set(place, of)
  return begin(db, place, failed)
}

/** Writes until the newest of a place is in the database, or cannot be: then once more after a pause. */
async function write(db: BenchDatabase, place: string, failed: (error: unknown) => void): Promise<void> {
  for (let now = waiting.get(place); now; now = waiting.get(place)) {
    try {
      await apply(db, now)
    } catch (error) {
      const before = failures.get(place) ?? 0
      failures.set(place, before + 1)
      if (!before) failed(error)
      clearTimeout(timers.get(place))
      timers.set(
        place,
        setTimeout(() => void begin(db, place, failed), PAUSES[Math.min(before, PAUSES.length - 1)]),
      )
      return
    }
    failures.delete(place)
    if (waiting.get(place) !== now) continue
    waiting.delete(place)
    forget(place)
  }
}

function begin(db: BenchDatabase, place: string, failed: (error: unknown) => void): Promise<void> {
  const under = writing.get(place)
  if (under) return under
  const going = write(db, place, failed).finally(() => writing.delete(place))
  writing.set(place, going)
  return going
}

const apply = async (db: BenchDatabase, { table, key, record }: Waiting): Promise<void> => {
  const own = db[table] as unknown as DexieTable<object, string>
  if (record) await own.put(record)
  else await own.delete(key)
}

/** When all writes that are under way are done, well or not. */
export const allTried = async (): Promise<void> => void (await Promise.all(writing.values()))

/** Whether what was put of a record is not written yet. */
export const isPending = (table: Table, key: string): boolean => waiting.has(placeOf(table, key))

/** Writes what pages left behind that went away before their writes were done; what is newer in the database stays. */
export async function takeUpPending(db: BenchDatabase, now: number): Promise<void> {
  for (const { place, text } of left()) {
    const of = read(text)
    if (!of) await db.unread.add({ table: 'pending', record: text, why: 'It is not what is put aside there.', at: now })
    else if (!(await isOlder(db, of))) await apply(db, of)
    forget(place)
  }
}

/** What lies aside of pages that are gone; nothing where local storage is blocked. */
function left(): { readonly place: string; readonly text: string }[] {
  try {
    return Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!)
      .filter((place) => place.startsWith(KEY) && !waiting.has(place))
      .map((place) => ({ place, text: localStorage.getItem(place) ?? '' }))
  } catch {
    return []
  }
}

function read(text: string): Waiting | null {
  try {
    const { table, key, record, at } = JSON.parse(text) as Partial<Waiting>
    const sound = TABLES.includes(table) && typeof key === 'string' && typeof record === 'object'
    return sound ? ({ table, key, record, at } as Waiting) : null
  } catch {
    return null
  }
}

/** Whether what is in the database was written after what lies aside: making counts its changes, all else has its time. */
async function isOlder(db: BenchDatabase, { table, key, record, at = 0 }: Waiting): Promise<boolean> {
  if (table !== 'progress') {
    const there = await (db[table] as unknown as DexieTable<{ readonly at?: number }, string>).get(key)
    return there?.at !== undefined && there.at > at
  }
  const there = await db.progress.get(key)
  return there !== undefined && there.revision >= Number((record as { revision?: unknown } | null)?.revision)
}
