<script setup lang="ts">
import { silent } from '~/workers/bridge'

/** Tells of what takes longer than one waits without wondering, and ends it. */
</script>

<template>
  <div
    v-for="[key, each] in silent"
    :key="each.what"
    class="pointer-events-auto flex items-center gap-3 rounded-md border border-line bg-sheet px-3 py-2 text-small shadow-lg"
    role="status"
    data-testid="silent-worker"
  >
    <span class="tabular-nums"
      >{{ each.what }} has said nothing for {{ each.seconds }} s; after {{ each.patience }} s it begins again by itself.</span
    >
    <button type="button" class="button h-7" @click="silent.get(key)?.stop()">Stop it</button>
  </div>
</template>
