<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useHead } from '#app'
import { NuxtLink } from '#components'
import { Plus, Square, X } from '@lucide/vue'
import type { Cut, CutPlan, CutRoll, Planning, Want } from '#core/cut'
import { asStock, isNew, newRoll, otherRoll, reckon } from '#core/cut'
import { isCut } from '#core/material'
import type { Taken } from '#core/makeup'
import { capital, formatMoney, inches, quantity, several, show } from '#core/measure'
import type { Workings } from '#core/workings'
import { useCutting } from '~/stores/cutting'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { askCutPlan, stopPlanning } from '~/workers/cutting'
import { askWorkings } from '~/workers/workings'

useHead({ title: 'Cutting · Ruddy Bramble' })
const cutting = useCutting()
const notices = useNotices()
const pieces = usePieces()
const settings = useSettings()
const shops = useShops()
const manner = computed(() => ({ units: settings.units, currency: 'USD' as const }))
const length = (mm: number): string => show(quantity.length(mm), manner.value)

const makeUpsOf = ({ layers, base }: Workings) => [base.makeUp, ...layers.flatMap(({ makeUp }) => makeUp ?? [])]
/** What the pieces that are still to be made take, for all their copies. */
const taken = shallowRef<readonly (Taken & { readonly id: string, readonly piece: string })[]>([])
watch(() => [pieces.records, shops.shelf] as const, async ([records, shelf]) => {
  const wanting = (records ?? []).filter(({ piece }) => piece.stage !== 'hung' && piece.stage !== 'taken apart')
  const all = await Promise.all(wanting.map(async ({ piece }) => makeUpsOf(await askWorkings(piece, shelf)).flatMap(({ layer, takes }) =>
    takes.map((each, i) => ({ ...each, id: `${piece.id}:${layer}:${each.use}:${i}`, piece: piece.brief.name, count: each.count * piece.brief.copies })))))
  taken.value = all.flat()
}, { immediate: true })

const materials = computed(() => Object.values(shops.shelf.materials).filter(isCut))
const material = ref('ribbon-slate')
const chosen = computed(() => shops.shelf.materials[material.value] ?? materials.value[0]!)
const wantedOf = (id: string): number => cutting.list.filter((each) => each.material === id).length + taken.value.filter((each) => each.material === id).length
/** What something is wanted of comes first. */
const options = computed(() => materials.value.map(({ id, name }) => ({ value: id, wanted: wantedOf(id), name: wantedOf(id) ? `${capital(name)} (${wantedOf(id)})` : capital(name) })).sort((a, b) => Number(b.wanted > 0) - Number(a.wanted > 0)))

const listed = computed(() => cutting.list.filter((each) => each.material === material.value))
const asked = computed(() => taken.value.filter((each) => each.material === material.value))
const offcuts = computed(() => cutting.offcuts.filter((each) => each.material === material.value))
const rolls = computed(() => cutting.rolls.filter((each) => each.material === material.value))
const cut = computed(() => cutting.pieces.filter((each) => each.material === material.value))
const wants = computed<Want[]>(() => [...asked.value, ...listed.value].map(({ id, length: each, count, joins }) => ({ id, length: each, count, joins })))
const useOf = computed(() => new Map([...asked.value.map(({ id, use, piece }) => [id, `${capital(use)}, ${piece}`] as const), ...listed.value.map(({ id, use }) => [id, use] as const)]))
const reckoned = computed(() => reckon(wants.value, cut.value))

const least = ref(inches(6))
const job = computed(() => ({
  wants: reckoned.value.left, least: least.value,
  stocks: [...offcuts.value.map(({ id, length: each }) => ({ id, length: each, price: 0, supply: 1 })), ...asStock(reckoned.value.over), newRoll(chosen.value), ...rolls.value.map(otherRoll)],
}))
const plan = shallowRef<CutPlan | null>(null)
const progress = shallowRef<Planning | null>(null)
let turn = 0
watch(job, async (wanted) => {
  turn += 1
  const own = turn
  await stopPlanning()
  const answer = await askCutPlan(wanted, (told) => { if (turn === own) progress.value = told })
  if (turn !== own) return
  plan.value = answer
  progress.value = null
}, { immediate: true })

const longest = computed(() => Math.max(1, ...(plan.value?.rolls.map((roll) => roll.length) ?? [])))
const from = ({ stock }: CutRoll): 'new' | 'offcut' | 'piece' => (isNew(stock) ? 'new' : offcuts.value.some(({ id }) => id === stock) ? 'offcut' : 'piece')
const NAMES = { new: 'New roll', offcut: 'Offcut', piece: 'Piece that nothing wants' } as const

async function cutIt(roll: CutRoll, which: Cut): Promise<void> {
  try {
    await cutting.cut({ material: material.value, roll, cut: which, from: from(roll), least: least.value })
  }
  catch (error) {
    notices.note(error instanceof Error ? error.message : String(error))
  }
}

const form = ref({ use: 'Tail', length: inches(18), count: 2, joins: false })
const offcut = ref(inches(24))
const otherLength = ref(inches(180))
const otherPrice = ref(499)
function add(): void { void cutting.add({ material: material.value, ...form.value, use: form.value.use.trim() || 'Piece' }) }
function takePrice(minor: number | null): string | null {
  if (minor === null || minor < 1) return 'What one costs.'
  otherPrice.value = minor
  return null
}
/** Takes a length for a field of this page. */
const taking = (put: (mm: number) => void) => (mm: number | null): string | null => {
  if (mm === null || mm <= 0) return 'A length over nothing.'
  put(mm)
  return null
}
function setCount(id: string, count: number): null {
  void cutting.change(id, { count })
  return null
}
</script>

<template>
  <main class="mx-auto min-h-dvh max-w-7xl px-6 pb-10">
    <PageHead title="Cutting">
      <template #ways><NuxtLink to="/shelf" class="page-link">Shelf</NuxtLink></template>
    </PageHead>

    <div class="grid grid-cols-[20rem_1fr] gap-6 pt-4">
      <div class="space-y-4">
        <PickField label="Cut from" :value="material" :options="options" @pick="(id: string) => { material = id }" />

        <section aria-label="Pieces wanted">
          <h2 class="mb-1 font-semibold">Pieces wanted</h2>
          <p v-for="each in asked" :key="each.id" class="flex justify-between gap-2 border-b border-seam py-1" data-testid="wanted">
            <span>{{ useOf.get(each.id) }}</span><span class="shrink-0 tabular-nums">{{ each.count }} × {{ length(each.length) }}</span>
          </p>
          <div v-for="each in listed" :key="each.id" class="flex items-center gap-2 border-b border-seam py-1" data-testid="wanted">
            <span class="min-w-0 flex-1">{{ each.use }}<span class="block text-fine text-soft">{{ length(each.length) }}{{ each.joins ? ', may be joined' : '' }}; {{ reckoned.made.get(each.id) ?? 0 }} cut</span></span>
            <CountField class="w-28 [&_label]:sr-only" :label="`How many: ${each.use}`" :value="each.count" :least="0" :most="2000" whole :take="(count) => setCount(each.id, count)" />
            <button type="button" class="icon-button size-6" :aria-label="`Take ${each.use} off the list`" @click="cutting.remove(each.id)"><X :size="14" /></button>
          </div>
          <p v-if="!asked.length && !listed.length" class="text-soft">Nothing yet. Add a piece; what bows, bindings, mesh and cords take comes here of itself.</p>
        </section>

        <section class="space-y-2 rounded-[5px] border border-seam bg-sheet p-2" aria-label="A piece">
          <label class="block"><span class="field-label">What for</span><input v-model="form.use" class="field" maxlength="60"></label>
          <div class="grid grid-cols-2 gap-2">
            <LengthField label="Length of each" :mm="form.length" :units="manner.units" :take="taking((mm) => { form.length = mm })" />
            <CountField label="How many" :value="form.count" :least="1" :most="2000" whole :take="(n) => { form.count = n; return null }" />
          </div>
          <label class="tick"><input v-model="form.joins" type="checkbox" class="size-4 accent-leaf">May be joined of several</label>
          <button type="button" class="button h-7" @click="add"><Plus :size="14" />Add a piece</button>
        </section>

        <section class="space-y-1" aria-label="In the house">
          <h2 class="font-semibold">In the house</h2>
          <p v-for="each in offcuts" :key="each.id" class="flex items-center justify-between border-b border-seam py-0.5" data-testid="offcut">
            <span>Offcut, {{ length(each.length) }}</span><button type="button" class="icon-button size-6" :aria-label="`Throw the offcut of ${length(each.length)} away`" @click="cutting.removeOffcut(each.id)"><X :size="14" /></button>
          </p>
          <div class="flex items-end gap-2">
            <LengthField class="flex-1" label="An offcut of" :mm="offcut" :units="manner.units" :take="taking((mm) => { offcut = mm })" />
            <button type="button" class="button h-7" @click="cutting.addOffcut(material, offcut)">Add it</button>
          </div>
          <p v-for="each in rolls" :key="each.id" class="flex items-center justify-between border-b border-seam py-0.5" data-testid="other-roll">
            <span>Also sold: {{ length(each.length) }} for {{ formatMoney(each.price, manner.currency) }}</span><button type="button" class="icon-button size-6" :aria-label="`Forget the roll of ${length(each.length)}`" @click="cutting.removeRoll(each.id)"><X :size="14" /></button>
          </p>
          <div class="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
            <LengthField label="Also sold in" :mm="otherLength" :units="manner.units" :take="taking((mm) => { otherLength = mm })" />
            <MoneyField label="For" :minor="otherPrice" none="" :currency="manner.currency" :take="takePrice" />
            <button type="button" class="button h-7" @click="cutting.addRoll({ material, length: otherLength, price: otherPrice })">Add</button>
          </div>
          <LengthField label="A rest is of use from" :mm="least" :units="manner.units" :take="taking((mm) => { least = mm })" />
          <button v-if="cut.length" type="button" class="button h-7" @click="cutting.used(cut.map(({ id }) => id))">The {{ several(cut.length, 'piece is', 'pieces are') }} used up: forget them</button>
        </section>
      </div>

      <section class="sticky top-4 max-h-[calc(100dvh-2rem)] self-start overflow-y-auto" aria-label="Cutting plan" tabindex="0">
        <div v-if="progress" class="mb-3 flex items-center gap-3" role="status">
          Planning. {{ progress.best === null ? '' : `Best so far ${formatMoney(progress.best, manner.currency)}` }}{{ progress.bound === null ? '' : `, none under ${formatMoney(progress.bound, manner.currency)}` }}
          <button type="button" class="button h-7" @click="stopPlanning()"><Square :size="13" />Stop</button>
        </div>
        <template v-if="plan">
          <div v-if="plan.rolls.length" class="mb-4" data-testid="plan">
            <p class="font-serif text-xl">{{ plan.opened ? `Open ${several(plan.opened, 'roll', 'rolls')}, ${formatMoney(plan.cost, manner.currency)}` : 'Nothing to open: it comes from what is in the house' }}</p>
            <p class="text-soft">
              {{ plan.proven ? 'No plan costs less: proven.' : `The best found; none costs less than ${formatMoney(plan.bound, manner.currency)}.` }}
              {{ rolls.length ? 'The lengths that cost least are taken.' : `A roll is ${length(chosen.length)}.` }} {{ plan.kept ? `The longest rest is ${length(plan.kept)}.` : 'No rest of it is of use.' }}{{ chosen.kind === 'ribbon' ? ' Leave ribbon on the roll until what it is for is approved.' : '' }}
            </p>
          </div>
          <p v-else class="text-soft">Nothing to cut{{ wants.length ? ' any more' : '' }}.</p>
          <p v-for="each in plan.short" :key="each.want" class="mb-2 text-ruddy" role="alert">{{ useOf.get(each.want) }}: {{ several(each.count, 'piece is', 'pieces are') }} longer than anything there is to cut from.</p>
          <article v-for="(roll, i) in plan.rolls" :key="i" class="mb-4" data-testid="roll">
            <h3 class="mb-1 text-fine font-semibold">{{ NAMES[from(roll)] }}, {{ length(roll.length) }}</h3>
            <RollDrawing :roll="roll" :longest="longest" :colour="chosen.colours[0]!" :manner="manner" :label="`${NAMES[from(roll)]} ${i + 1}: ${several(roll.cuts.length, 'cut', 'cuts')}, ${length(roll.rest)} left`" />
            <ol class="mt-1 grid grid-cols-2 gap-x-6">
              <li v-for="(each, k) in roll.cuts" :key="k">
                <label class="tick"><input type="checkbox" class="size-4 accent-leaf" :checked="false" @change="cutIt(roll, each)">{{ k + 1 }}. {{ length(each.length) }} · {{ useOf.get(each.want) }}{{ each.part ? ', a part' : '' }}</label>
              </li>
            </ol>
          </article>
        </template>
      </section>
    </div>
  </main>
</template>
