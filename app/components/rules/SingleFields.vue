<script setup lang="ts">
import { computed } from 'vue'
import { dropOf } from '#core/hanging'
import { quantity, show } from '#core/measure'
import type { Layer, RuleOf } from '#core/piece'
import { stationAt } from '#core/base'
import { useRuleFields } from '~/composables/useRuleFields'

/** Where it is, and whether it hangs on a cord: in the middle of a ring, with as much room above as below. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'single'> }>()
const { bench, run, place, units, set, number } = useRuleFields<'single'>(props)

const hung = computed(() => bench.workings?.placements.find(({ layer, cord }) => layer === props.layer.id && cord !== null) ?? null)
/** The hole of a ring, and how far down its middle is. */
const hole = computed(() => {
  const { shape } = bench.piece!.base
  return shape.form === 'ring' ? { inner: shape.inner, drop: -stationAt(run.value, props.rule.at * run.value.length).y } : null
})
const room = computed(() => {
  if (!hole.value || !hung.value) return null
  const high = hung.value.width
  return { high, gap: dropOf(hole.value.inner, high) }
})
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
    <template v-if="rule.drop > 0">
      <PickField
        label="On"
        :value="rule.folded ? 'one' : 'two'"
        :options="[
          { value: 'two', name: 'Two cords' },
          { value: 'one', name: 'One, folded' },
        ]"
        @pick="(cords) => set({ folded: cords === 'one' }, 'choose its cord')"
      />
      <button v-if="hole && hole.drop > 0" type="button" class="button mt-5" @click="set({ drop: hole.drop }, 'hang it in the middle')">
        To the middle
      </button>
      <p v-if="hole && room && room.gap > 0" class="col-span-2 text-fine text-soft">
        In the middle it leaves ({{ show(quantity.length(hole.inner), bench.manner) }} −
        {{ show(quantity.length(room.high), bench.manner) }}) ÷ 2 = {{ show(quantity.length(room.gap), bench.manner) }} above and below.
      </p>
    </template>
  </div>
</template>
