<script setup lang="ts">
import { useWholeWorkroom } from '~/composables/useWholeWorkroom'
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import { Archive, FolderInput } from '@lucide/vue'
import { format } from 'date-fns'
import type { Whole } from '#core/formats'
import { LARGEST_WHOLE } from '#core/formats'
import { listed, several } from '#core/measure'
import { faultText, saveBlob } from '~/utils/files'
import { useStorageQuota } from '~/composables/useStorageQuota'
import type { BroughtIn } from '~/db/backup'
import { reason } from '~/db/storage-error-text'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { askWholeReading, askWriting } from '~/workers/plan'

/** Everything in one file, and out of it again on another browser. */
const notices = useNotices()
const settings = useSettings()
const storage = useStorageQuota()
const everything = useWholeWorkroom()
const file = useTemplateRef('file')
const busy = ref('')

async function write(): Promise<void> {
  busy.value = 'Writing everything…'
  const now = new Date()
  await notices.tell(
    'The file could not be written',
    everything
      .read()
      .then((whole) => askWriting(whole, now.toISOString()))
      .then(async (bytes) => {
        // A file that could not be read back would be none.
        const read = await askWholeReading(bytes)
        if (!read.ok) throw new Error(faultText(read.faults))
        saveBlob(new Blob([bytes as BlobPart], { type: 'application/zip' }), `workroom-${format(now, 'yyyy-MM-dd')}.zip`)
        settings.setWritten(now.getTime())
      }),
  )
  busy.value = ''
}

const found = shallowRef<{
  readonly name: string
  readonly whole: Whole
  readonly written: string
  readonly aside: readonly string[]
} | null>(null)
const faults = ref('')
async function chosen(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const [picked] = input.files ?? []
  input.value = ''
  if (!picked) return
  taken.value = null
  faults.value = ''
  if (picked.size > LARGEST_WHOLE) {
    faults.value = `“${picked.name}” is larger than any workroom: over ${LARGEST_WHOLE / 1024 / 1024} MB.\nNothing was changed.`
    return
  }
  busy.value = `Reading “${picked.name}”…`
  try {
    const read = await askWholeReading(new Uint8Array(await picked.arrayBuffer()))
    if (read.ok) found.value = { name: picked.name, whole: read.whole, written: read.written, aside: read.aside }
    else faults.value = `“${picked.name}” was not taken in.\n${faultText(read.faults)}`
  } catch (error) {
    faults.value = `“${picked.name}” could not be read: ${reason(error)}\nNothing was changed.`
  }
  busy.value = ''
}
const says = computed(() => {
  const now = found.value?.whole
  if (!now) return ''
  const { pieces, lots, daybook, kits, sales } = now.tables
  return listed([
    several(pieces.length, 'piece', 'pieces'),
    several(lots.length, 'lot', 'lots'),
    several(daybook.length, 'page of the daybook', 'pages of the daybook'),
    several(kits.length, 'set of kits', 'sets of kits'),
    several(sales.length, 'sale', 'sales'),
    several(now.photos.length, 'photo', 'photos'),
  ])
})
const taken = shallowRef<BroughtIn | null>(null)
const NAMES: Readonly<Record<BroughtIn['rows'][number]['table'], string>> = {
  pieces: 'Pieces',
  versions: 'Earlier versions',
  materials: 'Materials of your own',
  lots: 'Lots in the house',
  rolls: 'Rolls of your own',
  cutList: 'Cutting list',
  progress: 'Making under way',
  shops: 'Price lists of your own',
  purchases: 'Shopping list',
  sales: 'Sales',
  daybook: 'Pages of the daybook',
  kits: 'Kits',
  batches: 'Batches',
  photos: 'Photos',
}
async function take(how: 'merge' | 'replace'): Promise<void> {
  if (!found.value) return
  if (how === 'replace' && !window.confirm('Put this in the place of everything that is here? What is here now is gone then.')) return
  busy.value = 'Taking it in…'
  const { whole } = found.value
  await notices.tell(
    'It was not taken in',
    everything.take(whole, how).then((report) => {
      taken.value = report
      found.value = null
    }),
  )
  busy.value = ''
}
const last = computed(() =>
  settings.writtenAt === null ? 'It was never written to a file.' : `Last written on ${format(settings.writtenAt, 'd MMMM yyyy')}.`,
)
</script>

<template>
  <section class="border-b border-line py-3" aria-label="The whole workroom" data-testid="whole-file">
    <h2 class="font-serif text-xl">The whole workroom in one file</h2>
    <p class="text-soft">
      Pieces with their earlier versions, stash, daybook, kits, sales, photos and settings, as a zip of plain documents. {{ last }}
      {{ storage.says }}
    </p>
    <div class="flex flex-wrap items-center gap-2 pt-2">
      <button type="button" class="button h-8" :disabled="busy !== ''" @click="write">
        <Archive :size="15" />Write everything to one file
      </button>
      <button type="button" class="button h-8" :disabled="busy !== ''" @click="file?.click()">
        <FolderInput :size="15" />Take such a file in…
      </button>
      <button v-if="storage.kept === false" type="button" class="button h-8" @click="storage.keep()">
        Ask the browser to keep all this
      </button>
      <input
        ref="file"
        type="file"
        accept=".zip,application/zip"
        class="sr-only"
        tabindex="-1"
        aria-label="A workroom file"
        @change="chosen"
      />
      <span v-if="busy" class="text-soft" role="status">{{ busy }}</span>
    </div>
    <p v-if="faults" class="whitespace-pre-line pt-2 text-ruddy" role="alert">{{ faults }}</p>
    <table v-if="taken" class="mt-2 text-small" data-testid="taken">
      <caption class="pb-1 text-left font-medium">
        It is taken in.<template v-if="taken.beside.length">
          {{ listed(taken.beside.map((name) => `“${name}”`)) }} came in beside {{ taken.beside.length === 1 ? 'the one' : 'those' }} you
          have.</template
        >
      </caption>
      <thead>
        <tr class="border-b border-line text-left text-soft">
          <th class="font-normal">What</th>
          <th class="px-3 text-right font-normal">Came in</th>
          <th class="px-3 text-right font-normal">Was the same</th>
          <th class="pl-3 text-right font-normal">Yours stayed</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in taken.rows" :key="row.table" class="border-b border-seam">
          <th scope="row" class="text-left font-normal">{{ NAMES[row.table] }}</th>
          <td class="px-3 text-right">{{ row.came }}</td>
          <td class="px-3 text-right">{{ row.same }}</td>
          <td class="pl-3 text-right">{{ row.kept }}</td>
        </tr>
      </tbody>
    </table>
    <DialogFrame v-if="found" title="Take it in" wide="w-[32rem]" @close="found = null">
      <p>“{{ found.name }}”, written on {{ format(new Date(found.written), 'd MMMM yyyy, HH:mm') }}, has {{ says }}.</p>
      <p v-if="found.aside.length" class="pt-1 text-soft">
        {{ several(found.aside.length, 'other file is', 'other files are') }} in it and left aside.
      </p>
      <p class="pt-2 text-soft">
        Beside what is here: what is the same is left, pieces that differ come in beside yours, of the rest yours stays. All of it, or
        nothing.
      </p>
      <div class="flex flex-wrap justify-end gap-2 pt-3">
        <button type="button" class="button h-8" @click="found = null">Not now</button>
        <button type="button" class="button h-8 text-ruddy" :disabled="busy !== ''" @click="take('replace')">
          In place of all that is here…
        </button>
        <button type="button" class="button-main" :disabled="busy !== ''" @click="take('merge')">Beside what is here</button>
      </div>
    </DialogFrame>
  </section>
</template>
