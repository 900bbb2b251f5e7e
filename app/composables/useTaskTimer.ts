import { onScopeDispose, watch } from 'vue'

/** How often time is written down, ms; a longer pause than `ASLEEP` between two looks was sleep, which is not work. */
const EVERY = 5000
const ASLEEP = 30_000
/** A difference between the machine's clock and its stopwatch that is no mere rounding, ms. */
const JUMP = 2000

export interface Spending {
  /** The task that hands are at; null while nothing is counted. */
  readonly task: () => string | null
  /** How long hands are reckoned to be at it, minutes: twice as long they may be without touching the page. */
  readonly hands: () => number
  readonly spend: (task: string, minutes: number) => void
  /** The machine's clock was put back by so much, below 0, or right again, ms. */
  readonly clockMoved: (by: number) => void
  readonly stopwatch?: () => number
  readonly clock?: () => number
}

/**
 * Times the task at hand while its page is looked at, by the machine's stopwatch, which nobody can put back; and tells when the
 * clock was.
 */
export function useTaskTimer({ task, hands, spend, clockMoved, stopwatch = () => performance.now(), clock = Date.now }: Spending) {
  let since = stopwatch()
  let touched = since
  let apart = clock() - since
  /** How far the clock was put back, below 0, ms. */
  let putBack = 0
  function look(of: string | null = task()): void {
    const now = stopwatch()
    const took = now - since
    since = now
    const drift = clock() - now - apart
    if (Math.abs(drift) > JUMP) {
      apart += drift
      // A clock that was put back is told by itself. One that went on farther than the stopwatch was asleep with the machine,
      // which stops the stopwatch; only as far as it was put back before was it put right again.
      const moved = drift < 0 ? drift : Math.abs(drift + putBack) <= JUMP ? drift : 0
      if (moved) {
        putBack = drift < 0 ? putBack + drift : 0
        clockMoved(moved)
      }
    }
    if (of === null || took <= 0 || took > ASLEEP || document.visibilityState !== 'visible') return
    if (now - touched > Math.max(10, 2 * hands()) * 60_000) return
    spend(of, took / 60_000)
  }
  const touch = (): void => {
    touched = stopwatch()
  }
  const timer = setInterval(() => look(), EVERY)
  // What was spent belongs to the task that is left, or to the time before the page was hidden or shown.
  watch(task, (_now, before) => look(before))
  const turned = (): void => {
    since = stopwatch()
  }
  document.addEventListener('visibilitychange', turned)
  for (const event of ['pointerdown', 'keydown'] as const) window.addEventListener(event, touch, { passive: true })
  onScopeDispose(() => {
    look()
    clearInterval(timer)
    document.removeEventListener('visibilitychange', turned)
    for (const event of ['pointerdown', 'keydown'] as const) window.removeEventListener(event, touch)
  })
  return { look }
}
