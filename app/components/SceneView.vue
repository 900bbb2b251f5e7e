<script setup lang="ts">
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue'
import type { Scene } from '#core/glyph'
import type { Bounds } from '#core/measure'
import { fitting, paintScene } from '~/drawing/scene'

/** A still picture of a piece on its surface. */
const props = defineProps<{ scene: Scene, size: Bounds, width: number, height: number, label: string, margin?: number, bare?: boolean }>()
const canvas = useTemplateRef('canvas')

let turn = 0

/** Paints beside the page and shows the picture when it is whole; a later order puts an end to an earlier one. */
async function paint(): Promise<void> {
  turn += 1
  const own = turn
  const ratio = window.devicePixelRatio
  const sheet = new OffscreenCanvas(Math.round(props.width * ratio), Math.round(props.height * ratio))
  const whole = await paintScene(sheet.getContext('2d')!, props.scene, fitting(props.size, sheet.width, sheet.height, props.margin ?? 1.14), { bare: props.bare }, () => turn !== own)
  if (!whole || !canvas.value) return
  canvas.value.width = sheet.width
  canvas.value.height = sheet.height
  canvas.value.getContext('2d')!.drawImage(sheet, 0, 0)
}
onMounted(paint)
watch(() => [props.scene, props.width, props.height, props.bare], paint)
onBeforeUnmount(() => { turn += 1 })
</script>

<template>
  <canvas ref="canvas" role="img" :aria-label="label" :style="{ width: '100%', aspectRatio: `${width} / ${height}` }" class="block" />
</template>
