<script setup lang="ts">
import { computed } from 'vue'
import TypedField from '../fields/TypedField.vue'

/** How many of a material are in stash. What is being typed stays until it is taken. */
const props = defineProps<{ label: string, count: number, take: (count: number) => string | null }>()
const shown = computed(() => String(props.count))
function read(text: string) {
  const count = Number(text.trim() || '0')
  return Number.isInteger(count) && count >= 0 && count <= 1_000_000 ? { ok: true as const, value: count } : { ok: false as const, error: 'A whole number.' }
}
</script>

<template>
  <TypedField class="[&_label]:sr-only" :label="label" :shown="shown" :read="read" :take="take" numeric />
</template>
