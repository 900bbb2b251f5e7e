<script setup lang="ts">
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { useNotices } from '~/stores/notices'

/** The frame that every dialog stands in: it closes at Escape and beside it. */
const props = withDefaults(defineProps<{ title: string; wide?: string; open?: boolean }>(), { wide: 'w-96', open: true })
const emit = defineEmits<{ close: [] }>()
// What lies behind a dialog can be neither read out nor closed: what goes wrong while it is open is told in it.
const notices = useNotices()
/** The last that was told before it was opened. */
const before = ref(0)
watch(
  () => props.open,
  (open, was = false) => {
    notices.dialogs += Number(open) - Number(was)
    if (open) before.value = Math.max(0, ...notices.shown.map(({ id }) => id))
  },
  { immediate: true },
)
onBeforeUnmount(() => {
  if (props.open) notices.dialogs -= 1
})
const faults = computed(() => notices.shown.filter(({ id, severity }) => severity === 'fault' && id > before.value))
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
        <NoticeCard v-for="fault in faults" :key="fault.id" :notice="fault" class="mt-3" />
      </DialogPanel>
    </div>
  </Dialog>
</template>
