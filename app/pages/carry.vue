<script setup lang="ts">
import { onMounted, ref, shallowRef, watch } from 'vue'
import { navigateTo, useHead } from '#app'
import { NuxtLink } from '#components'
import { useEventListener } from '@vueuse/core'
import type { PieceFile } from '#core/formats'
import { readLink } from '#core/formats'
import type { CautionId } from '#core/tasks'
import type { Piece } from '#core/piece'
import { edit, withOwnTask } from '#core/piece'
import type { OnBench } from '#core/workroom'
import { askWorkings } from '~/workers/workings'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { useSettings } from '~/stores/settings'
import { useStock } from '~/stores/stock'

/** A piece that came in the address, after #: its sheet at once, and the offer to keep it. */
const notices = useNotices()
const pieces = usePieces()
const settings = useSettings()
const stock = useStock()
const file = shallowRef<PieceFile | null>(null)
const piece = shallowRef<Piece | null>(null)
const workings = shallowRef<OnBench | null>(null)
const wrong = ref<string | null>(null)
const keeping = ref(false)
useHead({ title: () => (piece.value ? `Making ${piece.value.brief.name}` : 'A piece from another device') })

async function workOut(): Promise<void> {
  const { pricing } = stock
  const own = Object.fromEntries((file.value?.materials ?? []).map((each) => [each.id, each]))
  const shelf = { ...pricing.shelf, materials: { ...pricing.shelf.materials, ...own } }
  const worked = await notices.tell(
    'The sums could not be worked out',
    askWorkings(piece.value!, { ...pricing, shelf }).then((answer) => {
      workings.value = answer
    }),
  )
  if (!worked) wrong.value = 'This piece could not be worked out on this device.'
}
async function open(): Promise<void> {
  file.value = piece.value = workings.value = wrong.value = null
  const read = readLink(window.location.hash)
  if (!read.ok) {
    wrong.value = read.faults.map(({ says, at }) => (at ? `${at}: ${says}` : says)).join('\n')
    return
  }
  file.value = read
  piece.value = read.piece
  await workOut()
}
onMounted(open)
// Shops that answer late change what it costs.
watch(
  () => stock.pricing,
  () => {
    if (piece.value) void workOut()
  },
)
useEventListener(window, 'hashchange', open)

async function keep(): Promise<void> {
  if (!file.value || keeping.value) return
  keeping.value = true
  let id: string | null = null
  await notices.tell(
    'The piece could not be kept',
    pieces.take(file.value).then(({ piece: kept }) => {
      id = kept.id
    }),
  )
  keeping.value = false
  if (id) await navigateTo(`/piece/${id as string}/steps`)
}
/** What is read or found before the piece is kept holds as long as the page is open. */
function change(set: Partial<Piece['making']>, words: string): void {
  const edited = edit(piece.value!, { do: 'making', set }, words)
  if (!edited.ok) return notices.fault('It could not be noted', edited.error)
  piece.value = edited.change.piece
  file.value = { ...file.value!, piece: piece.value }
  void workOut()
}
const accept = (caution: CautionId): void =>
  change({ accepted: [...new Set([...piece.value!.making.accepted, caution])] }, 'take a caution as read')
function found(note: string): void {
  change({ own: withOwnTask(piece.value!.making.own, { title: note, after: 'look' }) }, 'note what was found')
}
</script>

<template>
  <div class="flex h-dvh flex-col">
    <header class="flex min-h-12 shrink-0 items-center gap-3 border-b border-line px-3">
      <NuxtLink
        to="/"
        class="flex min-h-11 items-center text-base font-medium text-soft underline decoration-dotted underline-offset-2 hover:text-ink"
        >Workroom</NuxtLink
      >
      <h1 class="min-w-0 flex-1 truncate font-serif text-lg">{{ piece?.brief.name ?? 'A piece from another device' }}</h1>
      <button v-if="piece" type="button" class="button-main h-11 text-base" :disabled="keeping" @click="keep">Keep it</button>
    </header>
    <main class="min-h-0 flex-1">
      <div v-if="wrong" class="space-y-3 p-5 text-base" role="alert" data-testid="wrong">
        <p class="whitespace-pre-line">{{ wrong }}</p>
        <p class="text-soft">Nothing in this browser was changed.</p>
      </div>
      <MakeSteps
        v-else-if="piece && workings"
        :key="piece.id"
        :piece="piece"
        :workings="workings"
        :manner="settings.manner"
        :kept="false"
        @accept="accept"
        @found="found"
      />
      <p v-else class="p-6 text-soft">Working it out…</p>
    </main>
  </div>
</template>
