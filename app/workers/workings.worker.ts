import { expose } from 'comlink'
import { readPiece } from '#core/exchange'
import { beginOn, evenOutPiece, fillPiece, swapMaterial, takenBy } from '#core/jobs'
import type { Shelf } from '#core/material'
import { deltaOf, withDelta } from '#core/measure'
import type { Piece } from '#core/piece'
import type { Workings } from '#core/workings'
import { rememberingWork, work } from '#core/workings'
import type { TakesAnswer, WorkingsWorker } from './protocol'
import { Jobs } from './slices'

const remembering = rememberingWork()
const jobs = new Jobs()
let shelf: Shelf | null = null
let piece: Piece | null = null
let workings: Workings | null = null

function theShelf(): Shelf {
  if (!shelf) throw new Error('The worker was asked before it was told the shelf.')
  return shelf
}

expose({
  setShelf(told) { shelf = told },
  follow(change) {
    piece = withDelta(piece, change) as Piece
    const next = remembering(piece, theShelf())
    const answer = deltaOf(workings, next)
    workings = next
    return answer
  },
  work: (of) => work(of, theShelf()),
  takes: (pieces) => pieces.map((each): TakesAnswer => {
    try { return { ok: true, takes: takenBy(each, theShelf()) } }
    catch (error) { return { ok: false, error: String(error) } }
  }),
  read: readPiece,
  fill: (of, layer, fullness) => fillPiece(of, theShelf(), layer, fullness),
  swap: (of, layer, from, to) => swapMaterial(of, theShelf(), layer, from, to),
  begin: (of, id, material, seed, by) => beginOn(of, theShelf(), id, material, seed, by),
  evenOut: (job, of, seed, report) => jobs.run(job, evenOutPiece(of, theShelf(), seed), report),
  stop: (job) => jobs.stop(job),
} satisfies WorkingsWorker)
