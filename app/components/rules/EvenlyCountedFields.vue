<script setup lang="ts">
import { MOST_PLACES } from '#core/piece'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** So many, evenly round. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'compass'> }>()
const { run, place, set, number } = useRuleFields<'compass'>(props)
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <CountField label="How many" :value="rule.count" :least="0" :most="MOST_PLACES" whole :take="number('count', 'change the count')" />
    <PlaceField
      v-if="run.closed"
      label="First one at"
      :share="rule.start"
      v-bind="place"
      :take="(start) => set({ start }, 'turn the compass')"
    />
  </div>
</template>
