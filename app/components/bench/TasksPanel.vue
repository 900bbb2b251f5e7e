<script setup lang="ts">
import { computed, ref } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { CircleAlert, GripVertical, Plus, TriangleAlert, X } from '@lucide/vue'
import { dateProblems, moved, taskKey } from '#core/tasks'
import type { Task } from '#core/tasks'
import { dayNumber, say, show } from '#core/measure'
import type { MakingDecisions, OwnTask } from '#core/piece'
import { BOW_WHEN, HANGER_WHEN, OWN_TASK, withOwnTask } from '#core/piece'
import { useToday } from '~/composables/useToday'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'

/** The order of work: what is decided about it, the tasks that follow, and those of one's own. */
const bench = useBench()
const notices = useNotices()
const today = useToday()
const piece = computed(() => bench.piece!)
const making = computed(() => piece.value.making)
const workings = computed(() => bench.workings)
const set = (change: Partial<MakingDecisions>, words: string): string | null => bench.apply({ do: 'making', set: change }, words)

/** What is dragged is shown at once; the order is decided when it is let go. */
const tasks = computed<Task[]>({
  get: () => [...(workings.value?.tasks ?? [])],
  set: (next) => {
    const now = workings.value?.tasks ?? []
    if (next.every((task, i) => task.id === now[i]?.id)) return
    set({ order: next.map(({ id }) => id) }, 'change the order of work')
  },
})
function move(id: string, to: number): void {
  if (to < 0 || to >= tasks.value.length) return
  set(
    {
      order: moved(
        tasks.value.map((task) => task.id),
        id,
        to,
      ),
    },
    'change the order of work',
  )
  notices.announce(`Task ${to + 1} of ${tasks.value.length}`)
}
const late = computed(() => (workings.value ? dateProblems(piece.value, workings.value.schedule, today.value) : []))
const problemsOf = (id: string) => (workings.value?.problems ?? []).filter(({ task }) => task === id)
/** Own tasks that wait for one another in a ring. */
const rings = computed(() => (workings.value?.problems ?? []).filter(({ id }) => id === 'order:ring'))

const day = ref<string | null>(null)
function takeDay(event: Event): void {
  const text = (event.target as HTMLInputElement).value
  day.value = text && dayNumber(text) === null ? 'That is no day of the calendar.' : set({ day: text || null }, 'set the day')
}

const adding = ref(false)
const draft = ref<Omit<OwnTask, 'id'>>({ ...OWN_TASK })
const refused = ref<string | null>(null)
function add(): void {
  const title = draft.value.title.trim()
  refused.value = title ? set({ own: withOwnTask(making.value.own, { ...draft.value, title }) }, 'add a task') : 'Say what is to be done.'
  if (refused.value) return
  adding.value = false
  draft.value = { ...OWN_TASK }
}
function remove(task: Task): void {
  set(
    { own: making.value.own.filter(({ id }) => taskKey('own', id) !== task.id), order: making.value.order.filter((id) => id !== task.id) },
    'take a task off',
  )
}
const open = ref<string | null>(null)
const hangerNames = { first: 'First', 'top known': 'When the top is known', last: 'Last' } as const
const bowNames = { first: 'First, to find the spacing', last: 'Last' } as const
</script>

<template>
  <div class="space-y-3 p-3" data-testid="order">
    <div class="space-y-2">
      <div class="grid grid-cols-2 gap-2">
        <div>
          <label class="field-label" for="hang-by">Must hang by</label>
          <input id="hang-by" type="date" class="field" :value="making.day ?? ''" :aria-invalid="day !== null" @change="takeDay" />
        </div>
        <CountField
          label="Days it hangs (0: keeps)"
          :value="making.hangs ?? 0"
          :least="0"
          :most="3660"
          whole
          :take="(n) => set({ hangs: n === 0 ? null : n }, 'say how long it hangs')"
        />
      </div>
      <p v-if="day" class="text-fine text-ruddy" role="alert">{{ day }}</p>
      <div v-for="problem in late" :key="problem.id" class="flex gap-1.5 text-ruddy" data-testid="late">
        <CircleAlert :size="15" class="mt-0.5 shrink-0" aria-label="Fault" />
        <div>{{ say(problem.says, bench.manner) }} <SuggestedFixes :mends="problem.mends" /></div>
      </div>
      <div class="grid grid-cols-2 gap-2">
        <PickField
          label="The hanger goes on"
          :value="making.hanger"
          :options="HANGER_WHEN.map((value) => ({ value, name: hangerNames[value] }))"
          @pick="(hanger) => set({ hanger }, 'say when the hanger goes on')"
        />
        <PickField
          label="The bow goes on"
          :value="making.bow"
          :options="BOW_WHEN.map((value) => ({ value, name: bowNames[value] }))"
          @pick="(bow) => set({ bow }, 'say when the bow goes on')"
        />
      </div>
    </div>

    <section aria-labelledby="tasks">
      <div class="mb-1 flex items-center justify-between">
        <h3 id="tasks" class="panel-title">Tasks in order</h3>
        <button
          v-if="making.order.length"
          type="button"
          class="min-h-6 text-fine font-semibold text-leaf underline decoration-dotted"
          @click="set({ order: [] }, 'go back to the usual order')"
        >
          The usual order
        </button>
      </div>
      <VueDraggable
        v-model="tasks"
        handle="[data-grip]"
        :animation="120"
        force-fallback
        tag="ol"
        class="space-y-1"
        aria-label="Tasks in the order of work"
      >
        <li
          v-for="(each, i) in tasks"
          :key="each.id"
          class="rounded-[5px] border bg-sheet"
          :class="problemsOf(each.id).length ? 'border-bracken' : 'border-seam'"
          data-testid="task"
        >
          <div class="flex items-center gap-1 pr-1">
            <button
              type="button"
              data-grip
              class="flex h-8 w-5 shrink-0 cursor-grab items-center justify-center text-soft hover:text-ink"
              :aria-label="`${each.title}: drag, or press Alt with up or down, to move it`"
              title="Drag to move, or Alt with up or down"
              @keydown.alt.up.prevent="move(each.id, i - 1)"
              @keydown.alt.down.prevent="move(each.id, i + 1)"
            >
              <GripVertical :size="14" />
            </button>
            <button
              type="button"
              class="min-w-0 flex-1 py-1 text-left leading-tight"
              :aria-expanded="open === each.id"
              @click="open = open === each.id ? null : each.id"
            >
              <span class="line-clamp-2">{{ each.title }}</span>
            </button>
            <span class="shrink-0 text-right text-fine tabular-nums text-soft"
              >{{ show(each.hands, bench.manner)
              }}<span v-if="each.waits.value" class="block">+ {{ show(each.waits, bench.manner) }}</span></span
            >
            <button
              v-if="each.kind === 'own'"
              type="button"
              class="icon-button size-6"
              :aria-label="`Take “${each.title}” off`"
              @click="remove(each)"
            >
              <X :size="13" />
            </button>
          </div>
          <div
            v-for="problem in problemsOf(each.id)"
            :key="problem.id"
            class="flex gap-1.5 border-t border-seam px-2 py-1 text-fine"
            data-testid="problem"
            :data-problem="problem.id"
          >
            <TriangleAlert :size="14" class="mt-0.5 shrink-0 text-bracken" aria-label="Take care" />
            <div>{{ say(problem.says, bench.manner) }} <SuggestedFixes :mends="problem.mends" /></div>
          </div>
          <div v-if="open === each.id" class="border-t border-seam px-2 py-1">
            <FigureRow label="Hands" :figure="each.hands" :manner="bench.manner" />
            <FigureRow v-if="each.waits.value" label="Dries or sets" :figure="each.waits" :manner="bench.manner" />
            <ul v-if="each.after.length" class="text-fine text-soft">
              <li v-for="before in each.after.filter(({ id }) => tasks.some((other) => other.id === id))" :key="before.id">
                After {{ tasks.find(({ id }) => id === before.id)?.title.toLowerCase() }}: {{ say(before.why.says, bench.manner) }}.
              </li>
            </ul>
          </div>
        </li>
      </VueDraggable>
      <div v-for="problem in rings" :key="problem.id" class="mt-1 text-fine text-ruddy" role="alert">
        {{ say(problem.says, bench.manner) }}
        <SuggestedFixes :mends="problem.mends" />
      </div>
      <button type="button" class="button mt-2 w-full" :aria-expanded="adding" @click="adding = !adding">
        <Plus :size="15" />A task of your own
      </button>
      <form v-if="adding" class="mt-2 space-y-2 rounded-[5px] border border-seam bg-sheet p-2" @submit.prevent="add">
        <TextField
          label="What is to be done"
          :value="draft.title"
          :most="120"
          :take="
            (title) => {
              draft.title = title
              return null
            }
          "
        />
        <div class="grid grid-cols-2 gap-2">
          <CountField
            label="Minutes of hands"
            :value="draft.hands"
            :least="0"
            :most="6000"
            :step="5"
            :take="(n) => ((draft.hands = n), null)"
          />
          <CountField
            label="Minutes to dry"
            :value="draft.waits"
            :least="0"
            :most="86400"
            :step="30"
            :take="(n) => ((draft.waits = n), null)"
          />
        </div>
        <PickField
          label="After"
          :value="draft.after ?? ''"
          :options="[{ value: '', name: 'Nothing: at any time' }, ...tasks.map(({ id, title }) => ({ value: id, name: title }))]"
          @pick="(id) => (draft.after = id || null)"
        />
        <PickField
          label="Before, when it is dry"
          :value="draft.before ?? ''"
          :options="[{ value: '', name: 'Nothing waits for it' }, ...tasks.map(({ id, title }) => ({ value: id, name: title }))]"
          @pick="(id) => (draft.before = id || null)"
        />
        <p v-if="refused" class="text-fine text-ruddy" role="alert">{{ refused }}</p>
        <button type="submit" class="button w-full">Add it</button>
      </form>
    </section>

    <section class="space-y-1 border-t border-seam pt-2" aria-labelledby="prepared">
      <h3 id="prepared" class="panel-title">Before things go on</h3>
      <details class="rounded-[5px] border border-seam bg-sheet px-2 py-1">
        <summary class="min-h-6 py-0.5">The base</summary>
        <PreparedFields class="py-1" :prepared="making.base" :found="false" :take="(base, words) => set({ base }, words)" />
      </details>
      <details v-for="layer in piece.layers" :key="layer.id" class="rounded-[5px] border border-seam bg-sheet px-2 py-1">
        <summary class="min-h-6 py-0.5">{{ workings?.layers.find(({ id }) => id === layer.id)?.title ?? layer.id }}</summary>
        <PreparedFields
          class="py-1"
          :prepared="layer.prepared"
          found
          :take="(prepared, words) => bench.apply({ do: 'layer', layer: layer.id, set: { prepared } }, words)"
        />
      </details>
    </section>
  </div>
</template>
