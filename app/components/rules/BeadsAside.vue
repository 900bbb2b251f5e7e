<script setup lang="ts">
import { computed, ref } from 'vue'
import { beadsOff } from '#core/constructions'
import type { MakeUp } from '#core/constructions'
import { materialOf } from '#core/material'
import { quantity, show } from '#core/measure'
import type { Layer, RuleOf } from '#core/piece'
import { useBench } from '~/stores/bench'

/** A ring of beads made smaller: how many come off. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'beads'>; makeUp: MakeUp }>()
const bench = useBench()
const length = (mm: number): string => show(quantity.length(mm), bench.manner)

const smaller = ref<number | null>(null)
const bead = computed(() => materialOf(bench.shelf, props.layer.mix[0]!.material)?.length ?? 1)
const off = computed(() => (smaller.value === null ? null : beadsOff(smaller.value, bead.value)))
function takeSmaller(mm: number | null): null {
  smaller.value = mm
  return null
}
</script>

<template>
  <details class="mt-1 border-t border-seam pt-1">
    <summary class="cursor-pointer py-1 text-fine font-medium">Make a ring smaller</summary>
    <LengthField class="pb-1" label="Across, less by" :mm="smaller" none="" :units="bench.manner.units" :take="takeSmaller" />
    <p v-if="off" class="pb-1 text-fine" role="status">
      Take {{ off.beads }} {{ off.beads === 1 ? 'bead' : 'beads' }} off: π × {{ length(smaller!) }} ÷ {{ length(bead) }}. That makes it
      {{ length(off.change) }} smaller.
    </p>
  </details>
</template>
