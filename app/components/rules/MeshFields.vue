<script setup lang="ts">
import { Plus, X } from '@lucide/vue'
import type { Gather, Layer, RuleOf } from '#core/piece'
import { GATHER_NAMES, GATHERS, MOST_PLACES } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** Ties, gathers, and the order of their kinds. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'mesh'> }>()
const { run, place, units, set, number, length } = useRuleFields<'mesh'>(props)

function setGather(i: number, how: Gather): void {
  set({ gathers: props.rule.gathers.map((each, k) => (k === i ? how : each)) }, 'change the order of gathers')
}
</script>

<template>
  <div class="space-y-2">
    <div class="grid grid-cols-2 gap-2">
      <CountField
        label="Ties there are"
        :value="rule.ties"
        :least="1"
        :most="MOST_PLACES"
        whole
        :take="number('ties', 'change the ties')"
      />
      <CountField label="Gathers" :value="rule.count" :least="0" :most="MOST_PLACES" whole :take="number('count', 'change the gathers')" />
      <LengthField label="Each piece cut" :mm="rule.cut" :units="units" :take="length('cut', 'change the cut')" />
      <PlaceField v-if="run.closed" label="First tie at" :share="rule.start" v-bind="place" :take="number('start', 'turn the ties')" />
    </div>
    <span class="field-label">In this order round</span>
    <div v-for="(how, i) in rule.gathers" :key="i" class="flex items-end gap-1">
      <PickField
        class="min-w-0 flex-1 [&_label]:sr-only"
        :label="`Gather ${i + 1}`"
        :value="how"
        :options="GATHERS.map((value) => ({ value, name: GATHER_NAMES[value] }))"
        @pick="(value) => setGather(i, value)"
      />
      <button
        v-if="rule.gathers.length > 1"
        type="button"
        class="icon-button"
        :aria-label="`Take gather ${i + 1} out`"
        @click="set({ gathers: rule.gathers.filter((_, k) => k !== i) }, 'take a gather out')"
      >
        <X :size="14" />
      </button>
    </div>
    <button
      v-if="rule.gathers.length < 6"
      type="button"
      class="button h-6 text-fine"
      @click="set({ gathers: [...rule.gathers, 'ruffle'] }, 'add a gather')"
    >
      <Plus :size="13" />Another in the order
    </button>
  </div>
</template>
