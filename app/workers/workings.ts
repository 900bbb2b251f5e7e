import type { Remote } from 'comlink'
import { proxy } from 'comlink'
import type { Swap } from '#core/arrange'
import type { Begun, EvenedOut, Filling, Progress } from '#core/cover'
import type { ReadPiece } from '#core/exchange'
import type { Shelf } from '#core/material'
import { deltaOf, withDelta } from '#core/measure'
import type { Brief, Piece, RuleKind } from '#core/piece'
import type { Workings } from '#core/workings'
import { bridgeTo } from './bridge'
import type { TakesAnswer, WorkingsWorker } from './protocol'

const bridge = bridgeTo<WorkingsWorker>('The worker that does the sums', () => new Worker(new URL('./workings.worker.ts', import.meta.url), { type: 'module' }))

/** What a worker was told and answered, so that only what changed crosses. A worker that is started anew knows nothing. */
interface Told { shelf: Shelf | null, piece: Piece | null, workings: Workings | null }
const told = new WeakMap<Remote<WorkingsWorker>, Told>()

function ask<T>(shelf: Shelf, question: (api: Remote<WorkingsWorker>, so: Told) => Promise<T>): Promise<T> {
  return bridge.ask(async (api) => {
    let so = told.get(api)
    if (!so) told.set(api, so = { shelf: null, piece: null, workings: null })
    if (so.shelf !== shelf) {
      so.shelf = shelf
      await api.setShelf(shelf)
    }
    return question(api, so)
  })
}

/** Works out the piece that is followed, by what changed since it was last asked for. One question at a time. */
const follow = (piece: Piece, shelf: Shelf): Promise<Workings> => ask(shelf, async (api, so) => {
  const change = deltaOf(so.piece, piece)
  so.piece = piece
  const answer = await api.follow(change)
  so.workings = withDelta(so.workings, answer) as Workings
  return so.workings
})

/** Works a piece out that is not followed: to compare with, say. */
export const askWorkings = (piece: Piece, shelf: Shelf): Promise<Workings> => ask(shelf, (api) => api.work(piece))

/** A layer of a material as a maker would begin it on the piece. */
export const askBeginning = (piece: Piece, shelf: Shelf, id: string, material: string, seed: number, by: RuleKind | null = null): Promise<Begun | null> =>
  ask(shelf, (api) => api.begin(piece, id, material, seed, by))

export const askFilling = (piece: Piece, shelf: Shelf, layer: string | null, fullness: Brief['fullness']): Promise<Filling | null> =>
  ask(shelf, (api) => api.fill(piece, layer, fullness))

/** What it takes to replace a material of a layer by another that covers as much; null when it cannot be. */
export const askSwap = (piece: Piece, shelf: Shelf, layer: string, from: string, to: string): Promise<Swap | null> => ask(shelf, (api) => api.swap(piece, layer, from, to))

/** The lengths that each of these pieces takes, for one copy. */
export const askTakes = (pieces: readonly Piece[], shelf: Shelf): Promise<TakesAnswer[]> => ask(shelf, (api) => api.takes(pieces))

/** Reads the text of a piece file. */
export const askReading = (text: string): Promise<ReadPiece> => bridge.ask((api): Promise<ReadPiece> => api.read(text))

/** A long job under way: its answer, and how to have its best so far. */
export interface Going<T> { readonly done: Promise<T>, stop(): void }

/** Evens a piece out. */
export function evenOut(piece: Piece, shelf: Shelf, seed: number, report: (progress: Progress) => void): Going<EvenedOut> {
  const job = crypto.randomUUID()
  return {
    done: ask(shelf, (api) => api.evenOut(job, piece, seed, proxy(report))),
    stop() { void bridge.ask((api) => api.stop(job)).catch(() => { /* A worker that is lost has stopped. */ }) },
  }
}

/** Breaks off whatever is being worked out; the next question starts anew. */
export const breakOff = (): void => bridge.end('it was stopped')

/**
 * Asks with the newest question only: while one answer is under way later questions replace each other. Every answer
 * is shown, also one that has a successor under way, so that a held key is seen to move.
 */
export function newestFirst(onAnswer: (workings: Workings, of: Piece) => void, onFault: (error: unknown) => void, onBusy: (busy: boolean) => void = () => {}) {
  let waiting: { piece: Piece, shelf: Shelf } | null = null
  let busy = false

  async function run(): Promise<void> {
    if (busy) return
    busy = true
    onBusy(true)
    while (waiting) {
      const { piece, shelf } = waiting
      waiting = null
      try { onAnswer(await follow(piece, shelf), piece) }
      catch (error) { onFault(error) }
    }
    busy = false
    onBusy(false)
  }
  return (piece: Piece, shelf: Shelf): void => {
    waiting = { piece, shelf }
    void run()
  }
}
