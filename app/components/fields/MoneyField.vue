<script setup lang="ts">
import { computed } from 'vue'
import type { Currency } from '#core/measure'
import { formatMoney, parseMoney } from '#core/measure'
import TypedField from './TypedField.vue'

const props = defineProps<{
  label: string
  minor: number | null
  currency: Currency
  none: string
  hint?: string
  take: (minor: number | null) => string | null
}>()
const shown = computed(() => (props.minor === null ? props.none : formatMoney(props.minor, props.currency)))
function read(text: string) {
  const plain = text.trim()
  if (plain === '' || plain === props.none) return { ok: true as const, value: null }
  const minor = parseMoney(plain)
  return minor === null ? { ok: false as const, error: `“${plain}” is not an amount. Try 24.50.` } : { ok: true as const, value: minor }
}
</script>

<template>
  <TypedField :label="label" :shown="shown" :read="read" :take="take" :hint="hint" numeric />
</template>
