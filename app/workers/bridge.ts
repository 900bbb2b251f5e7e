import type { Remote } from 'comlink'
import { releaseProxy, wrap } from 'comlink'
import { shallowReactive } from 'vue'

/** A worker that could not be started, or died at its work. */
export class WorkerLost extends Error {
  constructor(what: string, why: string) {
    super(`${what} could not be started, or broke off${why ? `: ${why}` : '.'}`)
    this.name = 'WorkerLost'
  }
}
/** A worker that somebody stopped. */
export class WorkerStopped extends WorkerLost {
  constructor() {
    super('', '')
    this.message = 'It was stopped.'
  }
}

export interface Bridge<Api> {
  /**
   * Asks the worker, starting it if need be. One that is lost, or silent for longer than it may be, is started again and asked the
   * same once more.
   * @param patience how long it may be silent, seconds, where this question takes longer than others
   * @throws WorkerLost when it is lost twice, and whatever the worker itself answers with
   */
  ask<T>(question: (api: Remote<Api>) => T | Promise<T>, patience?: number): Promise<T>
  /** It told of itself: what it is at goes on. */
  heard(): void
  /** Ends the worker, whatever it is at; what is under way fails with WorkerStopped, and the next question starts a new one. */
  end(): void
}

interface Line<Api> {
  readonly api: Remote<Api>
  readonly lost: Promise<never>
  cut(why: WorkerLost): void
  alive: boolean
}

/** A worker that has been silent for longer than one waits without wondering. */
export interface Silent {
  /** For how long, seconds, and after how many it is started again. */
  readonly seconds: number
  readonly patience: number
  stop(): void
}
/** All of them by what they are called, for whoever tells. */
export const silent = shallowReactive(new Map<string, Silent>())

/** Seconds of silence after which it is told, and after which the worker is taken for hanging. */
export const TOLD_AFTER = 8
const PATIENCE = 45

/**
 * The one way to talk to a worker: it is started with the first question, and what goes wrong with the worker itself
 * (blocked, missing, no script, thrown at its start, hanging) fails what is asked instead of leaving it open.
 * @param what how the worker is called when it is lost
 */
export function bridgeTo<Api>(what: string, start: () => Worker): Bridge<Api> {
  let line: Line<Api> | null = null
  /** How long each question under way may be silent, and for how long the worker has been, seconds. */
  const asked = new Set<{ readonly patience: number }>()
  let quiet = 0
  let watch: ReturnType<typeof setInterval> | undefined
  function heard(): void {
    quiet = 0
    silent.delete(what)
  }
  /** Counts seconds as they are lived through: a device that slept, or a page in the background, has waited for nothing. */
  function tick(): void {
    quiet += 1
    const patience = Math.max(...[...asked].map((each) => each.patience))
    if (quiet >= patience) {
      const seconds = quiet
      heard()
      line?.cut(new WorkerLost(what, `it was silent for ${seconds} seconds`))
    } else if (quiet >= TOLD_AFTER) silent.set(what, { seconds: quiet, patience, stop: end })
  }
  function end(): void {
    ended += 1
    const was = line
    was?.cut(new WorkerStopped())
    was?.api[releaseProxy]()
  }

  function open(): Line<Api> {
    const worker = start()
    const api = wrap<Api>(worker)
    let cut: (why: WorkerLost) => void = () => {}
    const lost = new Promise<never>((_, reject) => {
      cut = (why) => {
        if (!opened.alive) return
        opened.alive = false
        if (line === opened) line = null
        reject(why)
        worker.terminate()
      }
    })
    // Nobody may be waiting when it is lost.
    lost.catch(() => {})
    const opened: Line<Api> = { api, lost, cut, alive: true }
    worker.onerror = (event) => {
      event.preventDefault()
      cut(new WorkerLost(what, event.message ?? ''))
    }
    worker.onmessageerror = () => cut(new WorkerLost(what, 'what it sent could not be read'))
    return opened
  }

  async function once<T>(question: (api: Remote<Api>) => T | Promise<T>): Promise<T> {
    try {
      line ??= open()
    } catch (error) {
      throw new WorkerLost(what, String(error))
    }
    return Promise.race([question(line.api), line.lost])
  }

  let ended = 0
  return {
    async ask(question, patience = PATIENCE) {
      const before = ended
      const own = { patience }
      asked.add(own)
      watch ??= setInterval(tick, 1000)
      try {
        return await once(question)
      } catch (error) {
        if (!(error instanceof WorkerLost) || ended !== before) throw error
        return await once(question)
      } finally {
        asked.delete(own)
        heard()
        if (!asked.size) {
          clearInterval(watch)
          watch = undefined
        }
      }
    },
    heard,
    end,
  }
}
