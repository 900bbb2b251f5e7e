import { computed, watch } from 'vue'
import changelog from '~~/CHANGELOG.md?raw'
import { usePieces } from '~/stores/pieces'
import { useSettings } from '~/stores/settings'
import { releasesIn, since } from '~/utils/changelog'

/** Every version of the app that tells of itself, the newest first. */
export const RELEASES = releasesIn(changelog)

/** What came since this browser was last told. Whoever begins today has nothing to hear of. */
export function useNews() {
  const settings = useSettings()
  const pieces = usePieces()
  const { version } = RELEASES[0]!
  const told = (): void => settings.setVersion(version)
  const known = computed(() => settings.ready && pieces.records !== null)
  const begins = computed(() => known.value && !pieces.records!.length && settings.version !== version)
  watch(
    begins,
    (is) => {
      if (is) told()
    },
    { immediate: true },
  )
  return { news: computed(() => (known.value && !begins.value ? since(RELEASES, settings.version) : [])), told }
}
