import { availableParallelism } from 'node:os'
import Piscina from 'piscina'
import type { Solved } from '../../core/price'
import type { BasketQuestion } from './question'

/** How many baskets may wait, and how long one may take in all, ms: waiting, being solved, and its bound. */
const MOST_WAITING = 12
const LONGEST_MS = 8000

/** Why there is no answer: too many ask, it took too long, or whoever asked is gone. */
export class Busy extends Error {
  constructor(readonly why: 'full' | 'long') {
    super(why === 'full' ? 'Too many baskets are being solved.' : 'This basket takes too long.')
  }
}

let pool: Piscina | null = null
/** Threads that solve baskets, one fewer than there are cores: what answers pages keeps one. */
const threads = (): Piscina =>
  (pool ??= new Piscina({
    // Made beside the server when it is built.
    filename: new URL('basket-worker.mjs', import.meta.url).href,
    minThreads: 0,
    maxThreads: Math.max(1, availableParallelism() - 1),
    idleTimeout: 60_000,
  }))

/**
 * Solves a basket on a thread of its own.
 * @param gone tells that whoever asked went away: then nobody solves it any more
 * @throws Busy
 */
export async function solveAside(question: BasketQuestion, gone: AbortSignal): Promise<Solved> {
  const late = AbortSignal.timeout(LONGEST_MS)
  if (threads().queueSize >= MOST_WAITING) throw new Busy('full')
  try {
    return (await threads().run(question, { signal: AbortSignal.any([gone, late]) })) as Solved
  } catch (error) {
    if (late.aborted) throw new Busy('long')
    throw error
  }
}
