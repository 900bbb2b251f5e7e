<script setup lang="ts">
import { computed, useId } from 'vue'
import { sceneSvg } from '#core/exchange'
import type { Bounds, Scene } from '#core/glyph'

/** A piece as vectors on the page: what is printed, or printed to a PDF, stays as sharp as its paper. */
const props = defineProps<{ scene: Scene, region: Bounds, label: string, bare: boolean }>()
const prefix = `drawing${useId().replace(/[^a-zA-Z0-9]/g, '')}-`
/** Our own writer made it: every text in it is escaped there. */
const svg = computed(() => sceneSvg(props.scene, { region: props.region, title: props.label, names: {}, surface: !props.bare, shadows: false, prefix })
  .replace(/width="[^"]*mm" height="[^"]*mm"/, 'width="100%" role="img"'))
</script>

<template>
  <!-- eslint-disable-next-line vue/no-v-html -- see svg above -->
  <div v-html="svg" />
</template>
