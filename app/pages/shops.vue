<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { useHead } from '#app'
import { NuxtLink } from '#components'
import { ChevronDown, ChevronRight, FileInput, ListChecks, X } from '@lucide/vue'
import { materialOf } from '#core/material'
import { capital, daySaid, formatMoney, say, several } from '#core/measure'
import type { Bought, Shop } from '#core/price'
import { packsFor, reductionSaid, secondStop, standIns, standInsSaid, substitutesFor } from '#core/price'
import { bareName, baseOfLot } from '#core/stock'
import { useTableFile } from '~/composables/useTableFile'
import { useShopping } from '~/composables/useShopping'
import { useBasket } from '~/stores/basket'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useWorkroom } from '~/stores/workroom'

/** The shops side by side, each line of what is wanted at the shop where the basket has it, its price at the others beside it. */
useHead({ title: 'Shops · Ruddy Bramble' })
const shops = useShops()
const settings = useSettings()
const workroom = useWorkroom()
workroom.look()
const basket = useBasket()
basket.look()
const shopping = useShopping()
const money = (minor: number): string => formatMoney(minor, settings.currency)

const day = computed(() => basket.on ?? shops.day ?? '')
function takeDay(event: Event): void {
  basket.on = (event.target as HTMLInputElement).value || null
}
const columns = computed(() =>
  shops.shops.map((shop) => {
    const answer = shops.answers.find(({ id }) => id === shop.id)
    const record = shops.records.find(({ id }) => id === shop.id)
    return {
      shop,
      own: record?.own ?? false,
      silent: answer?.state === 'silent' ? answer.why : '',
      goes: !settings.shunned.includes(shop.id),
      at: record?.at ?? 0,
    }
  }),
)
/** Shops that have never answered and are not known. */
const unheard = computed(() => shops.answers.filter(({ id, state }) => state === 'silent' && !shops.shops.some((shop) => shop.id === id)))
const best = computed(() => basket.baskets?.best ?? null)
const stopOf = (shop: Shop) => best.value?.stops.find((stop) => stop.shop === shop.id) ?? null

interface Cell {
  readonly bought: readonly Bought[]
  /** What all of it would cost here; null where the shop has not so much. */
  readonly alone: number | null
}
const lines = computed(() =>
  (basket.job?.wants ?? []).map(({ material, of: what, count }) => {
    const kind = baseOfLot(what)
    const of = materialOf(shops.shelf, material)
    return {
      material,
      count,
      name: capital(kind ? say(bareName(kind, what.width, count), settings.manner) : count > 1 ? of!.plural : of!.name),
      cells: columns.value.map(({ shop }): Cell => ({
        bought: stopOf(shop)?.lines.flatMap((line) => (line.material === material ? [line.bought] : [])) ?? [],
        alone: basket.baskets?.alone[shop.id]?.[material] ?? null,
      })),
      elsewhere: best.value?.elsewhere.find((each) => each.material === material)?.bought ?? null,
    }
  }),
)
const cheapest = (cells: readonly Cell[]): number => Math.min(...cells.flatMap(({ alone }) => alone ?? []))
/** "2 of 6" */
const packs = (bought: readonly Bought[]): string =>
  bought.map((each) => (each.holds > 1 ? `${each.packs} of ${each.holds}` : String(each.packs))).join(' + ')
const cost = (bought: readonly Bought[]): number => bought.reduce((n, each) => n + each.cost[1], 0)
const reduced = (bought: readonly Bought[]): string =>
  [...new Set(bought.flatMap(({ reductions }) => reductions.map((each) => say(reductionSaid(each), settings.manner))))].join(', ')

const opened = ref<string | null>(null)
const standing = computed(() => {
  const line = lines.value.find(({ material }) => material === opened.value)
  const of = line && materialOf(shops.shelf, line.material)
  if (!of) return []
  return substitutesFor(of, shops.shelf).map((each) => ({
    each,
    says: `${say(standInsSaid(line.count, each), settings.manner)}: ${say(each.says, settings.manner)}`,
    cost: packsFor(standIns(line.count, each), each.material, basket.pricing).reduce((n, { cost: span }) => n + span[1], 0),
  }))
})

/** Fewer stops against all of them: bars from the dearest. */
const bars = computed(() => {
  const of = basket.baskets
  if (!of) return []
  const all = [
    { name: '1 stop', basket: of.one },
    { name: '2 stops', basket: of.two },
    { name: several(of.best.stops.length, 'stop', 'stops'), basket: of.best },
  ].filter((each, i, list) => each.basket && list.findIndex(({ name }) => name === each.name) === i)
  const most = Math.max(1, ...all.map((each) => each.basket!.cost[1]))
  return all.map((each) => ({
    ...each,
    cost: each.basket!.cost[1],
    share: each.basket!.cost[1] / most,
    where: each.basket!.stops.map(({ name }) => name).join(' and '),
    missing: each.basket!.elsewhere.length,
  }))
})
/** Whether the second stop is worth it. */
const verdict = computed(() => {
  const said = basket.baskets && secondStop(basket.baskets)
  return said ? say(said, settings.manner) : ''
})
const standingNow = computed(() => {
  const of = basket.baskets
  if (!of) return ''
  if (basket.state === 'solving') return 'Looking for the best…'
  if (basket.state === 'by itself') return `Worked out here, not proven: the solver ${basket.why}.`
  if (of.proven) return 'No basket costs less: proven.'
  const gap = of.floor === null ? null : of.best.cost[1] - of.floor
  return gap === null ? 'Not proven.' : `Not proven: at most ${money(Math.ceil(gap))} could still be saved.`
})

const file = useTemplateRef('file')
const { chosen: csv, reading, choose, goOn } = useTableFile()
async function write(): Promise<void> {
  if (best.value) await shopping.write(best.value)
}
const ago = (at: number): string => new Date(at).toLocaleDateString('en', { day: 'numeric', month: 'short' })
const grid = computed(() => `minmax(11rem, 1.3fr) repeat(${columns.value.length}, minmax(8.5rem, 1fr))`)
</script>

<template>
  <main class="mx-auto min-h-dvh max-w-7xl px-6 pb-10 max-sm:px-4">
    <PageHead title="Shops">
      <button type="button" class="button h-8" @click="file?.click()"><FileInput :size="15" />A price list</button>
      <input
        ref="file"
        type="file"
        accept=".csv,.tsv,.txt,text/csv"
        class="sr-only"
        tabindex="-1"
        aria-label="A table of prices"
        @change="choose"
      />
      <button type="button" class="button-main" :disabled="!best?.stops.length" @click="write">
        <ListChecks :size="16" />Write the shopping list
      </button>
    </PageHead>
    <BegunBar kind="prices" @open="goOn" />
    <p v-if="reading" class="pt-2 text-soft" role="status">Reading “{{ reading }}”…</p>

    <section class="grid grid-cols-[1fr_26rem] gap-6 pt-3 max-lg:grid-cols-1" aria-label="The basket" data-testid="basket">
      <div>
        <p v-if="best" class="font-serif text-xl">
          {{ basket.wants.length ? '' : 'Nothing to buy: all of it is in the house.' }}
          <template v-if="basket.wants.length"
            ><MoneyText :span="best.cost" /> for {{ several(basket.wants.length, 'thing', 'things') }} at
            {{ several(best.stops.length, 'stop', 'stops')
            }}<template v-if="best.elsewhere.length">, {{ best.elsewhere.length }} of them elsewhere</template></template
          >
        </p>
        <PlanWaiting v-else :failed="workroom.noPlan" what="Adding up what the pieces need…" @again="workroom.again()" />
        <p v-if="best" role="status" :class="basket.state === 'by itself' ? 'text-bracken' : 'text-soft'" data-testid="proof">
          {{ standingNow }}
        </p>
        <p v-if="verdict" class="mt-1 font-medium" data-testid="second-stop">{{ verdict }}</p>
        <div class="mt-2 flex flex-wrap items-end gap-3">
          <label class="w-40"
            ><span class="field-label">Shopping on</span><input type="date" class="field" :value="day" @change="takeDay"
          /></label>
          <span v-if="day" class="pb-1 text-soft">{{ daySaid(day) }}, before tax</span>
          <NuxtLink to="/shopping" class="button h-7">The shopping list</NuxtLink>
        </div>
      </div>
      <div v-if="bars.length" class="space-y-1.5" role="group" aria-label="What more stops save" data-testid="stops">
        <div v-for="bar in bars" :key="bar.name" class="grid grid-cols-[4rem_minmax(0,1fr)_5rem] items-center gap-2">
          <span class="text-soft">{{ bar.name }}</span>
          <div class="h-4 rounded-[2px] bg-seam" :title="bar.where">
            <div
              class="flex h-4 items-center overflow-hidden whitespace-nowrap rounded-[2px] bg-leaf px-1 text-tiny text-on"
              :style="{ width: `${bar.share * 100}%` }"
            >
              {{ bar.where }}
            </div>
          </div>
          <span class="text-right tabular-nums">{{ money(bar.cost) }}</span>
          <span v-if="bar.missing" class="col-span-3 -mt-1 text-fine text-soft"
            >{{ several(bar.missing, 'thing', 'things') }} of it at the usual price, elsewhere</span
          >
        </div>
      </div>
    </section>
    <p v-for="each in unheard" :key="each.id" class="pt-2 text-bracken">{{ each.name }} {{ each.why }}, and is not known yet.</p>

    <div class="relative mt-4 overflow-x-auto" tabindex="0" role="group" aria-label="Lines by shop">
      <div class="min-w-[56rem]" role="table" aria-label="What is bought where">
        <div class="grid items-start border-b-2 border-line" :style="{ gridTemplateColumns: grid }" role="row">
          <span class="self-end pb-2 font-semibold" role="columnheader">Wanted</span>
          <div
            v-for="{ shop, own, silent, goes, at } in columns"
            :key="shop.id"
            class="px-2 pb-2"
            role="columnheader"
            data-testid="shop"
            :data-shop="shop.id"
          >
            <!-- An awning over each shop front: drawn, so that a shop one does not go to is seen to be shut. -->
            <svg class="mb-1 h-4 w-full" viewBox="0 0 120 16" preserveAspectRatio="none" aria-hidden="true">
              <path
                v-for="n in 8"
                :key="n"
                :d="`M${(n - 1) * 15} 0h15v9a7.5 6 0 0 1-15 0z`"
                :fill="!goes ? 'var(--seam)' : n % 2 ? 'var(--leaf)' : 'var(--moss)'"
                stroke="var(--line)"
                stroke-width="0.5"
              />
            </svg>
            <div class="flex items-start gap-1">
              <span class="font-serif text-base leading-tight" :class="goes ? '' : 'text-soft line-through'">{{ shop.name }}</span>
              <button
                v-if="own"
                type="button"
                class="icon-button ml-auto size-6"
                :aria-label="`Forget ${shop.name}`"
                @click="shops.forget(shop.id)"
              >
                <X :size="14" />
              </button>
            </div>
            <p class="text-tiny text-soft">{{ shop.note }}</p>
            <p v-if="silent" class="text-tiny text-bracken" data-testid="silent">{{ capital(silent) }}: prices of {{ ago(at) }}.</p>
            <label class="tick text-fine"
              ><input
                type="checkbox"
                class="size-4 accent-leaf"
                :checked="goes"
                :aria-label="`Go to ${shop.name}`"
                @change="settings.shun(shop.id, goes)"
              />I go there</label
            >
          </div>
        </div>
        <template v-for="line in lines" :key="line.material">
          <div
            class="grid items-stretch border-b border-seam hover:bg-sheet"
            :style="{ gridTemplateColumns: grid }"
            role="row"
            data-testid="line"
          >
            <button
              type="button"
              role="rowheader"
              class="flex min-h-8 items-center gap-1 text-left"
              :aria-expanded="opened === line.material"
              @click="opened = opened === line.material ? null : line.material"
            >
              <ChevronDown v-if="opened === line.material" :size="14" class="shrink-0" /><ChevronRight
                v-else
                :size="14"
                class="shrink-0"
              /><span class="tabular-nums">{{ line.count }}</span>
              <span class="truncate">{{ line.name }}</span>
            </button>
            <div
              v-for="(cell, i) in line.cells"
              :key="i"
              role="cell"
              class="flex items-center justify-end gap-1 px-2 text-right tabular-nums"
              :class="cell.bought.length ? 'bg-moss font-semibold' : 'text-soft'"
            >
              <template v-if="cell.bought.length">
                <span class="mr-auto text-fine font-normal" :title="reduced(cell.bought)"
                  >{{ packs(cell.bought) }}<span v-if="reduced(cell.bought)" aria-hidden="true"> ▾</span></span
                ><span class="sr-only">{{ reduced(cell.bought) }}</span
                >{{ cost(cell.bought) ? money(cost(cell.bought)) : 'free' }}
              </template>
              <template v-else-if="cell.alone !== null"
                >{{ money(cell.alone)
                }}<span v-if="cell.alone === cheapest(line.cells)" class="sr-only">, the least for this alone</span></template
              >
              <span v-else aria-label="not here">–</span>
            </div>
          </div>
          <div v-if="opened === line.material" class="border-b border-line bg-sheet px-6 py-2" data-testid="instead">
            <p v-if="line.elsewhere" class="text-bracken">
              No shop that you go to has enough today: {{ packs([line.elsewhere]) }} elsewhere at the usual price,
              {{ money(line.elsewhere.cost[1]) }}.
            </p>
            <p class="font-medium">Instead of it</p>
            <ul>
              <li v-for="{ each, says, cost: price } in standing" :key="each.material.id" class="flex gap-3 py-0.5">
                <span
                  class="size-4 shrink-0 rounded-[3px] border border-line"
                  :style="{ background: each.material.colours[0] }"
                  aria-hidden="true"
                />
                <span class="min-w-0 flex-1">{{ says }}</span><span class="tabular-nums">{{ money(price) }}</span>
              </li>
              <li v-if="!standing.length" class="text-soft">Nothing on the shelf is like it.</li>
            </ul>
          </div>
        </template>
        <div class="grid border-t-2 border-line" :style="{ gridTemplateColumns: grid }" role="row">
          <span class="py-1.5 text-soft" role="rowheader">Goods<br />The trip<br />At this stop</span>
          <div v-for="{ shop } in columns" :key="shop.id" class="px-2 py-1.5 text-right tabular-nums" role="cell" data-testid="foot">
            <template v-if="stopOf(shop)"
              ><MoneyText :span="stopOf(shop)!.goods" /><br />{{ money(stopOf(shop)!.trip) }}<br /><strong
                ><MoneyText :span="[stopOf(shop)!.goods[0] + stopOf(shop)!.trip, stopOf(shop)!.goods[1] + stopOf(shop)!.trip]" /></strong
            ></template>
            <span v-else class="text-soft">not gone to</span>
          </div>
        </div>
      </div>
    </div>

    <WaitChart class="mt-6" />
    <PriceListDialog v-if="csv" :table="csv" @close="csv = null" />
  </main>
</template>
