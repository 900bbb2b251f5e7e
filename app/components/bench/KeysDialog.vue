<script setup lang="ts">
import { COMMANDS } from '~/utils/key-list'

/** What keys do on the bench. */
defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const GROUPS = [...new Set(COMMANDS.map(({ group }) => group))].map((name) => ({
  name,
  commands: COMMANDS.filter(({ group }) => group === name),
}))
</script>

<template>
  <DialogFrame title="Keys on the bench" wide="w-[46rem]" :open="open" @close="emit('close')">
    <div class="grid grid-cols-2 gap-x-8 gap-y-3">
      <section v-for="group in GROUPS" :key="group.name">
        <h3 class="panel-title mb-0.5">{{ group.name }}</h3>
        <dl class="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5">
          <template v-for="{ id, shown, says } in group.commands" :key="id"
            ><dt class="font-semibold">{{ shown }}</dt>
            <dd>{{ says }}</dd></template
          >
        </dl>
      </section>
    </div>
    <button type="button" class="button mt-3" @click="emit('close')">Close</button>
  </DialogFrame>
</template>
