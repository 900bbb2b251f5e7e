import type { ShallowRef } from 'vue'
import { shallowRef } from 'vue'
import { reason } from '~/db/storage-error-text'
import { useNotices } from '~/stores/notices'
import { WorkerStopped } from '~/workers/bridge'
import type { Going } from '~/workers/jobs'

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

/** Orders of one thing, of which only the newest is followed to its end. */
export interface NewestOrder<Answer, Progress> {
  /** How far the newest is; null while none is under way. */
  readonly progress: ShallowRef<Progress | null>
  /** Begins an order: what is under way stops. @returns whether it still is the newest */
  begin(): () => boolean
  /** @returns the answer; null where a newer order has begun */
  follow(isNewest: () => boolean, start: (tell: (progress: Progress) => void) => Going<Answer>): Promise<Answer | null>
  stop(): void
}

export function useNewestOrder<Answer, Progress>(): NewestOrder<Answer, Progress> {
  const progress = shallowRef<Progress | null>(null)
  let going: Going<Answer> | null = null
  let turn = 0
  const tell = (isNewest: () => boolean, now: Progress | null): void => {
    if (isNewest()) progress.value = now
  }
  return {
    progress,
    begin() {
      turn += 1
      const own = turn
      going?.stop()
      progress.value = null
      return () => own === turn
    },
    async follow(isNewest, start) {
      const job = start((now) => tell(isNewest, now))
      going = job
      try {
        const answer = await job.done
        return isNewest() ? answer : null
      } finally {
        tell(isNewest, null)
      }
    },
    stop: () => going?.stop(),
  }
}
