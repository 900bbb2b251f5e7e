<script setup lang="ts">
import { onMounted, useTemplateRef, watch } from 'vue'
import type { Bounds, Scene } from '#core/glyph'
import { fitting, paintScene } from '~/drawing/scene'

/** A still picture of a piece on its surface. */
const props = defineProps<{ scene: Scene, size: Bounds, width: number, height: number, label: string, margin?: number, bare?: boolean }>()
const canvas = useTemplateRef('canvas')

function paint(): void {
  const ctx = canvas.value?.getContext('2d')
  if (!ctx) return
  const ratio = window.devicePixelRatio
  canvas.value!.width = Math.round(props.width * ratio)
  canvas.value!.height = Math.round(props.height * ratio)
  paintScene(ctx, props.scene, fitting(props.size, canvas.value!.width, canvas.value!.height, props.margin ?? 1.14), { bare: props.bare })
}
onMounted(paint)
watch(() => [props.scene, props.width, props.height, props.bare], paint)
</script>

<template>
  <canvas ref="canvas" role="img" :aria-label="label" :style="{ width: '100%', aspectRatio: `${width} / ${height}` }" class="block" />
</template>
