/** How long a slice of long work may take before messages are looked at, ms. */
const SLICE = 40

/** Drives work that goes step by step, looking at messages in between; told to stop, the work ends early with the best so far. */
export async function inSlices<Progress, Result>(
  going: Generator<Progress, Result, boolean>,
  report: (progress: Progress) => void,
  stopped: () => boolean,
): Promise<Result> {
  let since = performance.now()
  let step = going.next()
  while (!step.done) {
    if (performance.now() - since > SLICE) {
      report(step.value)
      await new Promise((resolve) => setTimeout(resolve))
      since = performance.now()
    }
    step = going.next(stopped())
  }
  return step.value
}

/** Which jobs of a worker were told to stop, each by its own id: a job that begins does not take another's stop back. */
export class Jobs {
  private readonly stopped = new Set<string>()

  /** Runs a job to its end, or to its best so far once `stop` names it; a stop that came before it counts too. */
  async run<Progress, Result>(
    id: string,
    going: Generator<Progress, Result, boolean>,
    report: (progress: Progress) => void,
  ): Promise<Result> {
    try {
      return await inSlices(going, report, () => this.stopped.has(id))
    } finally {
      this.stopped.delete(id)
    }
  }

  stop(id: string): void {
    this.stopped.add(id)
  }
}
