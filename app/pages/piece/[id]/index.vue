<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useHead } from '#app'
import { NuxtLink } from '#components'
import { useEventListener, useWindowSize } from '@vueuse/core'
import type { CommandId } from '~/utils/key-list'
import { commandFor } from '~/utils/key-list'
import type { Panel } from '~/utils/panels'
import { ofParts } from '~/utils/panels'
import { focusKeyed, isCovered, isForPage, isTyping, isWhereKeysAct } from '~/utils/keys'
import { useCosts } from '~/composables/useCosts'
import { useStemEditing } from '~/composables/useStemEditing'
import { useOpenPiece } from '~/composables/useOpenPiece'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'

const bench = useBench()
const hand = useStemEditing()
const notices = useNotices()
const panel = ref<Panel>('stems')
const keys = ref(false)
const costs = useCosts(() => panel.value === 'cost')
const { width } = useWindowSize()
/** Narrower than this the bench has no room for what it shows side by side; a page that goes away has no width at all. */
const BENCH_FROM = 1024
const narrow = computed(() => width.value > 0 && width.value < BENCH_FROM)

useHead({ title: () => (bench.piece ? `${bench.piece.brief.name} · Ruddy Bramble` : 'Ruddy Bramble') })

useOpenPiece(() => {
  panel.value = bench.piece!.layers.length ? 'stems' : 'brief'
})
watch(
  () => bench.openPart?.id,
  (part) => {
    if (part && !ofParts(panel.value)) panel.value = 'stems'
  },
)
watch(
  () => bench.openLayer,
  (layer) => {
    if (layer && panel.value !== 'fixing') panel.value = 'stems'
  },
)

useEventListener(window, 'keydown', (event) => {
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
    // A text has an undo of its own; a number that is entered is the piece's.
    if (isCovered() || (isTyping(event.target) && !(event.target as HTMLElement).dataset.entered)) return
    event.preventDefault()
    if (event.shiftKey) bench.redo()
    else bench.undo()
    return
  }
  if (!isForPage(event)) return
  const command = commandFor(event)
  if (!command) return
  const { id, finds = false } = command
  if (!finds && !isWhereKeysAct(event)) return
  if (event.key.startsWith('Arrow') && !bench.selected) return
  event.preventDefault()
  ACTS[id](event.key)
  // What was found is worked on by key.
  if (finds && bench.selected && !isWhereKeysAct(event)) focusKeyed()
})
/** By how much hands trim with one key, mm. */
const trimStep = (): number => (bench.manner.units === 'in' ? 12.7 : 10)
/** What each command does, by the key of it that was pressed. */
const ACTS: Record<CommandId, (key: string) => void> = {
  neighbour: (key) => hand.choose(key === '.' ? 1 : -1),
  'neighbour too': (key) => hand.choose(key === '>' ? 1 : -1, true),
  layer: (key) => hand.chooseLayer(key === 'PageDown' ? 1 : -1),
  all: () => hand.chooseAllOfLayer(),
  'let go': () => bench.select(null),
  along: (key) => hand.slide(key === 'ArrowRight' ? 1 : -1, false),
  finely: (key) => hand.slide(key === 'ArrowRight' ? 1 : -1, true),
  across: (key) => hand.shift(key === 'ArrowUp' ? 0.1 : -0.1),
  turn: (key) => hand.turn(key === ']' ? 5 : -5),
  trim: (key) => hand.trim(key === '+' ? trimStep() : -trimStep()),
  lift: (key) => hand.lift(key === 'PageUp' ? 1 : -1),
  'put back': () => hand.putBack(),
  another: () => hand.double(),
  copy: () => hand.copy(),
  mirror: () => hand.mirror(),
  pin: () => hand.pin(),
  'take off': () => hand.remove(),
  hide: () => toggleLayer('hidden'),
  lock: () => toggleLayer('locked'),
  keys: () => {
    keys.value = true
  },
}
function toggleLayer(what: 'hidden' | 'locked'): void {
  const layer = bench.layerOf(bench.openLayer ?? '')
  if (!layer) return
  const words = {
    hidden: layer.hidden ? 'bring a layer back' : 'put a layer aside',
    locked: layer.locked ? 'unlock a layer' : 'lock a layer',
  }[what]
  bench.apply({ do: 'layer', layer: layer.id, set: { [what]: !layer[what] } }, words)
  notices.announce(words)
}
</script>

<template>
  <div v-if="bench.piece && narrow" class="flex min-h-dvh flex-col gap-4 p-5 text-base" data-testid="narrow">
    <h1 class="font-serif text-2xl">{{ bench.piece.brief.name }}</h1>
    <p>
      The bench, where a piece is designed, wants a screen at least 1024 wide: drawing, tape and tally lie side by side there. On a phone
      the piece is made:
    </p>
    <nav class="grid gap-2" aria-label="What works here">
      <NuxtLink :to="`/piece/${bench.whole!.id}/steps`" class="button-main h-14 text-base">Make it, step by step</NuxtLink>
      <NuxtLink :to="`/piece/${bench.whole!.id}/make`" class="button h-14 text-base">Sheet, shopping and cutting lists</NuxtLink>
      <NuxtLink to="/shopping" class="button h-14 text-base">Shopping list</NuxtLink>
      <NuxtLink to="/cutting" class="button h-14 text-base">Cutting of all pieces</NuxtLink>
      <NuxtLink to="/" class="button h-14 text-base">Workroom</NuxtLink>
    </nav>
  </div>
  <div v-else-if="bench.piece" class="relative grid h-dvh min-h-160 min-w-256 overflow-clip grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr]">
    <BenchHeader :panel="panel" @panel="(next) => (panel = next)" @keys="keys = true" />
    <main class="grid min-h-0 grid-cols-[19rem_minmax(0,1fr)_17.5rem] grid-rows-[minmax(0,1fr)]">
      <section
        class="min-h-0 overflow-y-auto border-r border-line bg-bench"
        :aria-label="
          { brief: 'Brief', base: 'Base', stems: 'Order of work', fixing: 'Fixing', hanging: 'Hanging', order: 'Tasks', cost: 'Cost' }[
            panel
          ]
        "
        tabindex="0"
      >
        <PartFields v-if="bench.openPart" :part="bench.openPart" />
        <BriefPanel v-if="panel === 'brief'" />
        <BasePanel v-else-if="panel === 'base'" />
        <FixingPanel v-else-if="panel === 'fixing'" />
        <HangingPanel v-else-if="panel === 'hanging'" />
        <TasksPanel v-else-if="panel === 'order'" />
        <CostPanel v-else-if="panel === 'cost'" :costs="costs" />
        <LayersPanel v-else />
      </section>
      <HangingView v-if="panel === 'hanging' && bench.workings" />
      <ScheduleView v-else-if="panel === 'order' && bench.workings" />
      <div v-else class="grid min-h-0 min-w-0 grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,1fr)_13rem]">
        <DrawingPane :measuring="panel === 'base'" />
        <CostView v-if="panel === 'cost' && bench.workings" :costs="costs" />
        <TapePane v-else />
      </div>
      <TallyPane />
    </main>
    <TakingOffDialog />
    <KeysDialog :open="keys" @close="keys = false" />
  </div>
</template>
