<script setup lang="ts">
import type { Costs } from '#core/piece-costs'
import { capital, say } from '#core/measure'
import { useBench } from '~/stores/bench'

/** What is claimed of the cost, what would reach the budget, what would be a better deal, and what to ask. */
defineProps<{ costs: Costs | null }>()
const bench = useBench()
</script>

<template>
  <div class="divide-y divide-seam">
    <ClaimsCard :costs="costs" />
    <FitCard />
    <section v-if="costs?.deals.length" class="p-3" aria-labelledby="cost-deals">
      <h2 id="cost-deals" class="panel-title mb-1">Better deals</h2>
      <ul class="space-y-1">
        <li v-for="(deal, i) in costs.deals.slice(0, 8)" :key="i" data-testid="deal">{{ capital(say(deal.says, bench.manner)) }}.</li>
      </ul>
    </section>
    <AskingCard v-if="costs" :costs="costs" />
  </div>
</template>
