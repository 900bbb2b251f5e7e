<script setup lang="ts">
import { computed } from 'vue'
import { X } from '@lucide/vue'
import type { Timer } from '~/db'

/** A timer that runs, or has run out. @param now milliseconds since 1970 */
const props = defineProps<{ timer: Timer; now: number }>()
const emit = defineEmits<{ stop: [] }>()
const left = computed(() => Math.max(0, props.timer.ends - props.now))
const two = (n: number): string => String(n).padStart(2, '0')
const says = computed(() => {
  const seconds = Math.ceil(left.value / 1000)
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60]
  return h ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`
})
const share = computed(() => 1 - left.value / Math.max(1, props.timer.of))
</script>

<template>
  <li
    class="relative flex min-h-11 items-center gap-2 overflow-hidden rounded-[4px] border px-2"
    :class="left ? 'border-line bg-sheet' : 'border-ruddy bg-sheet'"
    data-testid="timer"
  >
    <span class="absolute inset-y-0 left-0 bg-moss" :style="{ width: `${share * 100}%` }" aria-hidden="true" />
    <span class="relative min-w-0 flex-1 truncate">{{ timer.name }}</span>
    <span class="relative font-semibold tabular-nums" :class="left ? '' : 'text-ruddy'" role="timer">{{ left ? says : 'ready' }}</span>
    <button
      type="button"
      class="relative flex size-11 items-center justify-center"
      :aria-label="`Stop the timer: ${timer.name}`"
      @click="emit('stop')"
    >
      <X :size="18" />
    </button>
  </li>
</template>
