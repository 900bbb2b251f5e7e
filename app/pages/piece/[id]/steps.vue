<script setup lang="ts">
import { shallowRef } from 'vue'
import { useHead } from '#app'
import { NuxtLink } from '#components'
import type { DaybookRecord } from '#core/daybook'
import { beginRecord } from '#core/daybook'
import { withOwnTask } from '#core/piece'
import type { CautionId } from '#core/tasks'
import { timesOf } from '#core/tasks'
import { useOpenPiece } from '~/composables/useOpenPiece'
import { useToday } from '~/composables/useToday'
import { useBench } from '~/stores/bench'
import { useDaybook } from '~/stores/daybook'
import { newId } from '~/utils/new-id'
import { useNotices } from '~/stores/notices'

/** Making a piece, step by step, with wet hands. */
const bench = useBench()
const notices = useNotices()
useHead({ title: () => (bench.piece ? `Making ${bench.piece.brief.name}` : 'Making') })
useOpenPiece()

function accept(caution: CautionId): void {
  const { accepted } = bench.piece!.making
  if (!accepted.includes(caution)) bench.apply({ do: 'making', set: { accepted: [...accepted, caution] } }, 'take a caution as read')
}
/** What is found at the gate is a task of its own, to be done before anything is fixed for good. */
function found(note: string): void {
  const own = withOwnTask(bench.piece!.making.own, { title: note, after: 'look' })
  const error = bench.apply({ do: 'making', set: { own } }, 'note what was found')
  if (error) notices.fault('It could not be noted', error)
  else notices.note(`Noted: “${note}” comes next.`)
}
const daybook = useDaybook()
const today = useToday()
const writing = shallowRef<DaybookRecord | null>(null)
/** A page for the one that was just made, with what the sheet timed and counted. */
function record(spent: Readonly<Record<string, number>>, counted: Readonly<Record<string, number>>): void {
  const [piece, workings] = [bench.piece!, bench.workings!]
  const tasks = timesOf(workings.tasks, bench.shelf)
  writing.value = beginRecord(
    { piece, tasks, needs: workings.needs, materials: workings.bill.materialsEach.value, spent, counted, day: today.value },
    bench.shelf,
    newId(),
  )
}
function written(): void {
  writing.value = null
  notices.note('It is in the daybook. What it taught changes the figures from now on.')
}
function begun(): void {
  bench.apply({ do: 'stage', stage: 'making' }, 'begin to make it')
}
function hung(): void {
  bench.apply({ do: 'stage', stage: 'hung' }, 'say that it hangs')
  notices.note('It hangs. Write down what you would do otherwise while you know it.')
}
</script>

<template>
  <div v-if="bench.piece" class="flex h-dvh flex-col">
    <header class="flex min-h-12 shrink-0 items-center gap-3 border-b border-line px-3">
      <NuxtLink
        :to="`/piece/${bench.piece.id}/make`"
        class="flex min-h-11 items-center font-medium text-soft underline decoration-dotted underline-offset-2 text-base hover:text-ink"
        >Sheet</NuxtLink
      >
      <h1 class="min-w-0 flex-1 truncate font-serif text-lg">{{ bench.piece.brief.name }}</h1>
      <UnitsSwitch class="max-sm:hidden" />
      <ThemeToggle />
    </header>
    <main class="min-h-0 flex-1">
      <MakeSteps
        v-if="bench.workings"
        :key="bench.piece.id"
        :piece="bench.piece"
        :workings="bench.workings"
        :manner="bench.manner"
        kept
        @accept="accept"
        @found="found"
        @begun="begun"
        @hung="hung"
        @record="record"
      />
      <p v-else class="p-6 text-soft">Working it out…</p>
    </main>
    <DialogFrame v-if="writing" title="What really happened" wide="w-[46rem]" @close="writing = null">
      <RecordForm :record="writing" :of="bench.piece.id" :keep="daybook.keep" @kept="written" @close="writing = null" />
    </DialogFrame>
  </div>
</template>
