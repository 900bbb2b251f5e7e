<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { CircleAlert, CircleCheck, CircleHelp, Plus, Square, X } from '@lucide/vue'
import { lossSaid } from '#core/budget'
import type { Fitted, FittingProgress, Proposal } from '#core/budget'
import type { Costs } from '#core/costs'
import { materialOf } from '#core/material'
import { capital, formatMoney, say, show } from '#core/measure'
import type { Asking, Claim } from '#core/piece'
import { claimSaid, conditionSaid } from '#core/price'
import { useToday } from '~/composables/useToday'
import { db } from '~/db'
import { useBench } from '~/stores/bench'
import { newId } from '~/stores/pieces'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useStock } from '~/stores/stock'
import type { Going } from '~/workers/jobs'
import { askFit } from '~/workers/workings'
import { BASE_SORTS } from '#core/base'

/** What is claimed of the cost, what would reach the budget, what would be a better deal, and what to ask. */
const props = defineProps<{ costs: Costs | null }>()
const bench = useBench()
const shops = useShops()
const stock = useStock()
const settings = useSettings()
const notices = useNotices()
const today = useToday()
const piece = computed(() => bench.piece!)
const asking = computed(() => piece.value.asking)
const set = (change: Partial<Asking>, words: string): string | null => bench.apply({ do: 'asking', set: change }, words)
const nameOf = (material: string): string => materialOf(shops.shelf, material)?.name ?? material
const money = (minor: number): string => formatMoney(minor, settings.currency)

const icons = { holds: CircleCheck, fails: CircleAlert, hangs: CircleHelp } as const
const tones = { holds: 'text-leaf', fails: 'text-ruddy', hangs: 'text-bracken' } as const
const verdicts = computed(() =>
  asking.value.claims.map((claim) => ({ claim, judged: props.costs?.claims.find(({ id }) => id === claim.id) ?? null })),
)

const adding = ref(false)
type Draft = Omit<Claim, 'id' | 'off'> & { offs: 'none' | 'some' | 'any'; material: string; share: number }
const draft = ref<Draft>({
  kind: 'under',
  amount: piece.value.brief.budget ?? 2500,
  of: 'each',
  ledger: 'opened',
  copies: null,
  offs: 'none',
  material: '',
  share: 0.5,
})
const refused = ref<string | null>(null)
function add(): void {
  const { offs, material, share, ...claim } = draft.value
  let n = asking.value.claims.length + 1
  while (asking.value.claims.some(({ id }) => id === `claim-${n}`)) n += 1
  const off = offs === 'none' ? null : { material: material || null, share: offs === 'any' ? null : share }
  refused.value = set({ claims: [...asking.value.claims, { ...claim, id: `claim-${n}`, off }] }, 'add a claim')
  if (!refused.value) adding.value = false
}
const remove = (id: string): string | null => set({ claims: asking.value.claims.filter((claim) => claim.id !== id) }, 'take a claim back')
const bought = computed(() =>
  (bench.workings?.bill.lines ?? []).filter(({ of }) => of !== 'base').map(({ id, name }) => ({ value: id, name: capital(name) })),
)

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
/** Those that do it together first, then the others, less loss for the money first. */
const proposals = computed(() => {
  const of = fitted.value
  if (!of) return []
  const chosen = new Set(of.chosen.map(({ id }) => id))
  return [...of.chosen, ...of.all.filter(({ id }) => !chosen.has(id)).slice(0, 6)].map((each) => ({ each, chosen: chosen.has(each.id) }))
})

const schoolNames: Record<Asking['school'], string> = {
  'materials by a factor': 'Materials by a factor',
  'materials and time, marked up': 'Materials and time, marked up',
  'what the market bears': 'What the market bears',
}
const sold = ref({ count: 1, price: 0, where: '' })
const selling = ref(false)
function sell(): void {
  const asked = props.costs?.asking.schools.find(({ school }) => school === asking.value.school)?.price?.value
  sold.value = { count: 1, price: asked ?? 0, where: '' }
  selling.value = true
}
async function keepSale(): Promise<void> {
  const { bill, schedule } = bench.workings!
  const kept = db().sales.add({
    id: newId(),
    piece: piece.value.id,
    name: piece.value.brief.name,
    form: BASE_SORTS[piece.value.base.kind].name.toLowerCase(),
    day: today.value,
    ...sold.value,
    materials: bill.usedEach.value,
    minutes: Math.round(schedule.hands.value),
  })
  if (!(await notices.tell('The sale could not be kept', kept))) return
  notices.note('It stands in the ledger.')
  selling.value = false
}
</script>

<template>
  <div class="divide-y divide-seam">
    <section class="p-3" aria-labelledby="cost-claims">
      <h2 id="cost-claims" class="panel-title mb-1">What is claimed</h2>
      <ul class="space-y-2">
        <li v-for="{ claim, judged } in verdicts" :key="claim.id" class="flex gap-1.5" data-testid="claim" :data-verdict="judged?.verdict">
          <component
            :is="icons[judged.verdict]"
            v-if="judged"
            :size="15"
            class="mt-0.5 shrink-0"
            :class="tones[judged.verdict]"
            :aria-label="judged.verdict"
          />
          <div class="min-w-0 flex-1">
            <p class="font-medium">{{ capital(say(claimSaid(claim, nameOf), bench.manner)) }}</p>
            <p v-if="judged" :class="tones[judged.verdict]">{{ say(judged.says, bench.manner) }}</p>
            <details v-if="judged?.conditions.length" class="text-fine text-soft">
              <summary class="min-h-6">Where it breaks</summary>
              <ul class="list-disc pl-4">
                <li v-for="(each, i) in judged.conditions.slice(0, 5)" :key="i">{{ capital(say(conditionSaid(each), bench.manner)) }}</li>
              </ul>
            </details>
          </div>
          <button
            type="button"
            class="icon-button size-6"
            :aria-label="`Take the claim back: ${say(claimSaid(claim, nameOf), bench.manner)}`"
            @click="remove(claim.id)"
          >
            <X :size="14" />
          </button>
        </li>
      </ul>
      <p v-if="!verdicts.length && !adding" class="text-soft">
        “Under 25”, “no more than 10 each for 14”, “70 % off makes it 9.40”: say it, and see whether it holds.
      </p>
      <form
        v-if="adding"
        class="mt-2 grid grid-cols-2 gap-2 rounded-[5px] border border-seam bg-sheet p-2"
        aria-label="A claim"
        @submit.prevent="add"
      >
        <PickField
          label="It costs"
          :value="draft.kind"
          :options="[
            { value: 'under', name: 'under' },
            { value: 'at most', name: 'no more than' },
            { value: 'makes', name: 'just' },
          ]"
          @pick="(kind) => (draft.kind = kind)"
        />
        <MoneyField
          label="Amount"
          :minor="draft.amount"
          :currency="settings.currency"
          none=""
          :take="
            (minor) => {
              draft.amount = minor ?? 0
              return null
            }
          "
        />
        <PickField
          label="For"
          :value="draft.of"
          :options="[
            { value: 'each', name: 'each one' },
            { value: 'all', name: 'all of them' },
          ]"
          @pick="(of) => (draft.of = of)"
        />
        <PickField
          label="By what is"
          :value="draft.ledger"
          :options="[
            { value: 'opened', name: 'opened' },
            { value: 'used', name: 'used' },
          ]"
          @pick="(ledger) => (draft.ledger = ledger)"
        />
        <CountField
          class="col-span-2"
          label="Made so often"
          :value="draft.copies ?? piece.brief.copies"
          :least="1"
          :most="1000"
          whole
          :take="
            (n) => {
              draft.copies = n === piece.brief.copies ? null : n
              return null
            }
          "
        />
        <PickField
          class="col-span-2"
          label="If reduced"
          :value="draft.offs"
          :options="[
            { value: 'none', name: 'at today’s prices' },
            { value: 'some', name: 'by so much' },
            { value: 'any', name: 'by whatever it takes' },
          ]"
          @pick="(offs) => (draft.offs = offs)"
        />
        <template v-if="draft.offs !== 'none'">
          <PickField
            label="Off"
            :value="draft.material"
            :options="[{ value: '', name: 'all of it' }, ...bought]"
            @pick="(material) => (draft.material = material)"
          />
          <CountField
            v-if="draft.offs === 'some'"
            label="Percent"
            :value="Math.round(draft.share * 1000) / 10"
            :least="1"
            :most="100"
            :take="
              (n) => {
                draft.share = n / 100
                return null
              }
            "
          />
        </template>
        <p v-if="refused" class="col-span-2 text-ruddy" role="alert">{{ refused }}</p>
        <div class="col-span-2 flex justify-end gap-2">
          <button type="button" class="button" @click="adding = false">Not now</button
          ><button type="submit" class="button border-leaf">Say it</button>
        </div>
      </form>
      <button v-else type="button" class="button mt-2" @click="adding = true"><Plus :size="14" />A claim</button>
    </section>

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
              fitted.reached ? 'The budget is met as it is.' : 'Nothing here makes it cheaper.'
            }}</template>
            <template v-else-if="fitted.reached"
              >{{ fitted.chosen.length === 1 ? 'One change reaches it' : `${fitted.chosen.length} changes together reach it` }}:
              {{ money(fitted.before) }} becomes {{ money(fitted.after)
              }}{{ fitted.proven ? '; no other choice among these loses less' : '' }}.</template
            >
            <template v-else
              >Nothing reaches {{ money(fitted.budget) }}: {{ money(fitted.after) }} is as near as it comes. A budget of that, or cheaper
              offers, would do.</template
            >
          </p>
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

    <section v-if="costs?.deals.length" class="p-3" aria-labelledby="cost-deals">
      <h2 id="cost-deals" class="panel-title mb-1">Better deals</h2>
      <ul class="space-y-1">
        <li v-for="(deal, i) in costs.deals.slice(0, 8)" :key="i" data-testid="deal">{{ capital(say(deal.says, bench.manner)) }}.</li>
      </ul>
    </section>

    <section v-if="costs" class="p-3" aria-labelledby="cost-ask">
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
  </div>
</template>
