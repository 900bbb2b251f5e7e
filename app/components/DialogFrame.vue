<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

/** The frame that every dialog stands in: it closes at Escape and beside it. */
withDefaults(defineProps<{ title: string; wide?: string; open?: boolean }>(), { wide: 'w-96', open: true })
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-4">
      <DialogPanel class="flex max-h-[94vh] max-w-full flex-col overflow-y-auto rounded-md border border-line bg-frost p-4" :class="wide">
        <div class="mb-2 flex items-center gap-3">
          <slot name="before" />
          <DialogTitle class="font-serif text-lg">{{ title }}</DialogTitle>
        </div>
        <slot />
      </DialogPanel>
    </div>
  </Dialog>
</template>
