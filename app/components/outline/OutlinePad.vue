<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import type { KnotPlace, OutlineStroke } from '#core/base'
import { nearestOnOutline, onGrid, strokePath, withEnd, withHandle, withPoint, withPointOn } from '#core/base'
import type { LengthUnits, Point } from '#core/measure'
import { readTape } from '#core/measure'
import type { OutlineDraft } from '~/composables/useOutlineDraft'
import { moved, viewOf } from '~/utils/outline-view'

/** The sheet that an outline is drawn on, at scale: points are set, slid and bent with the pointer or with the arrow keys. */
const props = defineProps<{ draft: OutlineDraft; step: number; grid: number; units: LengthUnits }>()

const svg = ref<SVGSVGElement | null>(null)
const id = useId()
const strokes = computed(() => props.draft.strokes.value)
const chosen = computed(() => props.draft.chosen.value)
// What is in sight stays while a hand moves something: the sheet must not slide under it.
const held = ref<ReturnType<typeof viewOf> | null>(null)
const view = computed(() => held.value ?? viewOf(strokes.value))

/** Where a pointer is, mm about the middle. */
function pointAt({ clientX, clientY }: PointerEvent): Point {
  const inverse = svg.value!.getScreenCTM()!.inverse()
  const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(inverse)
  return { x, y }
}

type Moving = { readonly place: KnotPlace; readonly of: 'point' | 'before' | 'after'; readonly from: readonly OutlineStroke[] }
const moving = ref<Moving | null>(null)
function grip(event: PointerEvent, place: KnotPlace, part: Moving['of']): void {
  choose(place)
  held.value = view.value
  moving.value = { place, of: part, from: strokes.value }
  svg.value!.setPointerCapture(event.pointerId)
}
function move(event: PointerEvent): void {
  const hand = moving.value
  if (!hand) return
  const at = onGrid(pointAt(event), props.step)
  props.draft.show(hand.of === 'point' ? withPoint(hand.from, hand.place, at) : withHandle(hand.from, hand.place, hand.of, at))
}
function drop(): void {
  const hand = moving.value
  if (hand && strokes.value !== hand.from) props.draft.take(strokes.value, hand.from)
  moving.value = null
  held.value = null
}

const choose = (place: KnotPlace): void => props.draft.choose(place)

/** A press on the sheet goes on with the open run that is chosen, or begins one; a press on a line puts a point there. */
function draw(event: PointerEvent): void {
  const at = pointAt(event)
  const on = onGrid(at, props.step)
  const near = nearestOnOutline(strokes.value, at)
  if (near && near.away < view.value.size * ON_LINE) {
    props.draft.take(withPointOn(strokes.value, near))
    choose({ stroke: near.stroke, point: near.stretch + 1 })
    return
  }
  const place = chosen.value
  const own = props.draft.stroke.value
  if (!place || !own || own.closed) return props.draft.begin(on)
  props.draft.take(withEnd(strokes.value, place.stroke, on))
  choose({ stroke: place.stroke, point: own.points.length })
}
/** So near to a line a press is on it, share of what is in sight. */
const ON_LINE = 0.014

const WAYS: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
}
/** A point by the keyboard: arrows slide it, Delete takes it out. */
function press(event: KeyboardEvent, place: KnotPlace): void {
  choose(place)
  const way = WAYS[event.key]
  const knot = strokes.value[place.stroke]!.points[place.point]!
  if (way) props.draft.take(withPoint(strokes.value, place, onGrid(moved(knot, way, props.step || 1), props.step)))
  else if (event.key === 'Delete' || event.key === 'Backspace') props.draft.removePoint()
  else return
  event.preventDefault()
}

const isChosen = (stroke: number, point: number): boolean => chosen.value?.stroke === stroke && chosen.value.point === point
const placeWords = ({ x, y }: Point): string => {
  const far = (mm: number): string => readTape(Math.abs(mm), props.units)
  return `${far(x)} ${x < 0 ? 'left' : 'right'}, ${far(y)} ${y < 0 ? 'up' : 'down'} from the middle`
}
const handles = computed(() => {
  const place = chosen.value
  const knot = place && strokes.value[place.stroke]?.points[place.point]
  if (!place || !knot) return []
  return (['before', 'after'] as const).flatMap((which) => {
    const handle = knot[which]
    return handle ? [{ which, place, knot, at: moved(knot, handle, 1) }] : []
  })
})
const dot = computed(() => view.value.size / 90)
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/click-events-have-key-events, vuejs-accessibility/no-static-element-interactions -- the points are worked by keys -->
  <svg
    ref="svg"
    class="block aspect-square w-full touch-none rounded-[4px] border border-line bg-sheet"
    :viewBox="`${view.x} ${view.y} ${view.size} ${view.size}`"
    role="group"
    aria-label="The outline, at scale"
    data-testid="outline-pad"
    @pointermove="move"
    @pointerup="drop"
    @pointercancel="drop"
    @pointerdown.self="draw"
  >
    <defs>
      <pattern :id="id" :width="grid" :height="grid" patternUnits="userSpaceOnUse">
        <path :d="`M${grid} 0H0V${grid}`" fill="none" class="stroke-seam" vector-effect="non-scaling-stroke" stroke-width="1" />
      </pattern>
    </defs>
    <g pointer-events="none">
      <rect :x="view.x - view.size" :y="view.y" :width="3 * view.size" :height="view.size" :fill="`url(#${id})`" />
      <path
        :d="`M0 ${view.y}v${view.size}M${view.x - view.size} 0h${3 * view.size}`"
        fill="none"
        class="stroke-rime"
        vector-effect="non-scaling-stroke"
        stroke-dasharray="5 4"
      />
      <path
        v-for="(stroke, i) in strokes"
        :key="i"
        :d="strokePath(stroke)"
        fill="none"
        :class="chosen?.stroke === i ? 'stroke-leaf' : 'stroke-ink'"
        :stroke-width="chosen?.stroke === i ? 4 : 3"
        stroke-linecap="round"
        stroke-linejoin="round"
        vector-effect="non-scaling-stroke"
      />
      <line
        v-for="each in handles"
        :key="each.which"
        :x1="each.knot.x"
        :y1="each.knot.y"
        :x2="each.at.x"
        :y2="each.at.y"
        class="stroke-rime"
        vector-effect="non-scaling-stroke"
      />
    </g>
    <template v-for="(stroke, i) in strokes" :key="i">
      <circle
        v-for="(knot, k) in stroke.points"
        :key="k"
        :cx="knot.x"
        :cy="knot.y"
        :r="isChosen(i, k) ? dot * 1.3 : dot"
        class="cursor-move outline-none focus-visible:stroke-[3px]"
        :class="isChosen(i, k) ? 'fill-leaf stroke-ink' : 'fill-frost stroke-ink'"
        stroke-width="1.5"
        vector-effect="non-scaling-stroke"
        tabindex="0"
        role="button"
        :aria-pressed="isChosen(i, k)"
        :aria-label="`${stroke.name}, point ${k + 1} of ${stroke.points.length}: ${placeWords(knot)}`"
        @pointerdown.stop="grip($event, { stroke: i, point: k }, 'point')"
        @focus="choose({ stroke: i, point: k })"
        @keydown="press($event, { stroke: i, point: k })"
      />
    </template>
    <!-- Handles are for the pointer; a curve is made and undone by the button as well. -->
    <rect
      v-for="each in handles"
      :key="`handle ${each.which}`"
      :x="each.at.x - dot * 0.8"
      :y="each.at.y - dot * 0.8"
      :width="dot * 1.6"
      :height="dot * 1.6"
      class="cursor-move fill-rime"
      @pointerdown.stop="grip($event, each.place, each.which)"
    />
  </svg>
</template>
