<script setup lang="ts">
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** The spacing wanted. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'every'> }>()
const { run, place, units, set, length } = useRuleFields<'every'>(props)
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <LengthField label="Spacing wanted" :mm="rule.spacing" :units="units" :take="length('spacing', 'change the spacing')" />
    <PlaceField
      v-if="run.closed"
      label="First one at"
      :share="rule.start"
      v-bind="place"
      :take="(start) => set({ start }, 'turn the layer')"
    />
  </div>
</template>
