import type { Ref, ShallowRef } from 'vue'
import { ref, shallowRef } from 'vue'
import { db } from '~/db'
import { isPending, putSoon } from '~/db/pending'
import { reason } from '~/db/storage-error-text'
import { following } from './live-query'
import { useNotices } from './notices'

/** The settings as the database has them, whoever wrote them, each a record of its own; and as they were set here, until it does. */
export function useSettingRecords(): {
  readonly records: ShallowRef<ReadonlyMap<string, unknown>>
  readonly ready: Ref<boolean>
  /** @param value undefined sets it back to what is usual */
  readonly keep: (key: string, value?: unknown) => void
} {
  const notices = useNotices()
  const records = shallowRef<ReadonlyMap<string, unknown>>(new Map())
  const ready = ref(false)
  /** What was set here: it stands until the database has it. */
  const mine = new Map<string, unknown>()
  following(
    () => db().settings.toArray(),
    (all) => {
      const now = new Map(all.map(({ key, value }) => [key, value]))
      for (const [key, value] of mine)
        if (!isPending('settings', key)) mine.delete(key)
        else if (value === undefined) now.delete(key)
        else now.set(key, value)
      records.value = now
      ready.value = true
    },
  )
  function keep(key: string, value?: unknown): void {
    mine.set(key, value)
    const now = new Map(records.value)
    if (value === undefined) now.delete(key)
    else now.set(key, value)
    records.value = now
    const record = value === undefined ? null : { key, value, at: Date.now() }
    void putSoon(db(), { table: 'settings', key, record }, (error) =>
      notices.fault('The setting could not be kept', `${reason(error)}\nIt lies aside in this browser and is tried again.`),
    )
  }
  return { records, ready, keep }
}
