import { shallowRef } from 'vue'
import { db } from '~/db'
import type { Draft } from '~/db/drafts'
import { putDraft } from '~/db/drafts'
import type { DraftKind } from '~/db/sound'
import { reason } from '~/db/storage-error-text'
import { following } from '~/stores/live-query'
import { useNotices } from '~/stores/notices'

/** What was begun in forms of a kind and is not kept yet; follows what other tabs do. */
export function useBegun(kind: DraftKind) {
  const notices = useNotices()
  const drafts = shallowRef<readonly Draft[]>([])
  following(
    () => db().drafts.where({ kind }).toArray(),
    (all) => {
      drafts.value = all
    },
  )
  return {
    drafts,
    throwAway: ({ id }: Draft): void =>
      void putDraft(db(), id, null, (error) => notices.fault('It could not be thrown away', reason(error))),
  }
}
