<script setup lang="ts">
import type { TableColumn, Mapping } from '#core/formats'

/** Which heading of a table gives which column. */
const mapping = defineModel<Mapping>({ required: true })
defineProps<{ columns: readonly TableColumn[]; headings: readonly string[] }>()
function map(column: string, text: string): void {
  mapping.value = { ...mapping.value, [column]: text === '' ? null : Number(text) }
}
</script>

<template>
  <label v-for="column in columns" :key="column.id" class="mb-1 grid grid-cols-[8rem_1fr] items-center gap-2" :title="column.hint">
    <span>{{ column.name }}<span v-if="column.needed" class="text-ruddy"> needed</span></span>
    <select class="field" :value="mapping[column.id] ?? ''" @change="map(column.id, ($event.target as HTMLSelectElement).value)">
      <option value="">not in the table</option>
      <option v-for="(heading, i) in headings" :key="i" :value="i">{{ heading }}</option>
    </select>
  </label>
</template>
