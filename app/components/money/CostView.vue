<script setup lang="ts">
import { computed } from 'vue'
import type { Costs } from '#core/piece-costs'
import { formatMoney } from '#core/measure'
import { perCopy, rangeOf } from '#core/price'
import type { PriceRange } from '#core/price'
import { useBench } from '~/stores/bench'
import { useSettings } from '~/stores/settings'
import { useWorkroom } from '~/stores/workroom'
import type { Mark, Measured } from './LedgerMeasure.vue'

/** The two ledgers of the piece on the bench on one measure: as if alone, and its share of all that is in hand. */
const props = defineProps<{ costs: Costs | null }>()
const bench = useBench()
const settings = useSettings()
const workroom = useWorkroom()
workroom.look()
const copies = computed(() => bench.piece!.brief.copies)
const each = ([least, most]: PriceRange): PriceRange => [perCopy(least, copies.value), perCopy(most, copies.value)]
const rows = computed<Measured[]>(() => {
  const { bill } = bench.workings!
  const share = workroom.plan?.ledgers[bench.whole!.id]?.share
  return [
    { name: 'alone', used: rangeOf(bill.usedEach), opened: rangeOf(bill.openedEach) },
    ...(share ? [{ name: 'its share', used: each(share.used), opened: each(share.opened) }] : []),
  ]
})
const marks = computed<Mark[]>(() => {
  const { budget } = bench.piece!.brief
  const claims = bench.piece!.asking.claims.flatMap((claim): Mark[] => {
    const judged = props.costs?.claims.find(({ id }) => id === claim.id)
    return judged
      ? [
          {
            at: claim.of === 'each' ? claim.amount : perCopy(claim.amount, claim.copies ?? copies.value),
            name: formatMoney(claim.amount, settings.currency),
            verdict: judged.verdict,
          },
        ]
      : []
  })
  return [
    ...(budget === null ? [] : [{ at: budget, name: `budget ${formatMoney(budget, settings.currency)}`, verdict: 'budget' as const }]),
    ...claims,
  ]
})
</script>

<template>
  <section class="min-h-0 overflow-y-auto border-t border-line bg-frost px-4 py-2" aria-label="The ledger" tabindex="0">
    <p class="flex flex-wrap gap-x-4 text-fine text-soft">
      <span>For each{{ copies > 1 ? ` of ${copies}` : '' }}</span>
      <span>Tax: {{ settings.tax.known ? `${Math.round(settings.tax.share * 1e5) / 1e3} %` : 'not said yet' }}</span>
      <span v-if="bench.workings!.bill.reduced"
        >{{ formatMoney(bench.workings!.bill.full.value, settings.currency) }} at list prices;
        <MoneyText :span="rangeOf(bench.workings!.bill.reduced)" /> saved by reductions</span
      >
      <span v-if="bench.workings!.bill.tax">{{ formatMoney(bench.workings!.bill.tax.value, settings.currency) }} of tax on all of it</span>
    </p>
    <LedgerMeasure :rows="rows" :marks="marks" />
  </section>
</template>
