<script setup lang="ts">
import { computed } from 'vue'
import type { Base, BaseKind } from '#core/base'
import { BASE_KINDS, BASE_SORTS, usualBase, usualPrice } from '#core/base'
import { formatMoney, readTape } from '#core/measure'
import { useBench } from '~/stores/bench'
import { useSettings } from '~/stores/settings'

const bench = useBench()
const settings = useSettings()
const base = computed(() => bench.piece!.base)
const sort = computed(() => BASE_SORTS[base.value.kind])

const set = (change: Partial<Base>, words: string): string | null => bench.apply({ do: 'base', set: change }, words)

/** A new kind comes in the usual size nearest to what was there. */
function take(kind: BaseKind): void {
  const near = BASE_SORTS[kind].sizes.reduce((best, each) => (Math.abs(each.outer - base.value.outer) < Math.abs(best.outer - base.value.outer) ? each : best))
  set({ ...usualBase(kind), outer: near.outer, inner: near.inner, join: base.value.join }, `take a ${BASE_SORTS[kind].name.toLowerCase()}`)
}
const isSize = (outer: number, inner: number): boolean => Math.abs(outer - base.value.outer) < 0.5 && Math.abs(inner - base.value.inner) < 0.5
</script>

<template>
  <div class="space-y-3 p-3">
    <div class="grid grid-cols-2 gap-1.5" role="radiogroup" aria-label="Base">
      <button
        v-for="kind in BASE_KINDS" :key="kind" type="button" role="radio" :aria-checked="base.kind === kind"
        class="rounded-[4px] border px-2 py-1.5 text-left" :class="base.kind === kind ? 'border-leaf bg-moss font-semibold' : 'border-line bg-sheet hover:border-ink'" @click="take(kind)"
      >
        {{ BASE_SORTS[kind].name }}
      </button>
    </div>
    <p class="text-fine text-soft">{{ sort.note }}</p>
    <div>
      <span class="field-label">Usual sizes, outside</span>
      <div class="flex flex-wrap gap-1">
        <button
          v-for="size in sort.sizes" :key="size.outer" type="button" class="button h-6 px-1.5 text-fine" :class="isSize(size.outer, size.inner) ? 'border-leaf bg-moss' : ''" :aria-pressed="isSize(size.outer, size.inner)"
          @click="set({ outer: size.outer, inner: size.inner }, `take the ${readTape(size.outer, settings.units)} base`)"
        >
          {{ readTape(size.outer, settings.units) }}
        </button>
      </div>
    </div>
    <div class="grid grid-cols-2 gap-2">
      <LengthField label="Outside" :mm="base.outer" :units="settings.units" :take="(outer) => set({ outer: outer ?? base.outer }, 'set the outer size')" />
      <LengthField label="Inside" :mm="base.inner" :units="settings.units" :take="(inner) => set({ inner: inner ?? base.inner }, 'set the inner size')" />
    </div>
    <ColourField label="Colour" :value="base.colour" :offered="sort.colours" @pick="(colour) => set({ colour }, 'colour the base')" />
    <ClockField :label="`Its ${sort.join} is at`" :share="base.join / 360" :take="(share) => set({ join: share * 360 }, `turn the ${sort.join}`)" />
    <p class="text-fine text-soft">A join goes where a feature will hide it, mostly at the bottom.</p>
    <MoneyField
      label="What one cost" :minor="base.price" :currency="bench.manner.currency" none="usual" :hint="base.price === null ? `The usual price: ${formatMoney(usualPrice(base), bench.manner.currency)}` : undefined"
      :take="(price) => set({ price }, 'price the base')"
    />
  </div>
</template>
