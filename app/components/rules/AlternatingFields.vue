<script setup lang="ts">
import { computed } from 'vue'
import { show } from '#core/measure'
import { MOST_PLACES, PATTERNS } from '#core/piece'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** How many go among whose points, and by which pattern. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'against'> }>()
const { bench, worked, others, set, number } = useRuleFields<'against'>(props)

const against = computed(() => worked.value?.against ?? null)
const NAMES = { better: 'The better of the two', even: 'Turned evenly', dealt: 'Dealt into the gaps' }
const patterns = computed(() =>
  PATTERNS.map((value) => {
    const least = value === 'better' ? null : against.value?.[value]
    return { value, name: least ? `${NAMES[value]}: ${show(least, bench.manner)}` : NAMES[value] }
  }),
)
</script>

<template>
  <div class="space-y-2">
    <div class="grid grid-cols-2 gap-2">
      <CountField label="How many" :value="rule.count" :least="0" :most="MOST_PLACES" whole :take="number('count', 'change the count')" />
      <PickField
        label="Among the points of"
        :value="rule.of"
        :options="others"
        @pick="(of) => set({ of }, 'choose the layer to go among')"
      />
    </div>
    <PickField
      label="Pattern, with its smallest gap"
      :value="rule.pattern"
      :options="patterns"
      @pick="(pattern) => set({ pattern }, 'choose the pattern')"
    />
    <p v-if="against && rule.pattern === 'better'" class="text-fine text-soft">
      Taken: {{ against.chosen === 'even' ? 'turned evenly' : 'dealt into the gaps' }}.
    </p>
  </div>
</template>
