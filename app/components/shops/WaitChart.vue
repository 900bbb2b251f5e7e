<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { LineChart } from 'echarts/charts'
import { GridComponent, TooltipComponent } from 'echarts/components'
import VChart from 'vue-echarts'
import type { Day } from '#core/measure'
import { daysAfter, daySaid, formatMoney, say } from '#core/measure'
import type { Waiting } from '#core/price'
import { LOOK_AHEAD } from '#core/price'
import { useChartColours } from '~/composables/useChartColours'
import { useBasket } from '~/stores/basket'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { askWaiting } from '~/workers/plan'

use([SVGRenderer, LineChart, GridComponent, TooltipComponent])

/** Buy now or wait: what it all costs on each day to come, by the reductions that the shops have told, and the risk that something is gone. */
const basket = useBasket()
const shops = useShops()
const notices = useNotices()
const settings = useSettings()
const pieces = usePieces()

const chosen = ref<Day | null>(null)
/** The first day by which a piece must hang, where one has said; six weeks otherwise. */
const needed = computed<Day>(() => {
  const from = shops.day!
  const days = (pieces.records ?? []).flatMap(({ piece }) =>
    piece.making.day && piece.making.day > from && piece.stage === 'planned' ? [piece.making.day] : [],
  )
  return chosen.value ?? days.sort()[0] ?? daysAfter(from, 42)
})
function takeDay(event: Event): void {
  chosen.value = (event.target as HTMLInputElement).value || null
}
const waiting = shallowRef<Waiting | null>(null)
let turn = 0
/** Only the newest question is answered. */
async function wait(): Promise<void> {
  turn += 1
  const own = turn
  const answer =
    shops.day && basket.wants.length && basket.job ? await askWaiting(basket.wants, shops.day, needed.value, basket.pricing) : null
  if (own === turn) waiting.value = answer
}
watch(
  [() => basket.job, () => basket.wants, needed, () => shops.day],
  () => void notices.tell('Whether to wait could not be worked out', wait()),
  {
    immediate: true,
  },
)

const { tones, chart, ready } = useChartColours()
const option = computed(() => {
  void settings.light
  const { ink, seam, leaf, rime, ruddy } = tones.value
  const words = { color: ink, fontSize: 11, fontFamily: 'Hanken Grotesk Variable' }
  const days = waiting.value?.days ?? []
  return {
    animation: false,
    grid: { left: 58, right: 44, top: 16, bottom: 28 },
    tooltip: {
      trigger: 'axis',
      formatter: (points: { dataIndex: number }[]) => {
        const day = days[points[0]!.dataIndex]
        return day ? `${daySaid(day.day)}: ${formatMoney(day.cost[1], settings.currency)}; about ${day.gone.toFixed(1)} things gone` : ''
      },
    },
    xAxis: {
      type: 'category',
      data: days.map(({ day }) => daySaid(day)),
      axisLabel: { ...words, interval: 6 },
      axisLine: { lineStyle: { color: seam } },
      axisTick: { show: false },
    },
    yAxis: [
      {
        type: 'value',
        scale: true,
        axisLabel: { ...words, formatter: (value: number) => formatMoney(value * 100, settings.currency).replace(/\.00$/, '') },
        splitLine: { lineStyle: { color: seam } },
      },
      { type: 'value', min: 0, minInterval: 1, axisLabel: words, splitLine: { show: false } },
    ],
    series: [
      {
        type: 'line',
        step: 'middle',
        symbolSize: 9,
        showAllSymbol: true,
        itemStyle: { color: leaf },
        lineStyle: { color: leaf, width: 3 },
        data: days.map(({ cost, day }) => ({ value: cost[1] / 100, symbol: day === waiting.value?.best.day ? 'circle' : 'none' })),
      },
      {
        type: 'line',
        step: 'middle',
        symbol: 'none',
        data: days.map(({ expected }) => expected / 100),
        lineStyle: { color: rime, width: 1.5 },
      },
      {
        type: 'line',
        yAxisIndex: 1,
        symbol: 'none',
        data: days.map(({ gone }) => Math.round(gone * 10) / 10),
        lineStyle: { color: ruddy, width: 1.5, type: 'dashed' },
      },
    ],
  }
})
</script>

<template>
  <section v-if="waiting" aria-label="Wait or buy" data-testid="wait">
    <h2 class="font-serif text-xl">Wait or buy</h2>
    <div class="flex flex-wrap items-end gap-3">
      <p class="font-medium" data-testid="wait-says">{{ say(waiting.says, settings.manner) }}</p>
      <label class="ml-auto w-40"
        ><span class="field-label">Needed by</span
        ><input
          type="date"
          class="field"
          :value="needed"
          :min="shops.day ?? undefined"
          :max="shops.day ? daysAfter(shops.day, LOOK_AHEAD) : undefined"
          @change="takeDay"
      /></label>
    </div>
    <div class="h-52" role="img" :aria-label="say(waiting.says, settings.manner)">
      <VChart ref="chart" :option="option" autoresize @vue:mounted="ready" />
    </div>
    <p class="text-fine text-soft">
      Thick: all of it bought on that day, before tax and trips. Thin: with what may be gone by then bought at usual prices. Dashed, on the
      right: how many of the things may be gone.
    </p>
  </section>
</template>
