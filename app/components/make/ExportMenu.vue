<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { ChevronDown } from '@lucide/vue'
import type { Label, Page, PaperId, MakeSheet, SheetTable } from '#core/formats'
import { calendarOf, labelPages, LABELS, marksOf, PAPERS, sheetCsv, SHEET_TABLES, stripPages, templatePages } from '#core/formats'
import { CAUTIONS } from '#core/tasks'
import { listed } from '#core/measure'
import { fileName, saveBlob, saveText } from '~/utils/files'
import { pieceBounds } from '~/drawing/scene'
import { writeVectors } from '~/workers/picture'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'

/** All that goes out of a sheet: on paper, and as files that other programs read. */
const props = defineProps<{ sheet: MakeSheet }>()
const bench = useBench()
const notices = useNotices()
const paper = ref<PaperId>(bench.manner.units === 'in' ? 'letter' : 'a4')
const busy = ref('')

const marks = () => marksOf(bench.piece!, bench.workings!.placements, bench.shelf)
const savePdf = (bytes: ArrayBuffer, what: string): void =>
  saveBlob(new Blob([bytes], { type: 'application/pdf' }), `${fileName(bench.piece!)}-${what}.pdf`)

/** The drawing as SVG on the page, which the PDF's writer reads. */
async function drawing() {
  const region = pieceBounds(bench.workings!)
  const text = await writeVectors(bench.workings!.scene, {
    region,
    title: bench.piece!.brief.name,
    names: {},
    surface: false,
    shadows: false,
  })
  const svg = new DOMParser().parseFromString(text, 'image/svg+xml').documentElement as unknown as SVGSVGElement
  document.body.append(svg)
  svg.style.position = 'absolute'
  svg.style.left = '-99999px'
  return { svg, width: region.right - region.left, height: region.bottom - region.top }
}

async function sheetOut(): Promise<void> {
  const { sheetPdf } = await import('~/print/pdf')
  const drawn = await drawing()
  try {
    savePdf(await sheetPdf(props.sheet, paper.value, drawn), 'sheet')
  } finally {
    drawn.svg.remove()
  }
}
/** Pages that are looked at before they are saved. */
interface Shown {
  readonly title: string
  readonly what: string
  readonly pages: readonly Page[]
  readonly way: 'portrait' | 'landscape'
}
const shown = shallowRef<Shown | null>(null)
async function savePages({ pages, way, what }: Shown): Promise<void> {
  await notices.tell(
    'The pages could not be written',
    import('~/print/pdf').then(async ({ pagesPdf }) => savePdf(await pagesPdf(pages, paper.value, bench.piece!.brief.name, way), what)),
  )
}
function templateOut(): Promise<void> {
  const pages = templatePages(bench.piece!.brief.name, bench.runs, marks(), paper.value)
  if (pages) shown.value = { title: 'Full-size template', what: 'template', pages, way: 'portrait' }
  else notices.fault('Too large for paper', 'The template would take more than 120 pages. The tape strip says the same in a few.')
  return Promise.resolve()
}
function stripOut(): Promise<void> {
  const pages = stripPages(bench.piece!.brief.name, bench.runs, marks(), paper.value, bench.manner)
  shown.value = { title: 'Tape strip', what: 'tape', pages, way: 'landscape' }
  return Promise.resolve()
}
/** What is on it, how it is looked after, and what to mind: on one label for each copy, or on a sheet of one piece. */
const label = computed<Label>(() => {
  const piece = bench.piece!
  const contents = [...new Set(props.sheet.stems.map(({ what }) => what))]
  const ids = new Set(bench.workings!.tasks.flatMap(({ cautions }) => cautions))
  const minded = (['poisonous', 'poisonous-pets', 'dry', 'lights'] as const).filter((id) => ids.has(id))
  const care = {
    indoors: 'Indoors, out of the sun; away from heat.',
    covered: 'Outdoors under cover.',
    open: 'Stands rain; mist it in dry weather.',
  }[piece.brief.weather]
  return {
    title: piece.brief.name,
    lines: [contents.length ? `Of ${listed(contents)}.` : '', care, ...minded.map((id) => CAUTIONS[id])].filter(Boolean),
  }
})
function labelsOut(): Promise<void> {
  const { columns, rows } = LABELS[paper.value]
  const n = Math.max(columns * rows, bench.piece!.brief.copies)
  const pages = labelPages(
    Array.from({ length: n }, () => label.value),
    paper.value,
  )
  shown.value = { title: 'Labels', what: 'labels', pages, way: 'portrait' }
  return Promise.resolve()
}
async function calendarOut(): Promise<void> {
  const text = await calendarOf(bench.piece!, bench.workings!.schedule, bench.manner, Date.now())
  if (text) saveText(text, `${fileName(bench.piece!)}.ics`, 'text/calendar')
  else notices.note('Say by what day it must hang, under Order on the bench; then there is something for a calendar.')
}
const tableOut = (table: SheetTable): Promise<void> =>
  Promise.resolve(saveText(sheetCsv(props.sheet, table), `${fileName(bench.piece!)}-${table}.csv`, 'text/csv'))

const OUT: readonly { readonly name: string; readonly out: () => Promise<void> }[] = [
  { name: 'Sheet, PDF', out: sheetOut },
  { name: 'Full-size template…', out: templateOut },
  { name: 'Tape strip…', out: stripOut },
  { name: 'Labels…', out: labelsOut },
  ...SHEET_TABLES.map((table) => ({ name: `Table of ${table}, CSV`, out: () => tableOut(table) })),
  { name: 'Calendar, iCalendar', out: calendarOut },
]
async function hand({ name, out }: (typeof OUT)[number]): Promise<void> {
  busy.value = name
  await notices.tell(`It could not be written: ${name}`, out())
  busy.value = ''
}
</script>

<template>
  <div class="flex items-center gap-2">
    <label class="sr-only" for="paper">Paper</label>
    <select id="paper" v-model="paper" class="field w-24">
      <option v-for="(_, id) in PAPERS" :key="id" :value="id">{{ id === 'a4' ? 'A4' : 'Letter' }}</option>
    </select>
    <Menu as="div" class="relative">
      <MenuButton class="button h-8" :disabled="busy !== ''">{{ busy ? 'Writing…' : 'Save' }}<ChevronDown :size="15" /></MenuButton>
      <MenuItems
        class="absolute right-0 z-40 mt-1 w-56 rounded-[5px] border border-line bg-sheet p-1 shadow-lg outline-none max-sm:left-0 max-sm:right-auto"
      >
        <MenuItem v-for="each in OUT" :key="each.name" v-slot="{ active }"
          ><button type="button" class="block min-h-8 w-full rounded px-2 text-left" :class="active ? 'bg-moss' : ''" @click="hand(each)">
            {{ each.name }}
          </button></MenuItem
        >
      </MenuItems>
    </Menu>
    <PagesDialog
      v-if="shown"
      :title="shown.title"
      :pages="shown.pages"
      :paper="paper"
      :way="shown.way"
      :save="() => savePages(shown!)"
      @close="shown = null"
    />
  </div>
</template>
