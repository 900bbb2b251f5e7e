<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { useHead } from '#app'
import { NuxtLink } from '#components'
import { ListChecks, Printer, Smartphone, TriangleAlert } from '@lucide/vue'
import { useEventListener } from '@vueuse/core'
import { BASE_SORTS, DIMENSIONS } from '#core/base'
import { sheetOf } from '#core/formats'
import { readTape } from '#core/measure'
import { useOpenPiece } from '~/composables/useOpenPiece'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'

const bench = useBench()
const surface = ref(false)
const carrying = ref(false)

useHead({ title: () => (bench.piece ? `Make sheet: ${bench.piece.brief.name}` : 'Make sheet') })
useOpenPiece()

const workings = computed(() => bench.workings)
const brief = computed(() => bench.piece?.brief)
const manner = computed(() => bench.manner)
/** "Grapevine, outside 18 in" */
const baseSays = computed(() => {
  const { base } = bench.piece!
  const [main] = DIMENSIONS[base.shape.form].filter(({ unit }) => unit === 'length')
  const value = main && (base.shape as unknown as Record<string, number>)[main.id]
  return `${BASE_SORTS[base.kind].name}${main && value !== undefined ? `, ${main.name.toLowerCase()} ${readTape(value, manner.value.units)}` : ''}`
})
const sheet = computed(() =>
  bench.piece && workings.value ? sheetOf({ piece: bench.piece, ...workings.value }, baseSays.value, bench.shelf, manner.value) : null,
)
const drawing = useTemplateRef('drawing')
const notices = useNotices()
const readying = ref(false)
/** Prints the sheet with its drawing as vectors, which take a moment to write. */
async function print(): Promise<void> {
  if (readying.value || !drawing.value) return
  readying.value = true
  const ready = await notices.tell('The drawing could not be written for paper', drawing.value.vectors())
  readying.value = false
  await nextTick()
  if (ready) window.print()
}
useEventListener('keydown', (event) => {
  if (event.key !== 'p' || !(event.ctrlKey || event.metaKey)) return
  event.preventDefault()
  void print()
})
</script>

<template>
  <div v-if="bench.piece && brief" class="mx-auto max-w-5xl px-6 pb-12 max-sm:px-3 print:max-w-none print:p-0">
    <header class="flex flex-wrap items-center gap-x-3 gap-y-2 py-3 print:hidden">
      <NuxtLink
        :to="`/piece/${bench.piece.id}`"
        class="text-fine font-medium text-soft underline decoration-dotted underline-offset-2 hover:text-ink"
        >Back to the bench</NuxtLink
      >
      <div class="ml-auto flex flex-wrap items-center gap-3 max-sm:ml-0">
        <label class="flex items-center gap-1.5"><input v-model="surface" type="checkbox" />Show what it hangs on</label>
        <UnitsSwitch />
        <ThemeToggle />
        <ExportMenu v-if="sheet" :sheet="sheet" />
        <button type="button" class="button h-8" @click="carrying = true"><Smartphone :size="16" />To the phone</button>
        <button type="button" class="button h-8" :disabled="readying || !workings" @click="print">
          <Printer :size="16" />{{ readying ? 'Getting it ready…' : 'Print' }}
        </button>
        <NuxtLink :to="`/piece/${bench.piece.id}/steps`" class="button-main"><ListChecks :size="16" />Step by step</NuxtLink>
      </div>
    </header>

    <main v-if="workings && sheet" class="rounded-md border border-line bg-sheet p-6 max-sm:p-3 print:border-0 print:p-0">
      <div class="flex items-baseline justify-between gap-4 border-b-2 border-ink pb-2">
        <h1 class="font-serif text-2xl">{{ sheet.name }}</h1>
        <p class="text-right text-soft">{{ sheet.about }}</p>
      </div>

      <div class="mt-4 grid grid-cols-[minmax(0,5fr)_minmax(0,4fr)] gap-6 max-md:grid-cols-1 print:grid-cols-[minmax(0,5fr)_minmax(0,4fr)]">
        <SheetDrawing ref="drawing" :workings="workings" :manner="manner" :surface="surface" :name="brief.name" />
        <div class="space-y-4">
          <dl v-if="sheet.dates.length" class="flex flex-wrap gap-x-4 gap-y-1 text-fine">
            <div v-for="each in sheet.dates" :key="each.what">
              <dt class="inline text-soft">{{ each.what }}</dt>
              <dd class="inline font-semibold">{{ ` ${each.day}` }}</dd>
            </div>
          </dl>
          <section aria-labelledby="shopping">
            <h2 id="shopping" class="mb-1 font-serif text-lg">Shopping list</h2>
            <p class="mb-1 text-fine text-soft">
              For {{ brief.copies > 1 ? `all ${brief.copies}` : 'one' }}, spares included, in whole packs.
            </p>
            <table class="w-full text-fine">
              <thead>
                <tr class="border-b border-ink text-left">
                  <th class="py-0.5 font-semibold">What</th>
                  <th class="px-1 text-right font-semibold">Needed</th>
                  <th class="px-1 text-right font-semibold">Packs</th>
                  <th class="px-1 font-semibold">Where</th>
                  <th class="text-right font-semibold">Cost</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="line in sheet.shopping" :key="line.what" class="border-b border-seam align-top">
                  <td class="py-0.5">{{ line.what }}</td>
                  <td class="px-1 text-right">{{ line.needed }}</td>
                  <td class="whitespace-nowrap px-1 text-right">{{ line.packs }}</td>
                  <td class="px-1">{{ line.where }}</td>
                  <td class="text-right">{{ line.cost }}</td>
                </tr>
              </tbody>
              <tfoot>
                <tr class="font-semibold">
                  <td class="pt-1" colspan="4">Opened</td>
                  <td class="pt-1 text-right">{{ sheet.opened }}</td>
                </tr>
                <tr class="text-soft">
                  <td colspan="4">Of that used</td>
                  <td class="text-right">{{ sheet.used }}</td>
                </tr>
              </tfoot>
            </table>
          </section>
          <section v-if="sheet.cuts.length" aria-labelledby="cutting">
            <h2 id="cutting" class="mb-1 font-serif text-lg">Cutting list</h2>
            <table class="w-full text-fine">
              <thead>
                <tr class="border-b border-ink text-left">
                  <th class="py-0.5 font-semibold">Of</th>
                  <th class="px-1 font-semibold">For</th>
                  <th class="px-1 text-right font-semibold">Pieces</th>
                  <th class="text-right font-semibold">Length</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="(cut, i) in sheet.cuts" :key="i" class="border-b border-seam align-top">
                  <td class="py-0.5 first-letter:uppercase">{{ cut.material }}</td>
                  <td class="px-1">{{ cut.use }}</td>
                  <td class="px-1 text-right">{{ cut.count }}</td>
                  <td class="whitespace-nowrap text-right">{{ cut.length }}</td>
                </tr>
              </tbody>
            </table>
          </section>
        </div>
      </div>

      <h2 class="mb-2 mt-6 border-b border-ink pb-1 font-serif text-lg">Steps</h2>
      <ol class="space-y-4">
        <li v-for="step in sheet.tasks" :key="step.id" class="grid grid-cols-[2rem_minmax(0,1fr)] break-inside-avoid" data-testid="step">
          <span class="font-serif text-xl leading-none text-leaf">{{ step.number }}</span>
          <div>
            <div class="flex items-baseline justify-between gap-3">
              <h3 class="text-base font-semibold leading-tight">{{ step.title }}</h3>
              <span class="shrink-0 text-fine text-soft"
                >{{ step.hands }}<template v-if="step.waits">, then {{ step.waits }} to dry</template></span
              >
            </div>
            <p v-for="(line, k) in step.lines" :key="k" class="mt-0.5 text-[0.9rem]">{{ line }}</p>
            <dl v-if="step.places.length" class="mt-1 space-y-0.5">
              <div v-for="row in step.places" :key="`${row.what} ${row.reads}`" class="grid grid-cols-[10rem_minmax(0,1fr)] gap-2">
                <dt class="font-medium">
                  {{ row.what }}<span v-if="row.reads" class="block font-normal text-soft">{{ row.reads }}</span>
                </dt>
                <dd class="flex flex-wrap gap-x-3 text-[0.9rem] tabular-nums">
                  <span v-for="(at, k) in row.at" :key="k">{{ at }}</span>
                </dd>
              </div>
            </dl>
            <ul v-if="step.checks.length" class="mt-1 text-[0.9rem]">
              <li v-for="check in step.checks" :key="check" class="flex gap-2"><span aria-hidden="true">☐</span>{{ check }}</li>
            </ul>
            <p
              v-for="caution in step.cautions"
              :key="caution.id"
              class="mt-1 flex gap-1.5"
              :class="caution.accepted ? 'text-soft' : 'text-bracken'"
            >
              <TriangleAlert :size="15" class="mt-0.5 shrink-0" aria-label="Caution" />{{
                caution.accepted ? `Taken as read: ${caution.text}` : caution.text
              }}
            </p>
          </div>
        </li>
      </ol>
      <p class="mt-6 border-t border-seam pt-2 text-fine text-soft">
        Places are seen from the front and lie on the middle of the face. Local rules, the maker’s leaflets and people licensed for the work
        go before this sheet.
      </p>
    </main>
    <p v-else class="p-6 text-soft">Working it out…</p>
    <PhoneDialog v-if="carrying" @close="carrying = false" />
  </div>
</template>
