<script setup lang="ts">
import { MOST_PLACES } from '#core/piece'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** How many are spread. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'scatter'> }>()
const { number } = useRuleFields<'scatter'>(props)
</script>

<template>
  <CountField label="How many" :value="rule.count" :least="0" :most="MOST_PLACES" whole :take="number('count', 'change the count')" />
</template>
