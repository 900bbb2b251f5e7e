<script setup lang="ts">
import type { Tax } from '#core/price'
import { formatShare, parseShare } from '~/utils/parsing'
import { useSettings } from '~/stores/settings'
import TypedField from '../fields/TypedField.vue'

/** The sales tax of the place: how much, where it is rounded, and whether prices have it in them. */
const settings = useSettings()
const set = (change: Partial<Tax>): null => {
  settings.setTax({ ...settings.tax, ...change })
  return null
}
const HOW = [
  { value: 'bill', name: 'rounded on the whole bill' },
  { value: 'line', name: 'rounded on each line' },
] as const
</script>

<template>
  <div class="flex flex-wrap items-start gap-3">
    <TypedField
      class="w-32"
      label="Sales tax"
      :shown="settings.tax.known ? formatShare(settings.tax.share) : ''"
      :read="parseShare"
      :take="(share: number | null) => set(share === null ? { share: 0, known: false } : { share, known: true })"
      :hint="settings.tax.known ? undefined : 'not said yet'"
      numeric
    />
    <PickField class="w-52" label="How" :value="settings.tax.by" :options="HOW" @pick="(by: Tax['by']) => set({ by })" />
    <label class="tick mt-4.5"
      ><input
        type="checkbox"
        class="size-4 accent-leaf"
        :checked="settings.tax.included"
        @change="set({ included: !settings.tax.included })"
      />Prices have it in them</label
    >
  </div>
</template>
