<script setup lang="ts">
import { computed } from 'vue'
import type { Bend, Hand, Layer } from '#core/piece'
import { handOf, HANDS, spreadsOf } from '#core/piece'
import { bendSaid } from '#core/placement'
import { capital, say } from '#core/measure'
import { useBench } from '~/stores/bench'

/** How evenly the stems of a layer are laid, and how they bend. */
const props = defineProps<{ layer: Layer; open: boolean }>()
const bench = useBench()

const set = (change: Partial<Omit<Layer, 'id'>>, words: string): string | null =>
  bench.apply({ do: 'layer', layer: props.layer.id, set: change }, words)

const hand = computed(() => handOf(props.layer))
const hands = computed(() => [
  ...HANDS.map((value) => ({ value, name: capital(value) })),
  ...(hand.value === null ? [{ value: 'own' as const, name: 'By my own numbers' }] : []),
])
const takeHand = (value: Hand | 'own'): void => {
  if (value !== 'own') set(spreadsOf(value, props.open), `lay it ${value}`)
}

type Way = 'straight' | 'run' | 'in' | 'out'
const WAYS: readonly { readonly value: Way; readonly name: string }[] = [
  { value: 'run', name: 'With the run' },
  { value: 'straight', name: 'Straight' },
  { value: 'in', name: 'Inward, to a radius' },
  { value: 'out', name: 'Outward, to a radius' },
]
const way = computed<Way>(() => (typeof props.layer.bend === 'string' ? props.layer.bend : props.layer.bend.toward))
const radius = computed(() => (typeof props.layer.bend === 'string' ? null : props.layer.bend.radius))
/** Where a radius begins that nobody gave yet, mm. */
const USUAL = 150
const takeBend = (bend: Bend): string | null => set({ bend }, 'bend the stems')
function takeWay(value: Way): void {
  takeBend(value === 'run' || value === 'straight' ? value : { radius: radius.value ?? USUAL, toward: value })
}
const says = computed(() => {
  const laid = bench.workings?.placements.filter(({ layer }) => layer === props.layer.id) ?? []
  return say(bendSaid(props.layer, laid, bench.shelf), bench.manner)
})
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <PickField label="Hand" :value="hand ?? 'own'" :options="hands" @pick="takeHand" />
    <CountField
      label="Uneven by, %"
      :value="Math.round(layer.uneven * 100)"
      :least="0"
      :most="60"
      :step="5"
      :take="(percent) => set({ uneven: percent / 100 }, 'vary the lengths')"
    />
    <template v-if="says">
      <PickField label="Bent" :value="way" :options="WAYS" @pick="takeWay" />
      <LengthField
        v-if="radius !== null && (way === 'in' || way === 'out')"
        label="To a radius of"
        :mm="radius"
        :units="bench.manner.units"
        :take="(mm) => (mm === null ? 'Give a radius.' : takeBend({ radius: mm, toward: way as 'in' | 'out' }))"
      />
    </template>
  </div>
  <p v-if="says" class="text-tiny text-soft">{{ says }}</p>
</template>
