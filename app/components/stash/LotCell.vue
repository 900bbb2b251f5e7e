<script setup lang="ts">
import { computed } from 'vue'
import { Tag } from '@lucide/vue'
import { isCut, materialOf } from '#core/material'
import { capital } from '#core/measure'
import type { Lot } from '#core/stock'
import { lotName } from '#core/stock'
import { useLotLabels } from '~/composables/useLotLabels'
import { useShops } from '~/stores/shops'

/** One thing on the shelves of the stash; what a piece has wears that piece's tag. */
const props = defineProps<{ lot: Lot; chosen: boolean }>()
const emit = defineEmits<{ open: []; choose: [] }>()
const shops = useShops()
const words = useLotLabels()
const material = computed(() => materialOf(shops.shelf, props.lot.material) ?? null)
const owner = computed(() => words.owner(props.lot))
const name = computed(() => capital(lotName(props.lot, shops.shelf)))
</script>

<template>
  <div
    class="relative flex h-full flex-col rounded-[5px] border bg-sheet p-2"
    :class="chosen ? 'border-leaf ring-1 ring-leaf' : 'border-seam'"
    data-testid="lot"
    :data-lot="lot.id"
  >
    <button
      type="button"
      class="flex min-h-0 flex-1 flex-col text-left"
      :aria-label="`${name}, ${words.amount(lot)}: open`"
      @click="emit('open')"
    >
      <LotDrawing :lot="lot" :material="material" />
      <span class="mt-1 block truncate font-medium">{{ name }}</span>
      <span class="block truncate tabular-nums">{{ words.amount(lot) }}</span>
      <span class="block truncate text-tiny text-soft">{{ words.from(lot) }}{{ lot.place ? ` · ${lot.place}` : '' }}</span>
    </button>
    <span v-if="owner" class="mt-1 flex items-center gap-1 truncate rounded-[3px] bg-tape px-1 text-tiny" data-testid="tag"
      ><Tag :size="11" class="shrink-0" />{{ owner }}</span
    >
    <label v-else-if="material && !isCut(material)" class="mt-1 flex min-h-6 items-center gap-1 text-tiny text-soft"
      ><input
        type="checkbox"
        class="size-3.5 accent-leaf"
        :checked="chosen"
        :aria-label="`Choose ${name}`"
        @change="emit('choose')"
      />choose</label
    >
  </div>
</template>
