<script setup lang="ts">
import { computed } from 'vue'
import { parseNumber } from '#core/measure'
import TypedField from './TypedField.vue'

/** A mass in grams; empty takes the usual one. */
const props = defineProps<{
  label: string
  grams: number | null
  none: string
  hint?: string
  take: (grams: number | null) => string | null
}>()
const shown = computed(() => (props.grams === null ? props.none : `${props.grams} g`))
function read(text: string) {
  const plain = text.trim().replace(/\s*g$/i, '')
  return plain === '' || plain === props.none ? { ok: true as const, value: null } : parseNumber(plain)
}
</script>

<template>
  <TypedField :label="label" :shown="shown" :read="read" :take="take" :hint="hint" numeric />
</template>
