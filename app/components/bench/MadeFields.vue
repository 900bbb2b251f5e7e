<script setup lang="ts">
import { computed } from 'vue'
import { Plus, X } from '@lucide/vue'
import type { Gather, Layer, Rule } from '#core/piece'
import { GATHER_NAMES, GATHERS, MOST_PLACES } from '#core/piece'
import { windingChoices } from '#core/construct'
import { quantity, several, show } from '#core/measure'
import { useBench } from '~/stores/bench'
import { useShops } from '~/stores/shops'
import { materialOf } from '#core/material'

/** The numbers of a layer that is made of lengths: wound, laid, gathered, threaded, or bound as a spray. */
const props = defineProps<{ layer: Layer }>()
const bench = useBench()
const shops = useShops()

const rule = computed(() => props.layer.rule)
const run = computed(() => bench.runOfLayer(props.layer))
const place = computed(() => ({ run: run.value, units: bench.manner.units }))
const units = computed(() => bench.manner.units)
const material = computed(() => materialOf(shops.shelf, props.layer.mix[0]!.material))
const set = (change: Partial<Rule>, words: string): string | null =>
  bench.apply({ do: 'layer', layer: props.layer.id, set: { rule: { ...rule.value, ...change } as Rule } }, words)
/** A length of the rule that has to be there. */
const length = (name: string, words: string) => (mm: number | null): string | null => (mm === null ? 'Give a length.' : set({ [name]: mm } as Partial<Rule>, words))
const number = (name: string, words: string) => (n: number): string | null => set({ [name]: n } as Partial<Rule>, words)

const choices = computed(() => (rule.value.kind === 'wound' && material.value ? windingChoices(run.value.length, rule.value.thick, material.value) : []))
const says = (mm: number): string => show(quantity.length(mm), bench.manner)
const feet = (mm: number): string => (units.value === 'in' ? `${(mm / 304.8).toFixed(1)} ft` : `${(mm / 1000).toFixed(2)} m`)
function setGather(i: number, how: Gather): void {
  if (rule.value.kind === 'mesh') set({ gathers: rule.value.gathers.map((each, k) => (k === i ? how : each)) }, 'change the order of gathers')
}
</script>

<template>
  <div v-if="rule.kind === 'wound'" class="space-y-2">
    <div class="grid grid-cols-2 gap-2">
      <LengthField label="A turn every" :mm="rule.pitch" none="side by side" :units="units" :take="(pitch) => set({ pitch }, 'change the pitch')" />
      <LengthField label="Round a tube of" :mm="rule.thick" :units="units" :take="length('thick', 'change how thick it is')" />
      <LengthField label="Left at each end" :mm="rule.ends" :units="units" :take="length('ends', 'change the ends')" />
      <LengthField label="Pinned every" :mm="rule.every" none="at the ends" :units="units" :take="(every) => set({ every }, 'change the pins')" />
    </div>
    <table class="block w-full text-fine [&_tbody]:block" data-testid="windings">
      <caption class="field-label block text-left">What each way takes on the {{ run.name }}</caption>
      <tbody>
        <tr v-for="each in choices" :key="each.name" class="grid grid-cols-4 border-b border-seam py-0.5">
          <th scope="row" class="col-span-4 text-left font-medium"><button type="button" class="text-left underline decoration-dotted underline-offset-2" @click="set({ pitch: each.pitch }, 'choose a winding')">{{ each.name }}</button></th>
          <td>{{ several(Math.round(each.turns), 'turn', 'turns') }}</td><td>{{ feet(each.length) }}</td><td>{{ several(each.rolls, 'roll', 'rolls') }}</td><td class="text-right">{{ show(quantity.time(each.minutes), bench.manner) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
  <div v-else-if="rule.kind === 'laid'" class="grid grid-cols-2 gap-2">
    <CountField label="Laps" :value="rule.laps" :least="0.05" :most="40" :step="0.5" :take="number('laps', 'change the laps')" />
    <LengthField label="Tucked in" :mm="rule.tuck" :units="units" :take="length('tuck', 'change the tuck')" />
    <LengthField label="Pinned every" :mm="rule.every" :units="units" :take="length('every', 'change the pins')" />
  </div>
  <div v-else-if="rule.kind === 'mesh'" class="space-y-2">
    <div class="grid grid-cols-2 gap-2">
      <CountField label="Ties there are" :value="rule.ties" :least="1" :most="MOST_PLACES" whole :take="number('ties', 'change the ties')" />
      <CountField label="Gathers" :value="rule.count" :least="0" :most="MOST_PLACES" whole :take="number('count', 'change the gathers')" />
      <LengthField label="Each piece cut" :mm="rule.cut" :units="units" :take="length('cut', 'change the cut')" />
      <PlaceField v-if="run.closed" label="First tie at" :share="rule.start" v-bind="place" :take="number('start', 'turn the ties')" />
    </div>
    <span class="field-label">In this order round</span>
    <div v-for="(how, i) in rule.gathers" :key="i" class="flex items-end gap-1">
      <PickField class="min-w-0 flex-1 [&_label]:sr-only" :label="`Gather ${i + 1}`" :value="how" :options="GATHERS.map((value) => ({ value, name: GATHER_NAMES[value] }))" @pick="(value) => setGather(i, value)" />
      <button v-if="rule.gathers.length > 1" type="button" class="icon-button" :aria-label="`Take gather ${i + 1} out`" @click="set({ gathers: rule.gathers.filter((_, k) => k !== i) }, 'take a gather out')"><X :size="14" /></button>
    </div>
    <button v-if="rule.gathers.length < 6" type="button" class="button h-6 text-fine" @click="set({ gathers: [...rule.gathers, 'ruffle'] }, 'add a gather')"><Plus :size="13" />Another in the order</button>
  </div>
  <div v-else-if="rule.kind === 'poofs'" class="grid grid-cols-2 gap-2">
    <CountField label="Ties there are" :value="rule.ties" :least="1" :most="MOST_PLACES" whole :take="number('ties', 'change the ties')" />
    <CountField label="Passes" :value="rule.passes" :least="1" :most="9" whole :take="number('passes', 'change the passes')" />
    <LengthField label="Goes into each" :mm="rule.uses" :units="units" :hint="`It stands ${says(rule.uses / 2)} high.`" :take="length('uses', 'change the poofs')" />
    <PlaceField v-if="run.closed" label="First tie at" :share="rule.start" v-bind="place" :take="number('start', 'turn the ties')" />
  </div>
  <div v-else-if="rule.kind === 'beads'" class="grid grid-cols-2 gap-2">
    <LengthField label="Wire kept bare" :mm="rule.allowance" :units="units" :take="length('allowance', 'change the allowance')" />
    <LengthField label="Threaded on wire of" :mm="rule.own" :units="units" :take="length('own', 'change the wire')" />
    <CountField label="Turns at each end" :value="rule.turns" :least="0" :most="20" :step="0.5" :take="number('turns', 'change the turns')" />
    <LengthField label="And a tail of" :mm="rule.tail" :units="units" :take="length('tail', 'change the tail')" />
  </div>
  <div v-else-if="rule.kind === 'spray'" class="grid grid-cols-2 gap-2">
    <CountField label="Pairs" :value="rule.pairs" :least="1" :most="60" whole :take="number('pairs', 'change the pairs')" />
    <CountField label="Side leans, °" :value="rule.spread" :least="0" :most="120" :step="5" :take="number('spread', 'change the spread')" />
    <CountField label="Wraps" :value="rule.wraps" :least="1" :most="9" whole :take="number('wraps', 'change the wraps')" />
    <LengthField label="Thick at the tie" :mm="rule.bound" :units="units" :take="length('bound', 'change how thick it is')" />
    <PlaceField label="Tied at" :share="rule.at" v-bind="place" :take="number('at', 'move the spray')" />
    <label class="tick self-end"><input type="checkbox" class="size-4 accent-leaf" :checked="rule.odd" @change="set({ odd: ($event.target as HTMLInputElement).checked }, 'change the odd one')">One odd, last</label>
  </div>
</template>
