<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { Square } from '@lucide/vue'
import { lossSaid } from '#core/budget'
import type { Fitted, FittingProgress, Proposal } from '#core/budget'
import { capital, formatMoney, say } from '#core/measure'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useStock } from '~/stores/stock'
import type { Going } from '~/workers/jobs'
import { askFit } from '~/workers/workings'

/** What would reach the budget with the least loss: proposals to take one by one. */
const bench = useBench()
const stock = useStock()
const settings = useSettings()
const notices = useNotices()
const piece = computed(() => bench.piece!)
const money = (minor: number): string => formatMoney(minor, settings.currency)

const fitting = shallowRef<Going<Fitted | null> | null>(null)
const progress = shallowRef<FittingProgress | null>(null)
const fitted = shallowRef<Fitted | null>(null)
async function fit(): Promise<void> {
  const going = askFit(piece.value, stock.pricing, (told) => {
    progress.value = told
  })
  fitting.value = going
  await notices.tell(
    'What would reach the budget could not be worked out',
    going.done.then((answer) => {
      fitted.value = answer
    }),
  )
  fitting.value = progress.value = null
}
const taken = ref<ReadonlySet<string>>(new Set())
function take(proposal: Proposal): void {
  if (proposal.shop) settings.shun(proposal.shop, false)
  else {
    const error = bench.apply(proposal.edit!, say(proposal.says, bench.manner).toLowerCase())
    if (error) return notices.fault('It could not be done', error)
  }
  taken.value = new Set([...taken.value, proposal.id])
  notices.announce(say(proposal.says, bench.manner))
}
/** All that reach it together, one after another. */
function takeAll(): void {
  for (const proposal of fitted.value!.chosen) if (!taken.value.has(proposal.id)) take(proposal)
}
/** Those that do it together first, then the others, less loss for the money first. */
const proposals = computed(() => {
  const of = fitted.value
  if (!of) return []
  const chosen = new Set(of.chosen.map(({ id }) => id))
  return [...of.chosen, ...of.all.filter(({ id }) => !chosen.has(id)).slice(0, 6)].map((each) => ({ each, chosen: chosen.has(each.id) }))
})
</script>

<template>
  <section class="p-3" aria-labelledby="cost-fit" data-testid="fit">
    <h2 id="cost-fit" class="panel-title mb-1">Fit to the budget</h2>
    <p v-if="piece.brief.budget === null" class="text-soft">The brief has no budget yet.</p>
    <template v-else>
      <button v-if="!fitting" type="button" class="button" @click="fit">Find the least loss</button>
      <p v-else class="flex items-center gap-2" role="status">
        Trying {{ (progress?.done ?? 0) + 1 }}{{ progress ? ` of ${progress.of}` : '' }}…
        <button type="button" class="button h-6" @click="fitting.stop()"><Square :size="12" />Stop</button>
      </p>
      <template v-if="fitted">
        <p class="mt-1 font-medium" :class="fitted.reached ? 'text-leaf' : 'text-ruddy'" data-testid="fit-says">
          <template v-if="!fitted.chosen.length">{{
            fitted.reached ? 'The budget is met as it is.' : `Nothing ${fitted.proven ? 'here' : 'that was tried'} makes it cheaper.`
          }}</template>
          <template v-else-if="fitted.reached"
            >{{ fitted.chosen.length === 1 ? 'One change reaches it' : `${fitted.chosen.length} changes together reach it` }}:
            {{ money(fitted.before) }} becomes {{ money(fitted.after)
            }}{{ fitted.proven ? '; no other choice among these loses less' : '' }}.</template
          >
          <template v-else
            >{{ fitted.proven ? 'Nothing' : 'Nothing that was tried' }} reaches {{ money(fitted.budget) }}: {{ money(fitted.after) }} is as
            near as it comes. A budget of that, or cheaper offers, would do.</template
          >
        </p>
        <button
          v-if="fitted.chosen.length > 1 && fitted.chosen.some(({ id }) => !taken.has(id))"
          type="button"
          class="button mt-1"
          data-testid="take-all"
          @click="takeAll"
        >
          {{ fitted.chosen.length === 2 ? 'Do both' : `Do all ${fitted.chosen.length}` }}
        </button>
        <ul class="mt-1 space-y-1.5">
          <li
            v-for="{ each, chosen } in proposals"
            :key="each.id"
            class="border-l-2 pl-2"
            :class="chosen ? 'border-leaf' : 'border-seam'"
            data-testid="proposal"
          >
            <p class="flex justify-between gap-2" :class="chosen ? 'font-medium' : ''">
              <span>{{ capital(say(each.says, bench.manner)) }}</span><span class="shrink-0 tabular-nums">−{{ money(each.saves) }}</span>
            </p>
            <p class="text-fine text-soft">Costs {{ say(lossSaid(each.costs), bench.manner) }}.</p>
            <button
              v-if="!taken.has(each.id)"
              type="button"
              class="min-h-6 font-semibold text-leaf underline decoration-dotted underline-offset-2"
              @click="take(each)"
            >
              Do it
            </button>
            <span v-else class="text-fine text-leaf">Done; undo takes it back.</span>
          </li>
        </ul>
      </template>
    </template>
  </section>
</template>
