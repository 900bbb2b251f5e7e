import { watchDebounced } from '@vueuse/core'
import { shallowRef } from 'vue'
import type { Costs } from '#core/piece-costs'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useStock } from '~/stores/stock'
import { askCosts } from '~/workers/workings'

/** Claims judged, deals and prices to ask for the piece on the bench: the newest answer, while somebody looks. @param looking whether anybody does */
export function useCosts(looking: () => boolean) {
  const bench = useBench()
  const stock = useStock()
  const notices = useNotices()
  const costs = shallowRef<Costs | null>(null)
  let turn = 0
  watchDebounced(
    () => [bench.workings, bench.piece?.asking, stock.pricing, looking()] as const,
    ([workings, , pricing, looked]) => {
      const { piece } = bench
      if (!piece || !workings || !looked) return
      turn += 1
      const own = turn
      void notices.tell(
        'What it costs could not be judged',
        askCosts(piece, workings, pricing).then((answer) => {
          if (own === turn) costs.value = answer
        }),
      )
    },
    { debounce: 120, immediate: true },
  )
  return costs
}
