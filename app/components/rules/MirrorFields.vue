<script setup lang="ts">
import { MOST_PLACES } from '#core/piece'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** The seat, and what goes up its two sides. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'mirror'> }>()
const { place, units, set, number, percent, tick } = useRuleFields<'mirror'>(props)
</script>

<template>
  <div class="space-y-2">
    <div class="grid grid-cols-2 gap-2">
      <CountField
        label="Both sides, in all"
        :value="rule.count"
        :least="0"
        :most="MOST_PLACES"
        whole
        :take="number('count', 'change the count')"
      />
      <PlaceField label="Seat at" :share="rule.seat" v-bind="place" :take="(seat) => set({ seat }, 'move the seat')" />
      <LengthField
        label="Free each side"
        :mm="rule.gap"
        :units="units"
        :take="(gap) => set({ gap: gap ?? 0 }, 'change the seat’s width')"
      />
      <CountField
        label="Reach up, %"
        :value="Math.round(rule.reach * 100)"
        :least="0"
        :most="100"
        :step="5"
        :take="percent('reach', 'change the reach')"
      />
    </div>
    <label class="tick"
      ><input
        type="checkbox"
        class="size-4 accent-leaf"
        :checked="rule.sequence"
        @change="tick('sequence', 'change the order of the mix')($event)"
      />The mix in its order up each side</label
    >
  </div>
</template>
