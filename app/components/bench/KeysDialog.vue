<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const KEYS = [
  [', and .', 'choose the neighbour before or after'],
  ['← →', 'slide it along the run, ¼ in or 5 mm'],
  ['Shift ← →', 'slide it finely, 1⁄16 in or 1 mm'],
  ['↑ ↓', 'move it outward or inward across the face'],
  ['[ ]', 'turn it 5 degrees'],
  ['Backspace', 'put it back to its rule'],
  ['Esc', 'let go of it'],
  ['Alt ↑ ↓', 'on a layer’s grip: move the layer'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['?', 'this list'],
]
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-4">
      <DialogPanel class="w-96 rounded-md border border-line bg-frost p-4">
        <DialogTitle class="mb-2 font-serif text-lg">Keys on the bench</DialogTitle>
        <dl class="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
          <template v-for="[key, what] in KEYS" :key="key"><dt class="font-semibold">{{ key }}</dt><dd>{{ what }}</dd></template>
        </dl>
        <button type="button" class="button mt-3" @click="emit('close')">Close</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
