<script setup lang="ts">
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** How far pieces overlap, and what a bough yields. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'boughs'> }>()
const { units, set, length } = useRuleFields<'boughs'>(props)
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <LengthField
      label="Overlap"
      :mm="rule.overlap"
      :units="units"
      :take="(overlap) => set({ overlap: overlap ?? 0 }, 'change the overlap')"
    />
    <LengthField label="From a bough" :mm="rule.yields" :units="units" :take="length('yields', 'change what a bough yields')" />
  </div>
</template>
