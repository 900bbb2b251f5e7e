<script setup lang="ts">
import { computed, ref } from 'vue'
import { PRICE_COLUMNS, readPrices } from '#core/exchange'
import { several } from '#core/measure'
import type { TableFile } from '~/composables/useTableFile'
import { useTable } from '~/composables/useTableFile'
import { newId } from '~/stores/pieces'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'

/** Takes a shop of one's own in from a table of its prices. */
const props = defineProps<TableFile>()
const emit = defineEmits<{ close: [] }>()
const shops = useShops()
const settings = useSettings()
const notices = useNotices()

const { read, mapping } = useTable(() => props.text, PRICE_COLUMNS)
const shop = ref(props.name.replace(/\.[a-z]+$/i, '').slice(0, 60))
const trip = ref(0)
const result = computed(() => (read.value.ok ? readPrices(read.value.table, mapping.value, shops.shelf, settings.units) : null))

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
  <TableFrame
    v-model:mapping="mapping"
    :title="`Prices from “${name}”`"
    :read="read"
    :guessed="guessed"
    :columns="PRICE_COLUMNS"
    :faults="result?.faults ?? []"
    :take="`Take ${several(result?.offers.length ?? 0, 'price', 'prices')} in`"
    :none="!result?.offers.length"
    @close="emit('close')"
    @take="take"
  >
    <template #fields>
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
    </template>
    <p v-if="result && read.ok">
      {{ several(result.offers.length, 'price', 'prices') }} of {{ several(read.table.rows.length, 'row', 'rows') }}.
    </p>
  </TableFrame>
</template>
