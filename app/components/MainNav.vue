<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from '#app'
import { NuxtLink } from '#components'

/** The rooms of the house, the one that one is in marked. */
const ROOMS = [
  { to: '/', name: 'Workroom' },
  { to: '/season', name: 'Season' },
  { to: '/kits', name: 'Kits' },
  { to: '/stash', name: 'Stash' },
  { to: '/shelf', name: 'Shelf' },
  { to: '/shops', name: 'Shops' },
  { to: '/cutting', name: 'Cutting' },
  { to: '/ledger', name: 'Ledger' },
  { to: '/daybook', name: 'Daybook' },
  { to: '/settings', name: 'Settings' },
] as const
const route = useRoute()
const here = computed(() => (route.path === '/' ? '/' : `/${route.path.split('/')[1]}`))
</script>

<template>
  <nav class="flex flex-wrap items-center gap-x-3 gap-y-1" aria-label="Rooms">
    <NuxtLink
      v-for="{ to, name } in ROOMS"
      :key="to"
      :to="to"
      class="min-h-6 text-small"
      :class="here === to ? 'font-semibold text-ink underline decoration-leaf decoration-2 underline-offset-4' : 'text-soft hover:text-ink'"
      :aria-current="here === to ? 'page' : undefined"
      >{{ name }}</NuxtLink
    >
  </nav>
</template>
