import { proxy, wrap } from 'comlink'
import type { Remote } from 'comlink'
import type { CutJob, CutPlan, Planning } from '#core/cut'
import type { CuttingWorker } from './protocol'

let worker: Remote<CuttingWorker> | null = null

function theWorker(): Remote<CuttingWorker> {
  worker ??= wrap<CuttingWorker>(new Worker(new URL('./cutting.worker.ts', import.meta.url), { type: 'module' }))
  return worker
}

/** Plans cuts in a worker; `stopPlanning` ends it early with the best so far. */
export const askCutPlan = (job: CutJob, report: (progress: Planning) => void): Promise<CutPlan> => theWorker().plan(job, proxy(report))
export const stopPlanning = (): Promise<void> => theWorker().stop()
