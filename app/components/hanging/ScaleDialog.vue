<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import { readScale, SETTLES_IN, settledAt } from '#core/hanging'
import type { Material } from '#core/material'
import { showExact, quantity } from '#core/measure'
import { useBench } from '~/stores/bench'
import { addressOf } from '~/utils/address'

/** A kitchen scale beside the bench: its display, tare and hold, and what a reading is taken as. The scale itself is simulated. */
const props = defineProps<{ materials: readonly Material[] }>()
const emit = defineEmits<{ close: [] }>()
const bench = useBench()

/** A scale that has said nothing for so long has stopped, ms. */
const SILENT_AFTER = 2500
const what = ref('whole')
const several = ref(5)
const ounces = ref(bench.manner.units === 'in')
/** What is laid on the simulated scale, g. */
const lying = ref(0)
const seed = ref(1)
const readings = ref<readonly number[]>([])
const tare = ref(0)
const held = ref<number | null>(null)
const wrong = ref<string | null>(null)
const rubbish = ref(0)
let source: EventSource | null = null
let silence: ReturnType<typeof setTimeout> | undefined

/** What the parts are said to weigh stands in for what lies on a scale that is not there. */
function laid(): number {
  if (what.value === 'whole') return bench.workings?.mass.reckoned.value ?? 0
  return (props.materials.find(({ id }) => id === what.value)?.mass ?? 0) * several.value
}

function stop(): void {
  source?.close()
  source = null
  clearTimeout(silence)
}
onBeforeUnmount(stop)

function listen(): void {
  clearTimeout(silence)
  silence = setTimeout(() => {
    stop()
    wrong.value = 'The scale stopped in the middle. What it said last still stands; lay the things on again to go on.'
  }, SILENT_AFTER)
}
/** Lays the things on: the scale begins to send. */
function lay(): void {
  stop()
  readings.value = []
  held.value = null
  wrong.value = null
  rubbish.value = 0
  lying.value = Math.round((laid() + tare.value) * 10) / 10
  seed.value += 1
  const fault = new URLSearchParams(window.location.search).get('scale') ?? 'none'
  source = new EventSource(
    addressOf(`api/scale?${new URLSearchParams({ load: String(lying.value), seed: String(seed.value), fault }).toString()}`),
  )
  source.onmessage = ({ data }: MessageEvent<string>) => {
    listen()
    const reading = readScale(data)
    if (reading) readings.value = [...readings.value.slice(-SETTLES_IN * 4), reading.grams]
    else rubbish.value += 1
  }
  source.addEventListener('off', stop)
  source.onerror = () => {
    const none = readings.value.length === 0
    stop()
    wrong.value = none
      ? 'No scale answers. Type what your own scale says instead.'
      : 'The scale stopped in the middle. What it said last still stands; lay the things on again to go on.'
  }
  listen()
}

const settled = computed(() => settledAt(readings.value, tare.value))
const shown = computed(() => held.value ?? settled.value?.grams ?? null)
const display = computed(() => {
  if (shown.value === null) return '– – –'
  return showExact(quantity.mass(Math.abs(shown.value) < 0.05 ? 0 : shown.value), { ...bench.manner, units: ounces.value ? 'in' : 'cm' })
})
const takes = computed(() => (what.value === 'whole' ? 1 : several.value))
const error = ref<string | null>(null)
function take(): void {
  if (shown.value === null) return
  error.value = bench.apply(
    { do: 'weigh', what: what.value, reading: { grams: Math.round(shown.value * 10) / 10, of: takes.value } },
    what.value === 'whole' ? 'weigh the piece' : `weigh ${props.materials.find(({ id }) => id === what.value)?.plural ?? 'it'}`,
  )
  if (!error.value) emit('close')
}
</script>

<template>
  <DialogFrame title="On the scale" wide="w-[26rem]" @close="emit('close')">
    <div class="space-y-3">
      <div class="grid grid-cols-2 gap-2">
        <PickField
          label="What is weighed"
          :value="what"
          :options="[{ value: 'whole', name: 'The finished piece' }, ...materials.map(({ id, plural }) => ({ value: id, name: plural }))]"
          @pick="(id) => (what = id)"
        />
        <CountField
          v-if="what !== 'whole'"
          label="How many together"
          :value="several"
          :least="1"
          :most="100"
          whole
          :take="
            (n) => {
              several = n
              return null
            }
          "
        />
      </div>
      <div class="rounded-md border border-line bg-tape px-4 py-3" data-testid="scale">
        <p class="text-right text-4xl tabular-nums" aria-live="polite">{{ display }}</p>
        <p class="text-right text-fine text-soft">
          {{
            held !== null
              ? 'held'
              : settled === null
                ? 'nothing read yet'
                : settled.still
                  ? `steady, mean of ${SETTLES_IN}`
                  : 'still settling'
          }}<template v-if="tare"> · tare {{ Math.round(tare) }} g</template>
        </p>
      </div>
      <div class="flex flex-wrap gap-1.5">
        <button type="button" class="button" @click="lay">Lay on the scale</button>
        <button type="button" class="button" :disabled="!settled" @click="tare = Math.round((tare + (settled?.grams ?? 0)) * 10) / 10">
          Tare
        </button>
        <button
          type="button"
          class="button"
          :disabled="!settled"
          :aria-pressed="held !== null"
          @click="held = held === null ? settled!.grams : null"
        >
          {{ held === null ? 'Hold' : 'Let go' }}
        </button>
        <button type="button" class="button" :aria-pressed="ounces" @click="ounces = !ounces">
          {{ ounces ? 'in grams' : 'in ounces' }}
        </button>
      </div>
      <p v-if="wrong" class="text-ruddy" role="alert">{{ wrong }}</p>
      <p v-if="rubbish" class="text-fine text-bracken">
        {{ rubbish === 1 ? 'One reading' : `${rubbish} readings` }} could not be read and {{ rubbish === 1 ? 'was' : 'were' }} left out.
      </p>
      <p class="text-fine text-soft">
        The scale is a stand-in that ships with the app: it sends what the parts are said to weigh, with drift and noise. With a scale of
        your own, type its readings in the fields behind.
      </p>
      <MassField
        :label="takes > 1 ? `Or type what your own says of ${takes} together` : 'Or type what your own says'"
        :grams="held"
        none=""
        :take="
          (grams) => {
            stop()
            held = grams
            return null
          }
        "
      />
      <p v-if="error" class="text-ruddy" role="alert">{{ error }}</p>
      <button type="button" class="button-main w-full" :disabled="shown === null || (held === null && !settled?.still)" @click="take">
        {{ takes > 1 ? `Take it: ${takes} together` : 'Take it as weighed' }}
      </button>
    </div>
  </DialogFrame>
</template>
