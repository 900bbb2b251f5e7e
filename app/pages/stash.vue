<script setup lang="ts">
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import { useHead } from '#app'
import { useWindowVirtualizer } from '@tanstack/vue-virtual'
import { useElementSize } from '@vueuse/core'
import { ClipboardCheck, LayoutGrid, List, Plus } from '@lucide/vue'
import type { MaterialKind } from '#core/material'
import { isCut, materialOf } from '#core/material'
import { capital, quantity, several, show } from '#core/measure'
import type { Lot } from '#core/stock'
import { baseOfLot, isFree, lotName, lotOf, worthOf, worthOfAll } from '#core/stock'
import { useLotLabels } from '~/composables/useLotLabels'
import { useToday } from '~/composables/useToday'
import type { Draft } from '~/db/drafts'
import { usePieces } from '~/stores/pieces'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useStock } from '~/stores/stock'
import { useWorkroom } from '~/stores/workroom'

/** All that is in the house: drawn on shelves, or as a list; what is kept for a piece wears its tag. */
useHead({ title: 'Stash · Ruddy Bramble' })
const stock = useStock()
const shops = useShops()
const pieces = usePieces()
const settings = useSettings()
const workroom = useWorkroom()
workroom.look()
const words = useLotLabels()
const today = useToday()

const find = ref('')
const whose = ref('')
const view = ref<'shelves' | 'list'>('shelves')
const checking = ref(false)
const open = shallowRef<{ lot: Lot; of: string; fresh: boolean } | null>(null)
/** What is changed of a lot that is gone meanwhile is put in anew. */
const goOn = ({ of, begun }: Draft): void => {
  const lot = stock.lots.find(({ id }) => id === of)
  open.value = lot ? { lot, of, fresh: false } : { lot: begun as unknown as Lot, of, fresh: true }
}
const chosen = ref<readonly string[]>([])
const making = ref(false)

/** The shelves, from top to bottom. */
const SHELVES: readonly { readonly name: string; readonly has: (kind: MaterialKind | 'base', cut: boolean) => boolean }[] = [
  { name: 'Rolls, spools and lengths', has: (_, cut) => cut },
  {
    name: 'Greenery, stems and flowers',
    has: (kind) => ['greenery', 'bough', 'herb', 'stem', 'twig', 'focal', 'second flower', 'filler', 'moss'].includes(kind),
  },
  {
    name: 'Accents, bows, signs and figures',
    has: (kind) => ['accent', 'bow', 'sign', 'letter', 'figure', 'light', 'bead'].includes(kind),
  },
  { name: 'Bare bases', has: (kind) => kind === 'base' },
  { name: 'Hardware and small things', has: () => true },
]
function shelfOf(lot: Lot): number {
  if (baseOfLot(lot)) return 3
  const material = materialOf(shops.shelf, lot.material)
  return material ? SHELVES.findIndex(({ has }) => has(material.kind, isCut(material) && material.kind !== 'mechanic')) : SHELVES.length - 1
}
const named = computed(() => stock.here.map((lot) => ({ lot, name: lotName(lot, shops.shelf), shelf: shelfOf(lot) })))
const sorted = computed(() =>
  [...named.value].sort((a, b) => a.shelf - b.shelf || a.name.localeCompare(b.name) || a.lot.id.localeCompare(b.lot.id)),
)
const found = computed(() => {
  const wanted = find.value.trim().toLowerCase()
  return sorted.value.filter(
    ({ lot, name }) =>
      (!whose.value || (whose.value === 'free' ? isFree(lot) : lot.reserved?.piece === whose.value)) &&
      (!wanted || `${name} ${lot.place} ${lot.season} ${words.from(lot)} ${lot.condition}`.toLowerCase().includes(wanted)),
  )
})
const owners = computed(() => {
  const ids = new Set(stock.here.flatMap(({ reserved }) => reserved?.piece ?? []))
  return (pieces.records ?? []).filter(({ id }) => ids.has(id)).map(({ id, piece }) => ({ id, name: piece.brief.name }))
})
const worth = computed(() => worthOfAll(stock.here, shops.shelf))
const kept = computed(() => stock.here.filter(({ reserved }) => reserved !== null).length)

/** Only rows in view are there: a stash may hold thousands. */
const board = useTemplateRef('board')
const { width } = useElementSize(board)
const across = computed(() => (view.value === 'list' ? 1 : Math.max(2, Math.floor((width.value || 1200) / 152))))
type Row = { readonly shelf: string; readonly count: number } | { readonly lots: readonly (typeof found.value)[number][] }
const rows = computed<Row[]>(() =>
  SHELVES.flatMap(({ name }, i): Row[] => {
    const own = found.value.filter(({ shelf }) => shelf === i)
    if (!own.length) return []
    return [
      { shelf: name, count: own.length },
      ...Array.from({ length: Math.ceil(own.length / across.value) }, (_, k) => ({
        lots: own.slice(k * across.value, (k + 1) * across.value),
      })),
    ]
  }),
)
const HEIGHTS = { shelf: 34, shelves: 178, list: 33 } as const
const virtual = useWindowVirtualizer(
  computed(() => ({
    count: rows.value.length,
    estimateSize: (i: number) => ('shelf' in (rows.value[i] ?? { lots: [] }) ? HEIGHTS.shelf : HEIGHTS[view.value]),
    overscan: 3,
    scrollMargin: board.value?.offsetTop ?? 0,
    getItemKey: (i: number) => {
      const row = rows.value[i]
      return `${view.value} ${row && 'shelf' in row ? row.shelf : (row?.lots[0]?.lot.id ?? i)}`
    },
  })),
)

const inView = computed(() =>
  virtual.value.getVirtualItems().flatMap((item) => (rows.value[item.index] ? [{ item, row: rows.value[item.index]! }] : [])),
)

function choose(lot: Lot): void {
  chosen.value = chosen.value.includes(lot.id) ? chosen.value.filter((id) => id !== lot.id) : [...chosen.value, lot.id]
}
const chosenLots = computed(() => stock.here.filter(({ id }) => chosen.value.includes(id)))
/** All that covers and is nobody's. */
function chooseAll(): void {
  chosen.value = stock.here.filter((lot) => isFree(lot) && lot.things !== null && shelfOf(lot) === 1).map(({ id }) => id)
  making.value = true
}
function put(): void {
  open.value = { lot: lotOf('new', 'ivy', { things: 1, day: today.value }), of: 'new', fresh: true }
}

const low = computed(() => workroom.plan?.low ?? [])
const instead = computed(() => workroom.plan?.instead ?? [])
const length = (mm: number): string => show(quantity.length(mm), settings.manner)
</script>

<template>
  <main class="mx-auto min-h-dvh max-w-7xl px-6 pb-10 max-sm:px-4">
    <PageHead title="Stash">
      <button type="button" class="button h-8" :aria-pressed="checking" @click="checking = !checking">
        <ClipboardCheck :size="15" />Count check
      </button>
      <button type="button" class="button-main" @click="put"><Plus :size="16" />Put something in</button>
    </PageHead>
    <BegunBar kind="lot" @open="goOn" />

    <CountCheck v-if="checking" @close="checking = false" />
    <template v-else>
      <section class="flex flex-wrap items-baseline gap-x-6 gap-y-1 pt-3" aria-label="All of it" data-testid="stash-sum">
        <p class="font-serif text-xl">{{ several(stock.here.length, 'lot', 'lots') }}, worth <MoneyText :minor="worth" /></p>
        <p v-if="stock.here.length" class="text-soft">
          {{ kept ? `${kept} of them kept for pieces` : 'None of them is kept for a piece' }}
        </p>
        <p v-if="stock.lots.length > stock.here.length" class="text-soft">
          {{ several(stock.lots.length - stock.here.length, 'lot more is', 'lots more are') }} in pieces that hang
        </p>
        <details v-if="low.length" class="text-bracken" data-testid="low">
          <summary>{{ several(low.length, 'small thing runs', 'small things run') }} low</summary>
          <p v-for="each in low" :key="each.material.id">
            {{ capital(each.material.name) }}, {{ isCut(each.material) ? length(each.left) : each.left }} left
          </p>
        </details>
      </section>
      <p v-if="instead.length" class="pt-1 text-leaf" data-testid="instead">
        You have {{ instead[0]!.here.name }} where the plan says to buy {{ instead[0]!.wanted.name
        }}<template v-if="instead.length > 1"
          >, and {{ several(instead.length - 1, 'more thing', 'more things') }} that would do:
          {{
            instead
              .slice(1, 4)
              .map(({ here, wanted }) => `${here.name} for ${wanted.name}`)
              .join('; ')
          }}</template
        >.
      </p>

      <div class="flex flex-wrap items-end gap-2 py-3" role="search">
        <label class="w-56"
          ><span class="field-label">Find</span><input v-model="find" type="search" class="field" placeholder="ribbon, drawer, found …"
        /></label>
        <label class="w-48"
          ><span class="field-label">Whose</span
          ><select v-model="whose" class="field">
            <option value="">Everyone’s</option>
            <option value="free">Nobody’s</option>
            <option v-for="each in owners" :key="each.id" :value="each.id">{{ each.name }}</option>
          </select></label
        >
        <div class="flex" role="group" aria-label="Seen as">
          <button
            type="button"
            class="button rounded-r-none"
            :class="view === 'shelves' ? 'border-leaf bg-moss' : ''"
            :aria-pressed="view === 'shelves'"
            @click="view = 'shelves'"
          >
            <LayoutGrid :size="14" />Shelves
          </button>
          <button
            type="button"
            class="button rounded-l-none border-l-0"
            :class="view === 'list' ? 'border-leaf bg-moss' : ''"
            :aria-pressed="view === 'list'"
            @click="view = 'list'"
          >
            <List :size="14" />List
          </button>
        </div>
        <button
          type="button"
          class="button"
          :class="making ? 'border-leaf bg-moss' : ''"
          :aria-pressed="making"
          @click="making ? (making = false) : chooseAll()"
        >
          With what I have
        </button>
        <span class="self-end pb-1 text-soft">{{ several(found.length, 'lot', 'lots') }}</span>
      </div>
      <MakeablePanel v-if="making" :chosen="chosenLots" :lots="stock.here" class="mb-3" />

      <p v-if="!stock.here.length" class="py-20 text-center text-base">
        Nothing in the house yet. Put in what lies on your shelf, tick off a shopping list, or take an old piece apart.
      </p>
      <div ref="board" class="relative" :style="{ height: `${virtual.getTotalSize()}px` }">
        <div
          v-for="{ item, row } in inView"
          :key="String(item.key)"
          class="absolute inset-x-0 top-0"
          :style="{ transform: `translateY(${item.start - virtual.options.scrollMargin}px)`, height: `${item.size}px` }"
        >
          <h2 v-if="'shelf' in row" class="flex h-full items-end border-b-2 border-line pb-1 font-semibold">
            {{ row.shelf }}<span class="ml-2 font-normal text-soft">{{ row.count }}</span>
          </h2>
          <div
            v-else-if="view === 'shelves'"
            class="grid gap-2 pt-2"
            :style="{ gridTemplateColumns: `repeat(${across}, minmax(0, 1fr))`, height: `${item.size}px` }"
          >
            <LotCell
              v-for="{ lot } in row.lots"
              :key="lot.id"
              :lot="lot"
              :chosen="chosen.includes(lot.id)"
              @open="open = { lot, of: lot.id, fresh: false }"
              @choose="choose(lot)"
            />
          </div>
          <template v-else>
            <button
              v-for="{ lot, name } in row.lots"
              :key="lot.id"
              type="button"
              class="grid h-full w-full grid-cols-[1.4fr_1fr_1.4fr_1fr_1fr_6rem] items-center gap-3 border-b border-seam text-left hover:bg-bench max-sm:grid-cols-2"
              data-testid="lot"
              @click="open = { lot, of: lot.id, fresh: false }"
            >
              <span class="truncate font-medium">{{ capital(name) }}</span>
              <span class="truncate tabular-nums">{{ words.amount(lot) }}</span>
              <span class="truncate text-soft max-sm:hidden">{{ words.from(lot) }}</span>
              <span class="truncate text-soft max-sm:hidden">{{ lot.place }}</span>
              <span class="truncate max-sm:hidden">{{ words.owner(lot) }}</span>
              <span class="text-right max-sm:hidden"><MoneyText :minor="worthOf(lot, shops.shelf)" /></span>
            </button>
          </template>
        </div>
      </div>
      <p v-if="stock.here.length && !found.length" class="py-10 text-center text-soft">Nothing in the stash is like that.</p>
    </template>
    <LotDialog v-if="open" :lot="open.lot" :of="open.of" :fresh="open.fresh" @close="open = null" />
  </main>
</template>
