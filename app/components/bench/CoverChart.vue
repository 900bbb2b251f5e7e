<script setup lang="ts">
import { computed } from 'vue'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { BarChart, LineChart } from 'echarts/charts'
import { GridComponent, PolarComponent } from 'echarts/components'
import VChart from 'vue-echarts'
import { clock, quantity, show } from '#core/measure'
import type { Workings } from '#core/workings'
import { useChartColours } from '~/composables/useChartColours'
import { hasClock } from '~/drawing/scene'
import { useBench } from '~/stores/bench'
import { useSettings } from '~/stores/settings'

use([SVGRenderer, BarChart, LineChart, GridComponent, PolarComponent])

/** Cover and visual weight round the clock, or along an open run: a bar for what is covered, a line for the eye's weight. */
const props = defineProps<{ workings: Workings }>()
const bench = useBench()
const settings = useSettings()

/** The run that the tape shows first: its sectors, and on a base of two arms both. */
const sectors = computed(() => {
  const { cover, balance, tapes } = props.workings
  const [tape] = tapes
  const own = cover.sectors
    .map((sector, i) => ({ ...sector, weight: balance.sectors[i]! }))
    .filter(({ run }) => tape!.runs.some((each) => each.run === run))
  const most = Math.max(1e-9, ...own.map(({ weight }) => weight))
  const read = own.map((sector) => {
    const { sign } = tape!.runs.find(({ run }) => run === sector.run)!
    return { ...sector, at: sign * (sector.from + sector.length / 2), weight: (sector.weight / most) * 100 }
  })
  return read.sort((a, b) => a.at - b.at)
})
const clocked = computed(() => hasClock(props.workings))

const { tones, chart, ready } = useChartColours()

const percent = (value: number): number => Math.round(value * 1000) / 10
const option = computed(() => {
  void settings.light
  const { ink, seam, leaf, rime } = tones.value
  const words = { color: ink, fontSize: 10, fontFamily: 'Hanken Grotesk Variable' }
  const bars = {
    type: 'bar' as const,
    data: sectors.value.map(({ share }) => percent(share)),
    itemStyle: { color: leaf, opacity: 0.75 },
    barCategoryGap: '12%',
  }
  const line = {
    type: 'line' as const,
    symbol: 'none',
    lineStyle: { color: rime, width: 2 },
    data: sectors.value.map(({ weight }) => Math.round(weight * 10) / 10),
  }
  if (!clocked.value) {
    return {
      animation: false,
      grid: { left: 4, right: 4, top: 6, bottom: 16 },
      xAxis: {
        type: 'category',
        data: sectors.value.map(({ at }) => show(quantity.length(Math.abs(at)), bench.manner)),
        axisLabel: { ...words, interval: Math.ceil(sectors.value.length / 4) },
        axisTick: { show: false },
        axisLine: { lineStyle: { color: seam } },
      },
      yAxis: { type: 'value', min: 0, max: 100, axisLabel: { show: false }, splitLine: { lineStyle: { color: seam } } },
      series: [bars, { ...line, smooth: true }],
    }
  }
  const n = sectors.value.length
  return {
    animation: false,
    polar: { radius: ['14%', '80%'] },
    // The first sector is centred on twelve: turn the axis back by half of it.
    angleAxis: {
      type: 'category',
      startAngle: 90 + 180 / n,
      clockwise: true,
      data: sectors.value.map((_, i) => clock((i / n) * 360).replace(':00', '')),
      axisLabel: { ...words, margin: 4 },
      axisTick: { show: false },
      axisLine: { lineStyle: { color: seam } },
    },
    radiusAxis: {
      min: 0,
      max: 100,
      axisLabel: { show: false },
      axisLine: { show: false },
      axisTick: { show: false },
      splitLine: { lineStyle: { color: seam } },
    },
    series: [
      { ...bars, coordinateSystem: 'polar' },
      { ...line, coordinateSystem: 'polar', data: [...line.data, line.data[0]] },
    ],
  }
})
const says = computed(
  () =>
    `Cover by ${clocked.value ? 'hour' : 'length'}: ${sectors.value.map(({ share, at }, i) => `${clocked.value ? clock((i / sectors.value.length) * 360) : show(quantity.length(Math.abs(at)), bench.manner)} ${percent(share)} %`).join(', ')}`,
)
</script>

<template>
  <figure class="my-1" data-testid="cover-chart">
    <div role="img" :aria-label="says">
      <VChart
        ref="chart"
        :key="`${settings.light}-${clocked}`"
        :option="option"
        :style="{ height: clocked ? '11rem' : '6rem' }"
        autoresize
        @vue:mounted="ready"
      />
    </div>
    <figcaption class="flex justify-center gap-4 text-tiny text-soft">
      <span class="flex items-center gap-1"><span class="inline-block size-2.5 bg-leaf opacity-75" aria-hidden="true" />covered</span>
      <span class="flex items-center gap-1"><span class="inline-block h-0.5 w-3.5 bg-rime" aria-hidden="true" />eye’s weight</span>
    </figcaption>
  </figure>
</template>
