<script setup lang="ts">
import { computed } from 'vue'
import type { CutRoll } from '#core/cut'
import type { DisplayOptions } from '#core/measure'
import { quantity, show } from '#core/measure'

/** One roll laid out along a tape, to the scale of the longest: what is cut from it, in order, and what is left. */
const props = defineProps<{ roll: CutRoll; longest: number; colour: string; manner: DisplayOptions; label: string }>()
const WIDE = 1000

const bars = computed(() => {
  let at = 0
  return props.roll.cuts.map(({ length }, i) => {
    const bar = {
      i,
      x: (at / props.longest) * WIDE,
      width: (length / props.longest) * WIDE,
      says: show(quantity.length(length), props.manner),
    }
    at += length
    return bar
  })
})
const end = computed(() => (props.roll.length / props.longest) * WIDE)
const rest = computed(() => (props.roll.rest / props.longest) * WIDE)
/** A tick at every foot, or every quarter of a metre. */
const ticks = computed(() => {
  const step = props.manner.units === 'in' ? 304.8 : 250
  return Array.from({ length: Math.floor(props.roll.length / step) + 1 }, (_, i) => ((i * step) / props.longest) * WIDE)
})
</script>

<template>
  <svg :viewBox="`0 0 ${WIDE} 44`" class="block w-full" role="img" :aria-label="label">
    <rect x="0" y="0" :width="end" height="30" :fill="colour" opacity="0.25" />
    <g v-for="bar in bars" :key="bar.i">
      <rect :x="bar.x" y="0" :width="bar.width" height="30" :fill="colour" stroke="var(--color-sheet)" stroke-width="1.5" />
      <rect v-if="bar.width > 42" :x="bar.x + bar.width / 2 - 21" y="7" width="42" height="16" rx="2" fill="var(--color-sheet)" />
      <text v-if="bar.width > 42" :x="bar.x + bar.width / 2" y="19" text-anchor="middle" font-size="11" fill="var(--color-ink)">
        {{ bar.says }}
      </text>
    </g>
    <text v-if="rest > 60" :x="end - rest / 2" y="19" text-anchor="middle" font-size="11" fill="var(--color-ink)">
      {{ show(quantity.length(roll.rest), manner) }} {{ roll.usable ? 'left' : 'waste' }}
    </text>
    <line v-for="x in ticks" :key="x" :x1="x" :x2="x" y1="31" y2="38" stroke="var(--color-soft)" stroke-width="1" />
  </svg>
</template>
