<script setup lang="ts">
import { onMounted, useTemplateRef, watch } from 'vue'
import type { Material } from '#core/material'
import { itemGlyph } from '#core/glyph'
import { paintMarks } from '~/drawing/paint'

/** A small portrait of a material. */
const props = defineProps<{ material: Material, size: number }>()
const canvas = useTemplateRef('canvas')

function paint(): void {
  const ctx = canvas.value?.getContext('2d')
  if (!ctx) return
  const ratio = window.devicePixelRatio
  canvas.value!.width = canvas.value!.height = props.size * ratio
  const { material } = props
  const leafy = material.form === 'leaf'
  const glyph = itemGlyph({ species: material.species, length: material.length, width: material.width, tint: material.colour, words: null, seed: 3, bearing: leafy ? 315 : 0, depth: 0, rise: 0 })
  const { left, right, top, bottom } = glyph.bounds
  const turn = leafy ? -Math.PI / 4 : 0
  const reach = leafy ? (right - left) * 0.76 + (bottom - top) * 0.5 : Math.max(right - left, bottom - top)
  const scale = (props.size * ratio * 0.94) / reach
  ctx.setTransform(1, 0, 0, 1, canvas.value!.width / 2, canvas.value!.height / 2)
  ctx.rotate(turn)
  ctx.scale(scale, scale)
  ctx.translate(-(left + right) / 2, -(top + bottom) / 2)
  paintMarks(ctx, glyph.marks)
}
onMounted(paint)
watch(() => props.material.id, paint)
</script>

<template>
  <canvas ref="canvas" aria-hidden="true" class="shrink-0" :style="{ width: `${size}px`, height: `${size}px` }" />
</template>
