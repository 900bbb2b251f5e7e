<script setup lang="ts">
import { usePhoto } from '~/composables/usePhoto'

/** A photo of the daybook. */
const props = defineProps<{ id: string; name: string }>()
const { url } = usePhoto(() => props.id)
</script>

<template>
  <img v-if="url" :src="url" :alt="name" class="block aspect-[4/3] w-full object-cover" />
  <p v-else class="flex aspect-[4/3] items-center justify-center bg-bench text-fine text-soft">Not here</p>
</template>
