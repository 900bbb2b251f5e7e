<script setup lang="ts">
import { computed, ref } from 'vue'
import { CircleAlert, CircleCheck, CircleHelp, Plus, X } from '@lucide/vue'
import type { Costs } from '#core/piece-costs'
import { materialOf } from '#core/material'
import { capital, say, several } from '#core/measure'
import type { Asking, Claim } from '#core/piece'
import { claimSaid, conditionSaid, lineSaid } from '#core/price'
import { useBench } from '~/stores/bench'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'

/** What is claimed of the cost: whether it holds, fails or hangs on something, and where it breaks. */
const props = defineProps<{ costs: Costs | null }>()
const bench = useBench()
const shops = useShops()
const settings = useSettings()
const piece = computed(() => bench.piece!)
const asking = computed(() => piece.value.asking)
const set = (change: Partial<Asking>, words: string): string | null => bench.apply({ do: 'asking', set: change }, words)
const nameOf = (material: string): string => materialOf(shops.shelf, material)?.name ?? material
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
  lines: null,
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
/** The lines of the bill, for a claim of some of them. */
const parts = computed(() =>
  (bench.workings?.bill.lines ?? []).map((line) => ({
    id: line.id,
    name: capital(line.wide === null ? line.name : say(lineSaid(line), bench.manner)),
  })),
)
function toggle(id: string): void {
  const now = draft.value.lines ?? []
  const next = now.includes(id) ? now.filter((each) => each !== id) : [...now, id]
  draft.value.lines = next.length ? next : null
}
const bought = computed(() =>
  (bench.workings?.bill.lines ?? []).filter(({ of }) => of !== 'base').map(({ id, name }) => ({ value: id, name: capital(name) })),
)
</script>

<template>
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
      <details class="col-span-2">
        <summary class="min-h-6">{{ draft.lines ? `Of ${several(draft.lines.length, 'line', 'lines')} alone` : 'Of all of it' }}</summary>
        <label v-for="part in parts" :key="part.id" class="flex min-h-6 items-center gap-1.5"
          ><input
            type="checkbox"
            class="size-4 accent-leaf"
            :checked="draft.lines?.includes(part.id) ?? false"
            @change="toggle(part.id)"
          />{{ part.name }}</label
        >
      </details>
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
</template>
