<script setup lang="ts">
import { STAGE_SORTS, everyLayer } from '#core/piece'
import { computed, ref } from 'vue'
import { NuxtLink } from '#components'
import { ChevronLeft, ChevronRight } from '@lucide/vue'
import type { Day } from '#core/measure'
import { dayNumber, daySaid, formatMoney } from '#core/measure'
import type { Tie, YearBar, YearPiece } from '#core/daybook'
import { comesDown, tiesOf, yearOf } from '#core/daybook'
import { materialOf } from '#core/material'
import { useDaybook } from '~/stores/daybook'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useStock } from '~/stores/stock'
import { askSwap } from '~/workers/workings'

/** A year on a page: what hung where, what comes down, and what can be turned from one occasion to the next. */
const props = defineProps<{ today: Day }>()
const daybook = useDaybook()
const pieces = usePieces()
const shops = useShops()
const stock = useStock()
const settings = useSettings()
const notices = useNotices()

const year = ref(props.today.slice(0, 4))
const all = computed(() =>
  (pieces.records ?? []).map(({ piece }): YearPiece => ({
    id: piece.id,
    stage: piece.stage,
    brief: piece.brief,
    making: piece.making,
    fresh: everyLayer(piece).some(({ mix }) => mix.some(({ material }) => materialOf(shops.shelf, material)?.state === 'fresh')),
  })),
)
const bars = computed(() => yearOf(year.value, daybook.records, all.value, shops.shelf))
const down = computed(() => comesDown(yearOf(props.today.slice(0, 4), daybook.records, all.value, shops.shelf), props.today))
const step = (by: number): void => {
  year.value = String(Number(year.value) + by)
}

const LONG = 980
const ROW = 26
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const
const first = computed(() => dayNumber(`${year.value}-01-01`)!)
const days = computed(() => dayNumber(`${Number(year.value) + 1}-01-01`)! - first.value)
const x = (day: Day): number => (Math.min(days.value, Math.max(0, dayNumber(day)! - first.value)) / days.value) * LONG
const barOf = (bar: YearBar) => {
  const from = x(bar.from)
  const to = bar.to === null ? LONG : x(bar.to)
  return { x: from, w: Math.max(5, to - from), open: bar.to === null }
}
const todayX = computed(() => (props.today.startsWith(year.value) ? x(props.today) : null))
const ENDS = { hangs: '', 'came down': 'came down', sold: 'sold', 'given away': 'given away', fell: 'fell' } as const

/** Pieces whose parts say an occasion, that hang or are to. */
const tied = computed(() =>
  (pieces.records ?? [])
    .filter(({ piece }) => STAGE_SORTS[piece.stage].stands)
    .map(({ piece }) => ({ piece, ties: tiesOf(piece, shops.shelf) }))
    .filter(({ ties }) => ties.length),
)
async function free(id: string, tie: Tie): Promise<void> {
  const record = pieces.records?.find((each) => each.id === id)
  if (!record || !tie.swap) return
  const swapped = await askSwap(record.piece, stock.pricing, tie.layer, tie.material.id, tie.swap.material.id)
  if (!swapped) throw new Error(`${tie.swap.material.name} cannot take the place of ${tie.material.name} there.`)
  await pieces.edit(id, swapped.edit, 'free it of its occasion')
  notices.note(`“${record.piece.brief.name}” has ${swapped.after} × ${tie.swap.material.name} instead. Its earlier version is kept.`)
}
const doFree = (id: string, tie: Tie): void => void notices.tell('It could not be swapped', free(id, tie))
const money = (minor: number): string => formatMoney(minor, settings.currency)
</script>

<template>
  <div class="space-y-5 pt-3">
    <section aria-label="The year">
      <div class="flex items-center gap-2">
        <button type="button" class="icon-button" aria-label="The year before" @click="step(-1)"><ChevronLeft :size="16" /></button>
        <h2 class="font-serif text-xl tabular-nums" data-testid="year">{{ year }}</h2>
        <button type="button" class="icon-button" aria-label="The year after" @click="step(1)"><ChevronRight :size="16" /></button>
        <span class="text-soft">{{ bars.length ? '' : 'Nothing hung or is to hang.' }}</span>
      </div>
      <div class="relative overflow-x-auto rounded-md border border-line bg-sheet" tabindex="0" role="region" aria-label="What hangs when">
        <svg :width="LONG + 180" :height="30 + Math.max(1, bars.length) * ROW" class="block">
          <g aria-hidden="true">
            <template v-for="(name, m) in MONTHS" :key="name">
              <line
                :x1="180 + x(`${year}-${String(m + 1).padStart(2, '0')}-01`)"
                :x2="180 + x(`${year}-${String(m + 1).padStart(2, '0')}-01`)"
                y1="4"
                :y2="30 + bars.length * ROW"
                class="stroke-seam"
              />
              <text :x="184 + x(`${year}-${String(m + 1).padStart(2, '0')}-01`)" y="18" class="fill-soft text-[11px] font-semibold">
                {{ name }}
              </text>
            </template>
          </g>
          <g v-for="(bar, i) in bars" :key="bar.id" data-testid="year-bar">
            <title>
              {{ bar.name }}: {{ daySaid(bar.from) }} to {{ bar.to ? daySaid(bar.to) : 'who knows when'
              }}{{ bar.where ? `, ${bar.where}` : '' }}
            </title>
            <text x="8" :y="30 + i * ROW + 16" class="fill-ink text-[12px]">
              {{ bar.name.length > 27 ? `${bar.name.slice(0, 26)}…` : bar.name }}
            </text>
            <rect
              :x="180 + barOf(bar).x"
              :y="30 + i * ROW + 4"
              :width="barOf(bar).w"
              :height="ROW - 9"
              rx="2"
              :class="bar.end === 'fell' ? 'fill-ruddy' : bar.kind === 'planned' ? 'fill-none stroke-rime' : 'fill-leaf'"
              :stroke-dasharray="bar.kind === 'planned' ? '4 3' : undefined"
              :opacity="bar.kind === 'hung' ? 0.75 : 1"
            />
            <text
              v-if="bar.where || ENDS[bar.end ?? 'hangs']"
              :x="180 + (barOf(bar).x + barOf(bar).w > LONG - 190 ? barOf(bar).x - 6 : barOf(bar).x + barOf(bar).w + 6)"
              :y="30 + i * ROW + 16"
              :text-anchor="barOf(bar).x + barOf(bar).w > LONG - 190 ? 'end' : 'start'"
              class="fill-soft text-[11px]"
            >
              {{ [bar.where, ENDS[bar.end ?? 'hangs']].filter(Boolean).join(', ') }}
            </text>
          </g>
          <line
            v-if="todayX !== null"
            :x1="180 + todayX"
            :x2="180 + todayX"
            y1="4"
            :y2="30 + bars.length * ROW"
            class="stroke-ruddy"
            stroke-width="1.5"
          />
        </svg>
      </div>
      <p class="flex flex-wrap gap-x-4 pt-1 text-tiny text-soft">
        <span><span class="mr-1 inline-block h-2 w-4 rounded-[1px] bg-leaf" aria-hidden="true" />hung or hangs</span>
        <span><span class="mr-1 inline-block h-2 w-4 rounded-[1px] border border-dashed border-rime" aria-hidden="true" />to hang</span>
        <span><span class="mr-1 inline-block h-2 w-4 rounded-[1px] bg-ruddy" aria-hidden="true" />fell</span>
      </p>
    </section>
    <div class="grid grid-cols-[1fr_1.4fr] gap-8 max-lg:grid-cols-1">
      <section aria-label="What comes down">
        <h2 class="border-b border-line pb-1 font-serif text-lg">Comes down next</h2>
        <p v-if="!down.length" class="py-2 text-soft">Nothing that is known of.</p>
        <ul>
          <li v-for="bar in down" :key="bar.id" class="flex justify-between gap-3 border-b border-seam py-1" data-testid="down">
            <span
              >{{ bar.name }}<span v-if="bar.where" class="text-soft">, {{ bar.where }}</span></span
            ><span class="shrink-0">{{ daySaid(bar.to!) }}</span>
          </li>
        </ul>
      </section>
      <section aria-label="From one occasion to the next">
        <h2 class="border-b border-line pb-1 font-serif text-lg">What ties a piece to its occasion</h2>
        <p v-if="!tied.length" class="py-2 text-soft">Nothing says a season: all of it can hang at any time.</p>
        <article v-for="{ piece, ties } in tied" :key="piece.id" class="border-b border-seam py-1.5" data-testid="tied">
          <h3 class="font-medium">
            <NuxtLink :to="`/piece/${piece.id}`" class="hover:underline">{{ piece.brief.name }}</NuxtLink><span
              v-if="piece.brief.occasion"
              class="font-normal text-soft"
              >, {{ piece.brief.occasion }}</span
            >
          </h3>
          <ul>
            <li v-for="tie in ties" :key="`${tie.layer} ${tie.material.id}`" class="flex items-center justify-between gap-3">
              <span
                >{{ tie.why }}:
                <template v-if="tie.swap"
                  >{{ tie.swap.material.plural }} would free it<span class="text-soft"
                    >, {{ money(tie.swap.material.pack.price) }} a {{ tie.swap.material.pack.name }}</span
                  ></template
                ><template v-else>best left out</template></span
              >
              <button
                v-if="tie.swap"
                type="button"
                class="button h-6 shrink-0"
                :aria-label="`Swap ${tie.material.plural} of ${piece.brief.name} for ${tie.swap.material.plural}`"
                @click="doFree(piece.id, tie)"
              >
                Swap
              </button>
            </li>
          </ul>
        </article>
      </section>
    </div>
  </div>
</template>
