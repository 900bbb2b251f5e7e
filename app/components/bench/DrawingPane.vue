<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useElementSize } from '@vueuse/core'
import { DoorClosed, Maximize, Minus, Plus, RotateCcw, X } from '@lucide/vue'
import { clock, readTape, show, quantity } from '#core/measure'
import { BenchStage } from '~/drawing/bench-stage'
import { lettersReady } from '~/drawing/paint'
import type { View } from '~/drawing/scene'
import { useBench } from '~/stores/bench'
import { useHand } from '~/composables/useHand'

const props = defineProps<{ measuring: boolean }>()
const bench = useBench()
const hand = useHand()
const holder = useTemplateRef('holder')
const { width, height } = useElementSize(holder)
const view = ref<View | null>(null)
let stage: BenchStage | null = null

onMounted(async () => {
  await lettersReady()
  if (!holder.value) return
  stage = new BenchStage(holder.value, {
    select: (id) => bench.select(id),
    slid: (id, along) => hand.slideBy(id, along),
    viewed: (next) => { view.value = next },
  })
  refresh()
})
onBeforeUnmount(() => stage?.destroy())

function refresh(): void {
  if (bench.workings) stage?.show({ workings: bench.workings, selected: bench.selected, manner: bench.manner, measuring: props.measuring })
}
watch(() => [bench.workings, bench.selected, bench.manner, props.measuring], refresh)
watch([width, height], ([w, h]) => { if (w && h) stage?.resize(w, h) })

/** A scale bar of a round length, about a hundred pixels long. */
const scaleBar = computed(() => {
  if (!view.value) return null
  const unit = bench.manner.units === 'in' ? 25.4 : 10
  const sizes = bench.manner.units === 'in' ? [0.5, 1, 2, 3, 6, 12, 24, 36] : [1, 2, 5, 10, 20, 50, 100]
  const mm = (sizes.find((size) => size * unit * view.value!.scale > 60) ?? sizes.at(-1)!) * unit
  return { pixels: mm * view.value.scale, says: readTape(mm, bench.manner.units) }
})
const chosen = computed(() => {
  const placement = bench.selectedPlacement
  const run = bench.workings?.tapes.find((tape) => tape.run === placement?.run)
  if (!placement || !run) return null
  return { placement, says: `${bench.nameOf(placement)} · ${clock((placement.s / run.length) * 360)} · ${show(quantity.length(placement.length), bench.manner)} long` }
})
</script>

<template>
  <section class="relative min-h-0 min-w-0 overflow-hidden bg-bench" aria-label="Drawing" data-testid="drawing">
    <div
      ref="holder" class="absolute inset-0" tabindex="0" role="application"
      aria-label="The piece on its surface. Comma and full stop choose a stem, arrows slide it along the run, brackets turn it."
    />
    <div v-if="chosen" class="absolute left-2 top-2 flex items-center gap-2 rounded-[4px] border border-line bg-sheet px-2 py-1 text-fine shadow-sm" data-testid="chosen">
      <span>{{ chosen.says }}</span>
      <button v-if="chosen.placement.nudged" type="button" class="inline-flex items-center gap-1 font-semibold text-leaf underline" @click="hand.putBack()"><RotateCcw :size="12" />Back to its rule</button>
      <button type="button" aria-label="Let go" class="text-soft hover:text-ink" @click="bench.select(null)"><X :size="14" /></button>
    </div>
    <div class="absolute bottom-2 left-2 flex items-end gap-3">
      <div v-if="scaleBar" class="rounded-[3px] bg-sheet/85 px-1.5 pb-1 pt-0.5 text-tiny text-ink">
        {{ scaleBar.says }}
        <div class="h-1.5 border-x border-b border-ink" :style="{ width: `${scaleBar.pixels}px` }" />
      </div>
    </div>
    <div class="absolute bottom-2 right-2 flex rounded-[4px] border border-line bg-sheet" role="group" aria-label="View">
      <button type="button" class="icon-button" title="Closer" aria-label="Closer" @click="stage?.zoom(1.25)"><Plus :size="15" /></button>
      <button type="button" class="icon-button" title="Farther" aria-label="Farther" @click="stage?.zoom(0.8)"><Minus :size="15" /></button>
      <button type="button" class="icon-button" title="The whole piece" aria-label="The whole piece" @click="stage?.fit()"><Maximize :size="15" /></button>
      <button type="button" class="icon-button" title="From across the room" aria-label="From across the room" @click="stage?.standBack()"><DoorClosed :size="15" /></button>
    </div>
  </section>
</template>
