<script setup lang="ts">
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** Where it is, and whether it hangs on a cord. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'single'> }>()
const { place, units, set, number } = useRuleFields<'single'>(props)
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <PlaceField label="At" :share="rule.at" v-bind="place" :take="number('at', 'move it')" />
    <LengthField
      label="Hangs below by"
      :mm="rule.drop || null"
      none="on the face"
      :units="units"
      :take="(drop) => set({ drop: drop ?? 0 }, 'hang it on a cord')"
    />
  </div>
</template>
