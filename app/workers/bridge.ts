import type { Remote } from 'comlink'
import { releaseProxy, wrap } from 'comlink'

/** A worker that could not be started, or died at its work. */
export class WorkerLost extends Error {
  constructor(what: string, why: string) {
    super(`${what} could not be started, or broke off${why ? `: ${why}` : '.'}`)
    this.name = 'WorkerLost'
  }
}

export interface Bridge<Api> {
  /**
   * Asks the worker, starting it if need be. One that is lost is started again and asked the same once more.
   * @throws WorkerLost when it is lost twice, and whatever the worker itself answers with
   */
  ask<T>(question: (api: Remote<Api>) => T | Promise<T>): Promise<T>
  /** Ends the worker, whatever it is at; what is under way fails with WorkerLost, and the next question starts a new one. */
  end(why: string): void
}

interface Line<Api> {
  readonly api: Remote<Api>
  readonly lost: Promise<never>
  cut(why: string): void
  alive: boolean
}

/**
 * The one way to talk to a worker: it is started with the first question, and what goes wrong with the worker itself
 * (blocked, missing, no script, thrown at its start) fails what is asked instead of leaving it open.
 * @param what how the worker is called when it is lost
 */
export function bridgeTo<Api>(what: string, start: () => Worker): Bridge<Api> {
  let line: Line<Api> | null = null

  function open(): Line<Api> {
    const worker = start()
    const api = wrap<Api>(worker)
    let cut: (why: string) => void = () => {}
    const lost = new Promise<never>((_, reject) => {
      cut = (why) => {
        if (!opened.alive) return
        opened.alive = false
        if (line === opened) line = null
        reject(new WorkerLost(what, why))
        worker.terminate()
      }
    })
    // Nobody may be waiting when it is lost.
    lost.catch(() => {})
    const opened: Line<Api> = { api, lost, cut, alive: true }
    worker.onerror = (event) => {
      event.preventDefault()
      cut(event.message ?? '')
    }
    worker.onmessageerror = () => cut('what it sent could not be read')
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
    async ask(question) {
      const before = ended
      try {
        return await once(question)
      } catch (error) {
        if (!(error instanceof WorkerLost) || ended !== before) throw error
        return once(question)
      }
    },
    end(why) {
      ended += 1
      const was = line
      was?.cut(why)
      was?.api[releaseProxy]()
    },
  }
}
