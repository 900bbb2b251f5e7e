<script setup lang="ts">
import { computed, ref } from 'vue'
import { ArrowLeft } from '@lucide/vue'
import type { Material } from '#core/material'
import { materialOf } from '#core/material'
import { capital } from '#core/measure'
import type { Edit, Part } from '#core/piece'
import { PART_LIES, PART_LIMITS } from '#core/piece'
import { useBench } from '~/stores/bench'

/** The part that is worked on by itself: its name, how it lies on the piece, how long it dries, and what is bought in its place. */
const props = defineProps<{ part: Part }>()
const bench = useBench()
const picking = ref(false)
const set = (change: Extract<Edit, { do: 'part' }>['set'], words: string): string | null =>
  bench.apply({ do: 'part', part: props.part.id, set: change }, words)
const bought = computed(() => (props.part.bought === null ? null : (materialOf(bench.shelf, props.part.bought)?.name ?? props.part.bought)))
const LIES: Record<Part['lies'], string> = {
  'any way round': 'Any way round, like a cone',
  upright: 'Upright, like a sign',
  'like a stem': 'Like a stem, by its upper end',
}
function buy(material: Material): void {
  picking.value = false
  set({ bought: material.id }, 'buy the part ready-made')
}
</script>

<template>
  <section class="space-y-2 border-b border-line bg-frost p-3" aria-label="Part" data-testid="part-fields">
    <button type="button" class="button h-7" @click="bench.workOn(null)">
      <ArrowLeft :size="14" />Back to {{ bench.whole!.brief.name }}
    </button>
    <TextField label="Part" :value="part.name" :most="40" :take="(name) => set({ name }, 'name the part')" />
    <PickField
      label="Lies on the piece"
      :value="part.lies"
      :options="PART_LIES.map((value) => ({ value, name: LIES[value] }))"
      @pick="(lies) => set({ lies }, 'say how the part lies')"
    />
    <CountField
      label="Dries or sets, hours"
      :value="part.dries / 60"
      :least="0"
      :most="PART_LIMITS.dries / 60"
      :take="(hours) => set({ dries: hours * 60 }, 'say how long the part dries')"
    />
    <p v-if="bought" class="text-fine">
      {{ capital(bought) }} is bought in its place.
      <button type="button" class="button mt-1 h-7" @click="set({ bought: null }, 'make the part')">Make it instead</button>
    </p>
    <button v-else type="button" class="button h-7 w-full" :aria-expanded="picking" @click="picking = !picking">Buy it ready-made…</button>
    <MaterialPicker v-if="picking" @pick="buy" @close="picking = false" />
  </section>
</template>
