<script setup lang="ts">
import { useNews } from '~/composables/useReleases'

/** After an update, once: what is new. */
const { news, told } = useNews()
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
      <button type="button" class="font-medium underline" @click="told()">Close</button>
    </div>
    <template v-for="{ version, says } in news" :key="version">
      <ul class="list-disc gap-x-8 pl-4 pt-1 sm:columns-2">
        <li v-for="line in says" :key="line" class="break-inside-avoid pb-0.5">{{ line }}</li>
      </ul>
    </template>
  </section>
</template>
