<script setup lang="ts">
import { computed } from 'vue'
import { BASE_SORTS } from '#core/base'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'
import { useBench } from '~/stores/bench'

/** How they are threaded and their wire ends. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'beads'> }>()
const { units, number, length } = useRuleFields<'beads'>(props)
const bench = useBench()
/** Beads go on the base's own wires there: none is threaded, wound or folded in. */
const own = computed(() => BASE_SORTS[bench.piece!.base.kind].body === 'rod')
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <LengthField label="Wire kept bare" :mm="rule.allowance" :units="units" :take="length('allowance', 'change the allowance')" />
    <template v-if="!own">
      <LengthField label="Threaded on wire of" :mm="rule.own" :units="units" :take="length('own', 'change the wire')" />
      <CountField
        label="Turns at each end"
        :value="rule.turns"
        :least="0"
        :most="20"
        :step="0.5"
        :take="number('turns', 'change the turns')"
      />
      <LengthField label="And a tail of" :mm="rule.tail" :units="units" :take="length('tail', 'change the tail')" />
    </template>
  </div>
</template>
