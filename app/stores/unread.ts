import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { several } from '#core/measure'
import { db } from '~/db'
import type { UnreadRecord } from '~/db/sound'
import { following } from '~/stores/live-query'
import { useNotices } from './notices'

/** Stored records that this version cannot read: they lie aside, and are told when one comes to it. */
export const useUnread = defineStore('unread', () => {
  const notices = useNotices()
  const records = shallowRef<readonly UnreadRecord[]>([])
  let told = 0
  following(
    () => db().unread.toArray(),
    (all) => {
      records.value = all
      const newest = all.at(-1)?.id ?? 0
      const fresh = all.filter(({ id }) => id > told).length
      if (fresh)
        notices.fault(
          `${several(fresh, 'stored record', 'stored records')} could not be read`,
          'Nothing of it is lost: it lies aside under Settings, where it can be saved as it is. All else is there as before.',
        )
      told = Math.max(told, newest)
    },
  )
  return {
    records,
    /** Throws one away for good. */
    remove: (id: number) => db().unread.delete(id),
  }
})
