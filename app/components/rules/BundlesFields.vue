<script setup lang="ts">
import { computed } from 'vue'
import { advanceForCount, advanceForOverlap, shortestOf } from '#core/placement'
import { MOST_PLACES } from '#core/piece'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'
import { useBench } from '~/stores/bench'

/** The bundle, how far apart, and how it is wrapped. */
const bench = useBench()
const props = defineProps<{ layer: Layer; rule: RuleOf<'bundles'> }>()
const { run, place, units, worked, set, number, length } = useRuleFields<'bundles'>(props)

/** What the layer comes to when it is bound, by the name of the figure. */
const made = computed(() => new Map(worked.value?.makeUp?.figures.map(({ id, figure }) => [id, figure.value])))
const piece = computed(() => shortestOf(props.layer, bench.shelf))
/** Takes the advance that another number leads to. */
function setAdvance(advance: number | null): string | null {
  return advance === null ? 'No advance gives that on this base.' : set({ advance }, 'change the advance')
}
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <CountField label="Sprigs each" :value="rule.sprigs" :least="1" :most="40" whole :take="number('sprigs', 'change the bundle')" />
    <LengthField label="Advance" :mm="rule.advance" :units="units" :take="setAdvance" />
    <CountField
      v-if="made.has('bundles')"
      label="Bundles"
      :value="made.get('bundles')!"
      :least="1"
      :most="MOST_PLACES"
      whole
      :take="(n) => setAdvance(advanceForCount(run, piece, n))"
    />
    <CountField
      v-if="made.has('overlap')"
      label="Overlap, %"
      :value="Math.round(made.get('overlap')! * 100)"
      :least="0"
      :most="99"
      :step="5"
      :take="(percent) => setAdvance(advanceForOverlap(piece, percent / 100))"
    />
    <CountField label="Wraps" :value="rule.wraps" :least="1" :most="9" whole :take="number('wraps', 'change the wraps')" />
    <LengthField label="Frame with stems" :mm="rule.bound" :units="units" :take="length('bound', 'change how thick it is')" />
    <PlaceField
      v-if="run.closed"
      label="First one at"
      :share="rule.start"
      v-bind="place"
      :take="(start) => set({ start }, 'turn the bundles')"
    />
    <label class="tick self-end"
      ><input
        type="checkbox"
        class="size-4 accent-leaf"
        :checked="rule.faces > 1"
        @change="set({ faces: ($event.target as HTMLInputElement).checked ? 2 : 1 }, 'cover both faces')"
      />Both faces</label
    >
  </div>
</template>
