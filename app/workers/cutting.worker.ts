import { expose } from 'comlink'
import { planning } from '#core/cut'
import type { CuttingWorker } from './protocol'
import { Jobs } from './slices'

const jobs = new Jobs()

expose({
  plan: (job, of, report) => jobs.run(job, planning(of), report),
  stop: (job) => jobs.stop(job),
} satisfies CuttingWorker)
