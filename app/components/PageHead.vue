<script setup lang="ts">
/** The head of a page beside the bench: its title with what belongs to it, the way to the other rooms, and what can be done. */
defineProps<{ title: string }>()
</script>

<template>
  <header class="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line py-3">
    <h1 class="font-serif text-2xl leading-none">{{ title }}</h1>
    <MainNav />
    <slot name="about" />
    <div class="ml-auto flex flex-wrap items-center gap-2 max-sm:ml-0"><UnitsSwitch /><ThemeToggle /><slot /></div>
  </header>
</template>
