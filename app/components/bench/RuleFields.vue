<script setup lang="ts">
import { computed } from 'vue'
import { Plus, X } from '@lucide/vue'
import type { Layer, Rule, RuleOf } from '#core/piece'
import { DENSE, MOST_PLACES, PATTERNS } from '#core/piece'
import { advanceForCount, advanceForOverlap, shortestOf } from '#core/arrange'
import { show } from '#core/measure'
import { useBench } from '~/stores/bench'
import { useShops } from '~/stores/shops'

/** The numbers that a layer's placing rule asks for. */
const props = defineProps<{ layer: Layer }>()
const bench = useBench()
const shops = useShops()

const rule = computed(() => props.layer.rule)
const run = computed(() => bench.runOfLayer(props.layer))
const place = computed(() => ({ run: run.value, units: bench.manner.units }))
const count = { least: 0, most: MOST_PLACES, whole: true }
const set = (change: Partial<Rule>, words: string): string | null =>
  bench.apply({ do: 'layer', layer: props.layer.id, set: { rule: { ...rule.value, ...change } as Rule } }, words)
const setCount = (n: number): string | null => set({ count: n } as Partial<Rule>, 'change the count')

const titleOf = (layer: Layer): string => `${bench.piece!.layers.indexOf(layer) + 1}. ${bench.workings?.layers.find(({ id }) => id === layer.id)?.title ?? layer.id}`
/** The layers that this one can go by; one that is gone stays listed until another is chosen. */
const others = computed(() => {
  const there = bench.piece!.layers.filter(({ id }) => id !== props.layer.id).map((each) => ({ value: each.id, name: titleOf(each) }))
  const of = 'of' in rule.value ? rule.value.of : null
  return of !== null && !there.some(({ value }) => value === of) ? [{ value: of, name: 'a layer that is gone' }, ...there] : there
})
const dense: Record<(typeof DENSE)[number], string> = { middle: 'In the middle', start: 'At the start', end: 'At the end' }
const worked = computed(() => bench.workings?.layers.find(({ id }) => id === props.layer.id))
const against = computed(() => worked.value?.against ?? null)
const patterns = computed(() => PATTERNS.map((value) => {
  const name = { better: 'The better of the two', even: 'Turned evenly', dealt: 'Dealt into the gaps' }[value]
  const least = value === 'better' ? null : against.value?.[value]
  return { value, name: least ? `${name}: ${show(least, bench.manner)}` : name }
}))
/** What the layer comes to when it is bound, by the name of the figure. */
const made = computed(() => new Map(worked.value?.makeUp?.figures.map(({ id, figure }) => [id, figure.value])))
const piece = computed(() => shortestOf(props.layer, shops.shelf))
/** Takes the advance that another number leads to. */
function setAdvance(advance: number | null): string | null {
  return advance === null ? 'No advance gives that on this base.' : set({ advance } as Partial<Rule>, 'change the advance')
}
/** The counts of a row may be left to what lies side by side. */
type Row = 'outer' | 'between' | 'inner'
const ROWS: readonly { id: Row, name: string }[] = [{ id: 'outer', name: 'Outer rim' }, { id: 'between', name: 'Between' }, { id: 'inner', name: 'Inner rim' }]
const rows = (each: RuleOf<'bands'>) => ROWS.map((row) => ({ ...row, count: each[row.id] }))
function setRow(row: Row, text: string): void {
  set({ [row]: text === '' ? null : Math.min(MOST_PLACES, Math.max(0, Math.round(Number(text) || 0))) } as Partial<Rule>, 'change a row')
}
</script>

<template>
  <div v-if="rule.kind === 'compass'" class="grid grid-cols-2 gap-2">
    <CountField label="How many" :value="rule.count" v-bind="count" :take="setCount" />
    <PlaceField v-if="run.closed" label="First one at" :share="rule.start" v-bind="place" :take="(start) => set({ start }, 'turn the compass')" />
  </div>
  <PickField v-else-if="rule.kind === 'halfway'" label="Between the points of" :value="rule.of" :options="others" @pick="(of) => set({ of }, 'choose the layer to halve')" />
  <div v-else-if="rule.kind === 'every'" class="grid grid-cols-2 gap-2">
    <LengthField label="Spacing wanted" :mm="rule.spacing" :units="bench.manner.units" :take="(spacing) => set({ spacing: spacing ?? 25.4 }, 'change the spacing')" />
    <PlaceField v-if="run.closed" label="First one at" :share="rule.start" v-bind="place" :take="(start) => set({ start }, 'turn the layer')" />
  </div>
  <div v-else-if="rule.kind === 'against'" class="space-y-2">
    <div class="grid grid-cols-2 gap-2">
      <CountField label="How many" :value="rule.count" v-bind="count" :take="setCount" />
      <PickField label="Among the points of" :value="rule.of" :options="others" @pick="(of) => set({ of }, 'choose the layer to go among')" />
    </div>
    <PickField label="Pattern, with its smallest gap" :value="rule.pattern" :options="patterns" @pick="(pattern) => set({ pattern }, 'choose the pattern')" />
    <p v-if="against && rule.pattern === 'better'" class="text-fine text-soft">Taken: {{ against.taken === 'even' ? 'turned evenly' : 'dealt into the gaps' }}.</p>
  </div>
  <div v-else-if="rule.kind === 'cluster'" class="space-y-2">
    <CountField label="In each cluster" :value="rule.size" :least="0" :most="60" whole :take="(size) => set({ size }, 'change the cluster')" />
    <div class="grid grid-cols-2 gap-x-2 gap-y-1.5">
      <div v-for="(at, i) in rule.at" :key="i" class="flex items-end gap-0.5">
        <PlaceField class="min-w-0 flex-1" :label="`Cluster ${i + 1} at`" :share="at" v-bind="place" :take="(share) => set({ at: (rule as RuleOf<'cluster'>).at.map((each, k) => (k === i ? share : each)) }, 'move a cluster')" />
        <button type="button" class="icon-button" :aria-label="`Take cluster ${i + 1} away`" @click="set({ at: rule.at.filter((_, k) => k !== i) }, 'take a cluster away')"><X :size="14" /></button>
      </div>
    </div>
    <button type="button" class="button" @click="set({ at: [...rule.at, ((rule.at.at(-1) ?? 0.25) + 0.25) % 1] }, 'add a cluster')"><Plus :size="14" />Another cluster</button>
  </div>
  <div v-else-if="rule.kind === 'crescent'" class="space-y-2">
    <CountField label="How many" :value="rule.count" v-bind="count" :take="setCount" />
    <div class="grid grid-cols-2 gap-2">
      <PlaceField label="From" :share="rule.from" v-bind="place" :take="(from) => set({ from }, 'move the crescent’s start')" />
      <PlaceField label="Round to" :share="rule.to" v-bind="place" :take="(to) => set({ to }, 'move the crescent’s end')" />
      <PickField label="Dense" :value="rule.dense" :options="DENSE.map((value) => ({ value, name: dense[value] }))" @pick="(value) => set({ dense: value }, 'choose where it is dense')" />
      <CountField label="Thins by, %" :value="Math.round(rule.thin * 100)" :least="0" :most="100" :step="10" :take="(percent) => set({ thin: percent / 100 }, 'change how it thins')" />
    </div>
  </div>
  <div v-else-if="rule.kind === 'mirror'" class="space-y-2">
    <div class="grid grid-cols-2 gap-2">
      <CountField label="Both sides, in all" :value="rule.count" v-bind="count" :take="setCount" />
      <PlaceField label="Seat at" :share="rule.seat" v-bind="place" :take="(seat) => set({ seat }, 'move the seat')" />
      <LengthField label="Free each side" :mm="rule.gap" :units="bench.manner.units" :take="(gap) => set({ gap: gap ?? 0 }, 'change the seat’s width')" />
      <CountField label="Reach up, %" :value="Math.round(rule.reach * 100)" :least="0" :most="100" :step="5" :take="(percent) => set({ reach: percent / 100 }, 'change the reach')" />
    </div>
    <label class="tick"><input type="checkbox" class="size-4 accent-leaf" :checked="rule.sequence" @change="set({ sequence: ($event.target as HTMLInputElement).checked }, 'change the order of the mix')">The mix in its order up each side</label>
  </div>
  <div v-else-if="rule.kind === 'bands'" class="space-y-2">
    <div class="grid grid-cols-3 gap-2">
      <label v-for="row in rows(rule)" :key="row.id" class="block"><span class="field-label">{{ row.name }}</span>
        <input class="field text-right" inputmode="numeric" :value="row.count ?? ''" placeholder="as fit" @change="setRow(row.id, ($event.target as HTMLInputElement).value.trim())">
      </label>
    </div>
    <label class="tick"><input type="checkbox" class="size-4 accent-leaf" :checked="rule.gaps" @change="set({ gaps: ($event.target as HTMLInputElement).checked }, 'fill the gaps of the middle row')">One more in every gap of the middle row</label>
    <p class="text-fine text-soft">The first material of the mix goes on the outer rim, then between, inner rim and gaps.</p>
  </div>
  <div v-else-if="rule.kind === 'arms'" class="grid grid-cols-2 gap-2">
    <CountField class="col-span-2" label="Both sides, in all" :value="rule.count" v-bind="count" :take="setCount" />
    <CountField label="From, % out" :value="Math.round(rule.from * 100)" :least="0" :most="100" :step="5" :take="(percent) => set({ from: percent / 100 }, 'move the first station')" />
    <CountField label="To, % out" :value="Math.round(rule.to * 100)" :least="0" :most="100" :step="5" :take="(percent) => set({ to: percent / 100 }, 'move the last station')" />
  </div>
  <CountField v-else-if="rule.kind === 'scatter'" label="How many" :value="rule.count" v-bind="count" :take="setCount" />
  <div v-else-if="rule.kind === 'bundles'" class="grid grid-cols-2 gap-2">
    <CountField label="Sprigs each" :value="rule.sprigs" :least="1" :most="40" whole :take="(sprigs) => set({ sprigs }, 'change the bundle')" />
    <LengthField label="Advance" :mm="rule.advance" :units="bench.manner.units" :take="setAdvance" />
    <CountField v-if="made.has('bundles')" label="Bundles" :value="made.get('bundles')!" :least="1" :most="MOST_PLACES" whole :take="(n) => setAdvance(advanceForCount(run, piece, n))" />
    <CountField v-if="made.has('overlap')" label="Overlap, %" :value="Math.round(made.get('overlap')! * 100)" :least="0" :most="99" :step="5" :take="(percent) => setAdvance(advanceForOverlap(piece, percent / 100))" />
    <CountField label="Wraps" :value="rule.wraps" :least="1" :most="9" whole :take="(wraps) => set({ wraps }, 'change the wraps')" />
    <LengthField label="Frame with stems" :mm="rule.bound" :units="bench.manner.units" :take="(bound) => set({ bound: bound ?? 25.4 }, 'change how thick it is')" />
    <PlaceField v-if="run.closed" label="First one at" :share="rule.start" v-bind="place" :take="(start) => set({ start }, 'turn the bundles')" />
    <label class="tick self-end"><input type="checkbox" class="size-4 accent-leaf" :checked="rule.faces > 1" @change="set({ faces: ($event.target as HTMLInputElement).checked ? 2 : 1 }, 'cover both faces')">Both faces</label>
  </div>
  <div v-else-if="rule.kind === 'boughs'" class="grid grid-cols-2 gap-2">
    <LengthField label="Overlap" :mm="rule.overlap" :units="bench.manner.units" :take="(overlap) => set({ overlap: overlap ?? 0 }, 'change the overlap')" />
    <LengthField label="From a bough" :mm="rule.yields" :units="bench.manner.units" :take="(yields) => set({ yields: yields ?? 1016 }, 'change what a bough yields')" />
  </div>
  <div v-else-if="rule.kind === 'single'" class="grid grid-cols-2 gap-2">
    <PlaceField label="At" :share="rule.at" v-bind="place" :take="(at) => set({ at }, 'move it')" />
    <LengthField label="Hangs below by" :mm="rule.drop || null" none="on the face" :units="bench.manner.units" :take="(drop) => set({ drop: drop ?? 0 }, 'hang it on a cord')" />
  </div>
  <p v-else class="text-fine text-soft">Drag the material onto the base, or choose one there and press D for another.</p>
</template>
