<script setup lang="ts">
import { useId } from 'vue'
import { Minus, Plus } from '@lucide/vue'
import { clamp, parseNumber } from '#core/measure'
import TypedField from './TypedField.vue'

/** A number with a step down and a step up. */
const props = defineProps<{
  label: string
  value: number
  least: number
  most: number
  step?: number
  whole?: boolean
  take: (value: number) => string | null
}>()
const group = useId()

function read(text: string) {
  const sign = /^\s*[-−]/.test(text) ? -1 : 1
  const number = parseNumber(text.replace(/^\s*[-−]/, ''))
  if (!number.ok) return number
  const value = sign * number.value
  if (props.whole && !Number.isInteger(value)) return { ok: false as const, error: 'A whole number, please.' }
  if (value < props.least || value > props.most) return { ok: false as const, error: `From ${props.least} to ${props.most}.` }
  return { ok: true as const, value }
}
function stepBy(direction: number): void {
  const value = clamp(props.value + direction * (props.step ?? 1), props.least, props.most)
  props.take(Number(value.toFixed(4)))
}
</script>

<template>
  <div class="flex items-end gap-1" role="group" :aria-labelledby="group">
    <span :id="group" class="sr-only">{{ label }}</span>
    <TypedField
      class="min-w-0 flex-1"
      :label="label"
      :shown="String(value)"
      :read="read"
      :take="take"
      numeric
      @keydown.up.prevent="stepBy(1)"
      @keydown.down.prevent="stepBy(-1)"
    />
    <button type="button" class="button h-7 w-7 px-0" :aria-label="`${label}: fewer`" :disabled="value <= least" @click="stepBy(-1)">
      <Minus :size="14" />
    </button>
    <button type="button" class="button h-7 w-7 px-0" :aria-label="`${label}: more`" :disabled="value >= most" @click="stepBy(1)">
      <Plus :size="14" />
    </button>
  </div>
</template>
