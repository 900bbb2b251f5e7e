<script setup lang="ts">
import { onBeforeUnmount, ref, watch } from 'vue'
import { sceneSvg } from '#core/exchange'
import type { Bounds, Scene } from '#core/glyph'

/** A piece as vectors on the page: as a picture of its own it weighs nothing there, and what is printed, or printed to a PDF, stays as sharp as its paper. */
const props = defineProps<{ scene: Scene, region: Bounds, label: string, bare: boolean }>()
const src = ref('')

const letGo = (): void => URL.revokeObjectURL(src.value)
watch(() => [props.scene, props.region, props.bare] as const, ([scene, region, bare]) => {
  letGo()
  const svg = sceneSvg(scene, { region, title: props.label, names: {}, surface: !bare, shadows: false })
  src.value = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
}, { immediate: true })
onBeforeUnmount(letGo)
</script>

<template>
  <img :src="src" :alt="label" class="block w-full">
</template>
