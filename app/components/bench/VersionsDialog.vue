<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { format } from 'date-fns'
import type { Snapshot } from '~/db'
import { useBench } from '~/stores/bench'

/** The piece as it was at the start of earlier visits. Going back is an edit and can be undone. */
const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const bench = useBench()
const found = shallowRef<readonly Snapshot[]>([])
watch(
  () => props.open,
  async (open) => {
    if (open) found.value = await bench.versions()
  },
)

function restore(snapshot: Snapshot): void {
  bench.apply({ do: 'restore', piece: snapshot.piece }, `go back to ${format(snapshot.at, 'd MMM, HH:mm')}`)
  emit('close')
}
</script>

<template>
  <DialogFrame title="Earlier versions" :open="open" @close="emit('close')">
    <p class="mb-2 text-soft">The piece as it was each time it was opened. Going back can be undone.</p>
    <ul class="space-y-1">
      <li
        v-for="snapshot in found"
        :key="snapshot.id"
        class="flex items-center justify-between gap-2 rounded border border-seam bg-sheet px-2 py-1"
      >
        <span
          >{{ format(snapshot.at, 'd MMM yyyy, HH:mm') }}<span class="ml-2 text-soft">{{ snapshot.piece.layers.length }} layers</span></span
        >
        <button type="button" class="button h-6" @click="restore(snapshot)">Go back to it</button>
      </li>
    </ul>
    <button type="button" class="button mt-3" @click="emit('close')">Close</button>
  </DialogFrame>
</template>
