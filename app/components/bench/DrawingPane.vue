<script setup lang="ts">
import { usePreviews } from '~/stores/previews'
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useElementSize } from '@vueuse/core'
import {
  BringToFront,
  Copy,
  CopyPlus,
  DoorClosed,
  FlipHorizontal2,
  Maximize,
  Minus,
  Pin,
  PinOff,
  Plus,
  RotateCcw,
  ScanSearch,
  SendToBack,
  Stamp,
  Trash2,
  Unlink,
  X,
} from '@lucide/vue'
import { readTape, show, quantity } from '#core/measure'
import { tip } from '~/utils/key-list'
import { MATERIAL_TYPE } from '~/utils/drag-types'
import { BenchStage } from '~/drawing/bench-stage'
import type { View } from '~/drawing/view'
import { useBench } from '~/stores/bench'
import { useStemEditing } from '~/composables/useStemEditing'
import { useNotices } from '~/stores/notices'
import { materialOf } from '#core/material'
import { canLieOn } from '#core/placement'
import { laidAlone } from '#core/piece'

const props = defineProps<{ measuring: boolean }>()
const bench = useBench()
const previews = usePreviews()
const hand = useStemEditing()
const notices = useNotices()
const holder = useTemplateRef('holder')
const { width, height } = useElementSize(holder)
const view = ref<View | null>(null)
const sharp = ref(false)
let stage: BenchStage | null = null

const things = (ids: readonly string[]) => ids.flatMap((id) => bench.byId.get(id) ?? [])

onMounted(() => {
  if (!holder.value) return
  stage = new BenchStage(holder.value, {
    select: (ids) => bench.selectAll(ids),
    moved: (ids, along, across) => hand.move(things(ids), along, across),
    turned: (by) => hand.turn(by),
    trimmed: (length) => hand.trimTo(length),
    canLieOn: (thing, bearer) => {
      const [moved, under] = things([thing, bearer])
      return moved !== undefined && under !== undefined && canLieOn(bench.piece!, moved.layer, under.layer)
    },
    nameOf: (thing) => things([thing]).map((each) => bench.nameOf(each))[0] ?? '',
    putOn: (thing, bearer) => hand.putOn(bench.byId.get(thing)!, bench.byId.get(bearer)!),
    putOff: (thing, point) => hand.putOff(bench.byId.get(thing)!, point),
    viewed: (next) => {
      view.value = next
    },
    sharp: (is) => {
      sharp.value = is
    },
  })
  refresh()
  void showPreview()
})
onBeforeUnmount(() => {
  stage?.destroy()
  stage = null
})

/** Until the drawing is painted, the picture that the workroom has of the piece stands in its place. */
async function showPreview(): Promise<void> {
  const kept = bench.piece && (await previews.kept(bench.piece.id))
  if (!kept) return
  const image = await createImageBitmap(kept.picture)
  stage?.preview(image, kept.view)
}

function refresh(): void {
  if (bench.workings)
    stage?.show({
      workings: bench.workings,
      selection: bench.selection,
      manner: bench.manner,
      measuring: props.measuring,
      upTo: bench.shownUpTo,
    })
}
watch(() => [bench.workings, bench.selection, bench.manner, props.measuring, bench.shownUpTo], refresh)
watch([width, height], ([w, h]) => {
  if (w && h) stage?.resize(w, h)
})

function dropped(event: DragEvent): void {
  const material = materialOf(bench.shelf, event.dataTransfer?.getData(MATERIAL_TYPE) ?? '')
  if (!material || !stage) return
  event.preventDefault()
  const bearer = bench.byId.get(stage.bearerAt(event.clientX, event.clientY, material) ?? '')
  const place = stage.placeAt(event.clientX, event.clientY)
  if (bearer && laidAlone(material) && canLieOn(bench.piece!, null, bearer.layer)) hand.dropOn(material, bearer)
  else if (place) hand.drop(material, place.run, place.s, place.t)
  else notices.note('Drop it on the base.')
}
function over(event: DragEvent): void {
  if (event.dataTransfer?.types.includes(MATERIAL_TYPE)) event.preventDefault()
}

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
  if (!placement) return null
  const n = bench.selection.length
  const all = bench.selectedPlacements
  const bearer = placement.bearer === null ? undefined : bench.byId.get(placement.bearer)
  return {
    borne: n === 1 && bearer !== undefined,
    pair: n === 2 ? hand.pairOf(all) : null,
    nudged: all.some(({ nudged }) => nudged),
    pinned: all.every(({ pinned }) => pinned),
    says:
      n > 1
        ? `${n} chosen`
        : `${bench.nameOf(placement)} · ${bearer ? `on ${bench.nameOf(bearer)} · ` : ''}${hand.placeOf(placement.run, placement.s)} · ${show(quantity.length(placement.length), bench.manner)} long`,
  }
})

/** The order of work, a thing at a time. */
const total = computed(() => bench.workings?.placements.length ?? 0)
const upTo = computed(() => bench.shownUpTo ?? total.value)
const lastOn = computed(() => {
  const last = bench.workings?.placements[upTo.value - 1]
  return upTo.value === total.value || !last ? '' : bench.nameOf(last)
})
function step(event: Event): void {
  const n = Number((event.target as HTMLInputElement).value)
  bench.shownUpTo = n >= total.value ? null : n
}
</script>

<template>
  <section
    class="relative min-h-0 min-w-0 overflow-hidden bg-bench"
    aria-label="Drawing"
    data-testid="drawing"
    data-keys
    :data-view="view ? JSON.stringify(view) : undefined"
    :data-sharp="sharp"
    @dragover="over"
    @drop="dropped"
  >
    <div
      ref="holder"
      class="absolute inset-0 touch-none"
      tabindex="0"
      role="application"
      aria-label="The piece on its surface. Comma and full stop choose a stem, arrows slide it along the run, brackets turn it, question mark lists all keys."
    />
    <div
      v-if="chosen"
      class="absolute left-2 top-2 flex max-w-[calc(100%-1rem)] flex-wrap items-center gap-x-1 rounded-[4px] border border-line bg-sheet px-2 py-0.5 text-fine shadow-sm"
      data-testid="chosen"
    >
      <span class="mr-1">{{ chosen.says }}</span>
      <button type="button" class="icon-button size-6" :title="tip('copy')" aria-label="Copy to the other side" @click="hand.copy()">
        <Copy :size="14" />
      </button>
      <button type="button" class="icon-button size-6" :title="tip('mirror')" aria-label="Move to the other side" @click="hand.mirror()">
        <FlipHorizontal2 :size="14" />
      </button>
      <button type="button" class="icon-button size-6" :title="tip('another')" aria-label="Another beside it" @click="hand.double()">
        <CopyPlus :size="14" />
      </button>
      <button
        type="button"
        class="icon-button size-6"
        :title="tip('lift', 'over its neighbours')"
        aria-label="Over its neighbours"
        @click="hand.lift(1)"
      >
        <BringToFront :size="14" />
      </button>
      <button
        type="button"
        class="icon-button size-6"
        :title="tip('lift', 'under its neighbours')"
        aria-label="Under its neighbours"
        @click="hand.lift(-1)"
      >
        <SendToBack :size="14" />
      </button>
      <button
        type="button"
        class="icon-button size-6"
        :title="tip('pin', chosen.pinned ? 'unpin' : 'pin: evening out leaves it')"
        :aria-label="chosen.pinned ? 'Unpin' : 'Pin'"
        :aria-pressed="chosen.pinned"
        @click="hand.pin()"
      >
        <PinOff v-if="chosen.pinned" :size="14" /><Pin v-else :size="14" />
      </button>
      <button
        v-if="chosen.pair"
        type="button"
        class="icon-button size-6"
        :title="`Put ${bench.nameOf(chosen.pair.thing)} on ${bench.nameOf(chosen.pair.bearer)}`"
        aria-label="Put the smaller on the other"
        @click="hand.putOn(chosen.pair.thing, chosen.pair.bearer)"
      >
        <Stamp :size="14" />
      </button>
      <button
        v-if="chosen.borne"
        type="button"
        class="icon-button size-6"
        title="Off what bears it, onto the base"
        aria-label="Off what bears it"
        @click="hand.putOff(bench.selectedPlacement!, bench.selectedPlacement!)"
      >
        <Unlink :size="14" />
      </button>
      <button type="button" class="icon-button size-6" :title="tip('take off')" aria-label="Take it off" @click="hand.remove()">
        <Trash2 :size="14" />
      </button>
      <button
        v-if="chosen.nudged"
        type="button"
        class="inline-flex items-center gap-1 font-semibold text-leaf underline"
        @click="hand.putBack()"
      >
        <RotateCcw :size="12" />Back to its rule
      </button>
      <button type="button" aria-label="Let go" class="icon-button size-6" @click="bench.select(null)"><X :size="14" /></button>
    </div>
    <div class="absolute bottom-2 left-2 flex items-end gap-2">
      <div v-if="scaleBar" class="rounded-[3px] bg-sheet/85 px-1.5 pb-1 pt-0.5 text-tiny text-ink">
        {{ scaleBar.says }}
        <div class="h-1.5 border-x border-b border-ink" data-testid="scale-bar" :style="{ width: `${scaleBar.pixels}px` }" />
      </div>
      <label v-if="total > 1" class="flex h-7 items-center gap-2 rounded-[4px] border border-line bg-sheet px-2 text-tiny">
        <span class="whitespace-nowrap">Order of work</span>
        <input
          type="range"
          class="w-28 accent-leaf"
          min="0"
          :max="total"
          :value="upTo"
          :aria-valuetext="lastOn ? `${upTo} of ${total}, last ${lastOn}` : `all ${total}`"
          @input="step"
        />
        <span class="min-w-12 whitespace-nowrap tabular-nums">{{ upTo }} of {{ total }}</span>
        <span v-if="lastOn" class="max-w-36 truncate text-soft">{{ lastOn }}</span>
      </label>
    </div>
    <div class="absolute bottom-2 right-2 flex rounded-[4px] border border-line bg-sheet" role="group" aria-label="View">
      <button type="button" class="icon-button" title="Closer" aria-label="Closer" @click="stage?.zoom(1.25)"><Plus :size="15" /></button>
      <button type="button" class="icon-button" title="Farther" aria-label="Farther" @click="stage?.zoom(0.8)"><Minus :size="15" /></button>
      <button type="button" class="icon-button" title="The whole piece" aria-label="The whole piece" @click="stage?.fit()">
        <Maximize :size="15" />
      </button>
      <button type="button" class="icon-button" title="From across the room" aria-label="From across the room" @click="stage?.standBack()">
        <DoorClosed :size="15" />
      </button>
      <button type="button" class="icon-button" title="Close up" aria-label="Close up" @click="stage?.closeUp()">
        <ScanSearch :size="15" />
      </button>
    </div>
  </section>
</template>
