<script setup lang="ts">
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** Whose gaps are halved. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'halfway'> }>()
const { others, set } = useRuleFields<'halfway'>(props)
</script>

<template>
  <PickField label="Between the points of" :value="rule.of" :options="others" @pick="(of) => set({ of }, 'choose the layer to halve')" />
</template>
