<script setup lang="ts">
import { ref, useId, watch } from 'vue'

/** Text that is taken as it is typed. */
const props = defineProps<{
  label: string
  value: string
  most: number
  take: (text: string) => string | null
  lines?: number
  hint?: string
}>()
const id = useId()
const text = ref(props.value)
const error = ref<string | null>(null)
watch(
  () => props.value,
  (value) => {
    if (value !== text.value.trim()) text.value = value
  },
)
function typed(): void {
  error.value = props.take(text.value.trim())
}
function left(): void {
  if (!error.value) return
  text.value = props.value
  error.value = null
}
</script>

<template>
  <div>
    <label class="field-label" :for="id">{{ label }}</label>
    <textarea
      v-if="lines"
      :id="id"
      v-model="text"
      class="field h-auto py-1"
      :class="error ? 'border-ruddy' : ''"
      :rows="lines"
      :maxlength="most"
      :placeholder="hint"
      :aria-invalid="error !== null"
      :aria-describedby="error ? `${id}-more` : undefined"
      @input="typed"
      @blur="left"
    />
    <input
      v-else
      :id="id"
      v-model="text"
      class="field"
      :class="error ? 'border-ruddy' : ''"
      type="text"
      :maxlength="most"
      autocomplete="off"
      :aria-invalid="error !== null"
      :aria-describedby="error ? `${id}-more` : undefined"
      @input="typed"
      @blur="left"
    />
    <p v-if="error" :id="`${id}-more`" class="mt-0.5 text-fine text-ruddy" role="alert">{{ error }}</p>
  </div>
</template>
