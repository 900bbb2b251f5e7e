<script setup lang="ts">
import { onMounted, useTemplateRef, watch } from 'vue'
import type { Scene } from '#core/scene'
import type { Bounds } from '#core/measure'
import { usePainted } from '~/composables/usePainted'
import { fitView } from '~/drawing/view'

/** A still picture of a piece on its surface. */
const props = defineProps<{ scene: Scene; size: Bounds; width: number; height: number; label: string; margin?: number; bare?: boolean }>()
const canvas = useTemplateRef('canvas')

const { paint } = usePainted(canvas)

function draw(): void {
  const ratio = window.devicePixelRatio
  void paint(props.scene, fitView(props.size, Math.round(props.width * ratio), Math.round(props.height * ratio), props.margin ?? 1.14), {
    bare: props.bare,
  })
}
onMounted(draw)
watch(() => [props.scene, props.width, props.height, props.bare], draw)
</script>

<template>
  <canvas ref="canvas" role="img" :aria-label="label" :style="{ width: '100%', aspectRatio: `${width} / ${height}` }" class="block" />
</template>
