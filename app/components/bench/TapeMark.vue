<script setup lang="ts">
import { computed } from 'vue'
import type { Mark } from '#core/arrange'
import type { Units } from '#core/measure'
import { readTape } from '#core/measure'
import { useHand } from '~/composables/useHand'
import { useBench } from '~/stores/bench'

/** A thing on the tape. There may be a thousand: each is drawn anew only when something of its own changes. */
const props = defineProps<{ mark: Mark, x: number, grip: number, chosen: boolean, focus: boolean, units: Units, high: number }>()
const emit = defineEmits<{ grab: [event: PointerEvent, mark: Mark], pull: [event: PointerEvent], drop: [], cancel: [], choose: [placement: string], toggle: [placement: string] }>()
const bench = useBench()
const hand = useHand()
/** How it reads aloud. */
const says = computed(() => `${bench.nameOf(props.mark)}, ${readTape(props.mark.s, props.units)} along, ${hand.placeOf(props.mark.run, props.mark.s)}`)
</script>

<template>
  <g
    role="option" :data-mark="mark.placement" class="cursor-ew-resize outline-none [&:focus-visible>circle]:stroke-ink" :aria-selected="chosen" :tabindex="focus ? 0 : -1" :aria-label="says" :transform="`translate(${x} 0)`"
    @pointerdown="emit('grab', $event, mark)" @pointermove="emit('pull', $event)" @pointerup="emit('drop')" @pointercancel="emit('cancel')"
    @keydown.enter.prevent="emit('choose', mark.placement)" @keydown.space.prevent="$event.shiftKey ? emit('toggle', mark.placement) : emit('choose', mark.placement)"
  >
    <rect :x="-grip" y="0" :width="2 * grip" :height="high" fill="transparent" />
    <line x1="0" x2="0" y1="0" :y2="high" :class="chosen ? 'stroke-leaf' : 'stroke-line'" :stroke-width="chosen ? 3 : 1.2" />
    <circle cx="0" cy="4.5" :r="chosen ? 4.5 : Math.min(3, grip)" :class="chosen ? 'fill-leaf' : 'fill-soft'" stroke="transparent" stroke-width="2" />
  </g>
</template>
