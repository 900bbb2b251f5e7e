<script setup lang="ts">
import { radians } from '#core/measure'
import { computed, useTemplateRef, watch } from 'vue'
import { useElementVisibility } from '@vueuse/core'
import type { Looks } from '#core/looks'
import { measureItem, putDown, speciesOf } from '#core/looks'
import { CanvasSheet } from '~/drawing/paint'

/**
 * One thing by itself: what grows on a stem stands aslant, the rest upright. Without a scale it fills its square.
 * @prop scale pixels to the millimetre
 * @prop eager painted at once, not only when it comes into view
 */
const props = defineProps<{
  looks: Pick<Looks, 'species' | 'length' | 'width' | 'tint'> & Partial<Pick<Looks, 'part'>>
  size: number
  scale?: number
  eager?: boolean
}>()
const canvas = useTemplateRef('canvas')
const slant = computed(() => {
  const { part, species } = props.looks
  return (part ? part.turn !== 0 : speciesOf(species).stance === 'stem') ? -45 : 0
})

function paint(): void {
  const ctx = canvas.value?.getContext('2d')
  if (!ctx) return
  const ratio = window.devicePixelRatio
  canvas.value!.width = canvas.value!.height = props.size * ratio
  const looks: Looks = {
    part: null,
    ...props.looks,
    words: null,
    seed: 3,
    bend: 0,
    bearing: (slant.value + 360) % 360,
    depth: 0,
    rise: 0,
    made: null,
  }
  const { left, right, top, bottom } = measureItem(looks)
  const reach = slant.value ? (right - left + (bottom - top)) * Math.SQRT1_2 : Math.max(right - left, bottom - top)
  const scale = (props.scale ?? (props.size * 0.94) / reach) * ratio
  ctx.setTransform(1, 0, 0, 1, canvas.value!.width / 2, canvas.value!.height / 2)
  ctx.rotate(radians(slant.value))
  ctx.scale(scale, scale)
  ctx.translate(-(left + right) / 2, -(top + bottom) / 2)
  putDown(looks, new CanvasSheet(ctx, scale))
}
/** Many stand in long lists: each is painted when it comes into view. */
const visible = useElementVisibility(canvas)
const seen = computed(() => canvas.value !== null && (props.eager || visible.value))
watch(
  () => [
    seen.value,
    props.looks.species,
    props.looks.length,
    props.looks.width,
    props.looks.tint,
    props.looks.part?.key,
    props.size,
    props.scale,
  ],
  () => {
    if (seen.value) paint()
  },
)
</script>

<template>
  <canvas ref="canvas" aria-hidden="true" class="shrink-0" :style="{ width: `${size}px`, height: `${size}px` }" />
</template>
