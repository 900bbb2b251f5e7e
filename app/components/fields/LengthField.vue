<script setup lang="ts">
import { computed } from 'vue'
import { parseLength, readTape } from '#core/measure'
import type { LengthUnits } from '#core/measure'
import TypedField from './TypedField.vue'

/** A length, typed as makers type it: 18, 3 1/2, 45 cm. Empty may mean "none". */
const props = defineProps<{
  label: string
  mm: number | null
  units: LengthUnits
  none?: string
  hint?: string
  take: (mm: number | null) => string | null
}>()

const shown = computed(() => (props.mm === null ? (props.none ?? '') : readTape(props.mm, props.units)))
function read(text: string) {
  const plain = text.trim().toLowerCase()
  if (props.none !== undefined && (plain === '' || plain === props.none.toLowerCase())) return { ok: true as const, value: null }
  return parseLength(text, props.units)
}
/** A limit is told as the maker reads lengths, not in the document's millimetres. */
function takeLength(mm: number | null): string | null {
  return (
    props
      .take(mm)
      ?.replace(
        /^At (most|least) (-?[\d.]+)\.$/,
        (_, way: string, limit: string) => `At ${way} ${readTape(Number(limit), props.units)}.`,
      ) ?? null
  )
}
</script>

<template>
  <TypedField :label="label" :shown="shown" :read="read" :take="takeLength" :hint="hint" numeric />
</template>
