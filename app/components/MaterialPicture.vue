<script setup lang="ts">
import { computed } from 'vue'
import { partLooksOf } from '#core/looks'
import type { Material } from '#core/material'
import { useBench } from '~/stores/bench'

/** A small portrait of a material. */
const props = defineProps<{ material: Material; size: number }>()
const bench = useBench()
/** A part of the piece on the bench, until it is worked out, is shown as nothing. */
const looks = computed(() => ({
  part: partLooksOf(bench.shelf, props.material.id),
  species: props.material.species,
  length: props.material.length,
  width: props.material.width,
  tint: props.material.colour,
}))
</script>

<template>
  <GlyphView v-if="looks.part || material.species !== 'part'" :looks="looks" :size="size" />
  <span v-else class="shrink-0" :style="{ width: `${size}px`, height: `${size}px` }" />
</template>
