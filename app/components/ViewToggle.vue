<script setup lang="ts">
/** One of two things that a page can show. */
defineProps<{ names: readonly [first: string, second: string]; second: boolean }>()
const emit = defineEmits<{ turn: [second: boolean] }>()
</script>

<template>
  <div class="flex overflow-hidden rounded-[4px] border border-line" role="group" aria-label="What is shown">
    <button
      v-for="(name, i) in names"
      :key="name"
      type="button"
      class="h-7 px-2.5"
      :class="[second === (i === 1) ? 'bg-moss font-semibold' : 'bg-sheet', i ? 'border-l border-line' : '']"
      :aria-pressed="second === (i === 1)"
      @click="emit('turn', i === 1)"
    >
      {{ name }}
    </button>
  </div>
</template>
