<script setup lang="ts">
import { STAGE_SORTS } from '#core/piece'
import { computed, ref, shallowRef, watch } from 'vue'
import { useHead, useRoute, useRouter } from '#app'
import { ChevronLeft, ChevronRight, Printer, X } from '@lucide/vue'
import type { PaperId } from '#core/formats'
import { kitCsv, kitSheet, labelPages, LABELS } from '#core/formats'
import { materialOf } from '#core/material'
import { capital, several } from '#core/measure'
import type { Kit } from '#core/season'
import { kitNumbers, kitParts, KitSchema, OFTEN_FORGOTTEN, startKit } from '#core/season'
import { substitutesFor } from '#core/price'
import type { TaskKind } from '#core/tasks'
import type { InBrief } from '#core/workings'
import { fileNameOf, saveBlob, saveText } from '~/utils/files'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { newId } from '~/utils/new-id'
import { useSeason } from '~/stores/season'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useWorkroom } from '~/stores/workroom'

/** Kits for a class: what goes into each, what must be there besides, how the class goes, and what it costs. */
useHead({ title: 'Kits · Ruddy Bramble' })
const season = useSeason()
const workroom = useWorkroom()
const settings = useSettings()
const shops = useShops()
const pieces = usePieces()
const notices = useNotices()
const route = useRoute()
const router = useRouter()

const kits = computed(() => [...workroom.kits].sort((a, b) => a.name.localeCompare(b.name)))
const kit = computed<Kit | null>(() => kits.value.find(({ id }) => id === route.query.kit) ?? kits.value[0] ?? null)
const record = computed(() => pieces.records?.find(({ id }) => id === kit.value?.piece) ?? null)
const brief = shallowRef<InBrief | null>(null)
watch(
  [record, () => shops.shelf],
  () => {
    const of = record.value
    if (!of) return
    void notices.tell(
      'The kit could not be worked out',
      workroom.briefs([of]).then((found) => {
        if (record.value?.id === of.id) brief.value = found.get(of.id) ?? null
      }),
    )
  },
  { immediate: true },
)
/** Pieces that have no kits yet. */
const without = computed(() =>
  (pieces.records ?? []).filter(({ id, piece }) => STAGE_SORTS[piece.stage].stands && kits.value.every((each) => each.piece !== id)),
)
const from = ref('')
/** Heads of a class until its teacher says otherwise. */
const USUAL_HEADS = 8
async function begin(): Promise<void> {
  const of = without.value.find(({ id }) => id === from.value)
  if (!of) return
  const started = startKit(newId(), of.id, of.piece.brief.name, Math.max(USUAL_HEADS, of.piece.brief.copies))
  if (await notices.tell('The kit could not be started', season.keepKit(started))) {
    from.value = ''
    await router.replace({ query: { kit: started.id } })
  }
}

/** Changes the kit. @returns what is wrong with it, or null */
function set(change: Partial<Kit>): string | null {
  if (!kit.value) return null
  const read = KitSchema.safeParse({ ...kit.value, ...change })
  if (!read.success) return read.error.issues.map(({ message }) => message).join(' ')
  void notices.tell('The kit could not be kept', season.keepKit(read.data))
  return null
}
/** How many kits there are: the piece itself stays as it is. */
function setCount(change: { heads?: number; spares?: number }): string | null {
  if (!kit.value) return null
  const next = { ...kit.value, ...change }
  const swaps = next.swaps
    .map((swap) => ({ ...swap, kits: swap.kits.filter((n) => n <= next.heads + next.spares) }))
    .filter((swap) => swap.kits.length)
  return set({ ...change, swaps })
}
async function remove(): Promise<void> {
  if (!kit.value || !window.confirm(`Throw the kits “${kit.value.name}” away? The piece stays.`)) return
  await notices.tell('The kits could not be thrown away', season.removeKit(kit.value.id))
}

const all = computed(() => (kit.value ? kit.value.heads + kit.value.spares : 0))
const number = ref(1)
watch([() => kit.value?.id, all], () => {
  number.value = Math.min(Math.max(1, number.value), Math.max(1, all.value))
})
const sheet = computed(() =>
  kit.value && brief.value ? kitSheet(kit.value, brief.value.needs, brief.value.tasks, shops.shelf, settings.manner) : null,
)
const parts = computed(() => (kit.value && brief.value ? kitParts(brief.value.needs, kit.value.swaps, number.value, shops.shelf) : []))
const usual = computed(() => (brief.value ? kitParts(brief.value.needs, [], 1, shops.shelf).map(({ material }) => material) : []))
const nameOf = (id: string): string => materialOf(shops.shelf, id)?.name ?? id

// Substitutes within a colour family.
const swapFrom = ref('')
const swapTo = ref('')
const swapKits = ref('')
const swappable = computed(() =>
  [...new Set(usual.value)].flatMap((id) => materialOf(shops.shelf, id) ?? []).filter(({ kind }) => kind !== 'mechanic'),
)
const standIns = computed(() => {
  const of = materialOf(shops.shelf, swapFrom.value)
  return of ? substitutesFor(of, shops.shelf, 8) : []
})
watch(standIns, (found) => {
  swapTo.value = found[0]?.material.id ?? ''
})
const wrong = ref<string | null>(null)
function addSwap(): void {
  const numbers = kitNumbers(swapKits.value)
  if (!numbers) {
    wrong.value = `“${swapKits.value}” is no list of kits. Try 3, 7, 9-11.`
    return
  }
  wrong.value = set({ swaps: [...kit.value!.swaps, { kits: numbers, from: swapFrom.value, to: swapTo.value }] })
  if (!wrong.value) {
    number.value = numbers[0]!
    swapKits.value = ''
  }
}

const bringing = ref('')
function bring(what: string): void {
  if (what.trim()) wrong.value = set({ bring: [...kit.value!.bring.filter((each) => each !== what.trim()), what.trim()] })
  bringing.value = ''
}
const tick = (id: string): void => {
  const { packed } = kit.value!
  set({ packed: packed.includes(id) ? packed.filter((each) => each !== id) : [...packed, id] })
}
const packed = computed(() => sheet.value?.packing.filter(({ id }) => kit.value!.packed.includes(id)).length ?? 0)
const BEFORE: readonly { readonly kind: TaskKind; readonly name: string }[] = [
  { kind: 'finds', name: 'natural finds cleaned' },
  { kind: 'join', name: 'things bent and joined' },
  { kind: 'paint', name: 'painted' },
  { kind: 'seal', name: 'sealed' },
  { kind: 'part', name: 'parts made beforehand' },
  { kind: 'base', name: 'bases prepared' },
  { kind: 'stems', name: 'stems sorted and cut' },
  { kind: 'bow', name: 'bows made' },
]
const before = computed(() => BEFORE.filter(({ kind }) => brief.value?.tasks.some((task) => task.kind === kind)))
const toggleBefore = (kind: TaskKind): void => {
  const now = kit.value!.before
  set({ before: now.includes(kind) ? now.filter((each) => each !== kind) : [...now, kind] })
}

const paper = computed<PaperId>(() => (settings.units === 'in' ? 'letter' : 'a4'))
const file = computed(() => fileNameOf(kit.value?.name ?? '', 'kits'))
const savePdf = (bytes: ArrayBuffer, what: string): void =>
  saveBlob(new Blob([bytes], { type: 'application/pdf' }), `${file.value}-${what}.pdf`)
const print = (): void =>
  void notices.tell(
    'The sheets could not be written',
    import('~/print/pdf').then(async ({ kitPdf }) => savePdf(await kitPdf(sheet.value!, paper.value), 'kits')),
  )
const labels = (): void =>
  void notices.tell(
    'The labels could not be written',
    import('~/print/pdf').then(async ({ pagesPdf }) =>
      savePdf(await pagesPdf(labelPages(sheet.value!.labels, paper.value), paper.value, kit.value!.name), 'labels'),
    ),
  )
</script>

<template>
  <main class="mx-auto min-h-dvh max-w-[90rem] px-6 pb-10 max-sm:px-4">
    <PageHead title="Kits">
      <form v-if="without.length" class="flex gap-1" @submit.prevent="begin">
        <label class="sr-only" for="kit-of">Kits of</label>
        <select id="kit-of" v-model="from" class="field w-48">
          <option value="">Kits of another piece…</option>
          <option v-for="each in without" :key="each.id" :value="each.id">{{ each.piece.brief.name }}</option>
        </select>
        <button type="submit" class="button" :disabled="!from">Begin</button>
      </form>
    </PageHead>
    <p v-if="!kit" class="py-16 text-center text-base">
      No kits yet. Choose a piece above: each head gets what it takes, and the piece itself stays as it is.
    </p>
    <template v-else>
      <nav v-if="kits.length > 1" class="flex flex-wrap gap-3 pt-3" aria-label="All kits">
        <button
          v-for="each in kits"
          :key="each.id"
          type="button"
          class="button"
          :class="each.id === kit.id ? 'border-leaf bg-moss' : ''"
          @click="router.replace({ query: { kit: each.id } })"
        >
          {{ each.name }}
        </button>
      </nav>
      <div class="flex flex-wrap items-end gap-3 pt-3">
        <TextField class="w-56" label="Name" :value="kit.name" :most="80" :take="(name) => set({ name })" />
        <CountField class="w-32" label="Heads" :value="kit.heads" :least="1" :most="500" whole :take="(heads) => setCount({ heads })" />
        <CountField
          class="w-32"
          label="Spare kits"
          :value="kit.spares"
          :least="0"
          :most="100"
          whole
          :take="(spares) => setCount({ spares })"
        />
        <label class="w-36"
          ><span class="field-label">Day of the class</span
          ><input
            type="date"
            class="field"
            :value="kit.day ?? ''"
            @change="set({ day: ($event.target as HTMLInputElement).value || null })"
        /></label>
        <div class="ml-auto flex gap-2">
          <button type="button" class="button" :disabled="!sheet" @click="print"><Printer :size="14" />Lists and teacher’s sheet</button>
          <button
            type="button"
            class="button"
            :disabled="!sheet"
            :title="`On sheets of ${LABELS[paper].columns * LABELS[paper].rows} labels`"
            @click="labels"
          >
            Labels
          </button>
          <button type="button" class="button" :disabled="!sheet" @click="saveText(kitCsv(sheet!), `${file}.csv`, 'text/csv')">
            Table
          </button>
          <button type="button" class="button" @click="remove">Throw away…</button>
        </div>
      </div>
      <p v-if="!brief || !sheet" class="py-6 text-soft" role="status">Counting it out…</p>
      <div v-else class="grid grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)] gap-8 pt-4 max-lg:grid-cols-1">
        <div class="space-y-5">
          <section aria-label="One kit">
            <div class="mb-2 flex items-center gap-2">
              <button type="button" class="icon-button" aria-label="The kit before" :disabled="number <= 1" @click="number -= 1">
                <ChevronLeft :size="16" />
              </button>
              <h2 class="font-serif text-xl tabular-nums" data-testid="kit-number">Kit {{ number }} of {{ all }}</h2>
              <button type="button" class="icon-button" aria-label="The next kit" :disabled="number >= all" @click="number += 1">
                <ChevronRight :size="16" />
              </button>
              <span
                v-for="swap in kit.swaps.filter(({ kits: numbers }) => numbers.includes(number))"
                :key="swap.from"
                class="font-medium text-bracken"
                data-testid="instead"
                >{{ nameOf(swap.to) }} instead of {{ nameOf(swap.from).toLowerCase() }}</span
              >
            </div>
            <KitTray :parts="parts" :usual="usual" :manner="settings.manner" />
          </section>
          <section aria-label="Substitutes">
            <h2 class="border-b border-line pb-1 font-serif text-lg">Something else in some kits</h2>
            <ul>
              <li
                v-for="(line, i) in sheet.swaps"
                :key="line"
                class="flex items-center justify-between border-b border-seam py-0.5"
                data-testid="swap"
              >
                {{ line
                }}<button
                  type="button"
                  class="icon-button size-6"
                  :aria-label="`Take back: ${line}`"
                  @click="set({ swaps: kit.swaps.filter((_, k) => k !== i) })"
                >
                  <X :size="14" />
                </button>
              </li>
            </ul>
            <form class="flex flex-wrap items-end gap-2 pt-2" aria-label="A substitute" @submit.prevent="addSwap">
              <label class="w-44"
                ><span class="field-label">Instead of</span
                ><select v-model="swapFrom" class="field">
                  <option value="">choose…</option>
                  <option v-for="each in swappable" :key="each.id" :value="each.id">{{ capital(each.name) }}</option>
                </select></label
              >
              <label class="w-60"
                ><span class="field-label">they get</span
                ><select v-model="swapTo" class="field" :disabled="!standIns.length">
                  <option v-for="each in standIns" :key="each.material.id" :value="each.material.id">
                    {{ capital(each.material.name) }}, colour {{ each.colour.toFixed(0) }} off
                  </option>
                </select></label
              >
              <label class="w-32"
                ><span class="field-label">Kits</span><input v-model="swapKits" class="field" placeholder="3, 7, 9-11"
              /></label>
              <button type="submit" class="button" :disabled="!swapFrom || !swapTo || !swapKits">Put it in</button>
            </form>
            <p v-if="swapFrom && !standIns.length" class="pt-1 text-fine text-soft">Nothing near it in colour and kind is on the shelf.</p>
            <p v-if="wrong" class="pt-1 text-fine text-ruddy" role="alert">{{ wrong }}</p>
          </section>
          <section aria-label="How the class goes">
            <h2 class="border-b border-line pb-1 font-serif text-lg">
              How the class goes: {{ several(sheet.sittings.length, 'sitting', 'sittings') }}
            </h2>
            <div class="grid grid-cols-2 gap-x-6 gap-y-3 pt-2 max-sm:grid-cols-1">
              <div v-if="sheet.before.length" data-testid="before">
                <h3 class="font-medium">Before, for all kits</h3>
                <p v-for="each in sheet.before" :key="each.what" class="flex justify-between gap-2">
                  <span>{{ each.what }}</span><span class="shrink-0 text-soft">{{ each.takes }}</span>
                </p>
              </div>
              <div v-for="sitting in sheet.sittings" :key="sitting.title" data-testid="sitting">
                <h3 class="font-medium">{{ sitting.title }}</h3>
                <p v-for="row in sitting.rows" :key="row.at + row.what" class="flex justify-between gap-2">
                  <span class="min-w-0"
                    ><span class="mr-2 text-soft tabular-nums">{{ row.at }}</span
                    >{{ row.what }}</span
                  ><span class="shrink-0 text-soft">{{ row.takes }}</span>
                </p>
                <p v-if="sitting.ends" class="text-bracken">{{ sitting.ends }}</p>
              </div>
            </div>
            <fieldset class="flex flex-wrap items-center gap-x-4 pt-2">
              <legend class="field-label">Done before the class</legend>
              <label v-for="each in before" :key="each.kind" class="tick"
                ><input
                  type="checkbox"
                  class="size-4 accent-leaf"
                  :checked="kit.before.includes(each.kind)"
                  @change="toggleBefore(each.kind)"
                />{{ capital(each.name) }}</label
              >
              <CountField
                class="w-60"
                label="Longest sitting, minutes"
                :value="kit.longest"
                :least="10"
                :most="1440"
                :step="10"
                whole
                :take="(longest) => set({ longest })"
              />
            </fieldset>
          </section>
        </div>
        <div class="space-y-5">
          <section aria-label="Packing list">
            <h2 class="border-b border-line pb-1 font-serif text-lg">
              Packing list <span class="font-sans text-small text-soft">{{ packed }} of {{ sheet.packing.length }} packed</span>
            </h2>
            <label
              v-for="line in sheet.packing"
              :key="line.id"
              class="grid grid-cols-[1.25rem_1fr_auto] items-center gap-x-2 border-b border-seam py-0.5"
              data-testid="packing"
            >
              <input type="checkbox" class="size-4 accent-leaf" :checked="kit.packed.includes(line.id)" @change="tick(line.id)" />
              <span :class="kit.packed.includes(line.id) ? 'text-soft line-through' : ''"
                >{{ line.what }}<span class="block text-fine text-soft">{{ line.each }}</span></span
              >
              <span class="font-semibold tabular-nums">{{ line.all }}</span>
            </label>
          </section>
          <section aria-label="What must be there besides">
            <h2 class="border-b border-line pb-1 font-serif text-lg">Not in the kits, and must be there</h2>
            <ul>
              <li v-for="what in sheet.bring" :key="what" class="flex min-h-7 items-center justify-between border-b border-seam">
                {{ what
                }}<button
                  v-if="kit.bring.includes(what)"
                  type="button"
                  class="icon-button size-6"
                  :aria-label="`Leave out: ${what}`"
                  @click="set({ bring: kit.bring.filter((each) => each !== what) })"
                >
                  <X :size="14" />
                </button>
              </li>
            </ul>
            <form class="flex gap-2 pt-2" @submit.prevent="bring(bringing)">
              <label class="min-w-0 flex-1"
                ><span class="sr-only">What else must be there</span
                ><input v-model="bringing" class="field" maxlength="120" placeholder="What else?"
              /></label>
              <button type="submit" class="button" :disabled="!bringing.trim()">Add</button>
            </form>
            <p class="flex flex-wrap gap-1 pt-1">
              <button
                v-for="what in OFTEN_FORGOTTEN.filter((each) => !kit!.bring.includes(each))"
                :key="what"
                type="button"
                class="rounded-full border border-seam bg-sheet px-2 text-tiny leading-5 hover:border-ink"
                @click="bring(what)"
              >
                {{ what }}
              </button>
            </p>
          </section>
          <KitMoneyCard :kit="kit" :brief="brief" @set="set" />
        </div>
      </div>
    </template>
  </main>
</template>
