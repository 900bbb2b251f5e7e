<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { Day } from '#core/measure'
import { dayNumber, daysAfter, daySaid, show, weekdayOf } from '#core/measure'
import type { PieceDates, Season, SeasonPlan, Sitting } from '#core/season'
import { useSettings } from '~/stores/settings'

/**
 * The days as a measuring tape, and each piece as a ribbon on it: solid where hands are at it, slack where it dries, its greens
 * fading as they keep; what does not fit sticks out over the day it is due. A ribbon is moved by drag and by the arrow keys.
 */
const props = defineProps<{ plan: SeasonPlan; season: Season; chosen: string | null }>()
const emit = defineEmits<{ choose: [piece: string]; move: [piece: string, to: Day | null] }>()
const settings = useSettings()

const ROW = 42
const HEAD = 58
/** Of a day's width, what its hours take; the rest is the night, drawn short. */
const HOURS = 0.82
const NARROWEST = 30
const DAY = 24 * 60
/** The most days that are drawn. */
const MOST = 400

const box = useTemplateRef('box')
const { width } = useElementSize(box)
/** Of the names, px: less where all is narrow. */
const names = computed(() => (width.value < 640 ? 124 : 200))
const first = computed(() => dayNumber(props.plan.from)!)
const rows = computed(() => [...props.plan.pieces].sort((a, b) => (a.due ?? '9999').localeCompare(b.due ?? '9999')))
const days = computed(() => {
  const last = props.plan.pieces.reduce(
    (most, { due, done }) => Math.max(most, dayNumber(due ?? '') ?? 0, dayNumber(done ?? '') ?? 0),
    first.value + 6,
  )
  return Array.from({ length: Math.min(MOST, last - first.value + 2) }, (_, i) => {
    const day = daysAfter(props.plan.from, i)
    const special = props.season.hours.days.find((each) => each.day === day)
    const hours = special ?? props.season.hours.week[weekdayOf(day)]!
    return { i, day, ...hours, kind: special?.kind ?? (hours.minutes ? 'bench' : 'off'), note: special?.note ?? '' }
  })
})
const across = computed(() => Math.max(NARROWEST, (Math.max(320, width.value) - names.value - 12) / Math.max(1, days.value.length)))
const long = computed(() => across.value * days.value.length + 12)
const most = computed(() => Math.max(60, ...days.value.map(({ minutes }) => minutes)))

/** Where a moment lies on the tape, px: within a day's hours in proportion, the night between them short. */
function xOf(at: number): number {
  const i = Math.floor(at / DAY)
  const day = days.value[Math.min(days.value.length - 1, Math.max(0, i))]!
  const own = at - i * DAY
  const wide = across.value
  const [from, to] = day.minutes ? [day.from, day.from + day.minutes] : [0, DAY]
  const within =
    own <= from ? 0 : own >= to ? HOURS + (1 - HOURS) * ((own - to) / Math.max(1, DAY - to)) : ((own - from) / (to - from)) * HOURS
  return i * wide + Math.min(1, within) * wide
}
const dayX = (day: Day, ended = false): number => (dayNumber(day)! - first.value + (ended ? 1 : 0)) * across.value

const used = computed(() => {
  const all = new Map<Day, number>()
  for (const { days: parts } of props.plan.sittings) for (const { day, minutes } of parts) all.set(day, (all.get(day) ?? 0) + minutes)
  return all
})
const critical = computed(() => new Set(props.plan.path))

interface Ribbon {
  readonly piece: PieceDates
  readonly y: number
  readonly hands: readonly {
    readonly key: string
    readonly x: number
    readonly w: number
    readonly late: boolean
    readonly on: boolean
    readonly title: string
  }[]
  readonly slack: readonly { readonly key: string; readonly d: string }[]
  readonly from: number
  readonly to: number
  readonly due: number | null
}
const ribbons = computed<Ribbon[]>(() =>
  rows.value.map((piece, i) => {
    const own = props.plan.sittings.filter(({ chore }) => chore.pieces.includes(piece.id))
    const due = piece.due === null ? null : dayX(piece.due, true)
    const y = HEAD + i * ROW + ROW / 2
    const dueAt = piece.due === null ? Infinity : (dayNumber(piece.due)! - first.value + 1) * DAY
    return {
      piece,
      y,
      due,
      hands: own.flatMap((sitting) =>
        sitting.parts.map(([from, to], k) => ({
          key: `${sitting.id} ${k}`,
          x: xOf(from),
          w: Math.max(1.5, xOf(to) - xOf(from)),
          late: from >= dueAt - 1e-6 && sitting.chore.kind !== 'record',
          on: critical.value.has(sitting.id),
          title: sitting.chore.title,
        })),
      ),
      slack: own.flatMap((sitting) => slackOf(sitting, y)),
      from: own.length ? Math.min(...own.map(({ begins }) => xOf(begins))) : 0,
      to: own.length ? Math.max(...own.map(({ done }) => xOf(done))) : 0,
    }
  }),
)
function slackOf(sitting: Sitting, y: number): { key: string; d: string }[] {
  const [a, b] = [xOf(sitting.handsOff), xOf(sitting.done)]
  return b > a + 2 ? [{ key: sitting.id, d: `M${a} ${y} Q${(a + b) / 2} ${y + 13} ${b} ${y}` }] : []
}
const high = computed(() => HEAD + rows.value.length * ROW + 6)

const said = ({ name, begins, done, due, over, late, pinned }: PieceDates): string =>
  [
    name,
    begins ? `begins ${daySaid(begins)}` : 'has no hours',
    done ? `done ${daySaid(done)}` : '',
    due ? `due ${daySaid(due)}` : 'no day',
    over > 0 ? `${show({ value: over, unit: 'time' }, settings.manner)} too late` : late > 0 ? 'not dry in time' : 'fits',
    pinned ? `put on ${daySaid(pinned)}` : '',
  ]
    .filter(Boolean)
    .join(', ')

// Moved by drag: by whole days, seen before it is let go.
const dragging = ref<{ piece: PieceDates; from: number; by: number } | null>(null)
function down(event: PointerEvent, piece: PieceDates): void {
  if (event.button !== 0) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  dragging.value = { piece, from: event.clientX, by: 0 }
}
function drag(event: PointerEvent): void {
  if (dragging.value) dragging.value = { ...dragging.value, by: Math.round((event.clientX - dragging.value.from) / across.value) }
}
function up(): void {
  const now = dragging.value
  dragging.value = null
  if (!now) return
  emit('choose', now.piece.id)
  if (now.by) moveBy(now.piece, now.by)
}
function moveBy(piece: PieceDates, days: number): void {
  const at = piece.pinned ?? piece.begins
  if (!at) return
  const to = daysAfter(at, days)
  emit('move', piece.id, to < props.plan.from ? props.plan.from : to)
}
function key(event: KeyboardEvent, piece: PieceDates): void {
  const acts: Record<string, () => void> = {
    ArrowLeft: () => moveBy(piece, event.shiftKey ? -7 : -1),
    ArrowRight: () => moveBy(piece, event.shiftKey ? 7 : 1),
    Delete: () => emit('move', piece.id, null),
    Backspace: () => emit('move', piece.id, null),
    Enter: () => emit('choose', piece.id),
    ' ': () => emit('choose', piece.id),
    Escape: () => (dragging.value = null),
  }
  const act = acts[event.key]
  if (!act) return
  event.preventDefault()
  act()
}
const KIND_WORDS = { bench: '', off: 'off', market: 'market', shop: 'shop day' } as const
/** Every label where days are wide, else one a week. */
const labelled = (i: number): boolean => across.value >= 44 || weekdayOf(days.value[i]!.day) === 0 || i === 0
</script>

<template>
  <div ref="box" class="flex min-w-0 rounded-md border border-line bg-sheet" data-testid="tape">
    <div class="shrink-0 border-r border-seam" :style="{ width: `${names}px` }">
      <p class="flex items-end px-2 pb-1 text-fine text-soft" :style="{ height: `${HEAD}px` }">Hours, and what of them is taken</p>
      <button
        v-for="{ piece } in ribbons"
        :key="piece.id"
        type="button"
        class="flex w-full flex-col items-start justify-center overflow-hidden border-t border-seam px-2 text-left leading-tight"
        :class="chosen === piece.id ? 'bg-moss' : ''"
        :style="{ height: `${ROW}px` }"
        :aria-pressed="chosen === piece.id"
        @click="emit('choose', piece.id)"
      >
        <span class="w-full truncate font-medium">{{ piece.name }}</span>
        <span class="text-fine" :class="piece.over > 0 || piece.late > 0 ? 'font-semibold text-ruddy' : 'text-soft'">{{
          piece.over > 0
            ? `${show({ value: piece.over, unit: 'time' }, settings.manner)} too late`
            : piece.late > 0
              ? 'not dry in time'
              : piece.due
                ? `fits, due ${daySaid(piece.due)}`
                : 'no day to hang by'
        }}</span>
      </button>
    </div>
    <div class="min-w-0 flex-1 overflow-x-auto" tabindex="0" role="region" aria-label="The days">
      <svg :width="long" :height="high" class="block select-none">
        <defs>
          <pattern id="season-late" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="6" height="6" class="fill-sheet" />
            <rect width="3.4" height="6" class="fill-ruddy" />
          </pattern>
          <linearGradient id="season-fresh">
            <stop offset="0" class="fresh-on" />
            <stop offset="1" class="fresh-off" />
          </linearGradient>
        </defs>
        <g v-for="day in days" :key="day.day" aria-hidden="true">
          <rect v-if="!day.minutes" :x="day.i * across" :y="HEAD" :width="across" :height="high - HEAD" class="fill-bench" opacity="0.7" />
          <line :x1="day.i * across" :x2="day.i * across" :y1="weekdayOf(day.day) === 0 ? 8 : 24" :y2="high" class="stroke-seam" />
          <text v-if="labelled(day.i)" :x="day.i * across + 3" y="14" class="fill-ink text-[11px] font-semibold">
            {{ across >= 76 ? daySaid(day.day) : across >= 44 ? daySaid(day.day).slice(0, 6) : daySaid(day.day).slice(4) }}
          </text>
          <rect
            :x="day.i * across + 3"
            :y="HEAD - 6 - (day.minutes / most) * 26"
            :width="Math.max(2, across * HOURS - 3)"
            :height="(day.minutes / most) * 26"
            class="fill-none stroke-rime"
            stroke-width="1"
          />
          <rect
            :x="day.i * across + 3"
            :y="HEAD - 6 - ((used.get(day.day) ?? 0) / most) * 26"
            :width="Math.max(2, across * HOURS - 3)"
            :height="((used.get(day.day) ?? 0) / most) * 26"
            class="fill-rime"
          />
          <text v-if="KIND_WORDS[day.kind] && across >= 44" :x="day.i * across + 3" y="27" class="fill-soft text-[11px]">
            {{ KIND_WORDS[day.kind] }}
          </text>
        </g>
        <g
          v-for="ribbon in ribbons"
          :key="ribbon.piece.id"
          role="button"
          tabindex="0"
          class="cursor-grab outline-offset-0 focus-visible:outline-2 focus-visible:outline-leaf"
          :aria-label="`${said(ribbon.piece)}. Arrow keys move it by a day; Delete lets it go where it fits.`"
          data-testid="ribbon"
          @pointerdown="down($event, ribbon.piece)"
          @pointermove="drag"
          @pointerup="up"
          @pointercancel="dragging = null"
          @keydown="key($event, ribbon.piece)"
        >
          <rect
            :x="0"
            :y="ribbon.y - ROW / 2"
            :width="long"
            :height="ROW"
            :class="chosen === ribbon.piece.id ? 'fill-moss' : 'fill-clear'"
            opacity="0.45"
          />
          <line x1="0" :x2="long" :y1="ribbon.y - ROW / 2" :y2="ribbon.y - ROW / 2" class="stroke-seam" />
          <rect
            v-if="ribbon.piece.fresh"
            :x="dayX(ribbon.piece.fresh.cut)"
            :y="ribbon.y - 13"
            :width="Math.max(4, Math.min(long, dayX(ribbon.piece.fresh.keeps, true)) - dayX(ribbon.piece.fresh.cut))"
            height="26"
            rx="3"
            fill="url(#season-fresh)"
          />
          <g :transform="dragging?.piece.id === ribbon.piece.id ? `translate(${dragging.by * across} 0)` : undefined">
            <line :x1="ribbon.from" :x2="ribbon.to" :y1="ribbon.y" :y2="ribbon.y" class="stroke-line" stroke-width="1.5" />
            <path
              v-for="each in ribbon.slack"
              :key="each.key"
              :d="each.d"
              fill="none"
              class="stroke-leaf"
              stroke-width="2"
              stroke-dasharray="3 3"
            />
            <rect
              v-for="each in ribbon.hands"
              :key="each.key"
              :x="each.x"
              :y="ribbon.y - 9"
              :width="each.w"
              height="18"
              rx="1.5"
              :class="each.late ? 'stroke-ruddy' : each.on ? 'fill-leaf' : 'fill-rime'"
              :fill="each.late ? 'url(#season-late)' : undefined"
            >
              <title>{{ each.title }}</title>
            </rect>
          </g>
          <g v-if="ribbon.due !== null">
            <line :x1="ribbon.due" :x2="ribbon.due" :y1="ribbon.y - 17" :y2="ribbon.y + 17" class="stroke-ink" stroke-width="2" />
            <path :d="`M${ribbon.due} ${ribbon.y - 17} l-7 0 l7 7 z`" class="fill-ink" />
          </g>
          <circle v-if="ribbon.piece.pinned" :cx="dayX(ribbon.piece.pinned) + 4" :cy="ribbon.y - 15" r="3.5" class="fill-bracken" />
        </g>
      </svg>
    </div>
  </div>
</template>

<style scoped>
.fresh-on {
  stop-color: var(--leaf);
  stop-opacity: 0.28;
}
.fresh-off {
  stop-color: var(--leaf);
  stop-opacity: 0;
}
</style>
