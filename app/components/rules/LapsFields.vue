<script setup lang="ts">
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** How many laps, tucked in and pinned how. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'laid'> }>()
const { units, number, length } = useRuleFields<'laid'>(props)
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <CountField label="Laps" :value="rule.laps" :least="0.05" :most="40" :step="0.5" :take="number('laps', 'change the laps')" />
    <LengthField label="Tucked in" :mm="rule.tuck" :units="units" :take="length('tuck', 'change the tuck')" />
    <LengthField label="Pinned every" :mm="rule.every" :units="units" :take="length('every', 'change the pins')" />
  </div>
</template>
