<script setup lang="ts">
import { computed } from 'vue'
import { formatMoney } from '#core/measure'
import { useSettings } from '~/stores/settings'

/** An amount, or from the least to the most of it, in the workroom's currency. */
const props = defineProps<{ minor?: number; span?: readonly [number, number] }>()
const settings = useSettings()
const said = computed(() => {
  const [least, most] = props.span ?? [props.minor ?? 0, props.minor ?? 0]
  return least < most
    ? `${formatMoney(least, settings.currency)}–${formatMoney(most, settings.currency)}`
    : formatMoney(most, settings.currency)
})
</script>

<template>
  <span class="whitespace-nowrap tabular-nums">{{ said }}</span>
</template>
