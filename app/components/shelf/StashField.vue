<script setup lang="ts">
import { computed } from 'vue'
import { parseNumber } from '#core/measure'
import TypedField from '../fields/TypedField.vue'

/** How many of a material are in stash. What is being typed stays until it is taken. */
const props = defineProps<{ label: string; count: number; take: (count: number) => string | null }>()
const shown = computed(() => String(props.count))
function read(text: string) {
  const count = parseNumber(text.trim() || '0')
  if (!count.ok) return count
  return Number.isInteger(count.value) && count.value <= 1_000_000
    ? count
    : { ok: false as const, error: 'A whole number, up to a million.' }
}
</script>

<template>
  <TypedField class="[&_label]:sr-only" :label="label" :shown="shown" :read="read" :take="take" numeric />
</template>
