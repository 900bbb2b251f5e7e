<script setup lang="ts">
import { computed, ref } from 'vue'
import { remaining } from '#core/makeup'
import type { MakeUp } from '#core/makeup'
import type { Layer } from '#core/piece'
import { useBench } from '~/stores/bench'

/** What a layer comes to when it is bound on, each figure with its sum; and, while it is made, how much there is still to do. */
const props = defineProps<{ layer: Layer, makeUp: MakeUp }>()
const bench = useBench()

const done = ref(0)
const gap = ref<number | null>(null)
const figure = (id: string) => props.makeUp.figures.find((each) => each.id === id)?.figure.value
const left = computed(() => (gap.value === null ? null : remaining(done.value, gap.value, figure('advance') ?? 0)))

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
  </section>
</template>
