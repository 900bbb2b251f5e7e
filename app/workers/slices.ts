/** How long a slice of long work may take before messages are looked at, ms. */
const SLICE = 40

/** Drives work that goes step by step, looking at messages in between; told to stop, the work ends early with the best so far. */
export async function inSlices<Progress, Result>(going: Generator<Progress, Result, boolean>, report: (progress: Progress) => void, stopped: () => boolean): Promise<Result> {
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
