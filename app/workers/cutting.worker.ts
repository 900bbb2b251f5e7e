import { expose } from 'comlink'
import { planning } from '#core/cut'
import type { CuttingWorker } from './protocol'

/** How long a slice of long work may take before messages are looked at, ms. */
const SLICE = 40

let stopped = false

expose({
  async plan(job, report) {
    stopped = false
    const going = planning(job)
    let since = performance.now()
    let step = going.next()
    while (!step.done) {
      if (performance.now() - since > SLICE) {
        report(step.value)
        await new Promise((resolve) => setTimeout(resolve))
        since = performance.now()
      }
      step = going.next(stopped)
    }
    return step.value
  },
  stop() { stopped = true },
} satisfies CuttingWorker)
