<script setup lang="ts">
import { computed, ref } from 'vue'
import { useHead } from '#app'
import { NuxtLink } from '#components'
import { Check } from '@lucide/vue'
import { materialOf } from '#core/material'
import { capital, say } from '#core/measure'
import { bareName, baseOfLot } from '#core/stock'
import type { Purchase } from '~/db'
import { useShopping } from '~/composables/useShopping'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'

/** The shopping list for the phone, shop by shop: ticked off in the aisle, with what was really paid. */
useHead({ title: 'Shopping list · Ruddy Bramble' })
const shopping = useShopping()
const shops = useShops()
const settings = useSettings()
const name = ({ material, width, packs, holds }: Purchase): string => {
  const kind = baseOfLot({ material })
  if (kind) return capital(say(bareName(kind, width ?? null, packs * holds), settings.manner))
  const of = materialOf(shops.shelf, material)
  return capital(of ? (packs * holds > 1 ? of.plural : of.name) : material)
}
const packs = ({ packs: n, holds, material }: Purchase): string => {
  if (baseOfLot({ material })) return String(n)
  const pack = materialOf(shops.shelf, material)?.pack.name ?? 'pack'
  return `${n} × ${pack}${holds > 1 ? ` of ${holds}` : ''}`
}
/** What is typed as paid, until it is ticked off. */
const paying = ref<Record<string, number>>({})
const pays = (line: Purchase): number => paying.value[line.id] ?? line.expects[1]
const paid = computed(() => shopping.lines.value.reduce((all, { paid: of }) => all + (of ?? 0), 0))
const left = computed(() => shopping.lines.value.filter(({ lot }) => lot === null).length)
</script>

<template>
  <main class="mx-auto min-h-dvh max-w-xl px-4 pb-16 text-base">
    <header class="flex items-baseline gap-3 border-b border-line py-4">
      <h1 class="font-serif text-2xl leading-none">Shopping list</h1>
      <NuxtLink to="/shops" class="page-link ml-auto text-small">Shops</NuxtLink>
      <NuxtLink to="/stash" class="page-link text-small">Stash</NuxtLink>
    </header>
    <p v-if="!shopping.lines.value.length" class="py-16 text-center">Nothing on it. Under Shops the basket writes it.</p>
    <template v-else>
      <p class="pt-3" aria-live="polite">
        {{ left ? `${left} to find` : 'All of it is in the bag' }}; <MoneyText :minor="paid" /> paid so far.
      </p>
      <section v-for="stop in shopping.stops.value" :key="stop.shop" class="pt-4" :aria-label="stop.name">
        <h2 class="font-serif text-xl">{{ stop.name }}</h2>
        <ul>
          <li v-for="line in stop.lines" :key="line.id" class="flex items-center gap-3 border-b border-seam py-2" data-testid="purchase">
            <button
              type="button"
              class="flex size-11 shrink-0 items-center justify-center rounded-md border-2"
              :class="line.lot ? 'border-leaf bg-leaf text-on' : 'border-line bg-sheet'"
              :aria-pressed="line.lot !== null"
              :aria-label="`${name(line)}, ${packs(line)}: in the bag`"
              @click="line.lot ? shopping.back(line) : shopping.tick(line, pays(line))"
            >
              <Check v-if="line.lot" :size="24" />
            </button>
            <div class="min-w-0 flex-1" :class="line.lot ? 'text-soft line-through' : ''">
              <p class="truncate font-medium">{{ name(line) }}</p>
              <p class="text-small text-soft">{{ packs(line) }}</p>
            </div>
            <MoneyText v-if="line.lot" :minor="line.paid ?? 0" />
            <MoneyField
              v-else
              class="w-24 [&_input]:h-11 [&_input]:text-base [&_label]:sr-only"
              :label="`Paid for ${name(line)}`"
              :minor="pays(line)"
              :currency="settings.currency"
              none=""
              :take="
                (minor) => {
                  paying[line.id] = minor ?? line.expects[1]
                  return null
                }
              "
            />
          </li>
        </ul>
      </section>
      <button type="button" class="button mt-6 h-11 text-base" @click="shopping.clear">Clear the list</button>
      <p class="pt-2 text-small text-soft">What is ticked lies in the stash, for what was paid. Clearing the list leaves it there.</p>
    </template>
  </main>
</template>
