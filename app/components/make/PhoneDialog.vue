<script setup lang="ts">
import { computed, ref } from 'vue'
import { renderSVG } from 'uqr'
import { LONGEST_LINK, writeLink } from '#core/formats'
import { addressOf } from '~/utils/address'
import { exportPiece } from '~/utils/files'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useShops } from '~/stores/shops'

/** The piece in a code that a phone reads: all of it is in the address after #, and nothing goes to a server. */
const emit = defineEmits<{ close: [] }>()
const bench = useBench()
const shops = useShops()
const notices = useNotices()
const link = computed(() => `${window.location.origin}${addressOf('carry')}#${writeLink(bench.piece!, shops.shelf)}`)
const fits = computed(() => link.value.length <= LONGEST_LINK)
/** Black on white whatever the light of the app: readers want it so. */
const code = computed(() =>
  fits.value ? `data:image/svg+xml,${encodeURIComponent(renderSVG(link.value, { ecc: 'L', border: 3 }))}` : null,
)
const copied = ref(false)
async function copy(): Promise<void> {
  copied.value = await notices.tell('The address could not be copied', navigator.clipboard.writeText(link.value))
}
</script>

<template>
  <DialogFrame title="To the phone" wide="w-[26rem]" @close="emit('close')">
    <div class="space-y-3">
      <template v-if="code">
        <img :src="code" alt="Code that opens this piece on a phone" class="mx-auto w-72 max-w-full" data-testid="code" />
        <p>
          Point the phone’s camera at it: the sheet opens there at once, and can be kept. The piece itself is in the address; nothing is
          sent anywhere.
        </p>
      </template>
      <p v-else class="text-bracken" role="alert">
        This piece is too large for a code: its address has {{ link.length }} letters, and a phone reads up to {{ LONGEST_LINK }} from a
        screen. Send the file instead.
      </p>
      <p v-if="link.includes('//127.') || link.includes('//localhost')" class="text-fine text-soft">
        This app runs on this machine only: another device can open the address when the app is served where it can be reached.
      </p>
      <div class="flex flex-wrap gap-2">
        <button type="button" class="button" @click="copy">{{ copied ? 'Copied' : 'Copy the address' }}</button>
        <button type="button" class="button" @click="exportPiece(bench.piece!, shops.shelf)">Save the file</button>
      </div>
      <a :href="link" class="sr-only" data-testid="carry-link">The address itself</a>
    </div>
  </DialogFrame>
</template>
