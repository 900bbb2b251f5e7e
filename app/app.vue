<script setup lang="ts">
import { computed, watch, watchEffect } from 'vue'
import { onNuxtReady, usePWA } from '#imports'
import { NuxtPage } from '#components'
import { db } from '~/db'
import { sweepPhotos } from '~/db/drafts'
import { useToday } from '~/composables/useToday'
import { useReserving } from '~/stores/stock-reservations'
import { useSettings } from '~/stores/settings'
import { useNotices } from '~/stores/notices'
import { useShops } from '~/stores/shops'
import { useUnread } from '~/stores/unread'

const settings = useSettings()
const notices = useNotices()
const shops = useShops()
const today = useToday()
watch(today, (day) => void shops.load(day), { immediate: true })
useReserving()
useUnread()
const opens = (): Promise<boolean> =>
  db()
    .open()
    .then(
      () => true,
      () => false,
    )
const sweep = (): Promise<boolean> => notices.tell('Photos that nobody has could not be thrown away', sweepPhotos(db(), Date.now()))
onNuxtReady(async () => {
  // Where there is no database to open, whoever reads it says so.
  if (await opens()) await sweep()
})
/** The service worker: null where the browser has none. */
const pwa = usePWA()
/** Loads the new version: at once where it took over by itself, as it does while no page is looked after by the one before. */
async function renew(): Promise<void> {
  const waiting = (await navigator.serviceWorker.getRegistration())?.waiting
  if (!waiting) location.reload()
  waiting?.addEventListener('statechange', () => {
    if (waiting.state === 'activated') location.reload()
  })
  await pwa?.updateServiceWorker()
}
/** What goes wrong while a dialog is open is told there. */
const told = computed(() => notices.shown.filter(({ severity }) => severity === 'note' || !notices.dialogs))
watchEffect(() => {
  document.documentElement.dataset.light = settings.light
})
</script>

<template>
  <div class="min-h-dvh bg-frost">
    <NuxtPage />
    <div role="status" aria-live="polite" class="sr-only">{{ notices.announced }}</div>
    <div class="pointer-events-none fixed inset-x-0 bottom-4 z-50 px-3 flex flex-col items-center gap-2 print:hidden">
      <div
        v-if="pwa?.needRefresh"
        class="pointer-events-auto flex items-center gap-3 rounded-md border border-line bg-sheet px-3 py-2 text-small shadow-lg"
        role="status"
      >
        A new version of the app is ready.
        <button type="button" class="button h-7" @click="notices.tell('The new version could not be loaded', renew())">Take it now</button>
        <button type="button" class="font-medium underline" @click="pwa.cancelPrompt()">Later</button>
      </div>
      <DoorNotice />
      <SilentWorkers />
      <NoticeCard v-for="notice in told" :key="notice.id" :notice="notice" class="shadow-lg" />
    </div>
  </div>
</template>
