<script setup lang="ts">
import { door } from '~/db/door'

/** Tells that another tab is of another version of the app, and what to do. */
const reload = (): void => location.reload()
</script>

<template>
  <div
    v-if="door !== 'open'"
    class="pointer-events-auto flex max-w-xl items-center gap-3 rounded-md border border-ruddy bg-sheet px-3 py-2 text-small shadow-lg"
    role="alert"
    data-testid="door"
  >
    <template v-if="door === 'blocked'"
      >Another tab still has an older version of the app. Close it: then this one opens by itself. Nothing is lost.</template
    >
    <template v-else>
      <span
        >Another tab has a newer version of the app, and what is kept here is that one’s now. What you type in this tab lies aside until you
        reload it.</span
      >
      <button type="button" class="button h-7 shrink-0" @click="reload">Reload this tab</button>
    </template>
  </div>
</template>
