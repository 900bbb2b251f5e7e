import { onBeforeUnmount, ref } from 'vue'
import { format } from 'date-fns'
import type { Day } from '#core/measure'

/** The day that it is here, also past midnight. */
export function useToday() {
  const now = (): Day => format(new Date(), 'yyyy-MM-dd')
  const today = ref(now())
  const timer = setInterval(() => {
    today.value = now()
  }, 60_000)
  onBeforeUnmount(() => clearInterval(timer))
  return today
}
