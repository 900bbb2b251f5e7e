<script setup lang="ts">
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** How they are threaded and their wire ends. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'beads'> }>()
const { units, number, length } = useRuleFields<'beads'>(props)
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <LengthField label="Wire kept bare" :mm="rule.allowance" :units="units" :take="length('allowance', 'change the allowance')" />
    <LengthField label="Threaded on wire of" :mm="rule.own" :units="units" :take="length('own', 'change the wire')" />
    <CountField
      label="Turns at each end"
      :value="rule.turns"
      :least="0"
      :most="20"
      :step="0.5"
      :take="number('turns', 'change the turns')"
    />
    <LengthField label="And a tail of" :mm="rule.tail" :units="units" :take="length('tail', 'change the tail')" />
  </div>
</template>
