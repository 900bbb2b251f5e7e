<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { navigateTo, useHead, useRuntimeConfig } from '#app'
import { NuxtLink } from '#components'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { FileInput, Plus } from '@lucide/vue'
import { useWindowVirtualizer } from '@tanstack/vue-virtual'
import { useDropZone, useWindowSize } from '@vueuse/core'
import { formatMoney, several } from '#core/measure'
import { faultText } from '~/utils/files'
import { useStorageQuota } from '~/composables/useStorageQuota'
import { reason } from '~/db/storage-error-text'
import { seedDemo } from '~/stores/demo'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { useSettings } from '~/stores/settings'
import { useWorkroom } from '~/stores/workroom'

useHead({ title: 'Workroom · Ruddy Bramble' })
const pieces = usePieces()
const notices = useNotices()
const storage = useStorageQuota()
const settings = useSettings()
const workroom = useWorkroom()
workroom.look()
/** What is opened for more than one piece. */
const shared = computed(() =>
  (workroom.plan?.materials ?? [])
    .map(({ taken, ...each }) => ({ ...each, by: Object.values(taken).filter((much) => much > 0).length }))
    .filter(({ of, by }) => of !== 'base' && by > 1)
    .map(({ id, name, opened, by }) => ({ id, name, cost: opened.value, by })),
)
const file = useTemplateRef('file')
const page = useTemplateRef('page')
const naming = ref(false)
const reading = ref<string | null>(null)
const name = ref('')

onMounted(async () => {
  await notices.tell(
    'What a closed page left behind could not be taken up',
    pieces.takeUpRescues().then((beside) => {
      for (const each of beside) notices.note(`What a closed page left behind is kept as “${each}”.`)
    }),
  )
  // Nuxt reads the setting from the environment, where "1" comes as a number.
  if (!useRuntimeConfig().public.demo) return
  try {
    await seedDemo()
  } catch (error) {
    notices.fault('The demo pieces could not be laid out', String(error))
  }
})

const records = computed(() => pieces.records ?? [])

/** Days after which what is only in this browser wants writing to a file, and pieces from which on it matters. */
const OLD = 30
const MANY = 3
const unsafe = computed(() => {
  if (records.value.length < MANY) return ''
  if (settings.writtenAt === null) return 'Everything is in this browser only: it was never written to a file.'
  const days = Math.floor((Date.now() - settings.writtenAt) / 86_400_000)
  return days > OLD ? `Everything was last written to a file ${days} days ago.` : ''
})

/** As many cards side by side as the page is wide for; only rows in view are there. */
const { width } = useWindowSize()
const columns = computed(() => (width.value >= 1024 ? 3 : width.value >= 640 ? 2 : 1))
const rows = computed(() =>
  Array.from({ length: Math.ceil(records.value.length / columns.value) }, (_, i) =>
    records.value.slice(i * columns.value, (i + 1) * columns.value),
  ),
)
const list = useTemplateRef('list')
const virtual = useWindowVirtualizer(
  computed(() => ({
    count: rows.value.length,
    estimateSize: () => (Math.min(width.value, 1152) / columns.value) * 0.75 + 90,
    overscan: 1,
    scrollMargin: list.value?.offsetTop ?? 0,
  })),
)
const measured = (row: unknown): void => {
  if (row instanceof Element) virtual.value.measureElement(row)
}

async function take(files: readonly File[] | FileList | null): Promise<void> {
  for (const each of files ?? []) {
    reading.value = each.name
    const imported = await pieces
      .importFile(each)
      .catch((error: unknown): { ok: false; faults: { says: string; at: string; line: null }[] } => ({
        ok: false,
        faults: [{ says: reason(error), at: '', line: null }],
      }))
    reading.value = null
    if (!imported.ok) notices.fault(`“${each.name}” was not taken in`, faultText(imported.faults))
    else if (imported.how === 'same') notices.note(`“${imported.piece.brief.name}” is here already, and is the same.`)
    else if (imported.how === 'copy') notices.note(`“${imported.piece.brief.name}” came in beside the one you have, which differs.`)
    else
      notices.note(
        `“${imported.piece.brief.name}” came in${imported.materials ? ` with ${several(imported.materials, 'material', 'materials')} of its maker’s own` : ''}.`,
      )
    if (imported.ok && imported.money && imported.money !== settings.currency)
      notices.note(
        `Its money was in ${imported.money}; the workroom counts in ${settings.currency}. Look at its budget and the price of its base.`,
      )
  }
}
async function chosen(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  void storage.keep()
  await take(input.files)
  input.value = ''
}
const { isOverDropZone } = useDropZone(page, {
  onDrop: (files) => {
    void take(files)
  },
})

/** Asks what a new piece shall be called. */
function ask(): void {
  name.value = ''
  naming.value = true
}
async function start(): Promise<void> {
  // From the first piece on there is something to lose: ask the browser not to clear it away.
  void storage.keep()
  await notices.tell(
    'The piece could not be started',
    pieces.start(name.value.trim()).then(async (id) => {
      await navigateTo(`/piece/${id}`)
    }),
  )
}
</script>

<template>
  <main ref="page" class="mx-auto min-h-dvh max-w-6xl px-6 pb-10 max-sm:px-4" :class="isOverDropZone ? 'bg-moss' : ''">
    <header class="flex flex-wrap items-center gap-x-3 gap-y-2 border-b border-line py-4">
      <img src="/icon.svg" alt="" class="size-7" />
      <h1 class="font-serif text-2xl leading-none">Ruddy Bramble</h1>
      <MainNav />
      <div class="ml-auto flex flex-wrap items-center gap-2 max-sm:ml-0">
        <UnitsSwitch />
        <ThemeToggle />
        <button type="button" class="button h-8" @click="file?.click()"><FileInput :size="15" />Open a file</button>
        <input
          ref="file"
          type="file"
          accept=".json,application/json"
          multiple
          class="sr-only"
          tabindex="-1"
          aria-label="A piece file"
          @change="chosen"
        />
        <button type="button" class="button-main" @click="ask"><Plus :size="16" />Start a piece</button>
      </div>
    </header>
    <WhatIsNew />
    <p v-if="reading" class="pt-3 text-soft" role="status">Reading “{{ reading }}”…</p>
    <section
      v-if="workroom.plan && workroom.current && workroom.inHand?.length"
      class="mt-4 grid grid-cols-[1fr_1fr_1fr] gap-x-8 rounded-md border border-seam bg-sheet px-4 py-2 max-sm:grid-cols-1"
      aria-label="In hand"
      data-testid="in-hand"
    >
      <FigureRow :label="`To open for ${workroom.counted} in hand`" :figure="workroom.plan.opened" :manner="settings.manner" strong />
      <FigureRow label="Each bought for by itself" :figure="workroom.plan.apart" :manner="settings.manner" />
      <FigureRow label="Saved by sharing packs and rolls" :figure="workroom.plan.saved" :manner="settings.manner" />
      <details v-if="shared.length" class="col-span-full border-t border-seam pt-1 text-fine">
        <summary class="cursor-pointer py-0.5 font-medium">
          {{ several(shared.length, 'material is', 'materials are') }} shared by several pieces
        </summary>
        <ul class="columns-2 gap-x-8 pb-1 max-sm:columns-1">
          <li v-for="each in shared" :key="each.id" class="flex justify-between gap-3">
            <span class="first-letter:uppercase">{{ each.name }}, by {{ each.by }}</span
            ><span class="tabular-nums">{{ formatMoney(each.cost, settings.currency) }}</span>
          </li>
        </ul>
      </details>
    </section>
    <p v-if="pieces.records && !records.length" class="py-24 text-center text-base" data-testid="empty">
      Nothing on the bench yet. Start a piece, or drop a piece file here.
    </p>
    <div
      v-else
      ref="list"
      class="relative my-6"
      :style="{ height: `${virtual.getTotalSize()}px` }"
      role="list"
      :aria-label="`Pieces, ${records.length}`"
    >
      <div
        v-for="row in virtual.getVirtualItems()"
        :key="Number(row.key)"
        :ref="measured"
        :data-index="row.index"
        role="presentation"
        class="absolute inset-x-0 top-0 grid gap-x-5 pb-6 focus-within:z-10"
        :style="{
          transform: `translateY(${row.start - virtual.options.scrollMargin}px)`,
          gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
        }"
      >
        <div v-for="record in rows[row.index]" :key="record.id" role="listitem"><PieceCard :record="record" /></div>
      </div>
    </div>
    <p v-if="unsafe" class="border-t border-seam pt-2 text-bracken" role="status" data-testid="backup">
      {{ unsafe }} <NuxtLink to="/settings" class="font-medium underline">Write it now</NuxtLink>
    </p>
    <footer v-if="storage.says" class="border-t border-seam pt-2 text-fine text-soft" data-testid="storage">
      {{ storage.says }}
      <button v-if="storage.kept === false" type="button" class="font-medium underline" @click="storage.keep()">
        Ask the browser to keep it
      </button>
    </footer>

    <Dialog :open="naming" class="relative z-50" @close="naming = false">
      <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
      <div class="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel class="w-96 rounded-md border border-line bg-frost p-4">
          <DialogTitle class="mb-3 font-serif text-lg">Start a piece</DialogTitle>
          <form @submit.prevent="start">
            <label class="field-label" for="piece-name">What shall it be called?</label>
            <input id="piece-name" v-model="name" class="field h-8" required maxlength="80" autocomplete="off" placeholder="Porch ring" />
            <div class="mt-4 flex justify-end gap-2">
              <button type="button" class="button h-8" @click="naming = false">Not now</button>
              <button type="submit" class="button-main" :disabled="!name.trim()">To the bench</button>
            </div>
          </form>
        </DialogPanel>
      </div>
    </Dialog>
  </main>
</template>
