<script setup lang="ts">
import { computed } from 'vue'
import { CircleAlert, CircleCheck, Info, TriangleAlert } from '@lucide/vue'
import type { CostLine } from '#core/price'
import { lineSaid } from '#core/price'
import { materialOf, onStem } from '#core/material'
import { capital, formatMoney, say } from '#core/measure'
import { useBench } from '~/stores/bench'
import { useShops } from '~/stores/shops'

/** What follows from the decisions: problems first, then cover, sizes, spacing, packs and money. Every figure opens. */
const bench = useBench()
const shops = useShops()
const workings = computed(() => bench.workings)
const bill = computed(() => workings.value?.bill ?? null)
const copies = computed(() => bench.piece?.brief.copies ?? 1)
const budget = computed(() => bench.piece?.brief.budget ?? null)

/** What a line counts, as one says it: lengths, stems, or so many of a thing. */
function neededOf({ of, id }: CostLine): string {
  if (of === 'length') return 'Length needed'
  const material = materialOf(bench.shelf, id)
  return material && onStem(material) ? 'Stems needed' : 'Needed'
}

const icons = { fault: CircleAlert, care: TriangleAlert, note: Info }
const names = { fault: 'Fault', care: 'Take care', note: 'Note' }
const tones = { fault: 'text-ruddy', care: 'text-bracken', note: 'text-rime' }

/** The bar runs to the larger of budget and cost opened; each part as a percentage of it. */
const bar = computed(() => {
  if (!budget.value || !bill.value) return null
  const { openedEach, usedEach } = bill.value
  const whole = Math.max(budget.value, openedEach.value)
  return { opened: (openedEach.value / whole) * 100, used: (usedEach.value / whole) * 100, budget: (budget.value / whole) * 100 }
})
/** Where it is bought, each place once. */
const boughtAt = ({ bought }: CostLine): string =>
  [...new Set(bought.map(({ shop }) => shop ?? 'usual price'))].join(', ') || 'in the house'
/** "bunch of 10 and of 1" */
const packSizes = ({ packName, bought }: CostLine): string =>
  [packName, ...(bought.some(({ holds }) => holds > 1) ? [`of ${bought.map(({ holds }) => holds).join(' and of ')}`] : [])].join(' ')
const over = computed(() => (bill.value?.room?.value ?? 0) < 0)
</script>

<template>
  <aside class="flex min-h-0 flex-col overflow-y-auto border-l border-line bg-frost" aria-label="Tally" data-testid="tally" tabindex="0">
    <div v-if="workings && bill" class="divide-y divide-seam">
      <section class="px-3 py-2" aria-labelledby="tally-problems">
        <h2 id="tally-problems" class="panel-title mb-1">What to look at</h2>
        <p v-if="!workings.problems.length" class="flex items-center gap-1.5 text-leaf">
          <CircleCheck :size="15" />{{ bench.piece!.layers.length ? 'Nothing stands out.' : 'Nothing lies on it yet.' }}
        </p>
        <ul class="space-y-1.5">
          <li v-for="problem in workings.problems" :key="problem.id" class="flex gap-1.5" data-testid="problem" :data-problem="problem.id">
            <component
              :is="icons[problem.severity]"
              :size="15"
              class="mt-0.5 shrink-0"
              :class="tones[problem.severity]"
              :aria-label="names[problem.severity]"
            />
            <div class="min-w-0">
              <p>
                <template v-if="problem.part">In the {{ problem.part }}: </template>{{ say(problem.says, bench.manner) }}
              </p>
              <SuggestedFixes :mends="problem.mends" />
            </div>
          </li>
        </ul>
      </section>

      <section class="px-3 py-2" aria-labelledby="tally-money">
        <h2 id="tally-money" class="panel-title mb-1">Money{{ copies > 1 ? `, for each of ${copies}` : '' }}</h2>
        <FigureRow label="Cost opened" :figure="bill.openedEach" :manner="bench.manner" strong :tone="over ? 'over' : 'plain'" />
        <FigureRow label="Cost used" :figure="bill.usedEach" :manner="bench.manner" />
        <template v-if="budget !== null && bill.room">
          <div
            v-if="bar"
            class="relative my-1.5 h-2 rounded-[2px] bg-seam"
            role="img"
            :aria-label="`Opened ${formatMoney(bill.openedEach.value, bench.manner.currency)} of a budget of ${formatMoney(budget, bench.manner.currency)}`"
          >
            <div
              class="absolute inset-y-0 left-0 rounded-[2px]"
              :class="over ? 'bg-ruddy' : 'bg-line'"
              :style="{ width: `${bar.opened}%` }"
            />
            <div class="absolute inset-y-0 left-0 rounded-[2px] bg-leaf" :style="{ width: `${bar.used}%` }" />
            <div class="absolute -inset-y-1 w-0.5 bg-ink" :style="{ left: `calc(${bar.budget}% - 2px)` }" />
          </div>
          <FigureRow
            :label="over ? 'Over the budget' : 'Left of the budget'"
            :figure="over ? { ...bill.room, value: -bill.room.value } : bill.room"
            :manner="bench.manner"
            :tone="over ? 'over' : 'plain'"
          />
        </template>
        <FigureRow v-if="copies > 1" label="Opened for all" :figure="bill.opened" :manner="bench.manner" />
        <FigureRow label="Worth left for the stash" :figure="bill.left" :manner="bench.manner" />
      </section>

      <section class="px-3 py-2" aria-labelledby="tally-cover">
        <h2 id="tally-cover" class="panel-title mb-1">Cover and balance</h2>
        <FigureRow
          v-for="each in workings.verdicts.cover"
          :key="each.id"
          :label="each.name"
          :verdict="each.verdict"
          :figure="each.figure"
          :manner="bench.manner"
          :strong="each.id === 'share'"
        />
        <CoverChart :workings="workings" />
      </section>

      <section class="px-3 py-2" aria-labelledby="tally-colour">
        <h2 id="tally-colour" class="panel-title mb-1">Colour</h2>
        <ul v-if="workings.carry.length">
          <li v-for="each in workings.carry" :key="each.family" class="flex items-center gap-1.5">
            <span class="size-3.5 shrink-0 rounded-[3px] border border-line" :style="{ background: each.colour }" aria-hidden="true" />
            <FigureRow
              class="min-w-0 flex-1"
              :label="`${capital(each.family)}, ${each.sides.length === 4 ? 'all round' : each.sides.join(', ')}`"
              :figure="each.share"
              :manner="bench.manner"
            />
          </li>
        </ul>
        <FigureRow
          v-for="each in workings.verdicts.contrast"
          :key="each.id"
          :label="each.name"
          :verdict="each.verdict"
          :figure="each.figure"
          :manner="bench.manner"
        />
      </section>

      <section class="px-3 py-2" aria-labelledby="tally-size">
        <h2 id="tally-size" class="panel-title mb-1">Size and weight</h2>
        <FigureRow label="Finished width" :figure="workings.size.width" :manner="bench.manner" />
        <FigureRow label="Finished height" :figure="workings.size.height" :manner="bench.manner" />
        <FigureRow v-for="each in workings.base.figures" :key="each.name" :label="each.name" :figure="each.figure" :manner="bench.manner" />
        <FigureRow
          v-for="each in workings.proportions"
          :key="each.layer"
          :label="`${capital(each.name)} to base`"
          :figure="each.share"
          :manner="bench.manner"
        />
        <FigureRow
          v-for="each in workings.base.makeUp.figures"
          :key="each.id"
          :label="each.name"
          :figure="each.figure"
          :manner="bench.manner"
        />
        <FigureRow label="Weight in all" :figure="workings.mass.whole" :manner="bench.manner" strong />
        <FigureRow v-if="workings.base.mass.value > 0" label="Weight of the base" :figure="workings.base.mass" :manner="bench.manner" />
        <FigureRow label="Weight of what is on it" :figure="workings.mass.on" :manner="bench.manner" />
      </section>

      <section class="px-3 py-2" aria-labelledby="tally-stems">
        <h2 id="tally-stems" class="panel-title mb-1">Stems and spacing</h2>
        <FigureRow label="On the base" :figure="workings.stems" :manner="bench.manner" strong />
        <div v-for="layer in workings.layers.filter((each) => each.spacing)" :key="layer.id" class="mt-1.5">
          <p class="font-medium">{{ layer.title }}</p>
          <div class="pl-2">
            <template v-if="layer.spacing!.gaps">
              <FigureRow label="Smallest gap" :figure="layer.spacing!.gaps.least" :manner="bench.manner" />
              <FigureRow label="Widest gap" :figure="layer.spacing!.gaps.most" :manner="bench.manner" />
            </template>
            <FigureRow
              :label="layer.spacing!.gaps ? 'Mean, on the rim' : 'Apart on the rim'"
              :figure="layer.spacing!.rim"
              :manner="bench.manner"
            />
            <FigureRow
              :label="layer.spacing!.gaps ? 'Mean, on the centre line' : 'Apart on the centre line'"
              :figure="layer.spacing!.centre"
              :manner="bench.manner"
            />
          </div>
        </div>
      </section>

      <section class="px-3 py-2" aria-labelledby="tally-packs">
        <h2 id="tally-packs" class="panel-title mb-1">To buy{{ copies > 1 ? `, for all ${copies}` : '' }}</h2>
        <p v-if="shops.state === 'silent'" class="mb-1 text-fine text-bracken">No shop answers just now. These are usual prices.</p>
        <div v-for="line in bill.lines" :key="line.id" class="mb-1.5">
          <p class="flex items-baseline justify-between gap-2">
            <span class="font-medium first-letter:uppercase">{{ say(lineSaid(line), bench.manner) }}</span><span
              class="text-fine text-soft"
              >{{ boughtAt(line) }}</span
            >
          </p>
          <div class="pl-2">
            <FigureRow v-if="line.of !== 'base'" :label="neededOf(line)" :figure="line.stems" :manner="bench.manner" />
            <FigureRow v-if="line.stash.value" label="From the house" :figure="line.stash" :manner="bench.manner" />
            <FigureRow v-if="line.spare.value" label="Spare" :figure="line.spare" :manner="bench.manner" />
            <FigureRow :label="line.of === 'base' ? 'Bases' : `Packs (${packSizes(line)})`" :figure="line.packs" :manner="bench.manner" />
            <FigureRow label="Opened" :figure="line.opened" :manner="bench.manner" />
            <FigureRow label="Used" :figure="line.used" :manner="bench.manner" />
          </div>
        </div>
      </section>
    </div>
    <p v-else class="p-3 text-soft">Working it out…</p>
  </aside>
</template>
