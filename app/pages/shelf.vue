<script setup lang="ts">
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import { useHead } from '#app'
import { NuxtLink } from '#components'
import type { ColumnDef, SortingState } from '@tanstack/vue-table'
import { FlexRender, getCoreRowModel, getSortedRowModel, useVueTable } from '@tanstack/vue-table'
import { useWindowVirtualizer } from '@tanstack/vue-virtual'
import { ArrowDown, ArrowUp, Download, FileInput, Plus } from '@lucide/vue'
import type { ColourFamily } from '#core/coverage'
import { COLOUR_FAMILIES, colourFamily } from '#core/coverage'
import { writeMaterials } from '#core/formats'
import type { Material } from '#core/material'
import { CATALOGUE, flexOf, KIND_NAMES, MATERIAL_KINDS, materialOf, TEXTURES, WEATHERS, yieldOf } from '#core/material'
import { formatMoney, quantity, show } from '#core/measure'
import { saveText } from '~/utils/files'
import { useTableFile } from '~/composables/useTableFile'
import type { Draft } from '~/db/drafts'
import { thingsOf } from '#core/stock'
import { useMaterials } from '~/stores/materials'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useStock } from '~/stores/stock'

useHead({ title: 'Shelf · Ruddy Bramble' })
const materials = useMaterials()
const notices = useNotices()
const settings = useSettings()
const shops = useShops()
const stock = useStock()
const manner = computed(() => settings.manner)

const find = ref('')
const kind = ref('')
const colour = ref('')
const texture = ref('')
const stashed = ref(false)
const mine = ref(false)

const all = computed(() => Object.values(shops.shelf.materials))
const found = computed(() => {
  const wanted = find.value.trim().toLowerCase()
  return all.value.filter(
    (each) =>
      (!kind.value || each.kind === kind.value) &&
      (!texture.value || each.texture === texture.value) &&
      (!colour.value || each.colours.some((own) => colourFamily(own) === (colour.value as ColourFamily))) &&
      (!stashed.value || thingsOf(stock.here, each.id) > 0) &&
      (!mine.value || each.id in materials.own) &&
      `${each.name} ${KIND_NAMES[each.kind]} ${each.state}`.toLowerCase().includes(wanted),
  )
})

const length = (mm: number): string => show(quantity.length(mm), manner.value)
const columns: ColumnDef<Material>[] = [
  { id: 'name', header: 'Material', accessorKey: 'name' },
  {
    id: 'kind',
    header: 'Kind',
    accessorFn: ({ kind: of }) => MATERIAL_KINDS.indexOf(of),
    cell: ({ row }) => KIND_NAMES[row.original.kind],
  },
  {
    id: 'length',
    header: 'Size',
    accessorKey: 'length',
    cell: ({ row }) => `${length(row.original.length)} × ${length(row.original.width)}`,
  },
  { id: 'mass', header: 'Weight', accessorKey: 'mass', cell: ({ row }) => show(quantity.mass(row.original.mass), manner.value) },
  { id: 'texture', header: 'Texture', accessorFn: (each) => TEXTURES.indexOf(each.texture), cell: ({ row }) => row.original.texture },
  {
    id: 'hardy',
    header: 'Stands',
    accessorFn: (each) => WEATHERS.indexOf(each.hardy),
    cell: ({ row }) => ({ indoors: 'indoors only', covered: 'under cover', open: 'open weather' })[row.original.hardy],
  },
  {
    id: 'price',
    header: 'Pack',
    accessorFn: ({ pack }) => pack.price,
    cell: ({ row }) => formatMoney(row.original.pack.price, manner.value.currency),
  },
]
const sorting = ref<SortingState>([])
const table = useVueTable({
  get data() {
    return found.value
  },
  columns,
  getCoreRowModel: getCoreRowModel(),
  getSortedRowModel: getSortedRowModel(),
  sortDescFirst: false,
  state: {
    get sorting() {
      return sorting.value
    },
  },
  onSortingChange: (next) => {
    sorting.value = typeof next === 'function' ? next(sorting.value) : next
  },
})
const RIGHT = new Set(['length', 'mass', 'price'])

/** Only rows in view are there: a shelf may hold thousands. */
const body = useTemplateRef('body')
const rows = computed(() => table.getRowModel().rows)
const virtual = useWindowVirtualizer(
  computed(() => ({ count: rows.value.length, estimateSize: () => ROW, overscan: 12, scrollMargin: body.value?.offsetTop ?? 0 })),
)
const ROW = 49
const inView = computed(() => virtual.value.getVirtualItems())
const above = computed(() => Math.max(0, (inView.value[0]?.start ?? 0) - virtual.value.options.scrollMargin))
const below = computed(() =>
  Math.max(0, virtual.value.getTotalSize() - (inView.value.at(-1)?.end ?? 0) + virtual.value.options.scrollMargin),
)

const editing = shallowRef<Material | null>(null)
const goOn = ({ of, begun }: Draft): void => {
  editing.value = materialOf(shops.shelf, of) ?? (begun as unknown as Material)
}
const { chosen: csv, reading, choose, goOn: goOnTable } = useTableFile()
const file = useTemplateRef('file')
function copyOf(material: Material): Material {
  const name = `${material.name}, own`
  return { ...material, id: materials.freshId(name), name, plural: `${material.plural}, own` }
}
function start(): void {
  editing.value = { ...CATALOGUE['bay']!, id: materials.freshId('new material'), name: 'new material', plural: 'new materials' }
}
function takeStash(id: string, count: number): null {
  void notices.tell('The stash could not be kept', stock.count(id, count))
  return null
}
</script>

<template>
  <main class="mx-auto min-h-dvh max-w-7xl px-6 pb-10 max-sm:px-4">
    <PageHead title="Shelf">
      <template #about>
        <NuxtLink to="/species-gallery" class="page-link">Plate of species</NuxtLink>
        <span class="text-soft">{{ found.length }} of {{ all.length }} materials</span>
      </template>
      <button type="button" class="button h-8" @click="file?.click()"><FileInput :size="15" />From a table</button>
      <input
        ref="file"
        type="file"
        accept=".csv,.tsv,.txt,text/csv"
        class="sr-only"
        tabindex="-1"
        aria-label="A table of materials"
        @change="choose"
      />
      <button type="button" class="button h-8" @click="saveText(writeMaterials(found, settings.units), 'materials.csv', 'text/csv')">
        <Download :size="15" />As a table
      </button>
      <button type="button" class="button-main" @click="start"><Plus :size="16" />Add a material</button>
    </PageHead>
    <BegunBar kind="materials" @open="goOnTable" />
    <p v-if="reading" class="pt-2 text-soft" role="status">Reading “{{ reading }}”…</p>
    <BegunBar kind="material" @open="goOn" />

    <div class="flex flex-wrap items-end gap-2 py-3" role="search">
      <label class="w-56"
        ><span class="field-label">Find</span><input v-model="find" type="search" class="field" placeholder="fern, fresh, focal …"
      /></label>
      <label class="w-40"
        ><span class="field-label">Kind</span
        ><select v-model="kind" class="field">
          <option value="">All kinds</option>
          <option v-for="each in MATERIAL_KINDS" :key="each" :value="each">{{ KIND_NAMES[each] }}</option>
        </select></label
      >
      <label class="w-32"
        ><span class="field-label">Colour</span
        ><select v-model="colour" class="field">
          <option value="">All colours</option>
          <option v-for="each in COLOUR_FAMILIES" :key="each" :value="each">{{ each }}</option>
        </select></label
      >
      <label class="w-32"
        ><span class="field-label">Texture</span
        ><select v-model="texture" class="field">
          <option value="">All textures</option>
          <option v-for="each in TEXTURES" :key="each" :value="each">{{ each }}</option>
        </select></label
      >
      <label class="flex h-7 items-center gap-1.5"><input v-model="stashed" type="checkbox" class="size-4 accent-leaf" />In stash</label>
      <label class="flex h-7 items-center gap-1.5"><input v-model="mine" type="checkbox" class="size-4 accent-leaf" />My own</label>
    </div>

    <div class="max-lg:relative max-lg:overflow-x-auto">
      <table class="w-full min-w-224 text-small" :aria-rowcount="rows.length + 1">
        <thead>
          <tr v-for="group in table.getHeaderGroups()" :key="group.id" class="border-b border-line text-left">
            <th class="w-14"><span class="sr-only">Picture</span></th>
            <th
              v-for="header in group.headers"
              :key="header.id"
              class="py-1 pr-3 font-semibold"
              :class="RIGHT.has(header.id) ? 'text-right' : ''"
              :aria-sort="
                header.column.getIsSorted() === 'asc' ? 'ascending' : header.column.getIsSorted() === 'desc' ? 'descending' : 'none'
              "
            >
              <button
                type="button"
                class="inline-flex items-center gap-1 hover:underline"
                @click="header.column.getToggleSortingHandler()?.($event)"
              >
                <FlexRender :render="header.column.columnDef.header" :props="header.getContext()" />
                <ArrowUp v-if="header.column.getIsSorted() === 'asc'" :size="12" /><ArrowDown
                  v-else-if="header.column.getIsSorted() === 'desc'"
                  :size="12"
                />
              </button>
            </th>
            <th class="py-1 text-right font-semibold">In stash</th>
            <th class="w-32"><span class="sr-only">What to do</span></th>
          </tr>
        </thead>
        <tbody ref="body">
          <tr v-if="above" aria-hidden="true">
            <td :colspan="columns.length + 3" :style="{ height: `${above}px` }" />
          </tr>
          <tr
            v-for="{ row, index } in inView.map(({ index }) => ({ index, row: rows[index]! }))"
            :key="row.id"
            class="border-b border-seam"
            :style="{ height: `${ROW}px` }"
            :aria-rowindex="index + 2"
            data-testid="material"
          >
            <td class="py-0.5"><MaterialPicture :key="JSON.stringify(row.original)" :material="row.original" :size="44" /></td>
            <td
              v-for="cell in row.getVisibleCells()"
              :key="cell.id"
              class="py-0.5 pr-3"
              :class="RIGHT.has(cell.column.id) ? 'text-right tabular-nums whitespace-nowrap' : ''"
            >
              <template v-if="cell.column.id === 'name'">
                <span class="block font-medium first-letter:uppercase">{{ row.original.name }}</span>
                <span class="flex items-center gap-1 text-tiny text-soft"
                  ><span
                    v-for="own in row.original.colours"
                    :key="own"
                    class="size-2.5 rounded-[2px] border border-line"
                    :style="{ background: own }"
                    aria-hidden="true"
                  />{{ row.original.state }}{{ flexOf(row.original) === 'stiff' ? '' : `, ${flexOf(row.original)}`
                  }}{{ row.original.id in materials.own ? ', my own' : '' }}</span
                >
              </template>
              <template v-else-if="cell.column.id === 'price'">
                <span class="block">{{ formatMoney(row.original.pack.price, manner.currency) }}</span><span
                  class="block text-tiny text-soft"
                  >{{ yieldOf(row.original) }}</span
                >
              </template>
              <FlexRender v-else :render="cell.column.columnDef.cell" :props="cell.getContext()" />
            </td>
            <td>
              <StashField
                class="ml-auto w-16"
                :label="`${row.original.name} in stash`"
                :count="thingsOf(stock.here, row.original.id)"
                :take="(count: number) => takeStash(row.original.id, count)"
              />
            </td>
            <td class="whitespace-nowrap pl-3 text-right text-fine">
              <button
                type="button"
                class="font-medium underline decoration-dotted underline-offset-2"
                :aria-label="`Edit ${row.original.name}`"
                @click="editing = row.original"
              >
                Edit
              </button>
              <button
                type="button"
                class="ml-3 font-medium underline decoration-dotted underline-offset-2"
                :aria-label="`Duplicate ${row.original.name}`"
                @click="editing = copyOf(row.original)"
              >
                Duplicate
              </button>
            </td>
          </tr>
          <tr v-if="below" aria-hidden="true">
            <td :colspan="columns.length + 3" :style="{ height: `${below}px` }" />
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="!found.length" class="py-10 text-center text-soft">Nothing on the shelf is like that.</p>

    <MaterialDialog v-if="editing" :material="editing" @close="editing = null" />
    <TableDialog v-if="csv" :table="csv" @close="csv = null" />
  </main>
</template>
