<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Mapping } from '#core/exchange'
import { guessMapping, PRICE_COLUMNS, readPrices, readTable } from '#core/exchange'
import { several } from '#core/measure'
import { newId } from '~/stores/pieces'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'

/** Takes a shop of one's own in from a table of its prices. */
const props = defineProps<{ text: string; name: string; guessed: boolean }>()
const emit = defineEmits<{ close: [] }>()
const shops = useShops()
const settings = useSettings()
const notices = useNotices()

const read = computed(() => readTable(props.text))
const headings = computed(() => (read.value.ok ? read.value.table.headings : []))
const mapping = ref<Mapping>(guessMapping(headings.value, PRICE_COLUMNS))
const shop = ref(props.name.replace(/\.[a-z]+$/i, '').slice(0, 60))
const trip = ref(0)
const result = computed(() => (read.value.ok ? readPrices(read.value.table, mapping.value, shops.shelf) : null))

async function take(): Promise<void> {
  const { offers } = result.value!
  const kept = shops.keep({
    id: `own-${newId()}`.slice(0, 40),
    name: shop.value.trim() || 'A shop',
    note: `From “${props.name}”.`.slice(0, 200),
    trip: trip.value,
    minimum: 0,
    sells: 0,
    offers: [...offers],
  })
  if (!(await notices.tell('The price list could not be kept', kept))) return
  notices.note(`${several(offers.length, 'price', 'prices')} of ${shop.value} came in.`)
  emit('close')
}
</script>

<template>
  <DialogFrame :title="`Prices from “${name}”`" wide="w-[52rem]" @close="emit('close')">
    <p v-if="!read.ok" class="text-ruddy" role="alert">{{ read.error }} Nothing was changed.</p>
    <template v-else>
      <p v-if="guessed" class="mb-2 text-bracken" role="status">
        The table is not in UTF-8 and was read as Windows-1252: look whether names with accents are right.
      </p>
      <div class="grid min-h-0 grid-cols-2 gap-4">
        <section class="min-h-0 overflow-y-auto pr-1" aria-label="Which heading is which" tabindex="0">
          <h3 class="panel-title mb-1">Which heading is which</h3>
          <MappingFields v-model="mapping" :columns="PRICE_COLUMNS" :headings="headings" />
          <div class="mt-2 grid grid-cols-2 gap-2">
            <label><span class="field-label">The shop’s name</span><input v-model="shop" class="field" maxlength="60" /></label>
            <MoneyField
              label="Going there costs"
              :minor="trip"
              :currency="settings.currency"
              none=""
              :take="
                (minor) => {
                  trip = minor ?? 0
                  return null
                }
              "
            />
          </div>
        </section>
        <section class="min-h-0 overflow-y-auto" aria-label="What comes in" tabindex="0">
          <h3 class="panel-title mb-1">What comes in</h3>
          <template v-if="result">
            <p>{{ several(result.offers.length, 'price', 'prices') }} of {{ several(read.table.rows.length, 'row', 'rows') }}.</p>
            <RowFaults :faults="result.faults" />
          </template>
        </section>
      </div>
    </template>
    <div class="mt-3 flex justify-end gap-2">
      <button type="button" class="button h-8" @click="emit('close')">Not now</button>
      <button v-if="result" type="button" class="button-main" :disabled="!result.offers.length" @click="take">
        Take {{ several(result.offers.length, 'price', 'prices') }} in
      </button>
    </div>
  </DialogFrame>
</template>
