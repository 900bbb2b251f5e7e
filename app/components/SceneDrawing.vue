<script setup lang="ts">
import { nextTick, onBeforeUnmount, ref, useTemplateRef, watch } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { Scene } from '#core/scene'
import type { Bounds } from '#core/measure'
import { usePainted } from '~/composables/usePainted'
import { writeVectors } from '~/workers/picture'

/**
 * A part of a drawing on the page: painted for the screen, and on paper, once `vectors` was asked for, as vectors, which
 * stay as sharp as the paper is but take seconds to write and to read.
 */
const props = defineProps<{ scene: Scene; region: Bounds; label: string; bare: boolean; only?: string | null }>()
const canvas = useTemplateRef('canvas')
const paper = useTemplateRef('paper')
const { width } = useElementSize(canvas)
const { painted, paint } = usePainted(canvas)
const src = ref('')

function draw(): void {
  const { left, right, top, bottom } = props.region
  const scale = (width.value * window.devicePixelRatio) / (right - left)
  const size = (length: number): number => Math.max(1, Math.round(length * scale))
  void paint(
    props.scene,
    { x: (left + right) / 2, y: (top + bottom) / 2, scale, width: size(right - left), height: size(bottom - top) },
    { bare: props.bare, only: props.only ?? null },
  )
}
watch(
  () => [props.scene, props.region, props.bare, props.only, width.value],
  () => {
    if (width.value) draw()
  },
)

function letGo(): void {
  URL.revokeObjectURL(src.value)
  src.value = ''
}
watch(() => [props.scene, props.region, props.bare], letGo)
onBeforeUnmount(letGo)

/** Gets the drawing ready for paper. @throws what the worker does that writes it */
async function vectors(): Promise<void> {
  if (src.value) return
  const { scene, region, bare, label } = props
  const svg = await writeVectors(scene, { region, title: label, names: {}, surface: !bare, shadows: false })
  // What changed meanwhile is written anew: an older drawing must not go on paper.
  if (props.scene !== scene || props.region !== region || props.bare !== bare) return vectors()
  src.value = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
  await nextTick()
  await paper.value?.decode()
}
defineExpose({ vectors })
</script>

<template>
  <div :style="{ aspectRatio: `${region.right - region.left} / ${region.bottom - region.top}` }" class="w-full">
    <canvas
      ref="canvas"
      :role="label ? 'img' : undefined"
      :aria-label="label || undefined"
      :aria-hidden="!label"
      :data-painted="painted"
      class="block size-full"
      :class="src ? 'print:hidden' : ''"
    />
    <img v-if="src" ref="paper" :src="src" :alt="label" class="hidden size-full print:block" data-testid="on-paper" />
  </div>
</template>
