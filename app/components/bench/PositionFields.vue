<script setup lang="ts">
import { computed } from 'vue'
import type { Flow, Layer, Role } from '#core/piece'
import { bearerOf, EACH, FLOWS, laysLengths, ROLE_NAMES, ROLES, ruleSortOf } from '#core/piece'
import { capital } from '#core/measure'
import { useBench } from '~/stores/bench'
import { materialOf } from '#core/material'

/** How a layer lies: on which run, which way, how far in or out, how long, and whose place it minds. */
const props = defineProps<{ layer: Layer }>()
const bench = useBench()

const leafy = computed(() => props.layer.mix.some(({ material }) => materialOf(bench.shelf, material)?.form === 'leaf'))
/** What goes along the base as its numbers say, and does not lie otherwise. */
const along = computed(() => laysLengths(props.layer.rule) && !ruleSortOf(props.layer.rule.kind).level)
/** What another thing bears has its place on that. */
const borne = computed(() => bearerOf(props.layer.rule) !== null)
const turned = computed(() => props.layer.rule.kind === 'on' && props.layer.rule.turns)
const run = computed(() => bench.runOfLayer(props.layer))
const seated = computed(() => props.layer.flow === 'apart' || props.layer.flow === 'together')
const set = (change: Partial<Omit<Layer, 'id'>>, words: string): string | null =>
  bench.apply({ do: 'layer', layer: props.layer.id, set: change }, words)

const flows = computed<Record<Flow, string>>(() => ({
  clockwise: run.value.closed ? 'Clockwise' : 'From the start',
  anticlockwise: run.value.closed ? 'Anticlockwise' : 'To the start',
  apart: 'Apart from a seat',
  together: 'Together to a seat',
  outward: 'Outward',
  inward: 'Inward',
  nest: 'Both ways, like a nest',
}))
const runs = computed(() => [
  ...(bench.runs.length > 1 ? [{ value: EACH, name: 'The same on every run' }] : []),
  ...bench.runs.map(({ id, name }) => ({ value: id, name: capital(name) })),
  ...(props.layer.run !== EACH && !bench.runs.some(({ id }) => id === props.layer.run)
    ? [{ value: props.layer.run, name: 'A run that is gone' }]
    : []),
])
</script>

<template>
  <PickField
    v-if="runs.length > 1 && !borne"
    label="Lies on"
    :value="layer.run"
    :options="runs"
    @pick="(id) => set({ run: id }, 'choose its run')"
  />
  <template v-if="leafy && !along">
    <div class="grid grid-cols-2 gap-2">
      <PickField
        v-if="!turned"
        label="Direction"
        :value="layer.flow"
        :options="FLOWS.map((value) => ({ value, name: flows[value] }))"
        @pick="(flow) => set({ flow }, 'change the direction')"
      />
      <LengthField
        label="Cut to"
        :mm="layer.cut"
        none="whole"
        :units="bench.manner.units"
        :take="(cut) => set({ cut }, 'change the cut length')"
      />
      <PlaceField
        v-if="!borne && (seated || (layer.taper > 0 && run.closed))"
        label="Seat at"
        :share="layer.seat"
        :run="run"
        :units="bench.manner.units"
        :take="(seat) => set({ seat }, 'move the seat')"
      />
      <CountField
        v-if="!borne"
        label="Tapers, %"
        :value="Math.round(layer.taper * 100)"
        :least="0"
        :most="100"
        :step="10"
        :take="(percent) => set({ taper: percent / 100 }, 'taper the stems')"
      />
    </div>
    <HandFields v-if="!turned" :layer="layer" :open="!run.closed" />
    <div class="grid grid-cols-2 gap-2">
      <CountField
        :label="turned ? 'Off what bears it, °' : 'Lean out, °'"
        :value="layer.lean"
        :least="-180"
        :most="180"
        :step="5"
        :take="(lean) => set({ lean }, 'lean the stems')"
      />
      <CountField
        label="Varies, ±°"
        :value="layer.leanSpread"
        :least="0"
        :most="180"
        :step="5"
        :take="(leanSpread) => set({ leanSpread }, 'spread the lean')"
      />
    </div>
  </template>
  <CountField
    v-else-if="!along"
    label="Turned, °"
    :value="layer.lean"
    :least="-180"
    :most="180"
    :step="5"
    :take="(lean) => set({ lean }, 'turn it')"
  />
  <div v-if="!along && !borne" class="grid grid-cols-2 gap-2">
    <CountField
      label="In or out, %"
      :value="Math.round(layer.across * 100)"
      :least="-100"
      :most="100"
      :step="10"
      :take="(percent) => set({ across: percent / 100 }, 'move it across the face')"
    />
    <CountField
      label="Varies, ±%"
      :value="Math.round(layer.acrossSpread * 100)"
      :least="0"
      :most="100"
      :step="10"
      :take="(percent) => set({ acrossSpread: percent / 100 }, 'spread it across the face')"
    />
  </div>
  <p v-if="!along && !borne" class="text-tiny text-soft">−100 % is the inner edge of the face, 100 % the outer.</p>
  <div v-if="!borne" class="space-y-1">
    <label class="tick"
      ><input
        type="checkbox"
        class="size-4 accent-leaf"
        :checked="layer.reserve !== null"
        @change="set({ reserve: layer.reserve === null ? 0 : null }, 'change what it reserves')"
      />Keeps its place free of others</label
    >
    <LengthField
      v-if="layer.reserve !== null"
      label="With so much about it"
      :mm="layer.reserve"
      :units="bench.manner.units"
      :take="(reserve) => set({ reserve: reserve ?? 0 }, 'change the room about it')"
    />
    <label class="tick"
      ><input
        type="checkbox"
        class="size-4 accent-leaf"
        :checked="layer.clear"
        @change="set({ clear: !layer.clear }, 'change what it keeps clear of')"
      />Keeps clear of reserved places</label
    >
  </div>
  <PickField
    label="Role"
    :value="layer.role"
    :options="ROLES.map((value: Role) => ({ value, name: ROLE_NAMES[value] }))"
    @pick="(role) => set({ role }, 'change the role')"
  />
</template>
