<script setup lang="ts">
import { onBeforeUnmount, ref, watch } from 'vue'
import type { Scene } from '#core/glyph'
import type { Bounds } from '#core/measure'
import { useNotices } from '~/stores/notices'
import { writeVectors } from '~/workers/picture'

/** A piece as vectors on the page: as a picture of its own it weighs nothing there, and what is printed, or printed to a PDF, stays as sharp as its paper. */
const props = defineProps<{ scene: Scene, region: Bounds, label: string, bare: boolean }>()
const src = ref('')

const letGo = (): void => URL.revokeObjectURL(src.value)
const notices = useNotices()
let turn = 0
watch(() => [props.scene, props.region, props.bare] as const, ([scene, region, bare]) => {
  turn += 1
  const own = turn
  void notices.tell('The drawing could not be written', writeVectors(scene, { region, title: props.label, names: {}, surface: !bare, shadows: false }).then((svg) => {
    if (own !== turn) return
    letGo()
    src.value = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
  }))
}, { immediate: true })
onBeforeUnmount(() => {
  turn += 1
  letGo()
})
</script>

<template>
  <img v-if="src" :src="src" :alt="label" class="block w-full">
  <div v-else class="aspect-square w-full" />
</template>
