<script setup lang="ts">
import { computed } from 'vue'
import type { Material } from '#core/material'

/** A small portrait of a material. */
const props = defineProps<{ material: Material; size: number }>()
const looks = computed(() => ({
  species: props.material.species,
  length: props.material.length,
  width: props.material.width,
  tint: props.material.colour,
}))
</script>

<template>
  <GlyphView :looks="looks" :size="size" />
</template>
