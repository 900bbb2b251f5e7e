<script setup lang="ts">
import type { Layer, RuleOf } from '#core/piece'
import { STRAND_TIES } from '#core/piece'
import { capital } from '#core/measure'
import { useRuleFields } from '~/composables/useRuleFields'

/** How many laps, tucked in and pinned how. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'laid'> }>()
const { units, set, number, length } = useRuleFields<'laid'>(props)

const ties = STRAND_TIES.map((value) => ({ value, name: value === 'as suits' ? 'What suits the base' : capital(value) }))
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <CountField label="Laps" :value="rule.laps" :least="0.05" :most="40" :step="0.5" :take="number('laps', 'change the laps')" />
    <LengthField label="Tucked in" :mm="rule.tuck" :units="units" :take="length('tuck', 'change the tuck')" />
    <PickField label="Held with" :value="rule.held" :options="ties" @pick="(held) => set({ held }, 'choose what holds it')" />
    <LengthField label="Held every" :mm="rule.every" :units="units" :take="length('every', 'change the pins')" />
  </div>
</template>
