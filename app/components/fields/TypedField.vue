<script setup lang="ts">
import { ref, useId, watch } from 'vue'
import type { Parsed } from '#core/measure'

/**
 * A text field for one value with its own way of reading and writing: it takes the value when the field is left,
 * at Enter, and when the page goes away; what cannot be read stays in the field with the reason under it.
 */
const props = defineProps<{
  label: string
  /** The value as it should read. */
  shown: string
  read: (text: string) => Parsed<unknown>
  /** Takes the value; answers what is wrong with it, or null. */
  take: (value: never) => string | null
  hint?: string
  suffix?: string
  numeric?: boolean
}>()

const id = useId()
const text = ref(props.shown)
const error = ref<string | null>(null)
watch(() => props.shown, back)

function commit(): void {
  if (text.value.trim() === props.shown.trim()) {
    error.value = null
    return
  }
  const read = props.read(text.value)
  error.value = read.ok ? props.take(read.value as never) : read.error
  if (!error.value) text.value = props.shown
}
function back(): void {
  text.value = props.shown
  error.value = null
}
</script>

<template>
  <div>
    <label class="field-label" :for="id">{{ label }}</label>
    <input
      :id="id"
      v-model="text"
      class="field"
      :class="[numeric ? 'text-right' : '', error ? 'border-ruddy' : '']"
      type="text"
      autocomplete="off"
      :data-entered="text === shown || undefined"
      :inputmode="numeric ? 'decimal' : 'text'"
      :aria-invalid="error !== null"
      :aria-describedby="error || hint ? `${id}-more` : undefined"
      @change="commit"
      @keydown.enter="commit"
      @keydown.esc.stop="back"
    />
    <p
      v-if="error || hint"
      :id="`${id}-more`"
      class="mt-0.5 text-fine"
      :class="error ? 'text-ruddy' : 'text-soft'"
      :role="error ? 'alert' : undefined"
    >
      {{ error ?? hint }}
    </p>
  </div>
</template>
