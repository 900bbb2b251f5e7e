<script setup lang="ts">
import { NuxtLink } from '#components'

/** The head of a page beside the bench: the way back, its title with what belongs to it, and on the right what can be done. */
defineProps<{ title: string }>()
</script>

<template>
  <header class="flex flex-wrap items-center gap-x-3 gap-y-2 border-b border-line py-3">
    <NuxtLink to="/" class="page-link">Workroom</NuxtLink>
    <slot name="ways" />
    <h1 class="font-serif text-2xl leading-none">{{ title }}</h1>
    <slot name="about" />
    <div class="ml-auto flex flex-wrap items-center gap-2 max-sm:ml-0"><UnitsSwitch /><LightSwitch /><slot /></div>
  </header>
</template>
