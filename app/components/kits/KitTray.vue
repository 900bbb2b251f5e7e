<script setup lang="ts">
import { computed } from 'vue'
import type { DisplayOptions } from '#core/measure'
import { quantity, show } from '#core/measure'
import type { KitPart } from '#core/season'
import { isCut, materialOf } from '#core/material'
import { useShops } from '~/stores/shops'

/** What is in one kit, laid out on a tray: larger things larger, lengths as coils. */
const props = defineProps<{ parts: readonly KitPart[]; usual: readonly string[]; manner: DisplayOptions }>()
const shops = useShops()

const SMALL = 34
const LARGE = 104
/** Side by side things are seen by their area, not their length: the square root of it. */
const laid = computed(() =>
  props.parts.map((part) => {
    const material = materialOf(shops.shelf, part.material) ?? null
    const long = part.cut ?? material?.length ?? 300
    const size = Math.round(Math.min(LARGE, Math.max(SMALL, Math.sqrt(Math.min(long, 600)) * 4.4)))
    return { part, material, size, coil: material !== null && isCut(material), instead: !props.usual.includes(part.material) }
  }),
)
const says = ({ amount, unit }: KitPart): string => (unit === 'length' ? show(quantity.length(amount), props.manner) : `${amount}`)
</script>

<template>
  <ul
    class="flex flex-wrap items-end gap-x-4 gap-y-3 rounded-md border-4 border-line bg-bench p-4 shadow-inner"
    aria-label="In the kit"
    data-testid="tray"
  >
    <li
      v-for="{ part, material, size, coil, instead } in laid"
      :key="`${part.material} ${part.unit} ${part.cut}`"
      class="flex w-26 flex-col items-center text-center leading-tight"
    >
      <svg v-if="coil && material" :width="56" height="56" viewBox="0 0 56 56" aria-hidden="true">
        <circle v-for="k in 4" :key="k" cx="28" cy="28" :r="8 + k * 4.4" fill="none" :stroke="material.colours[0]" :stroke-width="3" />
      </svg>
      <MaterialPicture v-else-if="material" :material="material" :size="size" />
      <svg v-else width="84" height="84" viewBox="0 0 84 84" aria-hidden="true">
        <circle cx="42" cy="42" r="33" fill="none" class="stroke-bracken" stroke-width="10" />
      </svg>
      <span class="text-base font-semibold tabular-nums">{{ says(part) }}</span>
      <span class="text-fine">{{ part.name }}</span>
      <span v-if="part.cut !== null" class="text-tiny text-soft">{{ show(quantity.length(part.cut), manner) }} each</span>
      <span v-if="instead" class="text-tiny font-semibold text-bracken">instead</span>
    </li>
  </ul>
</template>
