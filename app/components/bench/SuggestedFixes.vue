<script setup lang="ts">
import { formatMoney, say } from '#core/measure'
import type { Mend } from '#core/piece'
import { useBench } from '~/stores/bench'

/** What would mend a problem: done at a click where the app can do it. */
defineProps<{ mends: readonly Mend[] }>()
const bench = useBench()
function mend(how: Mend): void {
  if (how.edit) bench.take(how.edit, say(how.says, bench.manner).toLowerCase())
}
</script>

<template>
  <div class="mt-0.5 flex flex-wrap gap-x-3 gap-y-0.5">
    <template v-for="(each, i) in mends" :key="i">
      <button
        v-if="each.edit"
        type="button"
        class="min-h-6 text-left font-semibold text-leaf underline decoration-dotted underline-offset-2"
        @click="mend(each)"
      >
        {{ say(each.says, bench.manner)
        }}<template v-if="each.saves && each.saves > 0">: {{ formatMoney(each.saves, bench.manner.currency) }} less</template>
      </button>
      <span v-else class="text-soft">{{ say(each.says, bench.manner) }}</span>
    </template>
  </div>
</template>
