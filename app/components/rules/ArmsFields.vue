<script setup lang="ts">
import { MOST_PLACES } from '#core/piece'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** How many on both sides, from where to where. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'arms'> }>()
const { number, percent } = useRuleFields<'arms'>(props)
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <CountField
      class="col-span-2"
      label="Both sides, in all"
      :value="rule.count"
      :least="0"
      :most="MOST_PLACES"
      whole
      :take="number('count', 'change the count')"
    />
    <CountField
      label="From, % out"
      :value="Math.round(rule.from * 100)"
      :least="0"
      :most="100"
      :step="5"
      :take="percent('from', 'move the first station')"
    />
    <CountField
      label="To, % out"
      :value="Math.round(rule.to * 100)"
      :least="0"
      :most="100"
      :step="5"
      :take="percent('to', 'move the last station')"
    />
  </div>
</template>
