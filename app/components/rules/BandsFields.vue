<script setup lang="ts">
import { clamp } from '#core/measure'
import { computed } from 'vue'
import { MOST_PLACES } from '#core/piece'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** How many to a row. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'bands'> }>()
const { set, tick } = useRuleFields<'bands'>(props)

/** The counts of a row may be left to what lies side by side. */
type Row = 'outer' | 'between' | 'inner'
const ROWS: readonly { readonly id: Row; readonly name: string }[] = [
  { id: 'outer', name: 'Outer rim' },
  { id: 'between', name: 'Between' },
  { id: 'inner', name: 'Inner rim' },
]
const rows = computed(() => ROWS.map((row) => ({ ...row, count: props.rule[row.id] })))
function setRow(row: Row, text: string): void {
  set({ [row]: text === '' ? null : clamp(Math.round(Number(text) || 0), 0, MOST_PLACES) }, 'change a row')
}
</script>

<template>
  <div class="space-y-2">
    <div class="grid grid-cols-3 gap-2">
      <label v-for="row in rows" :key="row.id" class="block"
        ><span class="field-label">{{ row.name }}</span>
        <input
          class="field text-right"
          inputmode="numeric"
          :value="row.count ?? ''"
          placeholder="as fit"
          @change="setRow(row.id, ($event.target as HTMLInputElement).value.trim())"
        />
      </label>
    </div>
    <label class="tick"
      ><input
        type="checkbox"
        class="size-4 accent-leaf"
        :checked="rule.gaps"
        @change="tick('gaps', 'fill the gaps of the middle row')($event)"
      />One more in every gap of the middle row</label
    >
    <p class="text-fine text-soft">The first material of the mix goes on the outer rim, then between, inner rim and gaps.</p>
  </div>
</template>
