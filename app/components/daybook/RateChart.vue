<script setup lang="ts">
import { computed } from 'vue'
import type { Learned } from '#core/daybook'
import type { DisplayOptions } from '#core/measure'
import { several, showRate } from '#core/measure'

/** A rate as a beam balance: the rule of thumb on one pan, one's own readings on the other; what weighs more pulls it down. */
const props = defineProps<{ learned: Learned; usual: boolean; manner: DisplayOptions }>()
const emit = defineEmits<{ goBy: [readings: boolean] }>()

const LONG = 300
const says = (value: number): string => showRate({ unit: props.learned.thumb.unit, value }, props.manner)
/** From the least to the most that is shown: readings, the rule and the range, with room beside. */
const ends = computed(() => {
  const { thumb, low, high, all } = props.learned
  const values = [
    thumb.value,
    low,
    high,
    ...all.filter(({ left }) => left !== 'nought' && left !== 'out of reason').map(({ value }) => value),
  ]
  const [from, to] = [Math.min(...values), Math.max(...values)]
  const room = (to - from || Math.abs(thumb.value) || 1) * 0.08
  return [from - room, to + room] as const
})
const x = (value: number): number => ((value - ends.value[0]) / (ends.value[1] - ends.value[0])) * LONG
/** Half trusted it is level; at most twelve degrees to either side. */
const tilt = computed(() => (props.learned.trust - 0.5) * 24)
const WHY = { nought: 'nought', 'out of reason': 'out of all reason', 'far from the others': 'far from the others' } as const
const left = computed(() => props.learned.all.filter((each) => each.left !== null))
const verdict = computed(() => {
  const { value, thumb, trust } = props.learned
  const off = value / thumb.value - 1
  const how =
    Math.abs(off) < 0.03
      ? 'As the rule says'
      : thumb.unit === 'time'
        ? off < 0
          ? 'Quicker than the rule'
          : 'Slower than the rule'
        : off < 0
          ? 'Less than the rule'
          : 'More than the rule'
  return `${how}${trust < 0.4 ? ', as far as few readings tell' : ''}`
})
/** Readings in their order, and the learning curve through them. */
const CURVE = { wide: 132, high: 46 } as const
const drawn = computed(() => {
  const of = props.learned.curve
  if (!of) return null
  const kept = props.learned.all.filter(({ left: out }) => out === null).map(({ value }) => value)
  const at = (n: number): number => of.first * n ** Math.log2(of.ratio)
  const most = Math.max(...kept, of.first) * 1.05
  const x1 = (n: number): number => 4 + ((n - 1) / Math.max(1, kept.length - 1)) * (CURVE.wide - 8)
  const y1 = (value: number): number => CURVE.high - 3 - (value / most) * (CURVE.high - 6)
  const steps = Array.from({ length: 24 }, (_, i) => 1 + (i / 23) * (kept.length - 1))
  return {
    dots: kept.map((value, i) => ({ x: x1(i + 1), y: y1(value) })),
    line: steps.map((n, i) => `${i ? 'L' : 'M'}${x1(n).toFixed(1)} ${y1(at(n)).toFixed(1)}`).join(''),
  }
})
const curve = computed(() => {
  const of = props.learned.curve
  if (!of) return ''
  const kept = props.learned.all.filter(({ left: out }) => out === null)
  return `Each doubling takes ${of.ratio < 1 ? `${Math.round((1 - of.ratio) * 100)} % off` : `${Math.round((of.ratio - 1) * 100)} % more`}: ${says(of.first)} at first, ${says(kept.at(-1)!.value)} last`
})
</script>

<template>
  <article
    class="grid grid-cols-[8.5rem_1fr_auto] items-center gap-x-5 gap-y-1 border-b border-seam py-2 max-sm:grid-cols-1"
    data-testid="rate"
  >
    <svg
      width="136"
      height="84"
      viewBox="0 0 136 84"
      role="img"
      :aria-label="`${Math.round(learned.trust * 100)} % of the weight lies on ${several(learned.readings, 'reading', 'readings')}`"
    >
      <path d="M68 30 L60 78 L76 78 Z" class="fill-bench stroke-line" />
      <g :transform="`rotate(${tilt} 68 28)`">
        <line x1="14" y1="28" x2="122" y2="28" class="stroke-ink" stroke-width="3" stroke-linecap="round" />
        <g v-for="side in [-1, 1]" :key="side" :transform="`translate(${68 + side * 52} 28) rotate(${-tilt})`">
          <path d="M0 0 L-15 26 M0 0 L15 26" class="stroke-line" />
          <path d="M-17 26 Q0 38 17 26 Z" class="fill-sheet stroke-ink" />
          <rect v-if="side < 0" x="-9" y="15" width="18" height="12" rx="1" class="fill-bracken" />
          <template v-else>
            <circle
              v-for="n in Math.min(9, learned.readings)"
              :key="n"
              :cx="-10 + ((n - 1) % 5) * 5"
              :cy="24 - Math.floor((n - 1) / 5) * 5"
              r="2.6"
              class="fill-leaf"
            />
          </template>
        </g>
      </g>
      <circle cx="68" cy="28" r="3.5" class="fill-ink" />
    </svg>
    <div class="min-w-0">
      <h3 class="font-medium">
        {{ learned.thumb.name }} <span class="tabular-nums">{{ says(usual ? learned.thumb.value : learned.value) }}</span>
      </h3>
      <p class="text-fine text-soft">
        {{ verdict }}: measured {{ several(learned.readings, 'time', 'times')
        }}<template v-if="learned.readings > 1">, about {{ says(learned.mean) }} with a spread of {{ says(learned.spread) }}</template
        >; it goes from {{ says(learned.low) }} to {{ says(learned.high) }}, usually {{ says(learned.thumb.value) }}.
      </p>
      <svg class="mt-1 w-full max-w-4xl" height="34" :viewBox="`-8 0 ${LONG + 16} 34`" preserveAspectRatio="none" aria-hidden="true">
        <line x1="0" :x2="LONG" y1="20" y2="20" class="stroke-seam" />
        <rect :x="x(learned.low)" y="16" :width="Math.max(1, x(learned.high) - x(learned.low))" height="8" class="fill-moss" />
        <line
          :x1="x(learned.thumb.value)"
          :x2="x(learned.thumb.value)"
          y1="6"
          y2="32"
          class="stroke-bracken"
          stroke-width="2"
          vector-effect="non-scaling-stroke"
          stroke-dasharray="3 2"
        />
        <line
          :x1="x(learned.value)"
          :x2="x(learned.value)"
          y1="8"
          y2="32"
          class="stroke-leaf"
          stroke-width="3"
          vector-effect="non-scaling-stroke"
        />
        <template v-for="each in learned.all" :key="each.record + each.value">
          <ellipse
            v-if="each.left === null"
            :cx="x(each.value)"
            cy="12"
            rx="1.8"
            ry="3.4"
            class="fill-ink"
            :opacity="0.35 + each.weight * 0.65"
          />
          <ellipse
            v-else-if="each.left === 'far from the others'"
            :cx="x(each.value)"
            cy="12"
            rx="1.8"
            ry="3.4"
            class="fill-none stroke-ruddy"
            vector-effect="non-scaling-stroke"
          />
        </template>
      </svg>
      <p v-if="curve" class="text-fine">{{ curve }}<span v-if="learned.curve!.fit < 0.5" class="text-soft"> (loosely)</span>.</p>
      <ul v-if="left.length" class="text-fine text-soft">
        <li v-for="each in left" :key="each.record + each.value" data-testid="left-out">
          Left out: {{ Number.isFinite(each.value) ? says(each.value) : 'nothing' }} of {{ each.name }}, {{ WHY[each.left!] }}.
        </li>
      </ul>
    </div>
    <div class="flex items-center gap-3 max-sm:flex-wrap">
      <svg v-if="drawn" :width="CURVE.wide" :height="CURVE.high" class="rounded-[3px] bg-sheet" aria-hidden="true">
        <line x1="2" :x2="CURVE.wide - 2" :y1="CURVE.high - 2" :y2="CURVE.high - 2" class="stroke-seam" />
        <path :d="drawn.line" fill="none" class="stroke-leaf" stroke-width="1.5" />
        <circle v-for="(dot, i) in drawn.dots" :key="i" :cx="dot.x" :cy="dot.y" r="2.2" class="fill-ink" />
      </svg>
      <button type="button" class="button" :aria-pressed="!usual" @click="emit('goBy', usual)">
        {{ usual ? 'Go by my readings' : 'Back to the rule of thumb' }}
      </button>
    </div>
  </article>
</template>
