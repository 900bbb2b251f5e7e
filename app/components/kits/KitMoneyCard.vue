<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { LineChart } from 'echarts/charts'
import { GridComponent, TooltipComponent } from 'echarts/components'
import VChart from 'vue-echarts'
import { formatMoney, several } from '#core/measure'
import type { Kit, KitMoney } from '#core/season'
import type { InBrief } from '#core/workings'
import { useChartColours } from '~/composables/useChartColours'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useStock } from '~/stores/stock'
import { askKitMoney } from '~/workers/plan'

use([SVGRenderer, LineChart, GridComponent, TooltipComponent])

/** What a class costs, the fee that covers it, and from how many heads on it does. */
const props = defineProps<{ kit: Kit; brief: InBrief }>()
const emit = defineEmits<{ set: [change: Partial<Kit>] }>()
const settings = useSettings()
const stock = useStock()
const notices = useNotices()

const money = shallowRef<KitMoney | null>(null)
let turn = 0
async function reckon(): Promise<void> {
  turn += 1
  const own = turn
  const answer = await askKitMoney(props.kit, props.brief, { ...stock.pricing, lots: stock.here })
  if (own === turn) money.value = answer
}
watch(
  [() => props.kit, () => props.brief, () => stock.pricing],
  () => void notices.tell('What the class costs could not be worked out', reckon()),
  { immediate: true },
)

const take = (change: Partial<Kit>): null => {
  emit('set', change)
  return null
}
const says = computed(() => {
  const now = money.value
  if (!now) return ''
  const least = formatMoney(now.fee.value, settings.currency)
  if (props.kit.fee === null) return `${least} a head covers it at ${several(props.kit.heads, 'head', 'heads')}.`
  if (now.breaksEven === null) return `It is not covered at ${several(props.kit.heads, 'head', 'heads')}: ${least} a head would be.`
  return `It is covered from ${several(now.breaksEven, 'head', 'heads')} on.`
})
const short = computed(() => props.kit.fee !== null && (money.value?.left?.value ?? 0) < 0)
const { tones, chart, ready } = useChartColours()
const option = computed(() => {
  void settings.light
  const { ink, seam, leaf, ruddy } = tones.value
  const words = { color: ink, fontSize: 11, fontFamily: 'Hanken Grotesk Variable' }
  const curve = money.value?.curve ?? []
  return {
    animation: false,
    grid: { left: 56, right: 12, top: 10, bottom: 24 },
    tooltip: {
      trigger: 'axis',
      formatter: (points: { dataIndex: number }[]) => {
        const at = curve[points[0]!.dataIndex]
        return at
          ? `${several(at.heads, 'head', 'heads')}: costs ${formatMoney(at.cost, settings.currency)}${at.takes === null ? '' : `, takes ${formatMoney(at.takes, settings.currency)}`}`
          : ''
      },
    },
    xAxis: {
      type: 'category',
      data: curve.map(({ heads }) => heads),
      axisLabel: words,
      axisLine: { lineStyle: { color: seam } },
      axisTick: { show: false },
    },
    yAxis: {
      type: 'value',
      axisLabel: { ...words, formatter: (value: number) => formatMoney(value * 100, settings.currency).replace(/\.00$/, '') },
      splitLine: { lineStyle: { color: seam } },
    },
    series: [
      { type: 'line', step: 'middle', symbol: 'none', lineStyle: { color: ruddy, width: 2 }, data: curve.map(({ cost }) => cost / 100) },
      ...(props.kit.fee === null
        ? []
        : [{ type: 'line', symbol: 'none', lineStyle: { color: leaf, width: 2.5 }, data: curve.map(({ takes }) => takes! / 100) }]),
    ],
  }
})
</script>

<template>
  <section aria-label="What it costs and takes" data-testid="kit-money">
    <h2 class="border-b border-line pb-1 font-serif text-lg">What it costs, and the fee</h2>
    <p v-if="!money" class="py-2 text-soft" role="status">Adding it up…</p>
    <template v-else>
      <p class="py-1 font-medium" :class="short ? 'text-ruddy' : ''" data-testid="break-even">{{ says }}</p>
      <div class="grid grid-cols-2 gap-2 pb-1">
        <MoneyField
          label="Fee asked of each"
          :minor="kit.fee"
          :currency="settings.currency"
          none="not said"
          :take="(fee) => take({ fee })"
        />
        <MoneyField
          label="Room, tea and the rest"
          :minor="kit.room"
          :currency="settings.currency"
          none=""
          :take="(room) => take({ room: room ?? 0 })"
        />
      </div>
      <FigureRow label="Materials, opened" :figure="money.materials" :manner="settings.manner" />
      <FigureRow label="Your time" :figure="money.teacher" :manner="settings.manner" />
      <FigureRow label="It costs" :figure="money.cost" :manner="settings.manner" strong />
      <FigureRow label="Fee that covers it" :figure="money.fee" :manner="settings.manner" />
      <FigureRow
        v-if="money.left"
        label="Left over"
        :figure="money.left"
        :manner="settings.manner"
        :tone="money.left.value < 0 ? 'over' : 'plain'"
      />
      <div role="img" :aria-label="`What it costs and takes by the number of heads. ${says}`">
        <VChart ref="chart" :key="settings.light" :option="option" :style="{ height: '10rem' }" autoresize @vue:mounted="ready" />
      </div>
      <p class="flex gap-4 text-tiny text-soft">
        <span><span class="mr-1 inline-block h-0.5 w-4 bg-ruddy align-middle" aria-hidden="true" />costs</span
        ><span v-if="kit.fee !== null"><span class="mr-1 inline-block h-0.5 w-4 bg-leaf align-middle" aria-hidden="true" />takes</span
        ><span>by heads; packs make it jump</span>
      </p>
    </template>
  </section>
</template>
