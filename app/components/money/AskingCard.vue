<script setup lang="ts">
import { useSales } from '~/stores/sales'
import { computed, ref } from 'vue'
import { BASE_SORTS } from '#core/base'
import type { Costs } from '#core/piece-costs'
import { show } from '#core/measure'
import type { Asking } from '#core/piece'
import { useToday } from '~/composables/useToday'
import { useBench } from '~/stores/bench'
import { newId } from '~/utils/new-id'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'

/** What one costs with the time that goes into it, what to ask for it by the schools, and that it was sold. */
const props = defineProps<{ costs: Costs }>()
const bench = useBench()
const settings = useSettings()
const notices = useNotices()
const sales = useSales()
const today = useToday()
const piece = computed(() => bench.piece!)
const asking = computed(() => piece.value.asking)
const set = (change: Partial<Asking>, words: string): string | null => bench.apply({ do: 'asking', set: change }, words)

const schoolNames: Record<Asking['school'], string> = {
  'materials by a factor': 'Materials by a factor',
  'materials and time, marked up': 'Materials and time, marked up',
  'what the market bears': 'What the market bears',
}
const sold = ref({ count: 1, price: 0, where: '' })
const selling = ref(false)
function sell(): void {
  const asked = props.costs.asking.schools.find(({ school }) => school === asking.value.school)?.price?.value
  sold.value = { count: 1, price: asked ?? 0, where: '' }
  selling.value = true
}
async function keepSale(): Promise<void> {
  const { bill, schedule } = bench.workings!
  const kept = sales.keep({
    id: newId(),
    piece: piece.value.id,
    name: piece.value.brief.name,
    form: BASE_SORTS[piece.value.base.kind].name.toLowerCase(),
    day: today.value,
    ...sold.value,
    materials: bill.materialsEach.value,
    minutes: Math.round(schedule.handsEach.value),
  })
  if (!(await notices.tell('The sale could not be kept', kept))) return
  notices.note('It stands in the ledger.')
  selling.value = false
}
</script>

<template>
  <section class="p-3" aria-labelledby="cost-ask">
    <h2 id="cost-ask" class="panel-title mb-1">What to ask for one</h2>
    <FigureRow label="Cost, with time" :figure="costs.asking.cost" :manner="bench.manner" strong />
    <FigureRow label="Time" :figure="costs.asking.time" :manner="bench.manner" />
    <FigureRow label="Overheads" :figure="costs.asking.overheads" :manner="bench.manner" />
    <fieldset class="mt-1">
      <legend class="sr-only">School of pricing</legend>
      <div v-for="each in costs.asking.schools" :key="each.school" class="border-t border-seam py-1" data-testid="school">
        <label class="tick"
          ><input
            type="radio"
            name="school"
            class="size-4 accent-leaf"
            :checked="asking.school === each.school"
            @change="set({ school: each.school }, 'price it otherwise')"
          />{{ schoolNames[each.school] }}</label
        >
        <MoneyField
          v-if="each.school === 'what the market bears'"
          class="my-1 pl-6"
          label="Such a piece fetches here"
          :minor="asking.market"
          :currency="settings.currency"
          none="not known"
          :take="(market) => set({ market }, 'say what it fetches')"
        />
        <div v-if="each.price" class="pl-6">
          <FigureRow label="Price" :figure="each.price" :manner="bench.manner" :strong="asking.school === each.school" />
          <FigureRow
            v-if="each.margin"
            label="Of which stays"
            :figure="each.margin"
            :manner="bench.manner"
            :tone="each.margin.value < 0 ? 'over' : 'plain'"
          />
          <p v-if="each.margin && each.margin.value < 0" class="text-fine text-ruddy">
            It loses {{ show({ value: -each.margin.value, unit: 'share' }, bench.manner) }} of its price.
          </p>
        </div>
      </div>
    </fieldset>
    <button v-if="!selling" type="button" class="button mt-1" @click="sell">It was sold…</button>
    <form
      v-else
      class="mt-1 grid grid-cols-2 gap-2 rounded-[5px] border border-seam bg-sheet p-2"
      aria-label="A sale"
      @submit.prevent="keepSale"
    >
      <CountField
        label="How many"
        :value="sold.count"
        :least="1"
        :most="1000"
        whole
        :take="
          (n) => {
            sold.count = n
            return null
          }
        "
      />
      <MoneyField
        label="For each"
        :minor="sold.price"
        :currency="settings.currency"
        none=""
        :take="
          (minor) => {
            sold.price = minor ?? 0
            return null
          }
        "
      />
      <TextField
        class="col-span-2"
        label="Where"
        :value="sold.where"
        :most="60"
        :take="
          (where) => {
            sold.where = where
            return null
          }
        "
      />
      <div class="col-span-2 flex justify-end gap-2">
        <button type="button" class="button" @click="selling = false">Not now</button
        ><button type="submit" class="button border-leaf">Into the ledger</button>
      </div>
    </form>
  </section>
</template>
