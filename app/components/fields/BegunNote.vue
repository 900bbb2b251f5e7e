<script setup lang="ts">
import { format } from 'date-fns'

/** Says in a form that what stands there was begun before and is not kept, and how to begin anew. */
defineProps<{ since: number | null }>()
const emit = defineEmits<{ again: [] }>()
</script>

<template>
  <p v-if="since !== null" class="flex flex-wrap items-center gap-x-3 rounded-[3px] bg-tape px-2 py-1" role="status" data-testid="begun">
    <span class="min-w-0 flex-1">You began this on {{ format(since, 'd MMM, HH:mm') }}; it is not kept yet.</span>
    <button type="button" class="button h-7" @click="emit('again')">Begin anew</button>
  </p>
</template>
