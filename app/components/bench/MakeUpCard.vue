<script setup lang="ts">
import { computed, ref } from 'vue'
import { shortestOf } from '#core/arrange'
import { beadsOff, remaining, stretched } from '#core/construct'
import type { MakeUp } from '#core/construct'
import type { Layer } from '#core/piece'
import { quantity, show } from '#core/measure'
import { useBench } from '~/stores/bench'
import { useShops } from '~/stores/shops'
import { materialOf } from '#core/material'

/** What a layer comes to when it is bound on, each figure with its sum; and, while it is made, how much there is still to do. */
const props = defineProps<{ layer: Layer, makeUp: MakeUp }>()
const bench = useBench()
const shops = useShops()

const done = ref(0)
const gap = ref<number | null>(null)
const figure = (id: string) => props.makeUp.figures.find((each) => each.id === id)?.figure.value
const left = computed(() => (gap.value === null ? null : remaining(done.value, gap.value, figure('advance') ?? 0)))

const inHand = ref<number | null>(null)
/** What the sprigs in hand give. */
const thin = computed(() => {
  const { rule } = props.layer
  return rule.kind === 'bundles' && inHand.value !== null ? stretched(bench.runOfLayer(props.layer), shortestOf(props.layer, shops.shelf), rule.sprigs, rule.faces, inHand.value) : null
})
function takeInHand(n: number): null {
  inHand.value = n
  return null
}
function stretch(advance: number): void {
  bench.apply({ do: 'layer', layer: props.layer.id, set: { rule: { ...props.layer.rule, advance } as Layer['rule'] } }, 'stretch the bundles')
}

const smaller = ref<number | null>(null)
const bead = computed(() => materialOf(shops.shelf, props.layer.mix[0]!.material)?.length ?? 1)
const off = computed(() => (smaller.value === null ? null : beadsOff(smaller.value, bead.value)))
function takeSmaller(mm: number | null): null {
  smaller.value = mm
  return null
}
const length = (mm: number): string => show(quantity.length(mm), bench.manner)

function takeDone(n: number): null {
  done.value = n
  return null
}
function takeGap(mm: number | null): string | null {
  if (mm !== null && mm <= 0) return 'A gap over nothing.'
  gap.value = mm
  return null
}
</script>

<template>
  <section class="rounded-[5px] border border-seam bg-sheet px-2 py-1" aria-label="Made up" data-testid="made-up">
    <FigureRow v-for="each in makeUp.figures" :key="each.id" :label="each.name" :figure="each.figure" :manner="bench.manner" />
    <details v-if="layer.rule.kind === 'bundles'" class="mt-1 border-t border-seam pt-1">
      <summary class="cursor-pointer py-1 text-fine font-medium">While you bind</summary>
      <div class="grid grid-cols-2 gap-2 pb-1">
        <CountField label="Bundles bound" :value="done" :least="0" :most="500" whole :take="takeDone" />
        <LengthField label="Gap left" :mm="gap" none="" :units="bench.manner.units" :take="takeGap" />
      </div>
      <p v-if="left" class="pb-1 text-fine" role="status">{{ left.bundles }} more {{ left.bundles === 1 ? 'bundle' : 'bundles' }}; wrap {{ left.twice >= left.bundles ? 'every one' : `the last ${left.twice}` }} at least twice.</p>
    </details>
    <details v-if="layer.rule.kind === 'bundles'" class="border-t border-seam pt-1">
      <summary class="cursor-pointer py-1 text-fine font-medium">With the sprigs there are</summary>
      <CountField class="pb-1" label="Sprigs in hand" :value="inHand ?? figure('sprigs') ?? 0" :least="0" :most="5000" whole :take="takeInHand" />
      <div v-if="inHand !== null" class="pb-1 text-fine" role="status">
        <template v-if="thin">{{ thin.bundles }} bundles, {{ length(thin.advance) }} apart, {{ thin.depth.toFixed(1) }} deep{{ thin.depth < 1 ? ': the frame shows between them' : thin.depth < 1.5 ? ': thin' : '' }}. <button type="button" class="font-semibold text-leaf underline decoration-dotted underline-offset-2" @click="stretch(thin.advance)">Advance by {{ length(thin.advance) }}</button></template>
        <template v-else>Not one bundle.</template>
      </div>
    </details>
    <details v-if="layer.rule.kind === 'beads'" class="mt-1 border-t border-seam pt-1">
      <summary class="cursor-pointer py-1 text-fine font-medium">Make a ring smaller</summary>
      <LengthField class="pb-1" label="Across, less by" :mm="smaller" none="" :units="bench.manner.units" :take="takeSmaller" />
      <p v-if="off" class="pb-1 text-fine" role="status">Take {{ off.beads }} {{ off.beads === 1 ? 'bead' : 'beads' }} off: π × {{ length(smaller!) }} ÷ {{ length(bead) }}. That makes it {{ length(off.change) }} smaller.</p>
    </details>
  </section>
</template>
