import { expose } from 'comlink'
import { evenOutPiece, fillPiece } from '#core/jobs'
import { rememberingWork } from '#core/workings'
import type { WorkingsWorker } from './protocol'
import { inSlices } from './slices'

const work = rememberingWork()
let stopped = false

expose({
  work,
  fill: fillPiece,
  evenOut(piece, shelf, seed, report) {
    stopped = false
    return inSlices(evenOutPiece(piece, shelf, seed), report, () => stopped)
  },
  stop() { stopped = true },
} satisfies WorkingsWorker)
