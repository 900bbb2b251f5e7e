<script setup lang="ts">
import { computed, ref } from 'vue'
import { bowFigures, bowRibbon, loopShows, meantBy, ribbonInLoop, wrongBow } from '#core/makeup'
import type { BowNumbers, LoopMeans } from '#core/makeup'
import type { Manner } from '#core/measure'
import { inches, quantity, show } from '#core/measure'

/** A bow in numbers: what it takes of a roll, in the sense of “loop” that its maker says. */
const props = defineProps<{ roll: number, manner: Manner, take: (use: string, length: number, count: number) => void }>()

const bow = ref<Omit<BowNumbers, 'means'>>({ loops: 8, loop: inches(6), tails: [inches(10), inches(10)], centre: 0, twist: 0 })
const means = ref<LoopMeans | null>(null)
const copies = ref(1)
const used = ref<number | null>(null)

const length = (mm: number): string => show(quantity.length(mm), props.manner)
const senses = computed(() => (['visible', 'ribbon used'] as const).map((value) => ({
  value,
  name: value === 'visible' ? 'Visible, pinch to end' : 'Ribbon used',
  says: `shows ${length(loopShows(bow.value.loop, value))}, uses ${length(ribbonInLoop(bow.value.loop, value))}; ${length(bowRibbon({ ...bow.value, means: value }))} in all`,
})))
const whole = computed<BowNumbers | null>(() => (means.value === null ? null : { ...bow.value, means: means.value }))
const wrong = computed(() => whole.value && wrongBow(whole.value, props.roll))
const figures = computed(() => (whole.value && !wrong.value ? bowFigures(whole.value, props.roll) : []))
const meant = computed(() => (used.value === null ? null : meantBy(bow.value, used.value)))

function set(change: Partial<Omit<BowNumbers, 'means'>>): null {
  bow.value = { ...bow.value, ...change }
  return null
}
function setUsed(mm: number | null): null {
  used.value = mm
  return null
}
function setCopies(n: number): null {
  copies.value = n
  return null
}
function add(): void {
  if (whole.value) props.take(`Bow, ${whole.value.loops} loops of ${length(whole.value.loop)}`, bowRibbon(whole.value), copies.value)
}
</script>

<template>
  <section class="space-y-2 rounded-[5px] border border-seam bg-sheet p-2" aria-label="A bow">
    <div class="grid grid-cols-2 gap-2">
      <CountField label="Loops" :value="bow.loops" :least="1" :most="60" whole :take="(loops) => set({ loops })" />
      <LengthField label="Each loop" :mm="bow.loop" :units="manner.units" :take="(loop) => set({ loop: loop ?? 0 })" />
    </div>
    <fieldset class="space-y-1">
      <legend class="field-label">A loop of {{ length(bow.loop) }} means</legend>
      <label v-for="sense in senses" :key="sense.value" class="flex min-h-6 gap-2">
        <input v-model="means" type="radio" name="loop-means" class="mt-0.5 size-4 shrink-0 accent-leaf" :value="sense.value">
        <span>{{ sense.name }}<span class="block text-fine text-soft">{{ sense.says }}</span></span>
      </label>
    </fieldset>
    <LengthField label="Not sure? A bow in hand took" :mm="used" none="" :units="manner.units" :take="setUsed" />
    <p v-if="meant" class="text-fine" role="status">That bow’s loop was {{ meant.means === 'visible' ? 'the visible length' : 'the ribbon used' }}, to {{ length(Math.abs(meant.off[meant.means])) }}.</p>
    <div class="grid grid-cols-2 gap-2">
      <LengthField label="One tail" :mm="bow.tails[0]" :units="manner.units" :take="(mm) => set({ tails: [mm ?? 0, bow.tails[1]] })" />
      <LengthField label="Other tail" :mm="bow.tails[1]" :units="manner.units" :take="(mm) => set({ tails: [bow.tails[0], mm ?? 0] })" />
      <LengthField label="Centre loop" :mm="bow.centre || null" none="none" :units="manner.units" :take="(mm) => set({ centre: mm ?? 0 })" />
      <LengthField label="Twist at a pinch" :mm="bow.twist || null" none="none" :units="manner.units" :take="(mm) => set({ twist: mm ?? 0 })" />
    </div>
    <div v-if="figures.length" data-testid="bow-figures">
      <FigureRow v-for="each in figures" :key="each.id" :label="each.name" :figure="each.figure" :manner="manner" />
    </div>
    <p v-if="wrong" class="text-fine text-ruddy" role="alert">{{ wrong }}</p>
    <div class="flex items-end gap-2">
      <CountField class="w-32" label="Bows" :value="copies" :least="1" :most="500" whole :take="setCopies" />
      <button type="button" class="button h-7" :disabled="!whole || wrong !== null" @click="add">Add to the list</button>
    </div>
    <p v-if="!whole" class="text-fine text-soft">Say what a loop’s length means; it is never assumed.</p>
  </section>
</template>
