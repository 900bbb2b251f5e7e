<script setup lang="ts">
import type { TableColumn, Headings, Mapping, RowFault } from '#core/formats'

/** The dialog in which a table comes in: which heading is which, what comes in, and what is wrong, before anything is kept. */
const mapping = defineModel<Mapping>('mapping', { required: true })
defineProps<{
  /** When it was begun before, milliseconds since 1970; null where it is new. */
  since: number | null
  title: string
  read: Headings
  guessed: boolean
  columns: readonly TableColumn[]
  faults: readonly RowFault[]
  /** "Take 3 prices in" */
  take: string
  none: boolean
}>()
const emit = defineEmits<{ close: []; take: []; again: [] }>()
</script>

<template>
  <DialogFrame :title="title" wide="w-[52rem]" @close="emit('close')">
    <p v-if="!read.ok" class="text-ruddy" role="alert">{{ read.error }} Nothing was changed.</p>
    <template v-else>
      <BegunNote class="mb-2" :since="since" @again="emit('again')" />
      <p v-if="guessed" class="mb-2 text-bracken" role="status">
        The table is not in UTF-8 and was read as Windows-1252: look whether names with accents are right.
      </p>
      <div class="grid min-h-0 grid-cols-2 gap-4 max-sm:grid-cols-1">
        <section class="min-h-0 overflow-y-auto pr-1" aria-label="Which heading is which" tabindex="0">
          <h3 class="panel-title mb-1">Which heading is which</h3>
          <MappingFields v-model="mapping" :columns="columns" :headings="read.headings" />
          <slot name="fields" />
        </section>
        <section class="min-h-0 overflow-y-auto" aria-label="What comes in" tabindex="0">
          <h3 class="panel-title mb-1">What comes in</h3>
          <slot />
          <RowFaults :faults="faults" />
        </section>
      </div>
    </template>
    <div class="mt-3 flex justify-end gap-2">
      <button type="button" class="button h-8" @click="emit('close')">Not now</button>
      <button v-if="read.ok" type="button" class="button-main" :disabled="none" @click="emit('take')">{{ take }}</button>
    </div>
  </DialogFrame>
</template>
