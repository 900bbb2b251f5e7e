import { onMounted, ref } from 'vue'
import type VChart from 'vue-echarts'

const NAMES = ['ink', 'seam', 'leaf', 'rime', 'ruddy'] as const
export type Tones = Readonly<Record<(typeof NAMES)[number], string>>

/** Left to itself a chart keeps the page painting for ten frames after each change. */
const STILL_FRAMES = 1

/** The app's own colours for a chart, which takes no style sheet: read again when the light changes and the chart with it. */
export function useChartColours() {
  const tones = ref<Tones>({ ink: '#000', seam: '#999', leaf: '#000', rime: '#000', ruddy: '#000' })
  const chart = ref<InstanceType<typeof VChart> | null>(null)
  function read(): void {
    const style = getComputedStyle(document.documentElement)
    tones.value = Object.fromEntries(NAMES.map((name) => [name, style.getPropertyValue(`--${name}`).trim()])) as unknown as Tones
  }
  onMounted(read)
  return {
    tones,
    chart,
    /** To be called when the chart is there. */
    ready(): void {
      read()
      chart.value?.chart?.getZr().setSleepAfterStill(STILL_FRAMES)
    },
  }
}
