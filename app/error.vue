<script setup lang="ts">
import { clearError } from '#app'
import type { NuxtError } from '#app'
import { reason } from '~/db/storage-error-text'

/** What stands there when a page cannot be shown at all. */
const props = defineProps<{ error: NuxtError }>()
const missing = props.error.statusCode === 404
</script>

<template>
  <main class="mx-auto min-h-dvh max-w-xl bg-frost px-6 py-24">
    <h1 class="font-serif text-2xl">{{ missing ? 'There is no such page' : 'This page could not be shown' }}</h1>
    <p class="mt-3 text-base">{{ missing ? 'The address may be mistyped, or from an older version.' : reason(error) }}</p>
    <p class="mt-3 text-base">Your pieces are kept in this browser; nothing was changed.</p>
    <p class="mt-6 flex gap-2">
      <button type="button" class="button-main" @click="clearError({ redirect: '/' })">To the workroom</button>
      <a :href="$route.fullPath" class="button h-8">Try again</a>
    </p>
  </main>
</template>
