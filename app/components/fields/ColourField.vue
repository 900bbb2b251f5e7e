<script setup lang="ts">
import { useId } from 'vue'

defineProps<{ label: string; value: string; offered: readonly { readonly name: string; readonly colour: string }[] }>()
const emit = defineEmits<{ pick: [colour: string] }>()
const id = useId()
</script>

<template>
  <div role="group" :aria-labelledby="`${id}-label`">
    <span :id="`${id}-label`" class="field-label">{{ label }}</span>
    <div class="flex flex-wrap items-center gap-1.5">
      <button
        v-for="each in offered"
        :key="each.colour"
        type="button"
        class="size-6 rounded-full border"
        :title="each.name"
        :aria-label="each.name"
        :class="
          each.colour.toLowerCase() === value.toLowerCase() ? 'border-ink ring-2 ring-leaf ring-offset-1 ring-offset-bench' : 'border-line'
        "
        :aria-pressed="each.colour.toLowerCase() === value.toLowerCase()"
        :style="{ background: each.colour }"
        @click="emit('pick', each.colour)"
      />
      <label class="ml-1 flex items-center gap-1 text-fine text-soft">
        Own
        <input
          type="color"
          class="h-6 w-8 rounded border border-line bg-sheet"
          :value="value"
          :aria-label="`${label}: own colour`"
          @change="emit('pick', ($event.target as HTMLInputElement).value)"
        />
      </label>
    </div>
  </div>
</template>
