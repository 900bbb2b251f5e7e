<script setup lang="ts">
import { Moon, Sun } from '@lucide/vue'
import { useSettings } from '~/stores/settings'

const settings = useSettings()
</script>

<template>
  <button
    type="button"
    class="icon-button"
    :aria-label="settings.light === 'day' ? 'Evening light' : 'Day light'"
    :title="settings.light === 'day' ? 'Evening light' : 'Day light'"
    @click="settings.set({ light: settings.light === 'day' ? 'evening' : 'day' })"
  >
    <Moon v-if="settings.light === 'day'" :size="16" /><Sun v-else :size="16" />
  </button>
</template>
