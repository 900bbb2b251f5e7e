import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { Placement, TakenOff } from '#core/placement'
import { takenOffWith, takeOffBearing } from '#core/placement'
import { useBench } from './bench'
import { useNotices } from './notices'
import { useShops } from './shops'

/** Taking things off and layers away: where they bear others, it is asked first what becomes of these. */
export const useTakingOff = defineStore('taking-off', () => {
  const bench = useBench()
  const notices = useNotices()
  const shops = useShops()
  /** What waits for an answer. */
  const asked = shallowRef<TakenOff | null>(null)
  const words = ref('')

  /** @param layer that goes as a whole, or null @param does what undo calls it */
  function take(things: readonly Placement[], layer: string | null, does: string): void {
    const off = takenOffWith(things, layer, bench.workings?.placements ?? [])
    words.value = does
    if (off.borne.length) asked.value = off
    else make(off, false)
  }

  function make(off: TakenOff, stays: boolean): void {
    asked.value = null
    notices.announce(bench.apply(takeOffBearing(bench.piece!, off, stays, bench.runs, shops.shelf), words.value) ?? words.value)
    bench.selectAll([])
  }

  /** @param stays whether what they bear stays where it is, on the base */
  function answer(stays: boolean): void {
    if (asked.value) make(asked.value, stays)
  }
  function leave(): void {
    asked.value = null
  }

  return { asked, take, answer, leave }
})
