<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useHead } from '#app'
import { NuxtLink } from '#components'
import { SPECIES_FAMILIES, SPECIES } from '#core/looks'

/** Every species at once, to be judged: at the size that it has on the bench and at twice that, on a light and on a dark ground. */
useHead({ title: 'Plate of species' })

/** Pixels to the millimetre: what an 18 in ring has on the bench at 1280 x 800. */
const BENCH_SCALE = 0.72
const CELL = 118
/** What is larger than its cell is drawn as large as fits. */
const scaleFor = (reach: number, scale: number): number => Math.min(scale, (CELL * 0.96) / reach)

const named = ref(true)
const shown = ref(0)
const plates = SPECIES_FAMILIES.map((family) => ({
  family,
  kinds: Object.entries(SPECIES)
    .filter(([, species]) => species.family === family)
    .map(
      ([
        id,
        {
          name,
          size: [length, width],
          stance,
        },
      ]) => ({
        id,
        name,
        looks: { species: id, length, width, tint: null },
        scales: [BENCH_SCALE, 2 * BENCH_SCALE].map((scale) =>
          scaleFor(stance === 'stem' ? (length + width) * Math.SQRT1_2 : Math.max(length, width) * 1.25, scale),
        ),
      }),
    ),
}))
const total = Object.keys(SPECIES).length
const ready = computed(() => shown.value >= plates.length)
/** A family at a time, so that the page answers while it draws. */
onMounted(function next() {
  if (ready.value) return
  shown.value += 1
  requestAnimationFrame(() => setTimeout(next))
})
</script>

<template>
  <div class="mx-auto max-w-[80rem] px-6 pb-10">
    <header class="flex items-center gap-4 py-3">
      <NuxtLink to="/shelf" class="text-fine font-medium text-soft underline decoration-dotted underline-offset-2 hover:text-ink"
        >Shelf</NuxtLink
      >
      <h1 class="font-serif text-xl">Plate of species</h1>
      <p class="text-soft">{{ total }} kinds, each at its size on the bench and at twice that, by day and on a dark ground.</p>
      <label class="tick ml-auto"><input v-model="named" type="checkbox" class="size-4 accent-leaf" />Names</label>
      <ThemeToggle />
    </header>
    <main :data-ready="ready">
      <section v-for="plate in plates.slice(0, shown)" :key="plate.family" class="mb-4" :aria-labelledby="`plate-${plate.family}`">
        <h2 :id="`plate-${plate.family}`" class="panel-title mb-1">{{ plate.family }}</h2>
        <ul class="grid grid-cols-[repeat(auto-fill,minmax(15.2rem,1fr))] gap-2">
          <li v-for="kind in plate.kinds" :key="kind.id" class="overflow-hidden rounded border border-seam" data-testid="species">
            <div class="flex">
              <div class="flex flex-1 justify-center bg-[#e9ece6]">
                <GlyphView :looks="kind.looks" :size="CELL" :scale="kind.scales[0]" eager />
              </div>
              <div class="flex flex-1 justify-center bg-[#33464a]">
                <GlyphView :looks="kind.looks" :size="CELL" :scale="kind.scales[1]" eager />
              </div>
            </div>
            <p v-if="named" class="truncate bg-sheet px-2 py-0.5 text-fine">{{ kind.name }}</p>
          </li>
        </ul>
      </section>
    </main>
  </div>
</template>
