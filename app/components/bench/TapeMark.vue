<script setup lang="ts">
import type { TapeMark as Mark } from '#core/placement'

/** A thing on the tape. */
defineProps<{ mark: Mark; x: number; grip: number; chosen: boolean; focus: boolean; says: string; high: number; unseen: boolean }>()
const emit = defineEmits<{
  grab: [event: PointerEvent, mark: Mark]
  pull: [event: PointerEvent]
  drop: []
  cancel: []
  choose: [placement: string]
  toggle: [placement: string]
}>()
</script>

<template>
  <g
    role="option"
    :data-mark="mark.placement"
    class="cursor-ew-resize outline-none [&:focus-visible>circle]:stroke-ink"
    :aria-selected="chosen"
    :tabindex="focus ? 0 : -1"
    :aria-label="says"
    @pointerdown="emit('grab', $event, mark)"
    @pointermove="emit('pull', $event)"
    @pointerup="emit('drop')"
    @pointercancel="emit('cancel')"
    @keydown.enter.prevent="emit('choose', mark.placement)"
    @keydown.space.prevent="$event.shiftKey ? emit('toggle', mark.placement) : emit('choose', mark.placement)"
  >
    <rect :x="x - grip" y="0" :width="2 * grip" :height="high" fill="transparent" />
    <line
      :x1="x"
      :x2="x"
      y1="0"
      :y2="high"
      :class="chosen ? 'stroke-leaf' : 'stroke-line'"
      :stroke-width="chosen ? 3 : 1.2"
      :stroke-dasharray="unseen ? '2 2' : undefined"
    />
    <circle
      :cx="x"
      cy="4.5"
      :r="chosen ? 4.5 : Math.min(3, grip)"
      :class="chosen ? 'fill-leaf stroke-transparent' : unseen ? 'fill-sheet stroke-soft' : 'fill-soft stroke-transparent'"
      :stroke-width="unseen ? 1.2 : 2"
    />
  </g>
</template>
