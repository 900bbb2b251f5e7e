<script setup lang="ts">
import { computed, ref } from 'vue'
import { Scale } from '@lucide/vue'
import { HANGING_HOOKS, HANGING_LOOPS, hookAgainst, loopsFor, usualHanger, heaviestFirst } from '#core/hanging'
import { materialOf } from '#core/material'
import { capital, lowerFirst, quantity, rate, say, show } from '#core/measure'
import type { Hanger } from '#core/piece'
import { HOOKS } from '#core/piece'
import { useBench } from '~/stores/bench'
import { useSettings } from '~/stores/settings'

/** What a piece hangs by and on, what it weighs part by part, and what its hook bears. */
const bench = useBench()
const settings = useSettings()
const weighing = ref(false)
const piece = computed(() => bench.piece!)
const hanger = computed(() => piece.value.hanger)
const workings = computed(() => bench.workings)
const hung = computed(() => workings.value?.hung ?? null)
const units = computed(() => settings.units)

const loops = computed(() => {
  const fit = loopsFor(piece.value)
  const now = hanger.value && HANGING_LOOPS[hanger.value.loop]
  return [...new Set([...fit, ...(now ? [now] : [])])].map(({ id, name }) => ({ value: id, name }))
})
/** Hooks that go with the loop; those that do not hold on this ground are named so. */
const hooks = computed(() =>
  HOOKS.filter((id) => hanger.value && (HANGING_LOOPS[hanger.value.loop].hooks.includes(id) || hanger.value.hook === id)).map((id) => ({
    value: id,
    name: hookAgainst(piece.value, HANGING_HOOKS[id]) === 'ground' ? `${HANGING_HOOKS[id].name} (not here)` : HANGING_HOOKS[id].name,
  })),
)
const set = (change: Partial<Hanger>, words: string): string | null =>
  hanger.value ? bench.apply({ do: 'hanger', hanger: { ...hanger.value, ...change } }, words) : null
function takeLoop(loop: Hanger['loop']): void {
  const fits = HANGING_LOOPS[loop].hooks
  const hook = hanger.value && fits.includes(hanger.value.hook) ? hanger.value.hook : fits[0]!
  set(
    { loop, hook, ...(loop === 'arch' && hanger.value!.gap === 0 ? { gap: 101.6 } : {}) },
    `hang it by ${lowerFirst(HANGING_LOOPS[loop].name)}`,
  )
}
function begin(): void {
  const usual = usualHanger(piece.value, bench.runs, workings.value?.mass.whole.value ?? 0, bench.shelf)
  bench.take({ do: 'hanger', hanger: usual }, 'choose a hanger')
}
const run = computed(() => bench.runs.find(({ id }) => id === hanger.value?.run) ?? bench.runs[0]!)
const runs = computed(() => bench.runs.map(({ id, name }) => ({ value: id, name: capital(name) })))

/** What can be weighed: every material that lies on the piece. */
const materials = computed(() => {
  const ids = new Set((workings.value?.mass.parts ?? []).filter(({ kind }) => kind === 'stems').map(({ material }) => material!))
  return [...ids].flatMap((id) => materialOf(bench.shelf, id) ?? [])
})
const readings = computed(() =>
  piece.value.weighed.map((reading) => ({
    ...reading,
    name: reading.what === 'whole' ? 'The finished piece' : (materialOf(bench.shelf, reading.what)?.plural ?? reading.what),
  })),
)
const whole = computed(() => piece.value.weighed.find(({ what }) => what === 'whole')?.grams ?? null)
const weigh = (grams: number | null): string | null =>
  bench.apply({ do: 'weigh', what: 'whole', reading: grams === null ? null : { grams, of: 1 } }, 'weigh the piece')
/** Parts by weight, the heaviest first, with what they are called. */
const parts = computed(() =>
  heaviestFirst(workings.value?.mass.parts ?? []).map((part) => {
    const layer = workings.value?.layers.find(({ id }) => id === part.layer)
    const material = part.material === null ? undefined : materialOf(bench.shelf, part.material)
    const name =
      part.kind === 'base'
        ? 'Base'
        : part.kind === 'glue'
          ? 'Glue'
          : `${capital(material?.plural ?? part.id)}${part.kind === 'fixings' && layer ? ', fixing' : part.kind === 'hanger' ? ', hanger' : ''}`
    return { ...part, name }
  }),
)
/** Chains of the load, one for each layer. */
const chains = computed(() => {
  const seen = new Set<string>()
  return (workings.value?.loads ?? []).filter(({ layer }) => !seen.has(layer) && seen.add(layer))
})
</script>

<template>
  <div class="space-y-3 p-3" data-testid="hanging">
    <div v-if="!hanger" class="space-y-2">
      <p class="text-soft">No hanger yet. It is what is forgotten most, and some schools fit it first.</p>
      <button type="button" class="button-main w-full" @click="begin">Choose a hanger</button>
    </div>
    <template v-else>
      <div class="grid grid-cols-2 gap-2">
        <PickField label="On the piece" :value="hanger.loop" :options="loops" @pick="takeLoop" />
        <PickField
          label="Hangs on"
          :value="hanger.hook"
          :options="hooks"
          @pick="(hook) => set({ hook, rated: null }, `hang it on ${lowerFirst(HANGING_HOOKS[hook].name)}`)"
        />
      </div>
      <p class="text-fine text-soft">{{ HANGING_LOOPS[hanger.loop].how }} {{ HANGING_HOOKS[hanger.hook].how }}</p>
      <div v-if="hanger.loop !== 'tied'" class="grid grid-cols-2 gap-2">
        <PickField
          v-if="runs.length > 1"
          label="On the"
          :value="hanger.run"
          :options="runs"
          @pick="(id) => set({ run: id }, 'move the hanger')"
        />
        <PlaceField label="At" :share="hanger.at" :run="run" :units="units" :take="(at) => set({ at }, 'move the hanger')" />
        <LengthField
          v-if="hanger.loop === 'arch'"
          label="Between its ends"
          :mm="hanger.gap"
          :units="units"
          :take="(gap) => set({ gap: gap ?? 0 }, 'set the arch')"
        />
        <LengthField
          v-if="hanger.loop !== 'own hook' && hanger.loop !== 'ribbon'"
          label="Rises by"
          :mm="hanger.rise"
          :units="units"
          none="usual"
          :take="(rise) => set({ rise }, 'set how far it rises')"
        />
      </div>
      <div class="grid grid-cols-2 gap-2">
        <MassField
          label="Hook rated for"
          :grams="hanger.rated"
          none="usual"
          :hint="
            hung?.bears && hanger.rated === null
              ? `About ${show(quantity.mass(rate(HANGING_HOOKS[hanger.hook].bears, bench.shelf)), bench.manner)}`
              : undefined
          "
          :take="(rated) => set({ rated }, 'rate the hook')"
        />
        <LengthField
          label="Storm door in front"
          :mm="hanger.clear"
          :units="units"
          none="none"
          :take="(clear) => set({ clear }, 'set the room before the storm door')"
        />
      </div>
    </template>

    <section v-if="workings && hung" class="border-t border-seam pt-2">
      <h3 class="panel-title">How it hangs</h3>
      <FigureRow label="Weighs" :figure="workings.mass.whole" :manner="bench.manner" strong />
      <FigureRow v-if="hung.bears" label="The hook may carry" :figure="hung.bears" :manner="bench.manner" />
      <FigureRow
        v-if="hung.rest"
        :label="hung.rest.value < 0 ? 'Turns anticlockwise' : 'Turns clockwise'"
        :figure="{ ...hung.rest, value: Math.abs(hung.rest.value) }"
        :manner="bench.manner"
      />
      <FigureRow label="Stands out" :figure="hung.depth" :manner="bench.manner" />
      <FigureRow v-if="hung.floor" label="Ends above the floor" :figure="hung.floor" :manner="bench.manner" />
      <FigureRow v-if="hung.make?.length" label="Cord or wire" :figure="hung.make.length" :manner="bench.manner" />
      <FigureRow v-if="hung.make && hung.make.hooks.value > 1" label="Hooks" :figure="hung.make.hooks" :manner="bench.manner" />
    </section>

    <section v-if="chains.length" class="border-t border-seam pt-2" aria-labelledby="chains">
      <h3 id="chains" class="panel-title">What carries what</h3>
      <ol class="space-y-1.5">
        <li v-for="path in chains" :key="path.id" class="text-fine" data-testid="chain">
          <span class="font-semibold" :class="path.sound ? '' : 'text-ruddy'">{{ capital(path.name) }}</span>
          <ol class="ml-1 border-l-2 pl-2" :class="path.sound ? 'border-leaf' : 'border-ruddy'">
            <li v-for="(link, i) in path.links" :key="i" :class="link.sound ? '' : 'font-semibold text-ruddy'">
              {{ say(link.says, bench.manner) }}<template v-if="link.why">: {{ link.why }}</template>
            </li>
          </ol>
        </li>
      </ol>
    </section>

    <section v-if="workings" class="border-t border-seam pt-2" aria-labelledby="weights">
      <div class="flex items-center justify-between">
        <h3 id="weights" class="panel-title">Weight, part by part</h3>
        <button type="button" class="button h-6 px-2 text-fine" @click="weighing = true"><Scale :size="13" />Weigh</button>
      </div>
      <MassField class="mt-1" label="The finished piece, on the scale" :grams="whole" none="not weighed" :take="weigh" />
      <ul v-if="readings.length" class="mt-1 text-fine">
        <li v-for="reading in readings" :key="reading.what" class="flex items-baseline justify-between gap-2">
          <span>{{ capital(reading.name) }}: {{ reading.of > 1 ? `${reading.of} weigh ${reading.grams} g` : `${reading.grams} g` }}</span>
          <button
            type="button"
            class="min-h-6 text-leaf underline decoration-dotted"
            @click="bench.apply({ do: 'weigh', what: reading.what, reading: null }, 'forget a weight')"
          >
            Forget
          </button>
        </li>
      </ul>
      <div class="mt-1">
        <FigureRow v-for="part in parts" :key="part.id" :label="part.name" :figure="part.figure" :manner="bench.manner" />
      </div>
    </section>
    <ScaleDialog v-if="weighing" :materials="materials" @close="weighing = false" />
  </div>
</template>
