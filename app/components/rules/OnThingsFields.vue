<script setup lang="ts">
import { computed } from 'vue'
import type { Layer, RuleOf, Spot } from '#core/piece'
import { MOST_PLACES, SPOTS } from '#core/piece'
import { canLieOn } from '#core/placement'
import { useRuleFields } from '~/composables/useRuleFields'

/** On the things of which layer, on which of them, and where. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'on'> }>()
const { bench, others, set, number, percent, tick } = useRuleFields<'on'>(props)

/** The layers on which it can lie; one that is gone, or bears nothing, stays listed until another is chosen. */
const bearers = computed(() => others.value.filter(({ value }) => value === props.rule.of || canLieOn(bench.piece!, props.layer.id, value)))
const bow = computed(() => bench.layerOf(props.rule.of)?.rule.kind === 'bow')

type Which = 'each' | 'every' | 'only'
const which = computed<Which>(() => (props.rule.only ? 'only' : props.rule.every > 1 || props.rule.from > 1 ? 'every' : 'each'))
const whichOnes = computed(() => [
  { value: 'each' as const, name: 'On each of them' },
  { value: 'every' as const, name: 'On every so many' },
  ...(props.rule.only ? [{ value: 'only' as const, name: `On ${props.rule.only.length} that you chose` }] : []),
])
function take(next: Which): void {
  if (next === 'only') return
  set({ only: null, every: next === 'each' ? 1 : 2, from: 1 }, 'choose what bears it')
}

const SPOT_NAMES: Record<Spot, string> = {
  middle: 'In the middle',
  tip: 'At the tip',
  'stem end': 'Near the stem end',
  top: 'At the upper edge',
  loops: 'One on each loop',
  place: 'At a place of its own',
}
const spots = computed(() =>
  SPOTS.filter((spot) => spot === props.rule.spot || (bow.value ? spot !== 'tip' && spot !== 'stem end' : spot !== 'loops')).map(
    (value) => ({
      value,
      name: value === 'middle' && bow.value ? 'In the knot' : SPOT_NAMES[value],
    }),
  ),
)
</script>

<template>
  <div class="space-y-2">
    <PickField
      label="On the things of"
      :value="rule.of"
      :options="bearers"
      @pick="(of) => set({ of, only: null }, 'choose what bears it')"
    />
    <div class="grid grid-cols-2 gap-2">
      <PickField label="On which" :value="which" :options="whichOnes" @pick="take" />
      <PickField label="Where on it" :value="rule.spot" :options="spots" @pick="(spot) => set({ spot }, 'choose where on it')" />
      <template v-if="which === 'every'">
        <CountField
          label="On every"
          :value="rule.every"
          :least="1"
          :most="MOST_PLACES"
          whole
          :take="number('every', 'change how many bear one')"
        />
        <CountField
          label="Beginning with"
          :value="rule.from"
          :least="1"
          :most="MOST_PLACES"
          whole
          :take="number('from', 'change the first')"
        />
      </template>
      <template v-if="rule.spot === 'place'">
        <CountField
          label="To the tip or right, %"
          :value="Math.round(rule.along * 100)"
          :least="-150"
          :most="150"
          :step="10"
          :take="percent('along', 'move it on what bears it')"
        />
        <CountField
          label="Across or down, %"
          :value="Math.round(rule.across * 100)"
          :least="-150"
          :most="150"
          :step="10"
          :take="percent('across', 'move it on what bears it')"
        />
      </template>
    </div>
    <p v-if="rule.spot === 'place'" class="text-tiny text-soft">From the middle; 100 % is the edge of what bears it.</p>
    <label class="tick"
      ><input
        type="checkbox"
        class="size-4 accent-leaf"
        :checked="rule.turns"
        @change="tick('turns', 'turn it with what bears it')($event)"
      />Turned with what bears it</label
    >
  </div>
</template>
