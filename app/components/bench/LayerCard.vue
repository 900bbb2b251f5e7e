<script setup lang="ts">
import { computed, ref } from 'vue'
import { ChevronDown, ChevronUp, GripVertical, Plus, Trash2, X } from '@lucide/vue'
import type { Flow, Layer, Role, Rule, RuleKind } from '#core/piece'
import { DENSE, FLOWS, ROLE_NAMES, ROLES, RULE_NOTES, ruleName, usualRule } from '#core/piece'
import { capital, clock } from '#core/measure'
import type { Material } from '#core/material'
import { useBench } from '~/stores/bench'
import { useShops } from '~/stores/shops'
import { useSettings } from '~/stores/settings'

/** One layer: what it is, where its rule puts it, and how it lies. */
const props = defineProps<{ layer: Layer, place: number, last: boolean, open: boolean }>()
const emit = defineEmits<{ toggle: [], move: [to: number] }>()
const bench = useBench()
const shops = useShops()
const settings = useSettings()
const mixing = ref(false)

const worked = computed(() => bench.workings?.layers.find(({ id }) => id === props.layer.id))
const first = computed(() => shops.shelf.materials[props.layer.mix[0]!.material])
const leafy = computed(() => props.layer.mix.some(({ material }) => shops.shelf.materials[material]?.form === 'leaf'))
const nudged = computed(() => Object.keys(props.layer.nudges).length)
const nameOf = (id: string): string => shops.shelf.materials[id]?.name ?? id

type ClusterRule = Extract<Rule, { kind: 'cluster' }>
const KINDS: readonly RuleKind[] = ['compass', 'halfway', 'every', 'cluster', 'crescent', 'single']
const others = computed(() => bench.piece!.layers.filter(({ id }) => id !== props.layer.id))
const rules = computed(() => KINDS.filter((kind) => kind !== 'halfway' || others.value.length > 0 || props.layer.rule.kind === 'halfway').map((value) => ({ value, name: capital(ruleName(value)) })))
const titleOf = (layer: Layer): string => `${bench.piece!.layers.indexOf(layer) + 1}. ${layer.mix.map(({ material }) => nameOf(material)).join(', ')}`

const flows: Record<Flow, string> = {
  clockwise: 'Clockwise', anticlockwise: 'Anticlockwise', apart: 'Apart from a seat', together: 'Together to a seat',
  outward: 'Outward', inward: 'Inward', nest: 'Both ways, like a nest',
}
const seated = computed(() => props.layer.flow === 'apart' || props.layer.flow === 'together')

function set(change: Partial<Omit<Layer, 'id'>>, words: string, merge: string | null = null): string | null {
  return bench.apply({ do: 'layer', layer: props.layer.id, set: change }, words, merge)
}
const setRule = (change: Partial<Rule>, words: string): string | null => set({ rule: { ...props.layer.rule, ...change } as Rule }, words)
function takeRule(kind: RuleKind): void {
  set({ rule: usualRule(kind, others.value[0]?.id ?? ''), nudges: {} }, `lay it by ${ruleName(kind)}`)
}
function setShare(i: number, share: number): string | null {
  return set({ mix: props.layer.mix.map((each, k) => (k === i ? { ...each, share } : each)) }, `change the mix`)
}
function addToMix(material: Material): void {
  mixing.value = false
  if (props.layer.mix.some((each) => each.material === material.id)) return
  set({ mix: [...props.layer.mix, { material: material.id, share: 1 }] }, `mix in ${material.plural}`)
}
/** The layers that this one can go halfway between; one that is gone stays listed until another is chosen. */
const halved = computed(() => {
  const { rule } = props.layer
  const there = others.value.map((each) => ({ value: each.id, name: titleOf(each) }))
  const lost = rule.kind === 'halfway' && !there.some(({ value }) => value === rule.of)
  return lost ? [{ value: rule.of, name: 'a layer that is gone' }, ...there] : there
})
const dense: Record<(typeof DENSE)[number], string> = { middle: 'In the middle', start: 'At the start', end: 'At the end' }
</script>

<template>
  <div class="rounded-[5px] border" :class="open ? 'border-leaf bg-frost' : 'border-seam bg-sheet'">
    <div class="flex items-center gap-1 py-1 pl-0.5 pr-1">
      <button
        type="button" data-grip class="flex h-8 w-5 shrink-0 cursor-grab items-center justify-center text-soft hover:text-ink" :aria-label="`Layer ${place + 1}: drag, or press Alt with up or down, to move it`"
        title="Drag to move, or Alt with up or down" @keydown.alt.up.prevent="emit('move', place - 1)" @keydown.alt.down.prevent="emit('move', place + 1)"
      >
        <GripVertical :size="14" />
      </button>
      <MaterialPicture v-if="first" :key="first.id" :material="first" :size="34" />
      <button type="button" class="min-w-0 flex-1 text-left leading-tight" :aria-expanded="open" @click="emit('toggle')">
        <span class="block text-tiny text-soft">{{ place + 1 }}. {{ ROLE_NAMES[layer.role] }} · {{ ruleName(layer.rule.kind) }}</span>
        <span class="line-clamp-2 font-medium">{{ worked?.title ?? nameOf(layer.mix[0]!.material) }}</span>
      </button>
      <ChevronUp v-if="open" :size="15" class="text-soft" /><ChevronDown v-else :size="15" class="text-soft" />
    </div>

    <div v-if="open" class="space-y-2.5 border-t border-seam p-2">
      <PickField label="Placing rule" :value="layer.rule.kind" :options="rules" :hint="RULE_NOTES[layer.rule.kind]" @pick="takeRule" />

      <div v-if="layer.rule.kind === 'compass'" class="grid grid-cols-2 gap-2">
        <CountField label="How many" :value="layer.rule.count" :least="0" :most="500" whole :take="(count) => setRule({ count }, 'change the count')" />
        <ClockField label="First one at" :share="layer.rule.start" :take="(start) => setRule({ start }, 'turn the compass')" />
      </div>
      <PickField
        v-else-if="layer.rule.kind === 'halfway'" label="Between the points of" :value="layer.rule.of" :options="halved"
        @pick="(of) => setRule({ of }, 'choose the layer to halve')"
      />
      <div v-else-if="layer.rule.kind === 'every'" class="grid grid-cols-2 gap-2">
        <LengthField label="Spacing wanted" :mm="layer.rule.spacing" :units="settings.units" :take="(spacing) => setRule({ spacing: spacing ?? 25.4 }, 'change the spacing')" />
        <ClockField label="First one at" :share="layer.rule.start" :take="(start) => setRule({ start }, 'turn the layer')" />
      </div>
      <div v-else-if="layer.rule.kind === 'cluster'" class="space-y-2">
        <CountField label="In each cluster" :value="layer.rule.size" :least="0" :most="60" whole :take="(size) => setRule({ size }, 'change the cluster')" />
        <div class="grid grid-cols-2 gap-x-2 gap-y-1.5">
          <div v-for="(at, i) in layer.rule.at" :key="i" class="flex items-end gap-0.5">
            <ClockField class="min-w-0 flex-1" :label="`Cluster ${i + 1} at`" :share="at" :take="(share) => setRule({ at: (layer.rule as ClusterRule).at.map((place, k) => (k === i ? share : place)) }, 'move a cluster')" />
            <button type="button" class="icon-button" :aria-label="`Take cluster ${i + 1} away`" @click="setRule({ at: layer.rule.at.filter((_, k) => k !== i) }, 'take a cluster away')"><X :size="14" /></button>
          </div>
        </div>
        <button type="button" class="button" @click="setRule({ at: [...layer.rule.at, ((layer.rule.at.at(-1) ?? 0.25) + 0.25) % 1] }, 'add a cluster')"><Plus :size="14" />Another cluster</button>
      </div>
      <div v-else-if="layer.rule.kind === 'crescent'" class="space-y-2">
        <CountField label="How many" :value="layer.rule.count" :least="0" :most="500" whole :take="(count) => setRule({ count }, 'change the count')" />
        <div class="grid grid-cols-2 gap-2">
          <ClockField label="From" :share="layer.rule.from" :take="(from) => setRule({ from }, 'move the crescent’s start')" />
          <ClockField label="Round to" :share="layer.rule.to" :take="(to) => setRule({ to }, 'move the crescent’s end')" />
          <PickField label="Dense" :value="layer.rule.dense" :options="DENSE.map((value) => ({ value, name: dense[value] }))" @pick="(value) => setRule({ dense: value }, 'choose where it is dense')" />
          <CountField label="Thins by, %" :value="Math.round(layer.rule.thin * 100)" :least="0" :most="100" :step="10" :take="(percent) => setRule({ thin: percent / 100 }, 'change how it thins')" />
        </div>
      </div>
      <div v-else class="grid grid-cols-2 gap-2">
        <ClockField label="At" :share="layer.rule.at" :take="(at) => setRule({ at }, `move it to ${clock(at * 360)}`)" />
        <LengthField label="Hangs below by" :mm="layer.rule.drop || null" none="on the face" :units="settings.units" :take="(drop) => setRule({ drop: drop ?? 0 }, 'hang it on a cord')" />
      </div>

      <div>
        <span class="field-label">{{ layer.mix.length > 1 ? 'Mix, in parts, dealt by rhythm' : 'Material' }}</span>
        <div v-for="(part, i) in layer.mix" :key="part.material" class="mb-1 flex items-center gap-1">
          <span class="min-w-0 flex-1 truncate first-letter:uppercase">{{ nameOf(part.material) }}</span>
          <CountField v-if="layer.mix.length > 1" class="w-28 [&_label]:sr-only" :label="`Parts of ${nameOf(part.material)}`" :value="part.share" :least="0" :most="100" :take="(share) => setShare(i, share)" />
          <button v-if="layer.mix.length > 1" type="button" class="icon-button" :aria-label="`Take ${nameOf(part.material)} out`" @click="set({ mix: layer.mix.filter((_, k) => k !== i) }, `take ${nameOf(part.material)} out`)"><X :size="14" /></button>
        </div>
        <button type="button" class="button h-6 text-fine" :aria-expanded="mixing" @click="mixing = !mixing"><Plus :size="13" />Mix in another</button>
        <MaterialPicker v-if="mixing" class="mt-1.5" @pick="addToMix" @close="mixing = false" />
      </div>

      <template v-if="leafy">
        <div class="grid grid-cols-2 gap-2">
          <PickField label="Direction" :value="layer.flow" :options="FLOWS.map((value) => ({ value, name: flows[value] }))" @pick="(flow) => set({ flow }, 'change the direction')" />
          <ClockField v-if="seated" label="Seat at" :share="layer.seat" :take="(seat) => set({ seat }, 'move the seat')" />
          <LengthField :class="seated ? 'col-span-2' : ''" label="Cut to" :mm="layer.cut" none="whole" :units="settings.units" :take="(cut) => set({ cut }, 'change the cut length')" />
        </div>
        <div class="grid grid-cols-2 gap-2">
          <CountField label="Lean out, °" :value="layer.lean" :least="-180" :most="180" :step="5" :take="(lean) => set({ lean }, 'lean the stems')" />
          <CountField label="Varies, ±°" :value="layer.leanSpread" :least="0" :most="180" :step="5" :take="(leanSpread) => set({ leanSpread }, 'spread the lean')" />
        </div>
      </template>
      <CountField v-else label="Turned, °" :value="layer.lean" :least="-180" :most="180" :step="5" :take="(lean) => set({ lean }, 'turn it')" />
      <div class="grid grid-cols-2 gap-2">
        <CountField label="In or out, %" :value="Math.round(layer.across * 100)" :least="-100" :most="100" :step="10" :take="(percent) => set({ across: percent / 100 }, 'move it across the face')" />
        <CountField label="Varies, ±%" :value="Math.round(layer.acrossSpread * 100)" :least="0" :most="100" :step="10" :take="(percent) => set({ acrossSpread: percent / 100 }, 'spread it across the face')" />
      </div>
      <p class="text-tiny text-soft">−100 % is the inner edge of the face, 100 % the outer.</p>

      <PickField label="Role" :value="layer.role" :options="ROLES.map((value: Role) => ({ value, name: ROLE_NAMES[value] }))" @pick="(role) => set({ role }, 'change the role')" />
      <div class="flex flex-wrap gap-1.5">
        <button type="button" class="button" @click="set({ seed: (layer.seed * 31 + 7) % 2147483647 }, 'vary the layer')">Vary</button>
        <button v-if="nudged" type="button" class="button" @click="set({ nudges: {} }, 'put all of the layer back to its rule')">Put {{ nudged }} back</button>
        <button type="button" class="button ml-auto text-ruddy" @click="bench.apply({ do: 'remove layer', layer: layer.id }, 'take a layer away')"><Trash2 :size="14" />Take away</button>
      </div>
    </div>
  </div>
</template>
