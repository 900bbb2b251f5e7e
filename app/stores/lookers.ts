import type { Ref } from 'vue'
import { onScopeDispose, ref } from 'vue'

/** How many pages look at something that is worked out only while one does. */
export function useLookers(): { readonly lookers: Ref<number>; readonly look: () => void } {
  const lookers = ref(0)
  return {
    lookers,
    /** Looks for as long as the page is there. */
    look() {
      lookers.value += 1
      onScopeDispose(() => {
        lookers.value -= 1
      })
    },
  }
}
