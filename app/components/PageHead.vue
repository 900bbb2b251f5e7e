<script setup lang="ts">
import { NuxtLink } from '#components'

/** The head of a page beside the bench: the way back, its title with what belongs to it, and on the right what can be done. */
defineProps<{ title: string }>()
</script>

<template>
  <header class="flex items-center gap-3 border-b border-line py-3">
    <NuxtLink to="/" class="page-link">Workroom</NuxtLink>
    <slot name="ways" />
    <h1 class="font-serif text-2xl leading-none">{{ title }}</h1>
    <slot name="about" />
    <div class="ml-auto flex items-center gap-2"><UnitsSwitch /><LightSwitch /><slot /></div>
  </header>
</template>
