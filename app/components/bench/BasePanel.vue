<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Base, BaseKind, Dimension, BaseFamily, BaseShape, UsualSize } from '#core/base'
import { BASE_SORTS, canTurn, measured, DIMENSIONS, BASE_FAMILIES, joinOf, LETTERS, markOn, sortsOf, usualPrice } from '#core/base'
import { isBent } from '#core/constructions'
import { waysFor } from '#core/fixing'
import { capital, formatMoney, quantity, show } from '#core/measure'
import { baseOfKind, rebase } from '#core/piece'
import { useBench } from '~/stores/bench'
import { useSettings } from '~/stores/settings'

/** The base: what it is, its measures, and where its join and hook are. */
const bench = useBench()
const settings = useSettings()
const base = computed(() => bench.piece!.base)
const sort = computed(() => BASE_SORTS[base.value.kind])
const first = computed(() => bench.runs[0]!)

const set = (change: Partial<Base>, words: string): string | null => bench.apply({ do: 'base', set: change }, words)

/** A new kind comes in the usual size that suits best; layers follow onto its runs. */
function take(kind: BaseKind): void {
  bench.apply(rebase(bench.piece!, baseOfKind(bench.piece!, kind, bench.shelf)), `take a ${BASE_SORTS[kind].name.toLowerCase()}`)
}
const familyNames: Record<BaseFamily, string> = {
  rings: 'Rings',
  outlines: 'Outlines',
  'shaped wire': 'Shaped wire',
  swags: 'Swags',
  garlands: 'Garlands',
}

const HOLDS = [
  ['light', 'Soft and light'],
  ['stem', 'Stems'],
  ['heavy', 'Heavy'],
] as const

const heldBy = (hold: (typeof HOLDS)[number][0]): string => {
  const [first] = waysFor(bench.piece!, { ground: sort.value.body, hold })
  return first ? `${capital(first.way.held)}. ${first.why}` : ''
}

/** What a base costs whose price nobody said; what is bent by hand costs its rod. */
const priceHint = computed(() =>
  isBent(base.value) ? 'Usual: the rod it is bent of' : `Usual: ${formatMoney(usualPrice(base.value), bench.manner.currency)}`,
)
const valueOf = (id: string): number | string => (base.value.shape as unknown as Record<string, number | string>)[id]!
/** A size of the same kind; an outline may have other runs, which layers follow onto. */
const takeSize = ({ name, shape }: UsualSize): string | null =>
  bench.apply(rebase(bench.piece!, { ...base.value, shape }), `take the ${sizeName(name, shape)} base`)
function setMeasure({ id, name }: Dimension, value: number | string): string | null {
  return set({ shape: measured(base.value, id, value) }, `set ${name.toLowerCase()}`)
}
const measures = computed(() => DIMENSIONS[base.value.shape.form])
const drawing = ref(false)
const isSize = (shape: BaseShape): boolean => JSON.stringify(shape) === JSON.stringify(base.value.shape)
const sizeName = (name: string, shape: BaseShape): string => {
  const main =
    'outer' in shape ? shape.outer : 'ring' in shape ? shape.ring : 'tree' in shape ? shape.tree : 'length' in shape ? shape.length : null
  return main === null ? name : show(quantity.length(main), bench.manner)
}
/** Where a mark of the base is now, as a share of its first run. */
const shareOf = (share: number): number => markOn(base.value, bench.runs, share).s / first.value.length
/** A place now, as it is before the base is turned. */
const unturned = (share: number): number => (base.value.shape.form === 'ring' ? (((share - base.value.turn / 360) % 1) + 1) % 1 : share)
const place = computed(() => ({ run: first.value, units: settings.units }))
</script>

<template>
  <div class="space-y-3 p-3">
    <div role="radiogroup" aria-label="Base" class="space-y-2">
      <section v-for="family in BASE_FAMILIES" :key="family">
        <h3 class="panel-title mb-0.5">{{ familyNames[family] }}</h3>
        <div class="flex flex-wrap gap-1">
          <button
            v-for="each in sortsOf(family)"
            :key="each.kind"
            type="button"
            role="radio"
            :aria-checked="base.kind === each.kind"
            class="rounded-[4px] border px-1.5 py-0.5 text-fine"
            :class="base.kind === each.kind ? 'border-leaf bg-moss font-semibold' : 'border-line bg-sheet hover:border-ink'"
            @click="take(each.kind)"
          >
            {{ each.name }}
          </button>
        </div>
      </section>
    </div>
    <p class="text-fine text-soft">{{ sort.note }}</p>
    <div>
      <span class="field-label">Usual sizes</span>
      <div class="flex flex-wrap gap-1">
        <button
          v-for="size in sort.sizes"
          :key="size.name"
          type="button"
          class="button h-6 px-1.5 text-fine"
          :class="isSize(size.shape) ? 'border-leaf bg-moss' : ''"
          :aria-pressed="isSize(size.shape)"
          @click="takeSize(size)"
        >
          {{ sizeName(size.name, size.shape) }}
        </button>
      </div>
    </div>
    <button v-if="base.shape.form === 'outline'" type="button" class="button" @click="drawing = true">Draw it…</button>
    <OutlineDialog v-if="drawing && base.shape.form === 'outline'" :shape="base.shape" @close="drawing = false" />
    <div class="grid grid-cols-2 gap-2">
      <template v-for="each in measures" :key="each.id">
        <LengthField
          v-if="each.unit === 'length'"
          :label="each.name"
          :mm="Number(valueOf(each.id))"
          :units="settings.units"
          :hint="each.hint"
          :take="(mm) => setMeasure(each, mm ?? Number(valueOf(each.id)))"
        />
        <PickField
          v-else-if="each.unit === 'letter'"
          :label="each.name"
          :value="String(valueOf(each.id))"
          :options="LETTERS.map((value) => ({ value: String(value), name: value }))"
          @pick="(letter) => setMeasure(each, letter)"
        />
        <PickField
          v-else-if="each.unit === 'choice'"
          :label="each.name"
          :value="String(valueOf(each.id))"
          :options="each.options ?? []"
          @pick="(value) => setMeasure(each, value)"
        />
        <CountField
          v-else-if="each.unit === 'share'"
          :label="each.name"
          :value="Math.round(Number(valueOf(each.id)) * 100)"
          :least="5"
          :most="95"
          :step="5"
          :take="(percent) => setMeasure(each, percent / 100)"
        />
        <CountField
          v-else
          :label="each.name"
          :value="Number(valueOf(each.id))"
          :least="each.unit === 'degrees' ? -60 : 0"
          :most="each.unit === 'degrees' ? 60 : 20"
          :whole="each.unit === 'count'"
          :take="(value) => setMeasure(each, value)"
        />
      </template>
    </div>
    <ColourField label="Colour" :value="base.colour" :offered="sort.colours" @pick="(colour) => set({ colour }, 'colour the base')" />
    <div class="grid grid-cols-2 gap-2">
      <PlaceField
        :label="`${capital(joinOf(base))} at`"
        :share="shareOf(base.join)"
        v-bind="place"
        :take="(share) => set({ join: unturned(share) }, `move the ${joinOf(base)}`)"
      />
      <CountField
        v-if="canTurn(base.shape)"
        label="Turned, °"
        :value="Math.round(base.turn)"
        :least="0"
        :most="359"
        :step="5"
        :take="(turn) => set({ turn }, 'turn the base')"
      />
      <PlaceField
        v-if="base.hook !== null"
        label="Hook at"
        :share="shareOf(base.hook)"
        v-bind="place"
        :take="(share) => set({ hook: unturned(share) }, 'move the hook')"
      />
    </div>
    <label class="tick"
      ><input
        type="checkbox"
        class="size-4 accent-leaf"
        :checked="base.hook !== null"
        @change="set({ hook: base.hook === null ? 0 : null }, 'change its hook')"
      />It has a hook of its own, which fixes which way is up</label
    >
    <p class="text-fine text-soft">A join goes where a feature will hide it, mostly at the bottom. Join and hook turn with the base.</p>
    <div class="grid grid-cols-2 gap-2">
      <MoneyField
        label="What one cost"
        :minor="base.price"
        :currency="bench.manner.currency"
        none="usual"
        :hint="base.price === null ? priceHint : undefined"
        :take="(price) => set({ price }, 'price the base')"
      />
      <MassField
        label="On the scale"
        :grams="base.mass"
        none="usual"
        :hint="bench.workings && base.mass === null ? `Usual: ${show(bench.workings.base.mass, bench.manner)}` : undefined"
        :take="(mass) => set({ mass }, 'weigh the base')"
      />
    </div>
    <section>
      <h3 class="panel-title">What holds on it</h3>
      <dl class="space-y-1 text-fine">
        <div v-for="[hold, name] in HOLDS" :key="hold">
          <dt class="inline font-semibold">{{ name }}:</dt>
          <dd class="inline">{{ heldBy(hold) }}</dd>
        </div>
      </dl>
    </section>
    <section>
      <h3 class="panel-title">Before you start</h3>
      <ul class="list-disc pl-4 text-fine">
        <li v-for="line in sort.prepare" :key="line">{{ line }}</li>
      </ul>
    </section>
  </div>
</template>
