<script setup lang="ts">
/** Stands where a plan will: what is worked out for it, or why there is none, and how to have it tried again. */
defineProps<{ failed: string | null; what: string }>()
const emit = defineEmits<{ again: [] }>()
</script>

<template>
  <p v-if="failed === null" class="text-soft" role="status">{{ what }}<slot /></p>
  <div v-else class="flex max-w-3xl flex-wrap items-center gap-x-4 gap-y-1" role="alert" data-testid="no-plan">
    <span class="whitespace-pre-line text-ruddy">There is no plan. {{ failed }}</span>
    <button type="button" class="button h-8" @click="emit('again')">Try it again</button>
  </div>
</template>
