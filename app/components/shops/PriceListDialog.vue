<script setup lang="ts">
import { PRICE_COLUMNS } from '#core/formats'
import { several } from '#core/measure'
import type { OpenTable } from '~/composables/useTableFile'
import { useTable } from '~/composables/useTableFile'
import { newId } from '~/utils/new-id'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useStock } from '~/stores/stock'
import { askPricesIn } from '~/workers/workings'

/** Takes a shop of one's own in from a table of its prices. */
const props = defineProps<{ table: OpenTable }>()
const emit = defineEmits<{ close: [] }>()
const shops = useShops()
const settings = useSettings()
const stock = useStock()
const notices = useNotices()

const { name, read, guessed } = props.table
const {
  result,
  draft: { value: draft, since, set, again, done },
} = useTable(props.table, {
  kind: 'prices',
  columns: PRICE_COLUMNS,
  more: { shop: name.replace(/\.[a-z]+$/i, '').slice(0, 60), trip: 0 },
  unitsOf: () => settings.units,
  ask: (text, mapping, units) => askPricesIn(text, mapping, units, stock.pricing),
})

async function take(): Promise<void> {
  const { shop, trip } = draft.value
  const { offers } = result.value!
  const kept = shops.keep({
    id: `own-${newId()}`.slice(0, 40),
    name: shop.trim() || 'A shop',
    note: `From “${name}”.`.slice(0, 200),
    trip,
    minimum: 0,
    sells: 0,
    offers: [...offers],
  })
  if (!(await notices.tell('The price list could not be kept', kept))) return
  await done()
  notices.note(`${several(offers.length, 'price', 'prices')} of ${shop} came in.`)
  emit('close')
}
</script>

<template>
  <TableFrame
    :mapping="draft.mapping"
    :since="since"
    :title="`Prices from “${name}”`"
    :read="read"
    :guessed="guessed"
    :columns="PRICE_COLUMNS"
    :faults="result?.faults ?? []"
    :take="`Take ${several(result?.offers.length ?? 0, 'price', 'prices')} in`"
    :none="!result?.offers.length"
    @update:mapping="(mapping) => set({ mapping })"
    @again="again"
    @close="emit('close')"
    @take="take"
  >
    <template #fields>
      <div class="mt-2 grid grid-cols-2 gap-2">
        <label
          ><span class="field-label">The shop’s name</span
          ><input class="field" maxlength="60" :value="draft.shop" @input="set({ shop: ($event.target as HTMLInputElement).value })"
        /></label>
        <MoneyField
          label="Going there costs"
          :minor="draft.trip"
          :currency="settings.currency"
          none=""
          :take="(minor) => set({ trip: minor ?? 0 })"
        />
      </div>
    </template>
    <p v-if="result && read.ok">{{ several(result.offers.length, 'price', 'prices') }} of {{ several(read.rows, 'row', 'rows') }}.</p>
  </TableFrame>
</template>
