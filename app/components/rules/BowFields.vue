<script setup lang="ts">
import { computed, ref } from 'vue'
import { Plus, X } from '@lucide/vue'
import { hasLoops, loopShows, meaningOf, ribbonInLoop } from '#core/placement'
import { bowRibbon, meantBy, sizeOf, inFrontOf } from '#core/constructions'
import type { Material } from '#core/material'
import { materialOf } from '#core/material'
import { capital, quantity, show } from '#core/measure'
import type { Build, Layer, Ribbon, RibbonOf, RuleOf } from '#core/piece'
import { BUILD_NAMES, BUILDS, END_NAMES, ENDS, LOOP_MEANS, MOST_LOOPS, MOST_RIBBONS, TIED_WITH, usualRibbon } from '#core/piece'
import { useBench } from '~/stores/bench'

/** A bow by its numbers: what a loop means, what is made of each ribbon, its ends and its tie. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'bow'> }>()
const bench = useBench()

const units = computed(() => bench.manner.units)
const length = (mm: number): string => show(quantity.length(mm), bench.manner)
const set = (change: Partial<RuleOf<'bow'>>, words: string): string | null =>
  bench.apply({ do: 'layer', layer: props.layer.id, set: { rule: { ...props.rule, ...change } } }, words)
const builds = BUILDS.map((value) => ({ value, name: BUILD_NAMES[value] }))

/** The first ribbon with loops, by which they are asked about. */
const looped = computed(() => props.rule.ribbons.find(hasLoops) ?? null)
const senses = computed(() =>
  LOOP_MEANS.map((value) => {
    const size = looped.value ? sizeOf(looped.value) : 0
    return {
      value,
      name: value === 'visible' ? 'Visible, pinch to end' : 'Ribbon used',
      says: `shows ${length(loopShows(size, value))}, uses ${length(ribbonInLoop(size, value))}; ${length(bowRibbon(props.rule, value))} in all`,
    }
  }),
)

const used = ref<number | null>(null)
const meant = computed(() => (used.value === null || !looped.value ? null : meantBy(looped.value, used.value)))
function setUsed(mm: number | null): null {
  used.value = mm
  return null
}

const nameOf = (i: number): string => materialOf(bench.shelf, props.layer.mix[i]!.material)?.name ?? props.layer.mix[i]!.material
function setRibbon(i: number, next: Ribbon, words: string): string | null {
  return set({ ribbons: props.rule.ribbons.map((each, k) => (k === i ? next : each)) }, words)
}
const change = (i: number, part: object, words: string): string | null =>
  setRibbon(i, { ...props.rule.ribbons[i]!, ...part } as Ribbon, words)
/** A length of one ribbon that has to be there. */
const of =
  (i: number, name: string) =>
  (mm: number | null): string | null =>
    mm === null ? 'Give a length.' : change(i, { [name]: mm }, 'change the bow')
const many =
  (i: number, name: string) =>
  (n: number): string | null =>
    change(i, { [name]: n }, 'change the bow')
const tail =
  (i: number, ribbon: Hand, side: 0 | 1) =>
  (mm: number | null): string | null =>
    change(i, { tails: side === 0 ? [mm ?? 0, ribbon.tails[1]] : [ribbon.tails[0], mm ?? 0] }, 'change a tail')
type Hand = RibbonOf<'hand'>
const setGroups = (i: number, groups: Hand['groups']): string | null =>
  change(i, { groups }, groups ? 'change the loops' : 'make the loops alike')
const regroup = (i: number, { groups }: Hand, k: number, part: Partial<NonNullable<Hand['groups']>[number]>): string | null =>
  setGroups(
    i,
    groups!.map((group, n) => (n === k ? { ...group, ...part } : group)),
  )

interface Plain<Name extends string> {
  readonly name: Name
  readonly label: string
  readonly counted: boolean
}
type NumbersOf<R> = Extract<{ [K in keyof R]: R[K] extends number ? K : never }[keyof R], string>
const counted = <Name extends string>(name: Name, label: string): Plain<Name> => ({ name, label, counted: true })
const measured = <Name extends string>(name: Name, label: string): Plain<Name> => ({ name, label, counted: false })
/** The numbers of each build that are plain ones; a hand's loops and tails have fields of their own. */
const PLAIN: { readonly [B in Build]: readonly Plain<NumbersOf<RibbonOf<B>>>[] } = {
  hand: [],
  strips: [counted('strips', 'Strips'), measured('loop', 'Each loop'), measured('tail', 'Each tail')],
  rag: [counted('strips', 'Strips'), measured('strip', 'Each strip'), measured('overhang', 'Overhang'), measured('loop', 'Each loop')],
  coil: [counted('layers', 'Layers'), measured('flat', 'Flat length')],
  flat: [counted('rounds', 'Rounds'), measured('width', 'Wide'), measured('strip', 'Strip over it')],
  folded: [measured('loop', 'Each loop'), measured('tail', 'Each tail'), measured('strip', 'Knot')],
  tails: [counted('tails', 'Tails'), measured('tail', 'Each tail')],
  'fill-ins': [counted('strips', 'Lengths'), measured('loop', 'Each loop')],
}
const numberOf = (ribbon: Ribbon, name: string): number => (ribbon as unknown as Record<string, number>)[name]!

const adding = ref(false)
/** Mix and builds change together: each ribbon has its build. */
function both(mix: Layer['mix'], ribbons: readonly Ribbon[], words: string): void {
  bench.apply({ do: 'layer', layer: props.layer.id, set: { mix, rule: { ...props.rule, ribbons: [...ribbons] } } }, words)
}
function add({ id, plural }: Material): void {
  adding.value = false
  const last = props.rule.ribbons.at(-1)!
  const smaller = inFrontOf(last)
  both([...props.layer.mix, { material: id, share: 1, only: null }], [...props.rule.ribbons, smaller], `add ${plural} to the bow`)
}
function remove(i: number): void {
  both(
    props.layer.mix.filter((_, k) => k !== i),
    props.rule.ribbons.filter((_, k) => k !== i),
    `take ${nameOf(i)} out of the bow`,
  )
}
</script>

<template>
  <div class="space-y-2.5">
    <fieldset v-if="looped" class="space-y-1" data-testid="loop-means">
      <legend class="field-label">A loop of {{ length(sizeOf(looped)) }} means</legend>
      <label v-for="sense in senses" :key="sense.value" class="flex min-h-6 gap-2">
        <input
          type="radio"
          :name="`means-${layer.id}`"
          class="mt-0.5 size-4 shrink-0 accent-leaf"
          :value="sense.value"
          :checked="rule.means === sense.value"
          @change="set({ means: sense.value }, 'say what a loop means')"
        />
        <span
          >{{ sense.name }}<span class="block text-fine text-soft">{{ sense.says }}</span></span
        >
      </label>
    </fieldset>
    <LengthField v-if="looped" label="Not sure? A bow in hand took" :mm="used" none="" :units="units" :take="setUsed" />
    <p v-if="meant" class="text-fine" role="status">
      That bow’s loop was {{ meant.means === 'visible' ? 'the visible length' : 'the ribbon used' }}, to
      {{ length(Math.abs(meant.off[meant.means])) }}.
    </p>

    <BowView v-if="meaningOf(rule) !== null" :layer="layer.id" />

    <section
      v-for="(ribbon, i) in rule.ribbons"
      :key="i"
      class="space-y-1.5 border-t border-seam pt-1.5"
      :aria-label="`Ribbon ${i + 1}`"
      data-testid="ribbon"
    >
      <p class="flex items-center gap-1">
        <span class="min-w-0 flex-1 truncate font-medium">{{ rule.ribbons.length > 1 ? `${i + 1}. ` : '' }}{{ capital(nameOf(i)) }}</span>
        <button
          v-if="rule.ribbons.length > 1"
          type="button"
          class="icon-button size-6"
          :aria-label="`Take ribbon ${i + 1} out`"
          @click="remove(i)"
        >
          <X :size="14" />
        </button>
      </p>
      <PickField
        class="[&_label]:sr-only"
        :label="`How ribbon ${i + 1} is made`"
        :value="ribbon.build"
        :options="builds"
        @pick="(build) => setRibbon(i, usualRibbon(build), 'make it otherwise')"
      />
      <div class="grid grid-cols-2 gap-2">
        <template v-if="ribbon.build === 'hand'">
          <template v-if="ribbon.groups">
            <template v-for="(group, k) in ribbon.groups" :key="k">
              <CountField
                :label="`${k + 1}. Loops`"
                :value="group.loops"
                :least="1"
                :most="MOST_LOOPS"
                whole
                :take="(loops) => regroup(i, ribbon, k, { loops })"
              />
              <div class="flex items-end gap-1">
                <LengthField
                  class="min-w-0 flex-1"
                  label="each"
                  :mm="group.loop"
                  :units="units"
                  :take="(loop) => (loop === null ? 'Give a length.' : regroup(i, ribbon, k, { loop }))"
                />
                <button
                  v-if="ribbon.groups.length > 1"
                  type="button"
                  class="icon-button size-6"
                  :aria-label="`Take loops ${k + 1} out`"
                  @click="
                    setGroups(
                      i,
                      ribbon.groups.filter((_, n) => n !== k),
                    )
                  "
                >
                  <X :size="14" />
                </button>
              </div>
            </template>
            <button
              type="button"
              class="button h-6 text-fine"
              :disabled="ribbon.groups.length >= 12"
              @click="setGroups(i, [...ribbon.groups, { ...ribbon.groups.at(-1)!, loops: 1 }])"
            >
              <Plus :size="13" />Other loops
            </button>
            <button type="button" class="button h-6 text-fine" @click="setGroups(i, null)">All by one length</button>
          </template>
          <template v-else>
            <CountField label="Loops" :value="ribbon.loops" :least="1" :most="MOST_LOOPS" whole :take="many(i, 'loops')" />
            <LengthField label="Longest loop" :mm="ribbon.loop" :units="units" :take="of(i, 'loop')" />
          </template>
          <LengthField label="Left tail" :mm="ribbon.tails[0]" :units="units" :take="tail(i, ribbon, 0)" />
          <LengthField label="Right tail" :mm="ribbon.tails[1]" :units="units" :take="tail(i, ribbon, 1)" />
          <LengthField label="Centre loop" :mm="ribbon.centre" :units="units" :take="of(i, 'centre')" />
          <LengthField label="Twist, each pinch" :mm="ribbon.twist" :units="units" :take="of(i, 'twist')" />
          <template v-if="!ribbon.groups">
            <CountField
              label="Tapers, %"
              :value="Math.round(ribbon.taper * 100)"
              :least="0"
              :most="100"
              :step="5"
              :take="(percent) => change(i, { taper: percent / 100 }, 'taper the bow')"
            />
            <button
              type="button"
              class="button col-span-2 h-6 text-fine"
              @click="setGroups(i, [{ loops: ribbon.loops, loop: ribbon.loop }])"
            >
              Loops of unequal length
            </button>
          </template>
        </template>
        <template v-for="field in PLAIN[ribbon.build]" :key="field.name">
          <CountField
            v-if="field.counted"
            :label="field.label"
            :value="numberOf(ribbon, field.name)"
            :least="1"
            :most="MOST_LOOPS"
            whole
            :take="many(i, field.name)"
          />
          <LengthField v-else :label="field.label" :mm="numberOf(ribbon, field.name)" :units="units" :take="of(i, field.name)" />
        </template>
        <CountField
          v-if="ribbon.build === 'rag'"
          label="Last loop shorter, %"
          :value="Math.round(ribbon.taper * 100)"
          :least="0"
          :most="90"
          :step="10"
          :take="(percent) => change(i, { taper: percent / 100 }, 'taper the loops')"
        />
      </div>
    </section>
    <button
      v-if="rule.ribbons.length < MOST_RIBBONS"
      type="button"
      class="button h-6 text-fine"
      :aria-expanded="adding"
      @click="adding = !adding"
    >
      <Plus :size="13" />Another ribbon over it
    </button>
    <MaterialPicker v-if="adding" :kinds="['ribbon', 'mesh']" @pick="add" @close="adding = false" />

    <div class="grid grid-cols-2 gap-2 border-t border-seam pt-1.5">
      <PlaceField
        label="Tied at"
        :share="rule.at"
        :run="bench.runOfLayer(layer)"
        :units="units"
        :take="(at) => set({ at }, 'move the bow')"
      />
      <PickField
        label="Ends"
        :value="rule.ends"
        :options="ENDS.map((value) => ({ value, name: END_NAMES[value] }))"
        @pick="(ends) => set({ ends }, 'change the ends')"
      />
      <LengthField
        v-if="rule.ends === 'hem'"
        label="Each hem"
        :mm="rule.hem"
        :units="units"
        :take="(hem) => set({ hem: hem ?? 0 }, 'change the hem')"
      />
      <PickField
        label="Tied with"
        :value="rule.tied"
        :options="TIED_WITH.map((value) => ({ value, name: capital(materialOf(bench.shelf, value)?.name ?? value) }))"
        @pick="(tied) => set({ tied }, 'tie it otherwise')"
      />
      <label class="tick self-end"
        ><input
          type="checkbox"
          class="size-4 accent-leaf"
          :checked="rule.fixes"
          @change="set({ fixes: ($event.target as HTMLInputElement).checked }, 'change what fixes the bow')"
        />Its ends fix it too</label
      >
    </div>
  </div>
</template>
