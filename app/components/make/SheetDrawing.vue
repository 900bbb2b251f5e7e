<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import type { Workings } from '#core/workings'
import { radians, readTape } from '#core/measure'
import type { DisplayOptions } from '#core/measure'
import { hasClock, pieceBounds, ringRadius } from '~/drawing/scene'

/** The piece as it stands on the sheet, with its clock ring when it is read by the clock. */
const props = defineProps<{ workings: Workings; manner: DisplayOptions; surface: boolean; name: string }>()

const drawing = useTemplateRef('drawing')
defineExpose({
  vectors: async () => {
    await drawing.value?.vectors()
  },
})

const reach = computed(() => ringRadius(props.workings))
const frame = computed(() => reach.value * 1.16)
const clocked = computed(() => hasClock(props.workings))
const bounds = computed(() =>
  clocked.value
    ? { left: -frame.value, right: frame.value, top: -frame.value, bottom: Math.max(frame.value, props.workings.size.bottom + 12) }
    : pieceBounds(props.workings),
)
const at = (angle: number, radius: number): [number, number] => [Math.sin(radians(angle)) * radius, -Math.cos(radians(angle)) * radius]
const ticks = computed(() =>
  Array.from({ length: 72 }, (_, i) => {
    const [x1, y1] = at(i * 5, reach.value)
    const [x2, y2] = at(i * 5, reach.value * (i % 6 === 0 ? 1.04 : 1.018))
    return { x1, y1, x2, y2 }
  }),
)
const hours = computed(() =>
  Array.from({ length: 12 }, (_, i) => {
    const [x, y] = at(i * 30, reach.value * 1.09)
    return { x, y, text: String(i || 12) }
  }),
)
</script>

<template>
  <figure class="relative">
    <SceneDrawing
      ref="drawing"
      :scene="workings.scene"
      :region="bounds"
      :bare="!surface"
      :label="clocked ? `${name}, with clock positions` : name"
    />
    <svg
      v-if="clocked"
      class="absolute inset-0 size-full"
      :viewBox="`${-frame} ${-frame} ${2 * frame} ${frame + bounds.bottom}`"
      aria-hidden="true"
    >
      <circle :r="reach" fill="none" class="stroke-rime" :stroke-width="frame / 400" />
      <line v-for="(tick, i) in ticks" :key="i" v-bind="tick" class="stroke-rime" :stroke-width="frame / 260" />
      <g v-for="hour in hours" :key="hour.text">
        <circle v-if="surface" :cx="hour.x" :cy="hour.y" :r="frame * 0.042" fill="#ffffff" opacity="0.85" />
        <text
          :x="hour.x"
          :y="hour.y"
          text-anchor="middle"
          dominant-baseline="central"
          :font-size="frame * 0.06"
          font-weight="600"
          fill="#231a2b"
        >
          {{ hour.text }}
        </text>
      </g>
    </svg>
    <figcaption class="mt-1 text-center text-fine text-soft">
      {{ readTape(workings.size.width.value, manner.units) }} wide and {{ readTape(workings.size.height.value, manner.units) }} high when
      finished
    </figcaption>
  </figure>
</template>
