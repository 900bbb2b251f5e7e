import { onBeforeUnmount, onMounted, watch } from 'vue'
import { navigateTo, useRoute } from '#app'
import { useEventListener } from '@vueuse/core'
import { reason } from '~/db/storage-error-text'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'

/**
 * Puts the piece of the address on the bench for as long as the page is there, and sees that nothing typed is lost
 * when the page goes away.
 * @param opened is called once the piece is there
 */
export function useOpenPiece(opened: () => void = () => {}): void {
  const route = useRoute()
  const bench = useBench()
  const notices = useNotices()

  async function open(id: string): Promise<void> {
    try {
      if (await bench.open(id)) return opened()
      notices.fault('No such piece', 'It is not in this browser. It may have been thrown away, or live in another browser.')
    } catch (error) {
      notices.fault('The piece could not be opened', reason(error))
    }
    await navigateTo('/')
  }
  onMounted(() => open(String(route.params.id)))
  onBeforeUnmount(() => {
    void bench.close()
  })
  // A piece that another tab changed at the same time goes on as one of its own, at an address of its own.
  watch(
    () => bench.whole?.id,
    (id, before) => {
      if (id && before && id !== before) window.history.replaceState(window.history.state, '', window.location.pathname.replace(before, id))
    },
  )

  /** What is being typed counts: leaving the field takes it. */
  useEventListener(window, 'pagehide', () => {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur()
    bench.rescue()
  })
  useEventListener(document, 'visibilitychange', () => {
    if (document.visibilityState === 'hidden') bench.rescue()
  })
  useEventListener(window, 'beforeunload', (event) => {
    if (!bench.rescue()) event.preventDefault()
  })
}
