<script setup lang="ts">
import { DENSE, MOST_PLACES } from '#core/piece'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** From where to where, and where it is dense. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'crescent'> }>()
const { place, set, number, percent } = useRuleFields<'crescent'>(props)

const dense: Record<(typeof DENSE)[number], string> = { middle: 'In the middle', start: 'At the start', end: 'At the end' }
</script>

<template>
  <div class="space-y-2">
    <CountField label="How many" :value="rule.count" :least="0" :most="MOST_PLACES" whole :take="number('count', 'change the count')" />
    <div class="grid grid-cols-2 gap-2">
      <PlaceField label="From" :share="rule.from" v-bind="place" :take="(from) => set({ from }, 'move the crescent’s start')" />
      <PlaceField label="Round to" :share="rule.to" v-bind="place" :take="(to) => set({ to }, 'move the crescent’s end')" />
      <PickField
        label="Dense"
        :value="rule.dense"
        :options="DENSE.map((value) => ({ value, name: dense[value] }))"
        @pick="(value) => set({ dense: value }, 'choose where it is dense')"
      />
      <CountField
        label="Thins by, %"
        :value="Math.round(rule.thin * 100)"
        :least="0"
        :most="100"
        :step="10"
        :take="percent('thin', 'change how it thins')"
      />
    </div>
  </div>
</template>
