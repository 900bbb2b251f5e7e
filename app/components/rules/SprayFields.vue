<script setup lang="ts">
import type { Layer, RuleOf } from '#core/piece'
import { SPRAY_TIES } from '#core/piece'
import { capital } from '#core/measure'
import { useRuleFields } from '~/composables/useRuleFields'

/** Pairs, how they lean, and how they are bound. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'spray'> }>()
const { place, units, set, number, length, tick } = useRuleFields<'spray'>(props)

const ties = SPRAY_TIES.map((value) => ({ value, name: capital(value) }))
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <CountField label="Pairs" :value="rule.pairs" :least="1" :most="60" whole :take="number('pairs', 'change the pairs')" />
    <CountField label="Side leans, °" :value="rule.spread" :least="0" :most="120" :step="5" :take="number('spread', 'change the spread')" />
    <PickField label="Bound with" :value="rule.tied" :options="ties" @pick="(tied) => set({ tied }, 'choose what binds it')" />
    <CountField
      v-if="rule.tied === 'wire'"
      label="Wraps"
      :value="rule.wraps"
      :least="1"
      :most="9"
      whole
      :take="number('wraps', 'change the wraps')"
    />
    <LengthField label="Thick at the tie" :mm="rule.bound" :units="units" :take="length('bound', 'change how thick it is')" />
    <PlaceField label="Tied at" :share="rule.at" v-bind="place" :take="number('at', 'move the spray')" />
    <label class="tick self-end"
      ><input type="checkbox" class="size-4 accent-leaf" :checked="rule.odd" @change="tick('odd', 'change the odd one')($event)" />One odd,
      last</label
    >
  </div>
</template>
