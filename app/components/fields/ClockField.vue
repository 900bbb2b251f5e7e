<script setup lang="ts">
import { computed } from 'vue'
import { clock, parseClock } from '#core/measure'
import TypedField from './TypedField.vue'

/** A place on a ring as a clock position; `share` is the part of the turn, 0 to 1. */
const props = defineProps<{ label: string, share: number, take: (share: number) => string | null }>()
const shown = computed(() => clock(props.share * 360))
function read(text: string) {
  const angle = parseClock(text)
  return angle === null
    ? { ok: false as const, error: `“${text.trim()}” is not a clock position. Try 4:30.` }
    : { ok: true as const, value: angle / 360 }
}
</script>

<template>
  <TypedField :label="label" :shown="shown" :read="read" :take="take" numeric />
</template>
