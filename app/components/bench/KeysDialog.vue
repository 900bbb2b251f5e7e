<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const GROUPS = [
  { name: 'Choose', keys: [
    [', and .', 'the neighbour before or after'], ['Shift , and .', 'that one as well'], ['Page ↑ ↓', 'the next layer’s first'], ['A', 'all of the layer'],
    ['Click, Shift click', 'one; one more or one fewer'], ['Shift drag', 'all in a frame'], ['Esc', 'let go'],
  ] },
  { name: 'Move what is chosen', keys: [
    ['← →', 'along the run, ¼ in or 5 mm'], ['Shift ← →', 'finely, 1⁄16 in or 1 mm'], ['↑ ↓', 'outward or inward'], ['[ ]', 'turn 5 degrees'], ['+ −', 'longer or shorter by ½ in or 1 cm'],
    ['Shift Page ↑ ↓', 'over or under its neighbours'], ['Alt drag', 'without snapping'], ['Backspace', 'back to its rule'],
  ] },
  { name: 'More and fewer', keys: [['D', 'another beside it'], ['C', 'copy to the other side'], ['M', 'move to the other side'], ['P', 'pin it, or unpin'], ['Delete', 'take it off']] },
  { name: 'Layers and the rest', keys: [['H', 'hide or show the open layer'], ['L', 'lock or unlock it'], ['Alt ↑ ↓', 'on a layer’s grip: move the layer'], ['Ctrl Z', 'undo'], ['Ctrl Shift Z', 'redo'], ['?', 'this list']] },
] as const
</script>

<template>
  <Dialog :open="open" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-4">
      <DialogPanel class="max-h-[92vh] w-[46rem] max-w-full overflow-y-auto rounded-md border border-line bg-frost p-4">
        <DialogTitle class="mb-2 font-serif text-lg">Keys on the bench</DialogTitle>
        <div class="grid grid-cols-2 gap-x-8 gap-y-3">
          <section v-for="group in GROUPS" :key="group.name">
            <h3 class="panel-title mb-0.5">{{ group.name }}</h3>
            <dl class="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5">
              <template v-for="[key, what] in group.keys" :key="key"><dt class="font-semibold">{{ key }}</dt><dd>{{ what }}</dd></template>
            </dl>
          </section>
        </div>
        <button type="button" class="button mt-3" @click="emit('close')">Close</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
