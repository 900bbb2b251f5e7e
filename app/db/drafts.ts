import type { BenchDatabase } from './index'
import { putSoon } from './pending'
import type { DraftKind } from './sound'

/** What was begun in a form and is not kept yet: it survives the page, and waits for whoever opens the form again. */
export interface Draft {
  /** Of its kind and what it is of; never read back. */
  readonly id: string
  readonly kind: DraftKind
  /** The id of what is changed, or a name for something new. */
  readonly of: string
  /** What it is called where it is told of. */
  readonly title: string
  /** When it was last written to, milliseconds since 1970. */
  readonly at: number
  /** What the form began with, and what of it is otherwise by now: what changes elsewhere meanwhile stays. */
  readonly begun: Readonly<Record<string, unknown>>
  readonly changed: Readonly<Record<string, unknown>>
}

export const draftId = (kind: DraftKind, of: string): string => `${kind}:${of}`

/** Keeps a draft, or forgets it: null. @param failed told when it cannot be written for now */
export const putDraft = (db: BenchDatabase, id: string, draft: Draft | null, failed: (error: unknown) => void): Promise<void> =>
  putSoon(db, { table: 'drafts', key: id, record: draft }, failed)

/** A photo is nobody's only when it was taken longer ago than this, ms: a form may be about to name it. */
const JUST_TAKEN = 24 * 60 * 60 * 1000

/** Throws away photos that no lot, page, draft or record put aside has. @returns how many */
export function sweepPhotos(db: BenchDatabase, now: number): Promise<number> {
  return db.transaction('rw', [db.photos, db.lots, db.daybook, db.drafts, db.unread], async () => {
    const old: string[] = []
    await db.photos.each(({ id, at }) => {
      if (now - (at ?? 0) > JUST_TAKEN) old.push(id)
    })
    if (!old.length) return 0
    const named = new Set([
      ...(await db.lots.toArray()).flatMap(({ photo }) => photo ?? []),
      ...(await db.daybook.toArray()).flatMap(({ photos }) => photos),
    ])
    // Wherever in these an id may stand.
    const others = JSON.stringify([await db.drafts.toArray(), await db.unread.toArray()])
    const nobodys = old.filter((id) => !named.has(id) && !others.includes(id))
    await db.photos.bulkDelete(nobodys)
    return nobodys.length
  })
}
