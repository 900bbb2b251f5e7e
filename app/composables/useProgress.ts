import type { Subscription } from 'dexie'
import { computed, onScopeDispose, shallowRef, toRaw } from 'vue'
import type { MakingProgress, Timer } from '~/db'
import { db } from '~/db'
import { following } from '~/stores/live-query'
import { putSoon } from '~/db/pending'
import { reason } from '~/db/storage-error-text'
import { useNotices } from '~/stores/notices'

const begun = (piece: string): MakingProgress => ({ piece, done: [], counted: {}, spent: {}, timers: [], at: null, revision: 0 })

/**
 * How far the making of a piece is: kept as it goes, so that a reload, or the phone in a pocket, loses nothing.
 * @param kept whether it is written down; a piece that is only looked at keeps it in memory
 */
export function useProgress(piece: string, kept: boolean) {
  const notices = useNotices()
  const progress = shallowRef<MakingProgress>(begun(piece))
  const ready = shallowRef(!kept)
  let watching: Subscription | undefined
  if (kept)
    watching = following(
      () => db().progress.get(piece),
      (found) => {
        if (found && found.revision > progress.value.revision) progress.value = found
        ready.value = true
      },
    )
  onScopeDispose(() => watching?.unsubscribe())

  function set(change: Partial<MakingProgress>): void {
    progress.value = { ...progress.value, ...change, revision: progress.value.revision + 1 }
    if (kept)
      void putSoon(db(), { table: 'progress', key: piece, record: structuredClone(toRaw(progress.value)) }, (error) =>
        notices.fault('How far you are could not be kept', `${reason(error)}\nIt lies aside in this browser and is tried again.`),
      )
  }
  const done = computed(() => new Set(progress.value.done))
  return {
    progress,
    ready,
    done,
    set,
    count(task: string, n: number): void {
      set({ counted: { ...progress.value.counted, [task]: n } })
    },
    /** @param minutes until it rings */
    start(name: string, minutes: number): void {
      const of = Math.round(minutes * 60_000)
      const timer: Timer = { id: crypto.randomUUID(), name, ends: Date.now() + of, of }
      set({ timers: [...progress.value.timers, timer] })
    },
    /** Adds to the time that hands were at a task. @param minutes over 0 */
    spend(task: string, minutes: number): void {
      set({ spent: { ...progress.value.spent, [task]: (progress.value.spent[task] ?? 0) + minutes } })
    },
    /** The machine’s clock was put on or back: timers ring as long after they were set as they were set for. @param by ms */
    clockMoved(by: number): void {
      if (progress.value.timers.length) set({ timers: progress.value.timers.map((timer) => ({ ...timer, ends: timer.ends + by })) })
    },
    stop(id: string): void {
      set({ timers: progress.value.timers.filter((timer) => timer.id !== id) })
    },
    again(): void {
      const { done, counted, spent, timers, at } = begun(piece)
      set({ done, counted, spent, timers, at })
    },
  }
}
