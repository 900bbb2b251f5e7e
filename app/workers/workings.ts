import { proxy, wrap } from 'comlink'
import type { Remote } from 'comlink'
import type { EvenedOut, Filling, Progress } from '#core/cover'
import type { Shelf } from '#core/material'
import type { Brief, Piece } from '#core/piece'
import type { Workings } from '#core/workings'
import type { WorkingsWorker } from './protocol'

let worker: Remote<WorkingsWorker> | null = null

function theWorker(): Remote<WorkingsWorker> {
  worker ??= wrap<WorkingsWorker>(new Worker(new URL('./workings.worker.ts', import.meta.url), { type: 'module' }))
  return worker
}

/** Works a piece out in the one worker of this tab. */
export const askWorkings = (piece: Piece, shelf: Shelf): Promise<Workings> => theWorker().work(piece, shelf)

export const askFilling = (piece: Piece, shelf: Shelf, layer: string | null, fullness: Brief['fullness']): Promise<Filling | null> =>
  theWorker().fill(piece, shelf, layer, fullness)

/** Evens a piece out; `stopEveningOut` ends it early with the best so far. */
export const askEvenOut = (piece: Piece, shelf: Shelf, seed: number, report: (progress: Progress) => void): Promise<EvenedOut> =>
  theWorker().evenOut(piece, shelf, seed, proxy(report))

export const stopEveningOut = (): Promise<void> => theWorker().stop()

/**
 * Asks with the newest question only: while one answer is under way later questions replace each other,
 * and an answer to an old question is dropped.
 */
export function latestOnly(onAnswer: (workings: Workings) => void, onFault: (error: unknown) => void) {
  let waiting: { piece: Piece, shelf: Shelf } | null = null
  let busy = false

  async function run(): Promise<void> {
    if (busy) return
    busy = true
    while (waiting) {
      const { piece, shelf } = waiting
      waiting = null
      try {
        const answer = await askWorkings(piece, shelf)
        if (!waiting) onAnswer(answer)
      }
      catch (error) {
        onFault(error)
      }
    }
    busy = false
  }
  return (piece: Piece, shelf: Shelf): void => {
    waiting = { piece, shelf }
    void run()
  }
}
