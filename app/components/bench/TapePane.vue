<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useElementSize } from '@vueuse/core'
import { inches, readTape } from '#core/measure'
import type { Lane, TapeMark as Mark } from '#core/placement'
import { useBench } from '~/stores/bench'
import { useStemEditing } from '~/composables/useStemEditing'

/** A run unrolled into a straight tape: a lane for each layer, every stem at its true distance, gaps written out. */
const bench = useBench()
const hand = useStemEditing()
const holder = useTemplateRef('holder')
const scroller = useTemplateRef('scroller')
const { width } = useElementSize(holder)

const stretch = ref(1)
const STRETCHES = [1, 2, 4] as const
/** Left column with the layers' names, and the room at either end of the tape, px. */
const NAMES = 112
const END = 16
const LANE = 24
const RULE = 34

const tapes = computed(() => bench.workings?.tapes ?? [])
const shown = ref('')
const tape = computed(() => tapes.value.find(({ id }) => id === shown.value) ?? tapes.value[0] ?? null)
const span = computed(() => (tape.value ? tape.value.to - tape.value.from : 1))
const long = computed(() => Math.max(200, (width.value - NAMES) * stretch.value - 2 * END))
const pixels = computed(() => long.value / span.value)
/** @param at mm from the tape's zero */
const x = (at: number): number => END + (at - (tape.value?.from ?? 0)) * pixels.value
const units = computed(() => bench.manner.units)

const runShown = computed(() => bench.runs.find(({ id }) => id === tape.value?.runs[0]?.run))
/** Whether places on the run are said by the clock. */
const byClock = computed(() => tape.value?.closed === true && runShown.value?.reads.kind === 'clock')
const heading = computed(() => {
  if (!tape.value) return ''
  const run = runShown.value
  if (byClock.value && run) {
    const from = hand.placeOf(run.id, 0)
    return `Centre line, clockwise from ${from === '12:00' ? 'the top' : from}`
  }
  return tape.value.runs.length > 1
    ? 'Both arms, from where they meet'
    : `Centre line, ${run?.reads.kind === 'from' ? run.reads.words : 'from the start'}`
})

/** Marks on the tape: whole units with numbers as often as there is room, and parts between; a tape of two arms counts from its middle both ways. */
const ticks = computed(() => {
  if (!tape.value) return []
  const unit = units.value === 'in' ? inches(1) : 10
  const perUnit = unit * pixels.value
  const parts = units.value === 'in' ? (perUnit > 60 ? 8 : perUnit > 22 ? 4 : perUnit > 9 ? 2 : 1) : perUnit > 40 ? 10 : perUnit > 9 ? 2 : 1
  const every = [1, 2, 5, 10, 20, 50].find((n) => n * perUnit >= 24) ?? 100
  const step = perUnit < 4 ? every / 2 : 1 / parts
  const first = Math.ceil(tape.value.from / unit / step - 1e-6)
  const last = Math.floor(tape.value.to / unit / step + 1e-6)
  return Array.from({ length: last - first + 1 }, (_, i) => {
    const n = (first + i) * step
    const whole = Math.abs(n - Math.round(n)) < 1e-9
    return {
      x: x(n * unit),
      size: whole ? 11 : Math.abs((n * 2) % 1) < 1e-9 ? 7 : 4,
      text: whole && Math.round(n) % every === 0 ? String(Math.abs(Math.round(n))) : '',
    }
  })
})
const hours = computed(() => {
  const { value } = tape
  if (!value || !byClock.value) return []
  const [part] = value.runs
  return Array.from({ length: 13 }, (_, i) => ({
    x: x((i / 12) * value.to),
    text: hand.placeOf(part!.run, ((i % 12) / 12) * part!.length),
  }))
})

/** Where a stretch of a run lies on the tape, cut in two where it passes the tape's start. */
function onTape({ run, from, length }: { run: string; from: number; length: number }) {
  const part = tape.value?.runs.find((each) => each.run === run)
  if (!part) return []
  const over = from + length - part.length
  const pieces =
    over > 1e-6 && tape.value!.closed
      ? [
          { from, length: length - over },
          { from: 0, length: over },
        ]
      : [{ from, length }]
  return pieces.map((piece) => ({ from: part.sign > 0 ? piece.from : -piece.from - piece.length, length: piece.length }))
}
const bare = computed(() => (bench.workings?.cover.bare ?? []).flatMap(onTape))
const zones = computed(() => (bench.workings?.zones ?? []).flatMap(onTape))

const nameOf = (lane: Pick<Lane, 'layer'>): string => bench.workings?.layers.find(({ id }) => id === lane.layer)?.title ?? ''

const selectedGaps = computed(() => {
  const placement = bench.selectedPlacement
  const lane = tape.value?.lanes.find(({ layer }) => layer === placement?.layer)
  const mark = lane?.marks.find((each) => each.placement === placement?.id)
  if (!placement || !lane || !mark) return ''
  const after = lane.gaps.find(({ from }) => from === mark.at)
  const before = lane.gaps.find(({ from, length }) => Math.abs((from + length - mark.at) % span.value) < 1e-6)
  const read = (gap: { length: number } | undefined) => (gap ? readTape(gap.length, units.value) : 'the end')
  return `${readTape(Math.abs(mark.at), units.value)} along · ${read(before)} before · ${read(after)} after`
})

const chosen = computed(() => new Set(bench.selection))
const isChosen = (placement: string): boolean => chosen.value.has(placement)

/** What lies under other things: a hollow mark. */
const unseen = computed(() => new Set(bench.workings?.seen.flatMap((each) => each.unseen) ?? []))

/** How a mark reads aloud; another rule when what it calls things by changes. */
const says = computed(() => {
  const [unit, runs] = [units.value, bench.runs]
  void bench.shelf
  const hidden = unseen.value
  return (mark: Mark): string =>
    runs.length
      ? `${bench.nameOf(mark)}, ${readTape(mark.s, unit)} along, ${hand.placeOf(mark.run, mark.s)}${hidden.has(mark.placement) ? ', not seen' : ''}`
      : ''
})

const drag = ref<{ mark: Mark; from: number; by: number } | null>(null)
function grab(event: PointerEvent, mark: Mark): void {
  if (event.shiftKey) {
    bench.toggle(mark.placement)
    return
  }
  if (!isChosen(mark.placement)) bench.select(mark.placement)
  if (bench.layerOf(bench.byId.get(mark.placement)?.layer ?? '')?.locked) return
  drag.value = { mark, from: event.clientX, by: 0 }
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function pull(event: PointerEvent): void {
  if (drag.value) drag.value = { ...drag.value, by: event.clientX - drag.value.from }
}
const cancel = (): void => {
  drag.value = null
}
const moves = computed(() => (drag.value && Math.abs(drag.value.by) >= 2 ? drag.value.by : 0))
function letGo(): void {
  const { mark } = drag.value ?? {}
  const by = moves.value
  drag.value = null
  if (!mark) return
  const sign = tape.value!.runs.find(({ run }) => run === mark.run)!.sign
  const things = bench.selectedPlacements.filter(({ id }) => id !== mark.placement)
  const own = bench.byId.get(mark.placement)
  if (by && own) hand.move([...things, own], (sign * by) / pixels.value, 0)
  else if (!by) bench.select(mark.placement)
}
/** On a tape of two arms things on the other arm go the other way. */
function shift(mark: Mark): number {
  if (!moves.value || !isChosen(mark.placement)) return 0
  const sign = (run: string) => tape.value!.runs.find((each) => each.run === run)!.sign
  return sign(mark.run) === sign(drag.value!.mark.run) ? moves.value : -moves.value
}

watch(
  () => bench.selected,
  async (id) => {
    const run = bench.selectedPlacement?.run
    const own = tapes.value.find(({ runs }) => runs.some((each) => each.run === run))
    if (own) shown.value = own.id
    await nextTick()
    const mark = id && scroller.value?.querySelector(`[data-mark="${CSS.escape(id)}"]`)
    if (mark) mark.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  },
)
</script>

<template>
  <section ref="holder" class="flex min-h-0 flex-col border-t border-line bg-bench" aria-label="Tape" data-testid="tape">
    <div class="flex h-7 items-center gap-3 px-2 text-fine">
      <h2 class="panel-title">Tape</h2>
      <select
        v-if="tapes.length > 1"
        class="h-5 rounded-[3px] border border-line bg-sheet px-1 text-tiny"
        aria-label="Which run"
        :value="tape?.id"
        @change="shown = ($event.target as HTMLSelectElement).value"
      >
        <option v-for="each in tapes" :key="each.id" :value="each.id">{{ each.name }}</option>
      </select>
      <span v-if="tape" class="truncate text-soft">{{ heading }}, {{ units }}</span>
      <span v-if="unseen.size" class="truncate text-soft" data-testid="unseen-marks">hollow: not seen</span>
      <span v-if="selectedGaps" class="truncate font-medium text-rime" data-testid="selected-gaps">{{ selectedGaps }}</span>
      <div class="ml-auto flex items-center gap-1" role="group" aria-label="Stretch the tape">
        <button
          v-for="n in STRETCHES"
          :key="n"
          type="button"
          class="h-5 rounded-[3px] border px-1.5 text-tiny"
          :class="stretch === n ? 'border-ink bg-ink text-frost' : 'border-line bg-sheet'"
          :aria-pressed="stretch === n"
          @click="stretch = n"
        >
          {{ n }}×
        </button>
      </div>
    </div>
    <div
      v-if="tape"
      ref="scroller"
      class="min-h-0 flex-1 overflow-auto"
      data-keys
      tabindex="0"
      role="group"
      aria-label="Tape with its lanes"
    >
      <div class="relative" :style="{ width: `${NAMES + long + 2 * END}px` }">
        <div class="sticky top-0 z-20 flex" :style="{ height: `${RULE}px` }">
          <div class="sticky left-0 z-10 shrink-0 border-b border-line bg-bench" :style="{ width: `${NAMES}px` }" />
          <svg :width="long + 2 * END" :height="RULE" class="block bg-tape" aria-hidden="true">
            <line x1="0" :x2="long + 2 * END" :y1="RULE - 0.5" :y2="RULE - 0.5" class="stroke-rime" />
            <g v-for="(tick, i) in ticks" :key="i">
              <line :x1="tick.x" :x2="tick.x" :y1="RULE" :y2="RULE - tick.size" class="stroke-rime" stroke-width="1" />
              <text v-if="tick.text" :x="tick.x" :y="RULE - 13" text-anchor="middle" class="fill-rime text-[10px] font-semibold">
                {{ tick.text }}
              </text>
            </g>
            <g v-for="hour in hours" :key="hour.x">
              <path :d="`M${hour.x - 3.5} 0h7l-3.5 4z`" class="fill-ruddy" />
              <text :x="hour.x" y="12" text-anchor="middle" class="fill-ink text-[9px]">{{ hour.text }}</text>
            </g>
            <path v-if="tape.runs.length > 1" :d="`M${x(0) - 4.5} 0h9l-4.5 6z`" class="fill-ruddy" />
          </svg>
        </div>
        <div v-for="lane in tape.lanes" :key="lane.layer" class="flex border-b border-seam" :style="{ height: `${LANE}px` }">
          <button
            type="button"
            class="sticky left-0 z-10 shrink-0 truncate border-r border-line px-2 text-left text-tiny"
            :style="{ width: `${NAMES}px` }"
            :title="nameOf(lane)"
            :class="bench.openLayer === lane.layer ? 'bg-moss font-semibold' : 'bg-bench'"
            @click="bench.openLayer = lane.layer"
          >
            {{ nameOf(lane) }}
          </button>
          <svg
            :width="long + 2 * END"
            :height="LANE"
            class="block bg-sheet"
            role="listbox"
            aria-multiselectable="true"
            :aria-label="`Lane: ${nameOf(lane)}`"
          >
            <defs>
              <pattern id="bare-hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                <line x1="0" y1="0" x2="0" y2="6" class="stroke-bracken" stroke-width="1.6" opacity="0.5" />
              </pattern>
            </defs>
            <rect
              v-for="(zone, i) in zones"
              :key="`z${i}`"
              :x="x(zone.from)"
              y="0"
              :width="zone.length * pixels"
              :height="LANE"
              class="fill-rime"
              opacity="0.13"
              aria-hidden="true"
            />
            <rect
              v-for="(stretchOf, i) in bare"
              :key="`b${i}`"
              :x="x(stretchOf.from)"
              y="0"
              :width="stretchOf.length * pixels"
              :height="LANE"
              fill="url(#bare-hatch)"
              aria-hidden="true"
            />
            <TapeLane
              :lane="lane"
              :left="END"
              :pixels="pixels"
              :from="tape.from"
              :to="tape.to"
              :units="units"
              :high="LANE"
              :chosen="chosen"
              :selected="bench.selected"
              :shift="shift"
              :says="says"
              :unseen="unseen"
              @grab="grab"
              @pull="pull"
              @drop="letGo"
              @cancel="cancel"
              @choose="bench.select"
              @toggle="bench.toggle"
            />
          </svg>
        </div>
        <p v-if="!tape.lanes.length" class="px-3 py-3 text-soft">
          Nothing is laid yet. Add the first layer under Stems, and it shows here at its true distances.
        </p>
      </div>
    </div>
  </section>
</template>
