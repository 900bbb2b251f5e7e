import { proxy } from 'comlink'
import type { Remote } from 'comlink'
import type { Bridge } from './bridge'
import type { Stoppable } from './protocol'

/** A long job under way: its answer, and how to have its best so far. */
export interface Going<T> {
  readonly done: Promise<T>
  stop(): void
}

/**
 * The one way to begin a long job: it has an id, reports as it goes, ends early with its best so far when it is told to,
 * and answers or fails. One whose worker is lost is begun again by the bridge.
 */
export function begin<Api extends Stoppable, Progress, T>(
  bridge: Bridge<Api>,
  ask: (question: (api: Remote<Api>) => Promise<T>) => Promise<T>,
  start: (api: Remote<Api>, job: string, report: (progress: Progress) => void) => Promise<T>,
  report: (progress: Progress) => void,
): Going<T> {
  const job = crypto.randomUUID()
  return {
    done: ask((api) =>
      start(
        api,
        job,
        proxy((progress: Progress) => {
          bridge.heard()
          report(progress)
        }),
      ),
    ),
    // Whatever the worker is, it can be told to stop; one that is lost has stopped.
    stop() {
      void bridge.ask((api) => (api as unknown as Stoppable).stop(job)).catch(() => {})
    },
  }
}

/** Tells a worker what it goes by when that changed since it was last told; one that is started anew knows nothing. */
export function telling<Api, K extends object>(tell: (api: Remote<Api>, known: K) => Promise<void>) {
  const told = new WeakMap<Remote<Api>, K>()
  return async (api: Remote<Api>, known: K): Promise<void> => {
    if (told.get(api) === known) return
    told.set(api, known)
    await tell(api, known)
  }
}
