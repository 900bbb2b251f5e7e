import { proxy } from 'comlink'
import type { CutJob, CutPlan, Planning } from '#core/cut'
import { bridgeTo } from './bridge'
import type { CuttingWorker } from './protocol'
import type { Going } from './workings'

const bridge = bridgeTo<CuttingWorker>('The worker that plans cuts', () => new Worker(new URL('./cutting.worker.ts', import.meta.url), { type: 'module' }))

/** Plans cuts in a worker; stopped, it answers with the best so far. */
export function planCuts(of: CutJob, report: (progress: Planning) => void): Going<CutPlan> {
  const job = crypto.randomUUID()
  return {
    done: bridge.ask((api) => api.plan(job, of, proxy(report))),
    stop() { void bridge.ask((api) => api.stop(job)).catch(() => { /* A worker that is lost has stopped. */ }) },
  }
}
