<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import { useElementSize } from '@vueuse/core'
import { CircleAlert, CircleCheck, CircleHelp } from '@lucide/vue'
import { formatMoney } from '#core/measure'
import type { PriceRange } from '#core/price'
import { useSettings } from '~/stores/settings'

export interface Mark {
  readonly at: number
  readonly name: string
  readonly verdict: 'holds' | 'fails' | 'hangs' | 'budget'
}
export interface Measured {
  readonly name: string
  readonly used: PriceRange
  readonly opened: PriceRange
}

/** A measure from nought past the budget: what is used and what is opened, soft where a reduction is a range; claims are marks on it. */
const props = defineProps<{ rows: readonly Measured[]; marks: readonly Mark[] }>()
const settings = useSettings()
const money = (minor: number): string => formatMoney(minor, settings.currency)

/** Drawn at the size that it has, so that its words are as large as all others. */
const frame = useTemplateRef('frame')
const { width } = useElementSize(frame)
const W = computed(() => Math.max(320, Math.round(width.value || 640)))
const LEFT = 84
const RIGHT = 24
const most = computed(() => Math.max(100, ...props.rows.map(({ opened }) => opened[1]), ...props.marks.map(({ at }) => at)) * 1.4)
const x = (minor: number): number => LEFT + (minor / most.value) * (W.value - LEFT - RIGHT)
/** Some ten graduations, at amounts as people count them. */
const step = computed(() => {
  const rough = most.value / 10
  const power = 10 ** Math.floor(Math.log10(rough))
  return [1, 2, 5, 10].map((n) => n * power).find((each) => each >= rough) ?? power
})
const ticks = computed(() => Array.from({ length: Math.floor(most.value / step.value) + 1 }, (_, i) => i * step.value))
const ROW = 44
const TOP = 34
const height = computed(() => TOP + props.rows.length * ROW + 30)
const TONES = { holds: 'var(--leaf)', fails: 'var(--ruddy)', hangs: 'var(--bracken)', budget: 'var(--ink)' } as const
const ICONS = { holds: CircleCheck, fails: CircleAlert, hangs: CircleHelp } as const
/** Marks that lie close are told on rows of their own. */
const placed = computed(() => {
  const sorted = [...props.marks].sort((a, b) => a.at - b.at)
  return sorted.map((mark, i) => ({ ...mark, up: i > 0 && x(mark.at) - x(sorted[i - 1]!.at) < 130 ? i % 2 : 0 }))
})
</script>

<template>
  <div ref="frame">
    <svg
      :viewBox="`0 0 ${W} ${height}`"
      class="w-full"
      role="img"
      :aria-label="rows.map(({ name, used, opened }) => `${name}: used ${money(used[1])}, opened ${money(opened[1])}`).join('; ')"
      data-testid="measure"
    >
      <defs>
        <linearGradient id="soft-end">
          <stop offset="0" stop-color="var(--line)" />
          <stop offset="1" stop-color="var(--line)" stop-opacity="0.15" />
        </linearGradient>
        <linearGradient id="soft-used">
          <stop offset="0" stop-color="var(--leaf)" />
          <stop offset="1" stop-color="var(--leaf)" stop-opacity="0.2" />
        </linearGradient>
      </defs>
      <rect :x="LEFT" :y="TOP" :width="W - LEFT - RIGHT" :height="rows.length * ROW + 2" fill="var(--tape)" />
      <g v-for="tick in ticks" :key="tick">
        <line :x1="x(tick)" :x2="x(tick)" :y1="TOP + rows.length * ROW - 4" :y2="TOP + rows.length * ROW + 6" stroke="var(--rime)" />
        <text :x="x(tick)" :y="TOP + rows.length * ROW + 20" text-anchor="middle" font-size="12" fill="var(--rime)">
          {{ money(tick).replace(/\.00$/, '') }}
        </text>
      </g>
      <g v-for="(row, i) in rows" :key="row.name" :transform="`translate(0 ${TOP + i * ROW})`">
        <text :x="LEFT - 8" y="26" text-anchor="end" font-size="13" fill="var(--ink)">{{ row.name }}</text>
        <rect :x="x(0)" y="8" :width="x(row.opened[0]) - x(0)" height="28" fill="var(--line)" />
        <rect
          v-if="row.opened[1] > row.opened[0]"
          :x="x(row.opened[0])"
          y="8"
          :width="x(row.opened[1]) - x(row.opened[0])"
          height="28"
          fill="url(#soft-end)"
        />
        <rect :x="x(0)" y="14" :width="x(row.used[0]) - x(0)" height="16" fill="var(--leaf)" />
        <rect
          v-if="row.used[1] > row.used[0]"
          :x="x(row.used[0])"
          y="14"
          :width="x(row.used[1]) - x(row.used[0])"
          height="16"
          fill="url(#soft-used)"
        />
        <text :x="x(0) + 6" y="26.5" font-size="12" fill="var(--on)">used {{ money(row.used[1]) }}</text>
        <text
          :x="x(row.opened[1]) + 6"
          y="26.5"
          font-size="12"
          fill="var(--ink)"
          stroke="var(--tape)"
          stroke-width="3"
          paint-order="stroke"
        >
          opened {{ row.opened[0] < row.opened[1] ? `${money(row.opened[0])} to ` : '' }}{{ money(row.opened[1]) }}
        </text>
      </g>
      <g v-for="(mark, i) in placed" :key="i">
        <line
          :x1="x(mark.at)"
          :x2="x(mark.at)"
          :y1="TOP - (mark.up ? 16 : 2)"
          :y2="TOP + rows.length * ROW"
          :stroke="TONES[mark.verdict]"
          stroke-width="2"
          :stroke-dasharray="mark.verdict === 'hangs' ? '5 3' : undefined"
        />
        <component
          :is="ICONS[mark.verdict]"
          v-if="mark.verdict !== 'budget'"
          :x="x(mark.at) - 17"
          :y="TOP - (mark.up ? 31 : 17)"
          :size="14"
          :color="TONES[mark.verdict]"
        />
        <text :x="x(mark.at)" :y="TOP - (mark.up ? 20 : 6)" font-size="12" :fill="TONES[mark.verdict]">{{ mark.name }}</text>
      </g>
    </svg>
  </div>
</template>
