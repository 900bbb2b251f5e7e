import type { Subscription } from 'dexie'
import { liveQuery } from 'dexie'
import type { ShallowRef } from 'vue'
import { shallowRef } from 'vue'
import { useNotices } from '~/stores/notices'
import { reason } from '../db/storage-error-text'

/**
 * Follows what a query of the database answers, also as other tabs change it. A query that fails is told, and what
 * was there stays.
 */
export function following<T>(query: () => Promise<T>, take: (answer: T) => void): Subscription {
  return liveQuery(query).subscribe({
    next: take,
    error: (error: unknown) => useNotices().fault('What is kept in this browser could not be read', reason(error)),
  })
}

/** What a query of the database answers, always as it is now. @param before it answered */
export function followed<T>(query: () => Promise<T>, before: T): ShallowRef<T> {
  const answer = shallowRef(before)
  following(query, (now) => {
    answer.value = now
  })
  return answer
}
