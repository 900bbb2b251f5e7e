import type { Ref, ShallowRef } from 'vue'
import { ref, shallowRef, watch } from 'vue'
import type { Piece } from '#core/piece'
import type { OnBench } from '#core/workroom'
import { WorkerLost } from '~/workers/bridge'
import { askNewestFirst } from '~/workers/workings'
import { useNotices } from './notices'
import { useStock } from './stock'

/** How long the sums have been under way: not to be noticed, to be said, or long enough to be broken off. */
export type Working = 'quick' | 'busy' | 'long'
/** From this long on the sums are said to be under way, and from this long on they can be broken off, ms. */
const BUSY_FROM = 400
const LONG_FROM = 10_000

/** What follows from a piece, worked out anew whenever it or what things are priced by changes. */
export function useWorkings(piece: Ref<Piece | null>): {
  readonly workings: ShallowRef<OnBench | null>
  readonly working: Ref<Working>
} {
  const notices = useNotices()
  const stock = useStock()
  const workings = shallowRef<OnBench | null>(null)
  const working = ref<Working>('quick')
  let clocks: ReturnType<typeof setTimeout>[] = []
  const later = (now: Working, ms: number) =>
    setTimeout(() => {
      working.value = now
    }, ms)
  const ask = askNewestFirst(
    (answer, of) => {
      if (of.id === piece.value?.id) workings.value = answer
    },
    (error) => {
      const lost = error instanceof WorkerLost
      notices.fault(
        lost ? 'The sums stopped' : 'The sums could not be worked out',
        `${error instanceof Error ? error.message : String(error)}\nYour piece is safe. ${lost ? 'The next edit starts them again.' : 'Take the last edit back.'}`,
      )
    },
    (busy) => {
      clocks.forEach(clearTimeout)
      working.value = 'quick'
      clocks = busy ? [later('busy', BUSY_FROM), later('long', LONG_FROM)] : []
    },
  )
  watch([piece, () => stock.pricing], ([now, pricing]) => {
    if (now) ask(now, pricing)
  })
  return { workings, working }
}
