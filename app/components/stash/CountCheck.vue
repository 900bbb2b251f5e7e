<script setup lang="ts">
import { computed, ref } from 'vue'
import { Check, Minus, Plus } from '@lucide/vue'
import { capital, several } from '#core/measure'
import type { Lot } from '#core/stock'
import { lotName, ofThings } from '#core/stock'
import { useLotLabels } from '~/composables/useLotLabels'
import { useNotices } from '~/stores/notices'
import { useShops } from '~/stores/shops'
import { useStock } from '~/stores/stock'

/** Walking along the shelf with the phone: one thing after another, right as it is or put right, and what has changed at the end. */
const emit = defineEmits<{ close: [] }>()
const stock = useStock()
const shops = useShops()
const notices = useNotices()
const words = useLotLabels()

/** The order in which they lie, as it was when the walk began. */
const order = [...stock.here]
  .sort((a, b) => a.place.localeCompare(b.place) || lotName(a, shops.shelf).localeCompare(lotName(b, shops.shelf)))
  .map(({ id }) => id)
const seen = ref<Record<string, { readonly was: number; readonly is: number }>>({})
const left = computed(() => order.filter((id) => !seen.value[id]).flatMap((id) => stock.here.find((lot) => lot.id === id) ?? []))
const changed = computed(() => Object.entries(seen.value).filter(([, { was, is }]) => was !== is))
const counting = ref<Record<string, number>>({})
const countOf = (lot: Lot): number => counting.value[lot.id] ?? lot.things ?? 1
const step = (lot: Lot, by: number): void => {
  counting.value = { ...counting.value, [lot.id]: Math.max(0, countOf(lot) + by) }
}
async function right(lot: Lot): Promise<void> {
  const was = lot.things ?? 1
  const is = countOf(lot)
  if (is !== was) {
    const put = is === 0 ? stock.remove([lot.id], true) : lot.things === null ? Promise.resolve() : stock.change(lot, ofThings(lot, is))
    if (!(await notices.tell('The count could not be kept', put))) return
  }
  seen.value = { ...seen.value, [lot.id]: { was, is } }
}
const said = (id: string): string => {
  const lot = stock.here.find((each) => each.id === id)
  return lot ? capital(lotName(lot, shops.shelf)) : 'Gone'
}
</script>

<template>
  <section class="mx-auto max-w-xl py-4 text-base" aria-label="Count check" data-testid="count-check">
    <div class="flex items-center gap-2">
      <p class="font-serif text-xl">{{ several(left.length, 'lot', 'lots') }} to look at</p>
      <button type="button" class="button ml-auto h-11 text-base" @click="emit('close')">Done</button>
    </div>
    <ul v-if="changed.length" class="mt-2 rounded-[5px] border border-seam bg-sheet p-2" aria-label="What has changed">
      <li v-for="[id, { was, is }] in changed" :key="id">{{ said(id) }}: {{ was }}, now {{ is }}</li>
    </ul>
    <ul class="mt-2 space-y-2">
      <li v-for="lot in left.slice(0, 40)" :key="lot.id" class="rounded-[5px] border border-seam bg-sheet p-3" data-testid="count">
        <p class="font-medium">{{ capital(lotName(lot, shops.shelf)) }}</p>
        <p class="text-small text-soft">
          {{ words.amount(lot) }}{{ lot.place ? ` · ${lot.place}` : '' }}{{ words.owner(lot) ? ` · ${words.owner(lot)}` : '' }}
        </p>
        <div class="mt-2 flex items-center gap-2">
          <button type="button" class="button size-11 px-0" :aria-label="`Fewer: ${lotName(lot, shops.shelf)}`" @click="step(lot, -1)">
            <Minus :size="20" />
          </button>
          <span class="w-14 text-center text-xl tabular-nums" aria-live="polite">{{ countOf(lot) }}</span>
          <button
            v-if="lot.things !== null"
            type="button"
            class="button size-11 px-0"
            :aria-label="`More: ${lotName(lot, shops.shelf)}`"
            @click="step(lot, 1)"
          >
            <Plus :size="20" />
          </button>
          <button type="button" class="button ml-auto h-11 border-leaf text-base" @click="right(lot)">
            <Check :size="18" />{{ countOf(lot) === (lot.things ?? 1) ? 'As it is' : 'Put right' }}
          </button>
        </div>
      </li>
    </ul>
    <p v-if="!left.length" class="py-6 text-center">All of it has been looked at.</p>
  </section>
</template>
