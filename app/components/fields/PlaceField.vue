<script setup lang="ts">
import { computed } from 'vue'
import type { Run } from '#core/base'
import { clockAngle, placeAtClock } from '#core/base'
import type { LengthUnits } from '#core/measure'
import { clock, parseClock, parseLength, readTape } from '#core/measure'
import TypedField from './TypedField.vue'

/** A place on a run: a clock position on a closed one, a distance from where an open one is read. `share` is the part of its length, 0 to 1. */
const props = defineProps<{ label: string; share: number; run: Run; units: LengthUnits; take: (share: number) => string | null }>()

const shown = computed(() => {
  const s = props.share * props.run.length
  return props.run.reads.kind === 'clock' ? clock(clockAngle(props.run, s)) : readTape(s, props.units)
})
const hint = computed(() => (props.run.reads.kind === 'from' ? props.run.reads.words : undefined))

function read(text: string) {
  const { run } = props
  if (run.reads.kind === 'clock') {
    const angle = parseClock(text)
    return angle === null
      ? { ok: false as const, error: `“${text.trim()}” is not a clock position. Try 4:30.` }
      : { ok: true as const, value: placeAtClock(run, angle) / run.length }
  }
  const length = parseLength(text, props.units)
  if (!length.ok) return length
  if (length.value > run.length + 1e-6)
    return { ok: false as const, error: `The ${run.name} is ${readTape(run.length, props.units)} long.` }
  return { ok: true as const, value: Math.min(1, length.value / run.length) }
}
</script>

<template>
  <TypedField :label="label" :shown="shown" :read="read" :take="take" :hint="hint" numeric />
</template>
