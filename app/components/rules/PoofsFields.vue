<script setup lang="ts">
import { quantity, show } from '#core/measure'
import { MOST_PLACES } from '#core/piece'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** Ties, passes, and what goes into each. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'poofs'> }>()
const { bench, run, place, units, number, length } = useRuleFields<'poofs'>(props)
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <CountField label="Ties there are" :value="rule.ties" :least="1" :most="MOST_PLACES" whole :take="number('ties', 'change the ties')" />
    <CountField label="Passes" :value="rule.passes" :least="1" :most="9" whole :take="number('passes', 'change the passes')" />
    <LengthField
      label="Goes into each"
      :mm="rule.uses"
      :units="units"
      :hint="`It stands ${show(quantity.length(rule.uses / 2), bench.manner)} high.`"
      :take="length('uses', 'change the poofs')"
    />
    <PlaceField v-if="run.closed" label="First tie at" :share="rule.start" v-bind="place" :take="number('start', 'turn the ties')" />
  </div>
</template>
