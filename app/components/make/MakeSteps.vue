<script setup lang="ts">
import { STAGE_SORTS } from '#core/piece'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { ArrowLeft, ArrowRight, Check, NotebookPen, Timer as TimerIcon, TriangleAlert, Volume2, VolumeX } from '@lucide/vue'
import { useEventListener, useIntervalFn, useSpeechSynthesis, useWakeLock } from '@vueuse/core'
import { anchorSays } from '#core/base'
import { sheetTask } from '#core/formats'
import type { CautionId } from '#core/tasks'
import { stopsOf } from '#core/tasks'
import type { DisplayOptions } from '#core/measure'
import { listed, say, show } from '#core/measure'
import type { Piece } from '#core/piece'
import type { OnBench } from '#core/workroom'
import { pieceBounds } from '~/drawing/scene'
import { isForPage } from '~/utils/keys'
import { useProgress } from '~/composables/useProgress'
import { useTaskTimer } from '~/composables/useTaskTimer'
import { useNotices } from '~/stores/notices'
import { useBench } from '~/stores/bench'

/** The sheet for wet hands: one task at a time, large, done by one big target, the space bar or the arrow keys. */
const bench = useBench()
const props = defineProps<{ piece: Piece; workings: OnBench; manner: DisplayOptions; kept: boolean }>()
const emit = defineEmits<{
  accept: [caution: CautionId]
  found: [note: string]
  /** The first thing was ticked or counted off: it is being made. */
  begun: []
  hung: []
  record: [spent: Readonly<Record<string, number>>, counted: Readonly<Record<string, number>>]
}>()
const notices = useNotices()
const { progress, ready, done, set, count, start, stop, again, spend, clockMoved } = useProgress(props.piece.id, props.kept)

const tasks = computed(() => props.workings.tasks)
const at = computed(() => {
  const i = tasks.value.findIndex(({ id }) => id === progress.value.at)
  if (i >= 0) return i
  const next = tasks.value.findIndex(({ id }) => !done.value.has(id))
  return next < 0 ? tasks.value.length - 1 : next
})
const task = computed(() => tasks.value[at.value]!)
const all = computed(() => tasks.value.every(({ id }) => done.value.has(id)))
function go(to: number): void {
  if (to < 0 || to >= tasks.value.length) return
  set({ at: tasks.value[to]!.id })
}

/** What is noted while hands are already further on comes next all the same. */
watch(tasks, (all, before) => {
  const known = new Set(before.map(({ id }) => id))
  const earlier = all.findIndex(({ id }, i) => i < at.value && !known.has(id) && !done.value.has(id))
  if (earlier >= 0) go(earlier)
})

// How long hands are at it: the page's own stopwatch.
const { look } = useTaskTimer({
  task: () => (ready.value && !all.value && !done.value.has(task.value.id) ? task.value.id : null),
  hands: () => task.value.hands.value,
  spend,
  clockMoved,
})
function record(): void {
  look()
  emit('record', progress.value.spent, progress.value.counted)
}

// What is counted off.
const total = computed(() => task.value.counts?.count ?? 0)
const made = computed(() => Math.min(total.value, progress.value.counted[task.value.id] ?? 0))
const counting = computed(() => total.value > 0 && made.value < total.value && !done.value.has(task.value.id))
const layer = computed(() => props.piece.layers.find(({ id }) => id === task.value.layer) ?? null)
/** The places of this task in the order in which hands come to them. */
const places = computed(() => stopsOf(task.value, layer.value, props.workings.placements, props.workings.scene.runs))
const next = computed(() => places.value[made.value] ?? null)
const nextAt = computed(() => {
  if (!next.value || !counting.value) return null
  const run = props.workings.scene.runs.find(({ id }) => id === next.value!.run)
  return run ? say(anchorSays(run, next.value.s), props.manner) : null
})

/** Whether it was asked, since the last step was done, if it hangs. */
const asking = ref(false)
function begin(): void {
  if (props.kept && !STAGE_SORTS[props.piece.stage].begun) emit('begun')
}
function finish(): void {
  look()
  begin()
  const own = task.value
  const finished = new Set([...progress.value.done, own.id])
  // After the last, what was passed over.
  const next = tasks.value[at.value + 1] ?? tasks.value.find(({ id }) => !finished.has(id))
  const already = all.value
  set({
    done: [...finished],
    at: (next ?? own).id,
    ...(own.counts ? { counted: { ...progress.value.counted, [own.id]: total.value } } : {}),
  })
  notices.announce(`Done: ${own.title}`)
  if (all.value && !already && props.kept && props.piece.stage !== 'hung') asking.value = true
}
function hangs(): void {
  asking.value = false
  emit('hung')
}
/** What the big target does when all is done: it hangs, or what happened is written down. */
const ending = computed(() =>
  !all.value || !props.kept ? null : props.piece.stage !== 'hung' ? ('It hangs' as const) : ('Write it in the daybook' as const),
)
/** The big target: one more counted, or the task done. */
function press(): void {
  if (ending.value) {
    if (ending.value === 'It hangs') hangs()
    else record()
    return
  }
  if (counting.value) {
    begin()
    if (made.value + 1 < total.value) count(task.value.id, made.value + 1)
    else finish()
    return
  }
  finish()
}
function back(): void {
  if (counting.value && made.value > 0) count(task.value.id, made.value - 1)
  else go(at.value - 1)
}

// What is lit: the things of this task, the base alone, or all of it.
const region = computed(() => pieceBounds(props.workings))
const box = computed(() => ({
  x: region.value.left,
  y: region.value.top,
  w: region.value.right - region.value.left,
  h: region.value.bottom - region.value.top,
}))
const lit = computed(() =>
  ['lay', 'bow', 'paint', 'seal', 'finds', 'join', 'take off'].includes(task.value.kind) ? task.value.layer : null,
)
const bareBase = computed(() =>
  ['base', 'paint', 'seal', 'join', 'take off'].includes(task.value.kind) && task.value.layer === null
    ? { ...props.workings.scene, items: [] }
    : null,
)
const zones = computed(() => (task.value.kind === 'reserve' ? props.workings.zones : []))
const zoneMarks = computed(() =>
  zones.value.flatMap(({ layer: of }) =>
    props.workings.placements.filter((each) => each.layer === of).map(({ id, x, y }) => ({ id, x, y })),
  ),
)

// What it says.
const sheet = computed(() => sheetTask(task.value, at.value + 1, props.piece.making.accepted, bench.shelf, props.manner))
const cautions = computed(() => sheet.value.cautions.filter(({ accepted }) => !accepted))

// Read out.
const text = computed(() => [sheet.value.title, ...sheet.value.lines, ...cautions.value.map((each) => each.text)].join(' '))
const { isSupported: speaks, isPlaying, speak, stop: hush } = useSpeechSynthesis(text, { lang: 'en' })
function readOut(): void {
  if (isPlaying.value) hush()
  else speak()
}
watch(at, () => {
  if (speaks.value && isPlaying.value) hush()
})
onBeforeUnmount(() => {
  if (speaks.value) hush()
})

// Awake, and with timers.
const { isSupported: canWake, request, release } = useWakeLock()
async function wake(): Promise<void> {
  // A phone that is low on power refuses; the sheet works all the same.
  if (canWake.value) await request('screen').catch(() => {})
}
void wake()
onBeforeUnmount(() => {
  if (canWake.value) void release().catch(() => {})
})
const now = ref(Date.now())
const rung = new Set<string>()
useIntervalFn(() => {
  now.value = Date.now()
  for (const { id, name, ends } of progress.value.timers) {
    if (ends > now.value || rung.has(id)) continue
    rung.add(id)
    notices.note(`${name}: ready.`)
    navigator.vibrate?.([200, 100, 200])
    if (speaks.value) window.speechSynthesis.speak(new SpeechSynthesisUtterance(`${name}: ready.`))
  }
}, 500)

// Looked at one by one, at the gate.
const seen = ref<ReadonlySet<string>>(new Set())
const note = ref('')
function toggle(check: string): void {
  const next = new Set(seen.value)
  if (!next.delete(check)) next.add(check)
  seen.value = next
}
function addNote(): void {
  if (!note.value.trim()) return
  emit('found', note.value.trim())
  note.value = ''
}

useEventListener(window, 'keydown', (event) => {
  if (!isForPage(event)) return
  const acts: Record<string, () => void> = { ' ': press, ArrowRight: finish, ArrowLeft: back, r: readOut }
  const act = acts[event.key]
  // What was reached by key answers to the space bar itself: a button is pressed, a long text goes on.
  const reached = event.target instanceof HTMLElement && event.target !== document.body && event.target.dataset.big === undefined
  if (!act || (event.key === ' ' && reached && event.target.tabIndex >= 0)) return
  event.preventDefault()
  act()
})

/** A button that was tapped does not keep the focus: the space bar goes on meaning “done”. */
function letGo(event: MouseEvent): void {
  if (event.detail > 0 && document.activeElement instanceof HTMLButtonElement) document.activeElement.blur()
}
</script>

<template>
  <div v-if="ready" class="flex h-full min-h-0 text-base" data-testid="steps" @click="letGo">
    <TaskProgress :tasks="tasks" :at="at" :done="done" @go="go" />
    <div class="flex min-w-0 flex-1 flex-col lg:flex-row">
      <figure class="relative flex h-[42%] shrink-0 items-center justify-center overflow-hidden bg-bench p-2 lg:h-auto lg:w-1/2">
        <div class="relative max-h-full max-w-full" :style="{ aspectRatio: `${box.w} / ${box.h}`, height: '100%' }">
          <div class="absolute inset-0" :class="lit || bareBase || zones.length ? 'opacity-25 saturate-50' : ''">
            <SceneDrawing :scene="workings.scene" :region="region" bare :label="`${piece.brief.name}: ${task.title}`" />
          </div>
          <div v-if="lit" class="absolute inset-0" data-testid="lit">
            <SceneDrawing :scene="workings.scene" :region="region" bare :only="lit" label="" />
          </div>
          <div v-else-if="bareBase" class="absolute inset-0"><SceneDrawing :scene="bareBase" :region="region" bare label="" /></div>
          <svg class="absolute inset-0 size-full" :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`" aria-hidden="true">
            <g v-for="(place, i) in places" :key="place.id">
              <circle
                v-if="i !== made || !counting"
                :cx="place.x"
                :cy="place.y"
                :r="box.w / 90"
                :class="i < made || done.has(task.id) ? 'fill-leaf' : 'fill-sheet'"
                class="stroke-ink"
                :stroke-width="box.w / 400"
              />
              <g v-else>
                <circle :cx="place.x" :cy="place.y" :r="box.w / 34" fill="none" class="stroke-sheet" :stroke-width="box.w / 90" />
                <circle :cx="place.x" :cy="place.y" :r="box.w / 34" fill="none" class="stroke-ruddy" :stroke-width="box.w / 150" />
              </g>
            </g>
            <circle
              v-for="zone in zoneMarks"
              :key="zone.id"
              :cx="zone.x"
              :cy="zone.y"
              :r="box.w / 14"
              fill="none"
              class="stroke-ruddy"
              :stroke-width="box.w / 160"
              :stroke-dasharray="`${box.w / 50} ${box.w / 80}`"
            />
          </svg>
        </div>
      </figure>
      <div class="flex min-h-0 flex-1 flex-col">
        <div class="min-h-0 flex-1 space-y-3 overflow-y-auto px-4 py-3" tabindex="0" aria-label="What to do">
          <div class="flex items-start gap-2">
            <h2 class="min-w-0 flex-1 font-serif text-xl leading-tight" data-testid="now">
              <span class="text-soft">{{ at + 1 }}.</span> {{ task.title }}
            </h2>
            <button
              v-if="speaks"
              type="button"
              class="flex size-11 shrink-0 items-center justify-center rounded-[4px] border border-line bg-sheet"
              :aria-label="isPlaying ? 'Stop reading' : 'Read it out'"
              @click="readOut"
            >
              <VolumeX v-if="isPlaying" :size="20" /><Volume2 v-else :size="20" />
            </button>
          </div>
          <ul v-if="progress.timers.length" class="space-y-1" aria-label="Timers">
            <TimerRow v-for="timer in progress.timers" :key="timer.id" :timer="timer" :now="now" @stop="stop(timer.id)" />
          </ul>
          <p v-if="counting" class="text-2xl font-semibold leading-tight tabular-nums" data-testid="count">
            {{ made }} of {{ total }} {{ task.counts!.of
            }}<span v-if="nextAt" class="block text-base font-normal">{{ total - made }} left, the next at {{ nextAt }}</span>
          </p>
          <p v-for="(line, i) in sheet.lines" :key="i" class="lg:text-lg">{{ line }}</p>
          <dl v-if="sheet.places.length" class="space-y-1">
            <div v-for="row in sheet.places" :key="`${row.what} ${row.reads}`">
              <dt class="font-semibold">
                {{ row.what }}<span v-if="row.reads" class="font-normal text-soft"> {{ row.reads }}</span>
              </dt>
              <dd class="flex flex-wrap gap-x-3 tabular-nums">
                <span v-for="(place, k) in row.at" :key="k">{{ place }}</span>
              </dd>
            </div>
          </dl>
          <p v-if="sheet.takes.length"><span class="font-semibold">Take:</span> {{ listed(sheet.takes) }}.</p>
          <div v-if="sheet.cuts.length">
            <p class="font-semibold">{{ task.kind === 'lay' && layer?.rule.kind === 'bow' ? 'Cut, now that it is approved:' : 'Cut:' }}</p>
            <ul class="list-disc pl-5">
              <li v-for="cut in sheet.cuts" :key="cut">{{ cut }}</li>
            </ul>
          </div>
          <fieldset v-if="task.checks.length" class="space-y-1">
            <legend class="font-semibold">Look at each</legend>
            <label v-for="check in task.checks" :key="check" class="flex min-h-11 items-center gap-3"
              ><input type="checkbox" class="size-6 shrink-0 accent-leaf" :checked="seen.has(check)" @change="toggle(check)" />{{
                check
              }}</label
            >
            <form class="flex gap-2 pt-1" @submit.prevent="addNote">
              <input
                v-model="note"
                class="field h-11 text-base"
                maxlength="100"
                aria-label="What is to be put right"
                placeholder="Found something?"
              />
              <button type="submit" class="button h-11 shrink-0 text-base" :disabled="!note.trim()">Note it</button>
            </form>
          </fieldset>
          <p
            v-for="caution in cautions"
            :key="caution.id"
            class="flex items-start gap-2 rounded-[4px] border border-bracken bg-sheet p-2 text-bracken"
            data-testid="caution"
          >
            <TriangleAlert :size="20" class="mt-0.5 shrink-0" aria-label="Take care" /><span class="flex-1">{{ caution.text }}</span>
            <button type="button" class="min-h-11 shrink-0 px-2 text-ink underline decoration-dotted" @click="emit('accept', caution.id)">
              Taken as read
            </button>
          </p>
          <div class="flex flex-wrap gap-2">
            <button v-if="task.waits.value > 0" type="button" class="button h-11 text-base" @click="start(task.title, task.waits.value)">
              <TimerIcon :size="18" />{{ show(task.waits, manner) }} to dry
            </button>
            <button
              v-for="minutes in [5, 15]"
              :key="minutes"
              type="button"
              class="button h-11 text-base"
              @click="start(`${minutes} min`, minutes)"
            >
              <TimerIcon :size="18" />{{ minutes }} min
            </button>
          </div>
          <button v-if="kept && task.kind === 'record' && !all" type="button" class="button h-11 text-base" @click="record">
            <NotebookPen :size="18" />Write it in the daybook
          </button>
          <div v-if="all" class="space-y-2 rounded-[4px] border border-leaf bg-moss p-3" data-testid="all-done">
            <p class="font-semibold">All of it is done.</p>
            <div class="flex flex-wrap gap-2">
              <button v-if="kept" type="button" class="button-main h-11 text-base" @click="record">
                <NotebookPen :size="18" />Write it in the daybook
              </button>
              <button v-if="kept && piece.stage !== 'hung'" type="button" class="button h-11 text-base" @click="hangs">It hangs</button>
              <button type="button" class="button h-11 text-base" @click="again()">Begin again</button>
            </div>
          </div>
        </div>
        <div class="grid shrink-0 grid-cols-[4rem_minmax(0,1fr)_4rem] gap-2 border-t border-line bg-frost p-2">
          <button
            type="button"
            class="flex h-16 items-center justify-center rounded-md border border-line bg-sheet disabled:opacity-40"
            :aria-label="counting && made > 0 ? 'One fewer' : 'Back'"
            :disabled="at === 0 && made === 0"
            @click="back"
          >
            <ArrowLeft :size="26" />
          </button>
          <button
            type="button"
            data-big
            class="flex h-16 items-center justify-center gap-2 rounded-md bg-ruddy px-2 text-lg font-semibold text-on"
            data-testid="big"
            @click="press"
          >
            <Check :size="24" />{{ ending ?? (counting ? 'One more' : done.has(task.id) && at + 1 < tasks.length ? 'Done. Next' : 'Done') }}
          </button>
          <button
            type="button"
            class="flex h-16 items-center justify-center rounded-md border border-line bg-sheet"
            :aria-label="counting ? 'All of them done' : 'Done, and on'"
            @click="finish"
          >
            <ArrowRight :size="26" />
          </button>
        </div>
      </div>
    </div>
    <DialogFrame v-if="asking" title="Does it hang?" @close="asking = false">
      <p>The last step is done. Once it hangs, what went into it is in it, and what is over lies in the stash again.</p>
      <div class="mt-3 flex justify-end gap-2">
        <button type="button" class="button h-11 text-base" @click="asking = false">Not yet</button>
        <button type="button" class="button-main h-11 text-base" data-testid="hangs" @click="hangs">It hangs</button>
      </div>
    </DialogFrame>
  </div>
</template>
