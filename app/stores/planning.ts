import { shallowRef } from 'vue'
import { reason } from '~/db/storage-error-text'
import { useNotices } from '~/stores/notices'
import { WorkerStopped } from '~/workers/bridge'

/**
 * A plan that is made anew whenever something of it changes: why there is none, where the newest try failed, and a way to try again.
 * @param failed what is told then @param make makes it, and only the newest of several to its end
 */
export function usePlanning(failed: string, make: () => Promise<void>) {
  const notices = useNotices()
  /** Why the last plan did not come about; null where it did, or is under way. */
  const noPlan = shallowRef<string | null>(null)
  let turn = 0
  async function again(): Promise<void> {
    turn += 1
    const own = turn
    noPlan.value = null
    try {
      await make()
    } catch (error) {
      if (own !== turn) return
      noPlan.value = reason(error)
      // Whoever stopped it knows.
      if (!(error instanceof WorkerStopped)) notices.fault(failed, noPlan.value)
    }
  }
  return { noPlan, again }
}
