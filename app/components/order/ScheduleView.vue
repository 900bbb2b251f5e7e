<script setup lang="ts">
import { computed } from 'vue'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { CustomChart } from 'echarts/charts'
import type { CustomSeriesRenderItem } from 'echarts'
import { GridComponent } from 'echarts/components'
import VChart from 'vue-echarts'
import { CalendarPlus } from '@lucide/vue'
import { calendarOf, datesSaid } from '#core/formats'
import { daysAfter, daySaid, show } from '#core/measure'
import { fileName, saveText } from '~/utils/files'
import { useChartColours } from '~/composables/useChartColours'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'

use([SVGRenderer, CustomChart, GridComponent])

/** When hands are at what, and what dries meanwhile; and the days that follow from the day it must hang. */
const bench = useBench()
const settings = useSettings()
const notices = useNotices()
const workings = computed(() => bench.workings!)
const schedule = computed(() => workings.value.schedule)
const tasks = computed(() => workings.value.tasks)

const DAY = 24 * 60
const { tones, chart, ready } = useChartColours()

const end = computed(() => Math.max(30, ...schedule.value.booked.map(({ done }) => done)))
const critical = computed(() => new Set(schedule.value.path))
/** "Fri 18 Dec" where the piece has a day, "day 2" where it has none. */
const dayName = (n: number): string => (schedule.value.dates ? daySaid(daysAfter(schedule.value.dates.startBy, n)) : `Day ${n + 1}`)
/** Nights are drawn short: hours on the axis are those in which hands work, and a little for what dries overnight. */
const NIGHT = 45
const longest = computed(() => {
  const last = new Map<number, number>()
  for (const { begins, handsOff } of schedule.value.booked)
    // What ends at midnight ends on the day before; what begins then begins on the next.
    for (const [at, day] of [
      [begins, Math.floor(begins / DAY)],
      [handsOff, Math.floor((handsOff - 1e-6) / DAY)],
    ] as const)
      last.set(day, Math.max(last.get(day) ?? 0, at - day * DAY))
  return Math.max(30, ...last.values())
})
const squeezed = (at: number): number => {
  const day = Math.floor(at / DAY)
  const own = at - day * DAY
  return (
    day * (longest.value + NIGHT) + (own <= longest.value ? own : longest.value + ((own - longest.value) / (DAY - longest.value)) * NIGHT)
  )
}
const rows = computed(() =>
  schedule.value.booked.map((booked, i) => {
    const task = tasks.value.find(({ id }) => id === booked.id)!
    return {
      value: [i, squeezed(booked.begins), squeezed(booked.handsOff), squeezed(booked.done), critical.value.has(booked.id) ? 1 : 0],
      name: task.title,
    }
  }),
)
const days = computed(() => Array.from({ length: schedule.value.days }, (_, i) => i))

const render: CustomSeriesRenderItem = (_params, api) => {
  const [row, from, off, done, on] = [0, 1, 2, 3, 4].map((i) => Number(api.value(i))) as [number, number, number, number, number]
  const [x0, y] = api.coord([from, row]) as [number, number]
  const [x1] = api.coord([off, row]) as [number, number]
  const [x2] = api.coord([done, row]) as [number, number]
  const high = (api.size!([0, 1]) as number[])[1]! * 0.56
  const tone = tones.value
  return {
    type: 'group',
    children: [
      {
        type: 'rect',
        shape: { x: x0, y: y - high / 2, width: Math.max(2, x1 - x0), height: high, r: 1.5 },
        style: { fill: on ? tone.leaf : tone.rime },
      },
      ...(x2 > x1 + 1
        ? [
            {
              // Drying hangs slack between where hands let go and where it is dry.
              type: 'path' as const,
              shape: { pathData: `M${x1} ${y} Q${(x1 + x2) / 2} ${y + high * 0.9} ${x2} ${y}` },
              style: { fill: 'none', stroke: on ? tone.leaf : tone.rime, lineWidth: 2, lineDash: [3, 3] },
            },
            { type: 'circle' as const, shape: { cx: x2, cy: y, r: 2.5 }, style: { fill: on ? tone.leaf : tone.rime } },
          ]
        : []),
    ],
  }
}
const option = computed(() => {
  void settings.light
  const { ink, seam } = tones.value
  const words = { color: ink, fontSize: 11, fontFamily: 'Hanken Grotesk Variable' }
  return {
    animation: false,
    grid: { left: 190, right: 16, top: 26, bottom: 6 },
    yAxis: {
      type: 'category' as const,
      inverse: true,
      data: rows.value.map(({ name }) => name),
      axisLabel: { ...words, width: 180, overflow: 'truncate' as const, margin: 8 },
      axisTick: { show: false },
      axisLine: { lineStyle: { color: seam } },
    },
    xAxis: {
      type: 'value' as const,
      position: 'top' as const,
      min: 0,
      max: Math.max(squeezed(end.value), 20),
      axisLabel: { show: false },
      axisTick: { show: false },
      axisLine: { show: false },
      splitLine: { show: false },
    },
    series: [
      { type: 'custom' as const, renderItem: render, data: rows.value.map(({ value }) => value), encode: { x: [1, 2, 3], y: 0 } },
      {
        type: 'custom' as const,
        silent: true,
        data: days.value.map((day) => [squeezed(day * DAY), 0, day]),
        renderItem: ((params, api) => {
          const [x] = api.coord([api.value(0), 0]) as [number, number]
          const box = params.coordSys as unknown as { y: number; height: number }
          return {
            type: 'group',
            children: [
              { type: 'line', shape: { x1: x, y1: box.y - 6, x2: x, y2: box.y + box.height }, style: { stroke: seam, lineWidth: 1 } },
              {
                type: 'text',
                style: {
                  text: dayName(Number(api.value(2))),
                  x: x + 4,
                  y: box.y - 18,
                  fill: ink,
                  font: '600 11px "Hanken Grotesk Variable"',
                },
              },
            ],
          }
        }) satisfies CustomSeriesRenderItem,
      },
    ],
  }
})
const said = computed(() =>
  schedule.value.booked
    .map(({ id }) => {
      const task = tasks.value.find((each) => each.id === id)!
      return `${task.title}: ${show(task.hands, bench.manner)}${task.waits.value ? `, then ${show(task.waits, bench.manner)} drying` : ''}`
    })
    .join('; '),
)
const dates = computed(() => datesSaid(schedule.value))
async function write(): Promise<void> {
  const text = await calendarOf(bench.piece!, schedule.value, bench.manner, Date.now())
  if (text) saveText(text, `${fileName(bench.piece!)}.ics`, 'text/calendar')
}
const save = (): Promise<boolean> => notices.tell('The calendar could not be written', write())
</script>

<template>
  <section class="flex min-h-0 min-w-0 flex-col bg-frost" aria-label="When it is done">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-3 py-1.5">
      <p class="font-medium" data-testid="span">
        {{ show(schedule.hands, bench.manner) }} of hands over {{ schedule.days === 1 ? 'one day' : `${schedule.days} days` }}
      </p>
      <ol v-if="dates.length" class="flex flex-wrap gap-x-3 text-fine" data-testid="dates">
        <li v-for="each in dates" :key="each.what">
          <span class="text-soft">{{ each.what }}</span> {{ daySaid(each.day) }}
        </li>
      </ol>
      <button type="button" class="button ml-auto h-7" :disabled="!dates.length" title="As an iCalendar file" @click="save">
        <CalendarPlus :size="14" />To a calendar
      </button>
    </div>
    <div class="min-h-0 flex-1 overflow-y-auto p-2" tabindex="0" role="img" :aria-label="`Order of work: ${said}`" data-testid="schedule">
      <VChart
        ref="chart"
        :key="settings.light"
        :option="option"
        :style="{ height: `${Math.max(14, rows.length * 1.5 + 3)}rem` }"
        autoresize
        @vue:mounted="ready"
      />
    </div>
    <p class="flex flex-wrap gap-x-4 border-t border-seam px-3 py-1 text-tiny text-soft">
      <span class="flex items-center gap-1"
        ><span class="inline-block h-2 w-4 rounded-[1px] bg-leaf" aria-hidden="true" />hands, on the longest chain</span
      >
      <span class="flex items-center gap-1"
        ><span class="inline-block h-2 w-4 rounded-[1px] bg-rime" aria-hidden="true" />hands, could wait</span
      >
      <span class="flex items-center gap-1"
        ><svg width="18" height="8" aria-hidden="true">
          <path d="M0 1 Q9 9 18 1" fill="none" class="stroke-leaf" stroke-width="2" stroke-dasharray="3 3" /></svg
        >drying or setting by itself</span
      >
    </p>
  </section>
</template>
