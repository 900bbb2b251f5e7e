<script setup lang="ts">
import { computed, ref } from 'vue'
import { BASE_SORTS, drawnStrokes } from '#core/base'
import type { OutlineStroke, ShapeOf } from '#core/base'
import { readOutline } from '#core/formats'
import { inches, quantity, show } from '#core/measure'
import { rebase } from '#core/piece'
import { useOutlineDraft } from '~/composables/useOutlineDraft'
import { useBench } from '~/stores/bench'
import { useSettings } from '~/stores/settings'

/** An outline of one's own, drawn point by point, or taken from a drawing. */
const props = defineProps<{ shape: ShapeOf<'outline'> }>()
const emit = defineEmits<{ close: [] }>()
const bench = useBench()
const settings = useSettings()
const draft = useOutlineDraft(drawnStrokes(props.shape), props.shape.face)
const { strokes, fault, shape: finished, runs, stroke, curved, before } = draft

const inInches = computed(() => settings.units === 'in')
const STEPS = {
  in: [
    { name: '1 in', mm: inches(1) },
    { name: '1/2 in', mm: inches(1 / 2) },
    { name: '1/4 in', mm: inches(1 / 4) },
    { name: 'nothing', mm: 0 },
  ],
  cm: [
    { name: '2 cm', mm: 20 },
    { name: '1 cm', mm: 10 },
    { name: '5 mm', mm: 5 },
    { name: 'nothing', mm: 0 },
  ],
} as const
const steps = computed(() => STEPS[inInches.value ? 'in' : 'cm'])
const stepName = ref<string>(steps.value[1].name)
const step = computed(() => steps.value.find(({ name }) => name === stepName.value)?.mm ?? 0)
const grid = computed(() => (inInches.value ? inches(1) : 20))

/** Other strokes in place of what is drawn: a step back brings that again. */
function beginWith(next: readonly OutlineStroke[]): void {
  draft.choose(null)
  draft.take(next)
}
const text = ref('')
const unread = ref<string | null>(null)
function takeDrawing(from: string): void {
  const read = readOutline(from, props.shape.width, props.shape.face)
  unread.value = read.ok ? null : `${read.error} Nothing was changed.`
  if (read.ok) beginWith(drawnStrokes(read.shape))
}
async function takeFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (file) takeDrawing(await file.text())
}
const starts = BASE_SORTS.outline.sizes.map(({ name, shape: of }) => ({ name, shape: of as ShapeOf<'outline'> }))

const said = (mm: number): string => show(quantity.length(mm), bench.manner)
const refused = ref<string | null>(null)
function take(): void {
  if (!finished.value) return
  refused.value = bench.apply(rebase(bench.piece!, { ...bench.piece!.base, shape: finished.value }), 'draw the outline')
  if (refused.value === null) emit('close')
}
</script>

<template>
  <DialogFrame title="Draw the outline" wide="w-[62rem]" @close="emit('close')">
    <div class="grid grid-cols-[minmax(0,1fr)_17rem] gap-4 max-lg:grid-cols-1">
      <OutlinePad :draft="draft" :step="step" :grid="grid" :units="settings.units" class="max-h-[76vh]" />
      <div class="space-y-2.5 text-small">
        <p class="text-fine text-soft">
          Press on the sheet to go on with a run, on a line to put a point there. Slide points with the pointer or the arrow keys. One
          square is {{ said(grid) }}.
        </p>
        <div class="grid grid-cols-2 gap-1.5">
          <button type="button" class="button" :disabled="curved === null" @click="draft.bend">
            {{ curved ? 'Straighten it' : 'Bend it' }}
          </button>
          <button type="button" class="button" :disabled="!stroke || stroke.points.length < 3" @click="draft.close">
            {{ stroke?.closed ? 'Open the run' : 'Close the run' }}
          </button>
          <button type="button" class="button" :disabled="!stroke" @click="draft.removePoint">Take point out</button>
          <button type="button" class="button" :disabled="!stroke" @click="draft.removeRun">Take run out</button>
          <button type="button" class="button" :disabled="!strokes.length" @click="draft.mirror">Left as right</button>
          <button type="button" class="button" :disabled="!before.length" @click="draft.back">A step back</button>
          <button type="button" class="button col-span-2" :disabled="!stroke" @click="draft.choose(null)">Begin another run</button>
        </div>
        <PickField
          label="Points lie on"
          :value="stepName"
          :options="steps.map(({ name, mm }) => ({ value: name, name: mm ? `every ${name}` : 'any place' }))"
          @pick="(name) => (stepName = name)"
        />
        <div>
          <span class="field-label">Begin again with</span>
          <div class="flex flex-wrap gap-1">
            <button
              v-for="each in starts"
              :key="each.name"
              type="button"
              class="button h-6 px-1.5 text-fine"
              @click="beginWith(drawnStrokes(each.shape))"
            >
              {{ each.name }}
            </button>
            <button type="button" class="button h-6 px-1.5 text-fine" @click="beginWith([])">An empty sheet</button>
          </div>
        </div>
        <div>
          <label class="field-label" for="outline-path">From a drawing</label>
          <textarea id="outline-path" v-model="text" class="field h-14 py-1 font-mono text-fine" placeholder="M 0 0 L 120 0 …" />
          <div class="mt-1 flex gap-1.5">
            <button type="button" class="button" :disabled="!text.trim()" @click="takeDrawing(text)">Take this path</button>
            <label class="button cursor-pointer focus-within:outline-2"
              >SVG file…<input type="file" accept=".svg,image/svg+xml" class="sr-only" @change="takeFile"
            /></label>
          </div>
          <p v-if="unread" class="mt-1 text-fine text-ruddy" role="alert">{{ unread }}</p>
        </div>
        <p v-if="fault" class="text-ruddy" role="status" data-testid="outline-fault">{{ fault }}</p>
        <div v-else-if="finished" role="status" data-testid="outline-size">
          <dl class="text-fine">
            <div class="flex justify-between gap-2">
              <dt>Finishes</dt>
              <dd>{{ said(finished.width) }} wide, {{ said(finished.height) }} high</dd>
            </div>
            <div v-for="run in runs" :key="run.id" class="flex justify-between gap-2">
              <dt>{{ run.name }}{{ run.closed ? '' : ', open' }}</dt>
              <dd>{{ said(run.length) }}</dd>
            </div>
          </dl>
        </div>
        <p v-if="refused" class="text-ruddy" role="alert">{{ refused }}</p>
        <div class="flex gap-2">
          <button type="button" class="button-main" :disabled="!finished" @click="take">Take it</button>
          <button type="button" class="button" @click="emit('close')">Leave it</button>
        </div>
      </div>
    </div>
  </DialogFrame>
</template>
