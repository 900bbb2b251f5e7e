import { expose } from 'comlink'
import { planning } from '#core/cut'
import type { CuttingWorker } from './protocol'
import { inSlices } from './slices'

let stopped = false

expose({
  plan(job, report) {
    stopped = false
    return inSlices(planning(job), report, () => stopped)
  },
  stop() { stopped = true },
} satisfies CuttingWorker)
