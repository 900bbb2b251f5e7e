<script setup lang="ts">
defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const GROUPS = [
  {
    name: 'Choose',
    keys: [
      [', and .', 'the neighbour before or after'],
      ['Shift , and .', 'that one as well'],
      ['Page ↑ ↓', 'the next layer’s first'],
      ['A', 'all of the layer'],
      ['Click, Shift click', 'one; one more or one fewer'],
      ['Shift drag', 'all in a frame'],
      ['Esc', 'let go'],
    ],
  },
  {
    name: 'Move what is chosen',
    keys: [
      ['← →', 'along the run, ¼ in or 5 mm'],
      ['Shift ← →', 'finely, 1⁄16 in or 1 mm'],
      ['↑ ↓', 'outward or inward'],
      ['[ ]', 'turn 5 degrees'],
      ['+ −', 'longer or shorter by ½ in or 1 cm'],
      ['Shift Page ↑ ↓', 'over or under its neighbours'],
      ['Alt drag', 'without snapping'],
      ['Backspace', 'back to its rule'],
    ],
  },
  {
    name: 'More and fewer',
    keys: [
      ['D', 'another beside it'],
      ['C', 'copy to the other side'],
      ['M', 'move to the other side'],
      ['P', 'pin it, or unpin'],
      ['Delete', 'take it off'],
    ],
  },
  {
    name: 'Layers and the rest',
    keys: [
      ['H', 'hide or show the open layer'],
      ['L', 'lock or unlock it'],
      ['Alt ↑ ↓', 'on a layer’s grip: move the layer'],
      ['Ctrl Z', 'undo'],
      ['Ctrl Shift Z', 'redo'],
      ['?', 'this list'],
    ],
  },
] as const
</script>

<template>
  <DialogFrame title="Keys on the bench" wide="w-[46rem]" :open="open" @close="emit('close')">
    <div class="grid grid-cols-2 gap-x-8 gap-y-3">
      <section v-for="group in GROUPS" :key="group.name">
        <h3 class="panel-title mb-0.5">{{ group.name }}</h3>
        <dl class="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5">
          <template v-for="[key, what] in group.keys" :key="key"
            ><dt class="font-semibold">{{ key }}</dt>
            <dd>{{ what }}</dd></template
          >
        </dl>
      </section>
    </div>
    <button type="button" class="button mt-3" @click="emit('close')">Close</button>
  </DialogFrame>
</template>
