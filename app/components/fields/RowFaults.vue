<script setup lang="ts">
import type { RowFault } from '#core/formats'

/** What is wrong in a table, row by row. */
defineProps<{ faults: readonly RowFault[] }>()
const SHOWN = 30
</script>

<template>
  <template v-if="faults.length">
    <ul class="mt-2 space-y-0.5" data-testid="row-faults">
      <li v-for="(fault, i) in faults.slice(0, SHOWN)" :key="i" class="text-ruddy">
        Row {{ fault.row }}, {{ fault.column }}: {{ fault.says }}
      </li>
      <li v-if="faults.length > SHOWN">and {{ faults.length - SHOWN }} more</li>
    </ul>
    <p class="mt-1 text-soft">Rows with something wrong stay out; the rest can come in.</p>
  </template>
</template>
