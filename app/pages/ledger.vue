<script setup lang="ts">
import { useSales } from '~/stores/sales'
import { computed } from 'vue'
import { useHead } from '#app'
import { NuxtLink } from '#components'
import { X } from '@lucide/vue'
import { capital, daySaid, several } from '#core/measure'
import { earnings, perCopy, rangeOf } from '#core/price'
import { worthOfAll } from '#core/stock'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useStock } from '~/stores/stock'
import { useWorkroom } from '~/stores/workroom'

/** The money of the whole workroom: all that is in hand, each piece as if alone and by its share, and what was sold. */
useHead({ title: 'Ledger · Ruddy Bramble' })
const workroom = useWorkroom()
workroom.look()
const settings = useSettings()
const shops = useShops()
const stock = useStock()
const pieces = usePieces()
const notices = useNotices()

const plan = computed(() => workroom.plan)
const whole = computed(() =>
  plan.value ? [{ name: 'all of it', used: rangeOf(plan.value.used), opened: rangeOf(plan.value.opened) }] : [],
)
const rows = computed(() =>
  (workroom.inHand ?? []).flatMap(({ id, name }) => {
    const ledger = plan.value?.ledgers[id]
    const brief = pieces.records?.find((record) => record.id === id)?.piece.brief
    const { budget, copies } = brief ?? { budget: null, copies: 1 }
    return ledger
      ? [{ id, name, copies, budget, ...ledger, over: budget !== null && perCopy(ledger.alone.opened[1], copies) > budget }]
      : []
  }),
)
const sales = useSales()
const earned = computed(() => earnings(sales.list))
const forget = (id: string): void => void notices.tell('The sale could not be taken out', sales.forget(id))
</script>

<template>
  <main class="mx-auto min-h-dvh max-w-7xl px-6 pb-10 max-sm:px-4">
    <PageHead title="Ledger" />
    <PlanWaiting v-if="!plan" class="py-6" :failed="workroom.noPlan" what="Adding up what the pieces need…" @again="workroom.again()" />
    <template v-else>
      <section class="pt-3" aria-label="The whole" data-testid="whole">
        <p class="font-serif text-xl">
          <MoneyText :span="rangeOf(plan.opened)" /> to open for {{ workroom.counted }} in hand, <MoneyText :span="rangeOf(plan.used)" /> of
          it used
        </p>
        <p class="text-soft">
          <MoneyText :minor="plan.left.value" /> of it is left for the stash, where
          <MoneyText :minor="worthOfAll(stock.here, shops.shelf)" /> lies already.
          <template v-if="plan.tax"> Tax: <MoneyText :minor="plan.tax.value" />.</template>
          <template v-if="plan.saved.value > 0"> <MoneyText :minor="plan.saved.value" /> less than each by itself.</template>
        </p>
        <LedgerMeasure
          v-if="whole.length"
          :rows="whole"
          :marks="[{ at: plan.apart.value, name: 'each by itself', verdict: 'budget' }]"
          class="mt-2 max-w-5xl"
        />
      </section>

      <section class="pt-4" aria-label="Piece by piece">
        <table class="w-full text-small" data-testid="ledgers">
          <thead>
            <tr class="border-b border-line text-left">
              <th class="py-1 font-semibold">For each one made</th>
              <th class="px-2 text-right font-semibold">Alone, opened</th>
              <th class="px-2 text-right font-semibold">Alone, used</th>
              <th class="px-2 text-right font-semibold">Its share, opened</th>
              <th class="px-2 text-right font-semibold">Its share, used</th>
              <th class="text-right font-semibold">Budget</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.id" class="border-b border-seam" data-testid="ledger">
              <th scope="row" class="py-1 text-left font-medium">
                <NuxtLink :to="workroom.isClass(row.id) ? `/kits?kit=${row.id}` : `/piece/${row.id}`" class="hover:underline">{{
                  row.name
                }}</NuxtLink><span v-if="row.copies > 1" class="font-normal text-soft">, one of {{ row.copies }}</span>
              </th>
              <td
                v-for="(span, i) in [row.alone.opened, row.alone.used, row.share.opened, row.share.used]"
                :key="i"
                class="px-2 text-right"
                :class="i === 0 && row.over ? 'font-semibold text-ruddy' : ''"
              >
                <MoneyText :span="[perCopy(span[0], row.copies), perCopy(span[1], row.copies)]" /><span
                  v-if="i === 0 && row.over"
                  class="sr-only"
                >
                  over the budget</span
                >
              </td>
              <td class="text-right">
                <MoneyText v-if="row.budget !== null" :minor="row.budget" /><span v-else class="text-soft">–</span>
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>

    <section class="grid grid-cols-2 gap-8 pt-6 max-lg:grid-cols-1" aria-label="Sold">
      <div>
        <h2 class="border-b border-line pb-1 font-serif text-xl">Which form earns</h2>
        <p v-if="!earned.length" class="pt-2 text-soft">
          Nothing was sold yet. Under Cost on the bench a sale goes in with what went into the piece.
        </p>
        <div v-for="each in earned" :key="each.form" class="border-b border-seam py-1" data-testid="earning">
          <FigureRow
            v-if="each.perHour"
            :label="`${capital(each.form)}, ${several(each.count, 'sold', 'sold')}: an hour`"
            :figure="each.perHour"
            :manner="settings.manner"
            strong
          />
          <p v-else>{{ capital(each.form) }}, {{ each.count }} sold: no time was written down.</p>
        </div>
      </div>
      <div>
        <h2 class="border-b border-line pb-1 font-serif text-xl">Sales</h2>
        <p v-for="sale in sales.list" :key="sale.id" class="flex items-center gap-3 border-b border-seam py-1" data-testid="sale">
          <span class="w-20 text-soft">{{ daySaid(sale.day) }}</span>
          <span class="min-w-0 flex-1 truncate"
            >{{ sale.count > 1 ? `${sale.count} × ` : '' }}{{ sale.name
            }}<span v-if="sale.where" class="text-soft">, {{ sale.where }}</span></span
          >
          <MoneyText :minor="sale.price * sale.count" />
          <button type="button" class="icon-button size-6" :aria-label="`Take out the sale of ${sale.name}`" @click="forget(sale.id)">
            <X :size="14" />
          </button>
        </p>
      </div>
    </section>
  </main>
</template>
