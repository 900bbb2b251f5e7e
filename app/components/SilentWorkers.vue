<script setup lang="ts">
import { silent } from '~/workers/bridge'

/** Tells of what takes longer than one waits without wondering, and ends it. */
</script>

<template>
  <div
    v-for="[what, each] in silent"
    :key="what"
    class="pointer-events-auto flex items-center gap-3 rounded-md border border-line bg-sheet px-3 py-2 text-small shadow-lg"
    role="status"
    data-testid="silent-worker"
  >
    <span class="tabular-nums"
      >{{ what }} has said nothing for {{ each.seconds }} s; after {{ each.patience }} s it begins again by itself.</span
    >
    <button type="button" class="button h-7 shrink-0" @click="each.stop()">Stop it</button>
  </div>
</template>
