<script setup lang="ts">
import { useSales } from '~/stores/sales'
import { computed, ref, shallowRef } from 'vue'
import { useHead, useRoute, useRouter } from '#app'
import { compareRecords, findRecords, habitsOf, newestFirst } from '#core/daybook'
import type { Compared, DaybookRecord, Habit } from '#core/daybook'
import { daySaid, quantity, several, show } from '#core/measure'
import type { Draft } from '~/db/drafts'
import { useToday } from '~/composables/useToday'
import { useDaybook } from '~/stores/daybook'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'

/** What really happened, piece by piece, and what it taught. */
useHead({ title: 'Daybook · Ruddy Bramble' })
const daybook = useDaybook()
const settings = useSettings()
const notices = useNotices()
const sales = useSales()
const today = useToday()
const route = useRoute()
const router = useRouter()
const taught = computed(() => route.query.taught !== undefined)
const turn = (to: boolean): void => void router.replace({ query: to ? { taught: '' } : {} })

const words = ref('')
const year = ref('')
const sold = ref(false)
const years = computed(() => [...new Set(daybook.records.map(({ day }) => day.slice(0, 4)))].sort().reverse())
const lastYear = computed(() => String(Number(today.value.slice(0, 4)) - 1))
const soldPieces = computed(() => new Set(sales.list.map(({ piece }) => piece)))
const found = computed(() =>
  findRecords(daybook.records, { words: words.value, year: year.value || null, sold: sold.value }, soldPieces.value),
)
const chosen = ref<string | null>(null)
const record = computed(() => found.value.find(({ id }) => id === (chosen.value ?? route.query.page)) ?? found.value[0] ?? null)

// Two or more beside one another.
const beside = ref<string[]>([])
const compared = computed(() => newestFirst(daybook.records).filter(({ id }) => beside.value.includes(id)))
const rows = computed(() => compareRecords(compared.value))
const said = (unit: Compared['unit'], value: number | null): string =>
  value === null
    ? '–'
    : unit === 'length'
      ? show(quantity.length(value), settings.manner)
      : unit === 'time'
        ? show(quantity.time(value), settings.manner)
        : String(Math.round(value * 10) / 10)

/** The page under way: one that there is, or one that is new of a piece. */
const editing = shallowRef<{ record: DaybookRecord; of: string } | null>(null)
const goOn = ({ of, begun }: Draft): void => {
  const record = daybook.records.find(({ id }) => id === of) ?? (begun as unknown as DaybookRecord)
  editing.value = { record, of }
}
async function remove(of: DaybookRecord): Promise<void> {
  if (!window.confirm(`Tear the page of “${of.name}” out? What it taught goes with it.`)) return
  await notices.tell('The page could not be torn out', daybook.remove(of))
}
const ENDS = { hangs: 'hangs', 'came down': 'came down', sold: 'sold', 'given away': 'given away', fell: 'fell' } as const
const endOf = (of: DaybookRecord): string =>
  of.end !== 'sold' && soldPieces.value.has(of.piece) ? `${ENDS[of.end]}, some sold` : ENDS[of.end]
const rates = computed(() => [...daybook.learned].sort((a, b) => b.readings - a.readings))
const habits = computed(() => habitsOf(daybook.records))
const habitSaid = ({ unit }: Habit, value: number): string => (unit === 'ratio' ? value.toFixed(1) : show({ unit, value }, settings.manner))
const goBy = (id: string, readings: boolean): void => {
  settings.goByReadings(id, readings)
}
</script>

<template>
  <main class="mx-auto min-h-dvh max-w-[90rem] px-6 pb-10 max-sm:px-4">
    <PageHead title="Daybook">
      <ViewToggle :names="['What happened', 'What it taught']" :second="taught" @turn="turn" />
    </PageHead>
    <BegunBar kind="page" @open="goOn" />
    <p v-if="daybook.ready && !daybook.records.length" class="py-16 text-center text-base">
      Nothing is written down yet. The make sheet ends with a page of the daybook: how long it took, what it took, what to do otherwise.
    </p>
    <section v-else-if="taught" class="pt-3" aria-label="What it taught">
      <p class="max-w-4xl text-soft">
        A rate starts as a rule of thumb. Every page weighs something against it: few readings move it little, later ones count more, and
        what is far from the others is left out. Figures that go by it say <em>measured</em>, with this range.
      </p>
      <dl v-if="habits.length" class="flex flex-wrap gap-x-8 gap-y-2 border-b border-line py-3" data-testid="habits">
        <div v-for="each in habits" :key="each.id">
          <dt class="text-fine text-soft first-letter:uppercase">{{ each.id }}</dt>
          <dd class="font-serif text-lg leading-tight">{{ habitSaid(each, each.middle) }}</dd>
          <dd class="text-tiny text-soft">
            {{ habitSaid(each, each.quarters[0]) }} to {{ habitSaid(each, each.quarters[1]) }}, {{ several(each.pages, 'page', 'pages') }}
          </dd>
        </div>
      </dl>
      <RateChart
        v-for="each in rates"
        :key="each.thumb.id"
        :learned="each"
        :usual="settings.unmeasured.includes(each.thumb.id)"
        :manner="settings.manner"
        @go-by="(readings) => goBy(each.thumb.id, readings)"
      />
      <p v-if="!rates.length" class="py-6 text-soft">
        No page tells anything of a rate yet: minutes and amounts that were written down do.
      </p>
    </section>
    <div v-else class="grid grid-cols-[17rem_minmax(0,1fr)] gap-6 pt-3 max-lg:grid-cols-1">
      <aside aria-label="Pages">
        <div class="space-y-1.5 pb-2" role="search">
          <label class="block"
            ><span class="sr-only">Find in the daybook</span
            ><input v-model="words" type="search" class="field" placeholder="glue, bracken, chapel …"
          /></label>
          <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
            <label class="w-24"
              ><span class="sr-only">Year</span
              ><select v-model="year" class="field">
                <option value="">All years</option>
                <option v-for="each in years" :key="each" :value="each">{{ each }}</option>
              </select></label
            >
            <label class="tick"><input v-model="sold" type="checkbox" class="size-4 accent-leaf" />Sold</label>
            <button v-if="years.includes(lastYear)" type="button" class="page-link" @click="year = lastYear">
              What did I do last year?
            </button>
          </div>
        </div>
        <p v-if="!found.length" class="text-soft">No page is like that.</p>
        <ul>
          <li
            v-for="each in found.slice(0, 200)"
            :key="each.id"
            class="flex items-center gap-2 border-b border-seam"
            data-testid="page"
            :class="record?.id === each.id ? 'bg-moss' : ''"
          >
            <input
              v-model="beside"
              type="checkbox"
              class="ml-1 size-4 accent-leaf"
              :value="each.id"
              :aria-label="`Compare ${each.name}, ${daySaid(each.day)}`"
            />
            <button
              type="button"
              class="min-w-0 flex-1 py-1 text-left leading-tight"
              :aria-pressed="record?.id === each.id"
              @click="chosen = each.id"
            >
              <span class="block truncate font-medium">{{ each.name }}</span>
              <span class="block text-fine" :class="each.end === 'fell' ? 'text-ruddy' : 'text-soft'"
                >{{ daySaid(each.day) }} {{ each.day.slice(0, 4) }}, {{ endOf(each) }}</span
              >
            </button>
          </li>
        </ul>
        <p v-if="found.length > 200" class="text-fine text-soft">and {{ found.length - 200 }} more: look for a word.</p>
      </aside>
      <div class="min-w-0 space-y-6">
        <section v-if="compared.length > 1" aria-label="Side by side">
          <div class="flex items-baseline justify-between border-b border-line pb-1">
            <h2 class="font-serif text-lg">Side by side</h2>
            <button type="button" class="page-link" @click="beside = []">Put away</button>
          </div>
          <div class="relative overflow-x-auto" tabindex="0" role="region" aria-label="Compared">
            <table class="w-full text-fine" data-testid="compared-records">
              <thead>
                <tr class="border-b border-seam text-left">
                  <th class="font-normal text-soft">{{ several(rows.length, 'line', 'lines') }}</th>
                  <th v-for="each in compared" :key="each.id" class="px-2 text-right font-semibold">
                    {{ each.name }}<span class="block font-normal text-soft">{{ each.day.slice(0, 4) }}</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="row in rows" :key="row.id" class="border-b border-seam">
                  <th scope="row" class="text-left font-normal first-letter:uppercase">{{ row.name }}</th>
                  <td v-for="(value, i) in row.values" :key="i" class="whitespace-nowrap px-2 text-right tabular-nums">
                    {{ said(row.unit, value) }}
                  </td>
                </tr>
              </tbody>
            </table>
          </div>
        </section>
        <RecordSpread
          v-if="record"
          :key="record.id"
          :record="record"
          :sales="sales.list"
          @edit="editing = { record, of: record.id }"
          @remove="remove(record)"
        />
      </div>
    </div>
    <DialogFrame v-if="editing" title="What really happened" wide="w-[46rem]" @close="editing = null">
      <RecordForm :record="editing.record" :of="editing.of" :keep="daybook.keep" @kept="editing = null" @close="editing = null" />
    </DialogFrame>
  </main>
</template>
