<script setup lang="ts">
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { useHead } from '#app'
import { NuxtLink } from '#components'
import { Plus, Square, X } from '@lucide/vue'
import type { Cut, CutPlan, CutRoll, Planning, Want } from '#core/cut'
import { asStock, isNew, newRoll, otherRoll, reckon } from '#core/cut'
import type { TakenBy } from '#core/jobs'
import type { Shelf } from '#core/material'
import { isCut, materialOf } from '#core/material'
import { capital, formatMoney, inches, quantity, several, show } from '#core/measure'
import type { PieceRecord } from '~/db'
import { db } from '~/db'
import { useRevisionKey } from '~/composables/useRevisionKey'
import { useCutting } from '~/stores/cutting'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { planCuts } from '~/workers/cutting'
import type { Going } from '~/workers/workings'
import { askTakes } from '~/workers/workings'

useHead({ title: 'Cutting · Ruddy Bramble' })
const cutting = useCutting()
const notices = useNotices()
const pieces = usePieces()
const settings = useSettings()
const shops = useShops()
const manner = computed(() => ({ units: settings.units, currency: 'USD' as const }))
const length = (mm: number): string => show(quantity.length(mm), manner.value)

/** What the pieces that are still to be made take, for all their copies. */
const taken = shallowRef<readonly (TakenBy & { readonly id: string, readonly piece: string })[]>([])
const counting = ref(false)
const keyOf = useRevisionKey()
watch(() => [pieces.records, shops.shelf] as const, async ([records, shelf]) => {
  const wanting = (records ?? []).filter(({ piece }) => piece.stage !== 'hung' && piece.stage !== 'taken apart')
  counting.value = true
  await notices.tell('What the pieces take could not be worked out', takesOf(wanting, shelf).then((takes) => {
    if (records !== pieces.records || shelf !== shops.shelf) return
    taken.value = wanting.flatMap(({ piece }) => (takes.get(piece.id) ?? []).map((each, i) => ({ ...each, id: `${piece.id}:${each.layer}:${each.use}:${i}`, piece: piece.brief.name, count: each.count * piece.brief.copies })))
  }))
  counting.value = false
}, { immediate: true })

/** The lengths that pieces take: as they are kept, or worked out now and kept. A piece that cannot be worked out is told and left out. */
async function takesOf(wanting: readonly PieceRecord[], shelf: Shelf): Promise<Map<string, readonly TakenBy[]>> {
  const kept = await db().needs.bulkGet(wanting.map(({ id }) => id))
  const takes = new Map(wanting.flatMap((record, i) => (kept[i]?.key === keyOf(record) ? [[record.id, kept[i].takes] as const] : [])))
  const missing = wanting.filter(({ id }) => !takes.has(id))
  for (let i = 0; i < missing.length; i += AT_ONCE) {
    const some = missing.slice(i, i + AT_ONCE)
    const answers = await askTakes(some.map(({ piece }) => piece), shelf)
    const found = some.flatMap(({ id, piece, revision }, k) => {
      const answer = answers[k]!
      if (answer.ok) return [{ id, key: keyOf({ revision }), takes: answer.takes }]
      notices.fault(`What “${piece.brief.name}” takes could not be worked out`, `${answer.error}\nThe plan is without it.`)
      return []
    })
    await db().needs.bulkPut(found)
    for (const each of found) takes.set(each.id, each.takes)
  }
  return takes
}
/** Pieces that are asked for together. */
const AT_ONCE = 20

const materials = computed(() => Object.values(shops.shelf.materials).filter(isCut))
const material = ref('ribbon-slate')
const chosen = computed(() => materialOf(shops.shelf, material.value) ?? materials.value[0]!)
/** How many lengths of each material are wanted. */
const wanted = computed(() => {
  const counts = new Map<string, number>()
  for (const { material: of } of [...cutting.list, ...taken.value]) counts.set(of, (counts.get(of) ?? 0) + 1)
  return counts
})
/** What something is wanted of comes first. */
const options = computed(() => materials.value.map(({ id, name }) => ({ value: id, wanted: wanted.value.get(id) ?? 0, name: wanted.value.has(id) ? `${capital(name)} (${wanted.value.get(id)})` : capital(name) })).sort((a, b) => Number(b.wanted > 0) - Number(a.wanted > 0)))

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
const found = shallowRef<{ readonly material: string, readonly plan: CutPlan } | null>(null)
/** Never another material's. */
const plan = computed(() => (found.value?.material === material.value ? found.value.plan : null))
const progress = shallowRef<Planning | null>(null)
let going: Going<CutPlan> | null = null
watch(job, async (asked) => {
  going?.stop()
  const of = material.value
  progress.value = null
  const own = planCuts(asked, (told) => { if (going === own) progress.value = told })
  going = own
  await notices.tell('The cuts could not be planned', own.done.then((answer) => {
    if (going === own) found.value = { material: of, plan: answer }
  }))
  if (going === own) progress.value = null
}, { immediate: true })
onBeforeUnmount(() => going?.stop())

/** Rolls that are cut alike stand there once. */
const groups = computed(() => {
  const alike = new Map<string, { readonly roll: CutRoll, count: number }>()
  for (const roll of plan.value?.rolls ?? []) {
    const key = JSON.stringify([from(roll), roll.length, roll.cuts])
    const group = alike.get(key)
    if (group) group.count += 1
    else alike.set(key, { roll, count: 1 })
  }
  return [...alike.values()]
})

const longest = computed(() => (plan.value?.rolls ?? []).reduce((most, roll) => Math.max(most, roll.length), 1))
const from = ({ stock }: CutRoll): 'new' | 'offcut' | 'piece' => (isNew(stock) ? 'new' : offcuts.value.some(({ id }) => id === stock) ? 'offcut' : 'piece')
const NAMES = { new: 'New roll', offcut: 'Offcut', piece: 'Piece that nothing wants' } as const

async function cutIt(roll: CutRoll, which: Cut): Promise<void> {
  await notices.tell('It was not cut', cutting.cut({ material: material.value, roll, cut: which, from: from(roll), least: least.value }))
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
          <button type="button" class="button h-7" @click="going?.stop()"><Square :size="13" />Stop</button>
        </div>
        <p v-if="counting" class="mb-2 text-soft" role="status">Adding up what the pieces take…</p>
        <p v-if="!plan" class="text-soft">Planning the cuts of {{ chosen.name }}…</p>
        <template v-else>
          <div v-if="plan.rolls.length" class="mb-4" data-testid="plan">
            <p class="font-serif text-xl">{{ plan.opened ? `Open ${several(plan.opened, 'roll', 'rolls')}, ${formatMoney(plan.cost, manner.currency)}` : 'Nothing to open: it comes from what is in the house' }}</p>
            <p class="text-soft">
              {{ plan.proven ? 'No plan costs less: proven.' : `The best found; none costs less than ${formatMoney(plan.bound, manner.currency)}.` }}
              {{ rolls.length ? 'The lengths that cost least are taken.' : `A roll is ${length(chosen.length)}.` }} {{ plan.kept ? `The longest rest is ${length(plan.kept)}.` : 'No rest of it is of use.' }}{{ chosen.kind === 'ribbon' ? ' Leave ribbon on the roll until what it is for is approved.' : '' }}
            </p>
          </div>
          <p v-else class="text-soft">Nothing to cut{{ wants.length ? ' any more' : '' }}.</p>
          <p v-for="each in plan.short" :key="each.want" class="mb-2 text-ruddy" role="alert">{{ useOf.get(each.want) }}: {{ several(each.count, 'piece is', 'pieces are') }} longer than anything there is to cut from.</p>
          <article v-for="({ roll, count }, i) in groups" :key="i" class="mb-4" data-testid="roll">
            <h3 class="mb-1 text-fine font-semibold">{{ count > 1 ? `${count} × ` : '' }}{{ NAMES[from(roll)] }}, {{ length(roll.length) }}<span v-if="count > 1" class="font-normal text-soft">, each cut like this</span></h3>
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
