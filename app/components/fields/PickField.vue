<script setup lang="ts" generic="T extends string">
import { useId } from 'vue'

defineProps<{ label: string; value: T; options: readonly { readonly value: T; readonly name: string }[]; hint?: string }>()
const emit = defineEmits<{ pick: [value: T] }>()
const id = useId()
</script>

<template>
  <div>
    <label class="field-label" :for="id">{{ label }}</label>
    <select :id="id" class="field pr-1" :value="value" @change="emit('pick', ($event.target as HTMLSelectElement).value as T)">
      <option v-for="option in options" :key="option.value" :value="option.value">{{ option.name }}</option>
    </select>
    <p v-if="hint" class="mt-0.5 text-fine text-soft">{{ hint }}</p>
  </div>
</template>
