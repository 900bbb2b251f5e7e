import { expose } from 'comlink'
import { evenOutPiece, fillPiece } from '#core/jobs'
import { rememberingWork } from '#core/workings'
import type { WorkingsWorker } from './protocol'

/** How long a slice of long work may take before messages are looked at, ms. */
const SLICE = 40

const work = rememberingWork()
let stopped = false

expose({
  work,
  fill: fillPiece,
  async evenOut(piece, shelf, seed, report) {
    stopped = false
    const going = evenOutPiece(piece, shelf, seed)
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
} satisfies WorkingsWorker)
