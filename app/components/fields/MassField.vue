<script setup lang="ts">
import { computed } from 'vue'
import TypedField from './TypedField.vue'

/** A mass in grams; empty takes the usual one. */
const props = defineProps<{ label: string, grams: number | null, none: string, hint?: string, take: (grams: number | null) => string | null }>()
const shown = computed(() => (props.grams === null ? props.none : `${props.grams} g`))
function read(text: string) {
  const plain = text.trim().replace(/\s*g$/i, '').replace(',', '.')
  if (plain === '' || plain === props.none) return { ok: true as const, value: null }
  const value = Number(plain)
  return Number.isFinite(value) && value >= 0 ? { ok: true as const, value } : { ok: false as const, error: `“${text.trim()}” is not a weight in grams.` }
}
</script>

<template>
  <TypedField :label="label" :shown="shown" :read="read" :take="take" :hint="hint" numeric />
</template>
