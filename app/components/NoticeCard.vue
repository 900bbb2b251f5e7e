<script setup lang="ts">
import type { Notice } from '~/stores/notices'
import { useNotices } from '~/stores/notices'

/** What the app has to say, with a way to close it. */
defineProps<{ notice: Notice }>()
const notices = useNotices()
</script>

<template>
  <div
    :role="notice.severity === 'fault' ? 'alert' : undefined"
    class="pointer-events-auto flex max-w-xl items-start gap-3 rounded-md border bg-sheet px-3 py-2 text-small"
    :class="notice.severity === 'fault' ? 'border-ruddy' : 'border-line'"
  >
    <div class="min-w-0 flex-1 whitespace-pre-line">
      <strong v-if="notice.title" class="block">{{ notice.title }}</strong>{{ notice.text }}
    </div>
    <button type="button" class="shrink-0 font-medium underline" @click="notices.dismiss(notice.id)">Close</button>
  </div>
</template>
