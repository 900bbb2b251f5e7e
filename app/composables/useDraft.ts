import type { Subscription } from 'dexie'
import { onScopeDispose, shallowRef } from 'vue'
import { changedFields, deltaOf } from '#core/measure'
import { db } from '~/db'
import type { Draft } from '~/db/drafts'
import { draftId, putDraft } from '~/db/drafts'
import type { DraftKind } from '~/db/sound'
import { following } from '~/stores/live-query'
import { reason } from '~/db/storage-error-text'
import { useNotices } from '~/stores/notices'

export interface DraftOf<T> {
  readonly kind: DraftKind
  /** The id of what is changed, or a name for something new. */
  readonly of: string
  readonly begun: T
  /** What it is called where it is told of. */
  title(value: T): string
  /** Kept from the first, also while nothing of it is changed: what was chosen from outside cannot be chosen again by the app. */
  whole?: boolean
}

/**
 * What is written in a form: kept from the first letter, so that neither a reload nor a dialog that is closed loses it. Whoever
 * opens the form again finds it there, over what is in the record by now.
 */
export function useDraft<T extends object>({ kind, of, begun, title, whole = false }: DraftOf<T>) {
  const notices = useNotices()
  const id = draftId(kind, of)
  const value = shallowRef<T>(begun)
  /** When what was taken up was written, milliseconds since 1970; null where the form is as it began. */
  const since = shallowRef<number | null>(null)
  /** It is kept where it belongs, or not wanted. */
  let over = false
  let closed = false
  const failed = (error: unknown): void =>
    notices.fault('What you write could not be kept', `${reason(error)}\nIt lies aside in this browser and is tried again.`)

  function keep(): void {
    if (over || !known) return
    const changed = changedFields(begun, value.value)
    const draft =
      whole || Object.keys(changed).length
        ? { id, kind, of, title: title(value.value), at: Date.now(), begun: Object.fromEntries(Object.entries(begun)), changed }
        : null
    if (!draft && !there) return
    there = draft !== null
    void putDraft(db(), id, structuredClone(draft), failed)
  }
  function set(change: Partial<T>): null {
    value.value = { ...value.value, ...change }
    keep()
    return null
  }
  function forget(): Promise<void> {
    return putDraft(db(), id, null, failed)
  }
  let watching: Subscription | undefined
  /** Whether a draft lies in the database, as far as is known. */
  let there = false
  /** Whether it is known what was begun before; what is written until then is kept with it. */
  let known = false
  void db()
    .drafts.get(id)
    .then(
      (found) => {
        known = true
        there = found !== undefined
        if (over) return
        const typed = changedFields(begun, value.value)
        const taken = { ...begun, ...found?.changed, ...typed } as T
        const resumed = found !== undefined && deltaOf(value.value, taken) !== 0
        if (resumed) since.value = found.at
        value.value = taken
        // What was only taken up stays as it was written, and when.
        if (!resumed || Object.keys(typed).length) keep()
        if (!closed) watching = following(() => db().drafts.get(id), follow)
      },
      (error: unknown) => {
        known = true
        notices.fault('What was begun could not be read', reason(error))
      },
    )
  let seen = false
  function follow(now: Draft | undefined): void {
    const gone = seen && !now
    seen = now !== undefined
    if (seen) there = true
    if (!gone) return
    // The same form in another tab was done with: what is written in this one is not.
    there = false
    keep()
  }
  onScopeDispose(() => {
    closed = true
    watching?.unsubscribe()
  })
  return {
    value,
    since,
    set,
    /** Begins anew: what was written goes. */
    again(): Promise<void> {
      value.value = begun
      since.value = null
      return forget()
    },
    /** Nothing waits any more. */
    done(): Promise<void> {
      over = true
      return forget()
    },
  }
}
