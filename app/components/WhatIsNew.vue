<script setup lang="ts">
import { computed, watch } from 'vue'
import changelog from '~~/CHANGELOG.md?raw'
import { usePieces } from '~/stores/pieces'
import { useSettings } from '~/stores/settings'
import { releasesIn, since } from '~/utils/changelog'

/** After an update, once: what is new. Whoever begins today has nothing to hear of. */
const settings = useSettings()
const pieces = usePieces()
const releases = releasesIn(changelog)
const now = releases[0]!.version
const known = computed(() => settings.ready && pieces.records !== null)
const news = computed(() => (known.value && pieces.records!.length ? since(releases, settings.version) : []))
watch(
  known,
  (is) => {
    if (is && !pieces.records!.length && settings.version !== now) settings.setVersion(now)
  },
  { immediate: true },
)
</script>

<template>
  <section
    v-if="news.length"
    class="mt-4 rounded-md border border-seam bg-tape px-4 py-2 text-small"
    aria-labelledby="what-is-new"
    data-testid="what-is-new"
  >
    <div class="flex items-baseline justify-between gap-4">
      <h2 id="what-is-new" class="font-serif text-xl">What is new</h2>
      <button type="button" class="font-medium underline" @click="settings.setVersion(now)">Close</button>
    </div>
    <template v-for="{ version, says } in news" :key="version">
      <ul class="list-disc gap-x-8 pl-4 pt-1 sm:columns-2">
        <li v-for="line in says" :key="line" class="break-inside-avoid pb-0.5">{{ line }}</li>
      </ul>
    </template>
  </section>
</template>
