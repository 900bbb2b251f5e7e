<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useElementSize } from '@vueuse/core'
import { clock, inches, readTape } from '#core/measure'
import type { Lane } from '#core/arrange'
import { useBench } from '~/stores/bench'
import { useHand } from '~/composables/useHand'

/** The run unrolled into a straight tape: a lane for each layer, every stem at its true distance, gaps written out. */
const bench = useBench()
const hand = useHand()
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
/** A gap's measure is written where it has at least this much room for each letter, px. */
const LETTER = 5.4

const tape = computed(() => bench.workings?.tapes[0] ?? null)
const long = computed(() => Math.max(200, (width.value - NAMES) * stretch.value - 2 * END))
const pixels = computed(() => (tape.value ? long.value / tape.value.length : 1))
const x = (s: number): number => END + s * pixels.value
const units = computed(() => bench.manner.units)

/** Marks on the tape: whole units with numbers as often as there is room, and parts between. */
const ticks = computed(() => {
  if (!tape.value) return []
  const unit = units.value === 'in' ? inches(1) : 10
  const perUnit = unit * pixels.value
  const parts = units.value === 'in' ? (perUnit > 60 ? 8 : perUnit > 22 ? 4 : perUnit > 9 ? 2 : 1) : perUnit > 40 ? 10 : perUnit > 9 ? 2 : 1
  const every = [1, 2, 5, 10, 20, 50].find((n) => n * perUnit >= 24) ?? 100
  const count = Math.floor((tape.value.length / unit) * parts + 1e-6)
  return Array.from({ length: count + 1 }, (_, i) => {
    const whole = i % parts === 0
    const n = i / parts
    return { x: x((i * unit) / parts), size: whole ? 11 : (i * 2) % parts === 0 ? 7 : 4, text: whole && n % every === 0 ? String(n) : '' }
  })
})
const hours = computed(() => (tape.value?.closed ? Array.from({ length: 13 }, (_, i) => ({ x: x((i / 12) * tape.value!.length), text: `${(i % 12) || 12}:00` })) : []))

/** Hatched stretches, cut in two where they pass the tape's start. */
const bare = computed(() => (bench.workings?.cover.bare ?? []).flatMap(({ from, length }) => {
  const over = from + length - (tape.value?.length ?? 0)
  return over > 0 ? [{ from, length: length - over }, { from: 0, length: over }] : [{ from, length }]
}))

const nameOf = (lane: Lane): string => bench.workings?.layers.find(({ id }) => id === lane.layer)?.title ?? ''

/** The gaps of a lane with their measures, without the unit: the tape's own numbers say which. */
function gaps(lane: Lane) {
  const total = tape.value!.length
  return lane.gaps.flatMap(({ from, length }) => {
    const text = readTape(length, units.value).replace(/ (in|cm)$/, '')
    const over = from + length > total
    const room = (over ? total - from : length) * pixels.value
    const middle = over ? from + (total - from) / 2 : from + length / 2
    return [{ from, text: room >= text.length * LETTER + 8 ? text : '', x: x(middle), over }]
  })
}
/** Half the width that takes a click on each mark, px: never reaching past the middle to its neighbour. */
function gripsOf(lane: Lane): number[] {
  return lane.marks.map(({ s }, i) => {
    const near = Math.min(s - (lane.marks[i - 1]?.s ?? -Infinity), (lane.marks[i + 1]?.s ?? Infinity) - s)
    return Math.max(1, Math.min(7, (near * pixels.value) / 2))
  })
}
const lanes = computed(() => tape.value?.lanes.map((lane) => ({ ...lane, grips: gripsOf(lane) })) ?? [])
const selectedGaps = computed(() => {
  const placement = bench.selectedPlacement
  const lane = tape.value?.lanes.find(({ layer }) => layer === placement?.layer)
  if (!placement || !lane) return ''
  const after = lane.gaps.find(({ from }) => from === placement.s)
  const before = lane.gaps.find(({ from, length }) => Math.abs(((from + length - placement.s) % tape.value!.length)) < 1e-6)
  const read = (gap: { length: number } | undefined) => (gap ? readTape(gap.length, units.value) : 'the end')
  return `${readTape(placement.s, units.value)} along · ${read(before)} before · ${read(after)} after`
})

function focusable(lane: Lane, placement: string): boolean {
  const chosen = lane.marks.find((mark) => mark.placement === bench.selected)
  return chosen ? chosen.placement === placement : lane.marks[0]?.placement === placement
}

const drag = ref<{ placement: string, from: number, by: number } | null>(null)
function grab(event: PointerEvent, placement: string): void {
  bench.select(placement)
  drag.value = { placement, from: event.clientX, by: 0 }
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function pull(event: PointerEvent): void {
  if (drag.value) drag.value = { ...drag.value, by: event.clientX - drag.value.from }
}
function letGo(): void {
  const now = drag.value
  drag.value = null
  if (now && Math.abs(now.by) >= 2) hand.slideBy(now.placement, now.by / pixels.value)
}
const shift = (placement: string): number => (drag.value?.placement === placement && Math.abs(drag.value.by) >= 2 ? drag.value.by : 0)

watch(() => bench.selected, async (id) => {
  await nextTick()
  const mark = id && scroller.value?.querySelector(`[data-mark="${CSS.escape(id)}"]`)
  if (mark) mark.scrollIntoView({ block: 'nearest', inline: 'nearest' })
})
</script>

<template>
  <section ref="holder" class="flex min-h-0 flex-col border-t border-line bg-bench" aria-label="Tape" data-testid="tape">
    <div class="flex h-7 items-center gap-3 px-2 text-fine">
      <h2 class="panel-title">Tape</h2>
      <span v-if="tape" class="text-soft">Centre line, {{ tape.closed ? 'clockwise from 12:00' : 'from the start' }}, {{ units }}</span>
      <span v-if="selectedGaps" class="font-medium text-rime" data-testid="selected-gaps">{{ selectedGaps }}</span>
      <div class="ml-auto flex items-center gap-1" role="group" aria-label="Stretch the tape">
        <button v-for="n in STRETCHES" :key="n" type="button" class="h-5 rounded-[3px] border px-1.5 text-tiny" :class="stretch === n ? 'border-ink bg-ink text-frost' : 'border-line bg-sheet'" :aria-pressed="stretch === n" @click="stretch = n">{{ n }}×</button>
      </div>
    </div>
    <div v-if="tape" ref="scroller" class="min-h-0 flex-1 overflow-auto" tabindex="0" role="group" aria-label="Tape with its lanes">
      <div class="relative" :style="{ width: `${NAMES + long + 2 * END}px` }">
        <div class="sticky top-0 z-20 flex" :style="{ height: `${RULE}px` }">
          <div class="sticky left-0 z-10 shrink-0 border-b border-line bg-bench" :style="{ width: `${NAMES}px` }" />
          <svg :width="long + 2 * END" :height="RULE" class="block bg-tape" aria-hidden="true">
            <line x1="0" :x2="long + 2 * END" :y1="RULE - 0.5" :y2="RULE - 0.5" class="stroke-rime" />
            <g v-for="(tick, i) in ticks" :key="i">
              <line :x1="tick.x" :x2="tick.x" :y1="RULE" :y2="RULE - tick.size" class="stroke-rime" stroke-width="1" />
              <text v-if="tick.text" :x="tick.x" :y="RULE - 13" text-anchor="middle" class="fill-rime text-[10px] font-semibold">{{ tick.text }}</text>
            </g>
            <g v-for="hour in hours" :key="hour.x">
              <path :d="`M${hour.x - 3.5} 0h7l-3.5 4z`" class="fill-ruddy" />
              <text :x="hour.x" y="12" text-anchor="middle" class="fill-ink text-[9px]">{{ hour.text }}</text>
            </g>
          </svg>
        </div>
        <div v-for="lane in lanes" :key="lane.layer" class="flex border-b border-seam" :style="{ height: `${LANE}px` }">
          <button
            type="button" class="sticky left-0 z-10 shrink-0 truncate border-r border-line px-2 text-left text-tiny" :style="{ width: `${NAMES}px` }" :title="nameOf(lane)"
            :class="bench.openLayer === lane.layer ? 'bg-moss font-semibold' : 'bg-bench'" @click="bench.openLayer = lane.layer"
          >
            {{ nameOf(lane) }}
          </button>
          <svg :width="long + 2 * END" :height="LANE" class="block bg-sheet" role="listbox" :aria-label="`Lane: ${nameOf(lane)}`">
            <defs><pattern id="bare-hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><line x1="0" y1="0" x2="0" y2="6" class="stroke-bracken" stroke-width="1.6" opacity="0.5" /></pattern></defs>
            <rect v-for="(stretchOf, i) in bare" :key="`b${i}`" :x="x(stretchOf.from)" y="0" :width="stretchOf.length * pixels" :height="LANE" fill="url(#bare-hatch)" aria-hidden="true" />
            <g aria-hidden="true">
              <text v-for="(gap, i) in gaps(lane)" :key="i" :x="gap.x" :y="LANE / 2 + 3.5" text-anchor="middle" class="fill-rime text-[10px]">{{ gap.text }}</text>
            </g>
            <g
              v-for="(mark, i) in lane.marks" :key="mark.placement" role="option" :data-mark="mark.placement" class="cursor-ew-resize outline-none [&:focus-visible>circle]:stroke-ink"
              :aria-selected="bench.selected === mark.placement" :tabindex="focusable(lane, mark.placement) ? 0 : -1"
              :aria-label="`${bench.nameOf(mark)}, ${readTape(mark.s, units)} along, ${clock((mark.s / tape.length) * 360)}`"
              :transform="`translate(${x(mark.s) + shift(mark.placement)} 0)`"
              @pointerdown="grab($event, mark.placement)" @pointermove="pull" @pointerup="letGo" @pointercancel="drag = null"
              @keydown.enter.prevent="bench.select(mark.placement)" @keydown.space.prevent="bench.select(mark.placement)"
            >
              <rect :x="-lane.grips[i]!" y="0" :width="2 * lane.grips[i]!" :height="LANE" fill="transparent" />
              <line x1="0" x2="0" y1="0" :y2="LANE" :class="bench.selected === mark.placement ? 'stroke-leaf' : 'stroke-line'" :stroke-width="bench.selected === mark.placement ? 3 : 1.2" />
              <circle cx="0" cy="4.5" :r="bench.selected === mark.placement ? 4.5 : Math.min(3, lane.grips[i]!)" :class="bench.selected === mark.placement ? 'fill-leaf' : 'fill-soft'" stroke="transparent" stroke-width="2" />
            </g>
          </svg>
        </div>
        <p v-if="!tape.lanes.length" class="px-3 py-3 text-soft">Nothing is laid yet. Add the first layer under Stems, and it shows here at its true distances.</p>
      </div>
    </div>
  </section>
</template>
