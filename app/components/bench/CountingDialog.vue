<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { Between, Countable, Sharing } from '#core/counting'
import { MOST_OPEN, MOST_SHARED, sharingEdit, sharingsOf } from '#core/counting'
import { materialOf } from '#core/material'
import { quantity, show } from '#core/measure'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useStock } from '~/stores/stock'
import { askBetween, askCountables } from '~/workers/workings'

/** Questions that makers count out: how a number goes round several layers, and how many go between those of another. */
const emit = defineEmits<{ close: [] }>()
const bench = useBench()
const stock = useStock()
const notices = useNotices()

const QUESTIONS = [
  { id: 'share', name: 'Share a number out' },
  { id: 'between', name: 'So many between those' },
] as const
const question = ref<(typeof QUESTIONS)[number]['id']>('share')
const titleOf = (layer: string): string => bench.workings?.layers.find(({ id }) => id === layer)?.title ?? layer

/** What a layer lays, without how many. */
function thingsOf(layer: string): string {
  const of = bench.piece?.layers.find(({ id }) => id === layer)
  return (of && materialOf(bench.shelf, of.mix[0]!.material)?.plural) ?? layer
}
const number = ref(MOST_SHARED)
const countables = shallowRef<readonly Countable[]>([])
/** Layers that share the number, and of those the ones that may lay another. */
const sharing = ref(new Set<string>())
const open = ref(new Set<string>())
let first = true
watch(
  [number, () => bench.piece],
  async () => {
    const { piece } = bench
    if (!piece) return
    await notices.tell(
      'The layers could not be counted',
      askCountables(piece, stock.pricing, number.value).then((found) => {
        if (bench.piece !== piece) return
        countables.value = found
        if (first) {
          const least = leastLaid(found)
          sharing.value = new Set(least.map(({ layer }) => layer))
          open.value = new Set(sharing.value)
          number.value = Math.max(1, least.reduce((n, { now }) => n + now, 0)) // prettier-ignore
        }
        first = false
      }),
    )
  },
  { immediate: true },
)
/** What is asked of first: the two layers of which least is laid, and which lay another number as well. */
const leastLaid = (all: readonly Countable[]): Countable[] =>
  [...all]
    .filter(({ options }) => options.length > 1)
    .sort((a, b) => a.now - b.now)
    .slice(0, 2)
const chosen = computed(() => countables.value.filter(({ layer }) => sharing.value.has(layer)))
const openHere = computed(() => new Set(chosen.value.filter(({ layer }) => open.value.has(layer)).map(({ layer }) => layer)))
const tooMany = computed(() => openHere.value.size > MOST_OPEN)
const answers = computed(() => (chosen.value.length && !tooMany.value ? sharingsOf(chosen.value, openHere.value, number.value) : []))
function toggle(set: Set<string>, id: string): Set<string> {
  const next = new Set(set)
  if (!next.delete(id)) next.add(id)
  return next
}
/** "4 × 3" where they go in groups. */
const groups = (count: number, each: number): string => (each > 1 && count > each ? `${count} = ${count / each} × ${each}` : String(count))
const isNow = ({ counts }: Sharing): boolean => chosen.value.every(({ now }, i) => counts[i] === now)
function lay(answer: Sharing): void {
  refused.value = bench.apply(sharingEdit(chosen.value, answer), 'share things out')
  if (refused.value === null) notices.announce('Shared out')
}
const refused = ref<string | null>(null)

const layers = computed(() => bench.workings?.layers.filter(({ count }) => count > 0) ?? [])
const those = ref<string | null>(null)
const these = ref<string | null>(null)
const between = shallowRef<Between | null>(null)
watch(
  [those, these, question, () => bench.piece],
  async () => {
    between.value = null
    const { piece } = bench
    if (!piece || question.value !== 'between') return
    those.value ??= layers.value[0]?.id ?? null
    these.value ??= layers.value[1]?.id ?? null
    const [outer, inner] = [those.value, these.value]
    if (!outer || !inner || outer === inner) return
    await notices.tell(
      'The room between them could not be measured',
      askBetween(piece, stock.pricing, outer, inner).then((found) => {
        if (bench.piece === piece && those.value === outer && these.value === inner) between.value = found
      }),
    )
  },
  { immediate: true },
)
const options = computed(() => layers.value.map(({ id, title }) => ({ value: id, name: title })))
const long = (mm: number): string => show(quantity.length(mm), bench.manner)
function layBetween(): void {
  if (!between.value?.edit) return
  refused.value = bench.apply(between.value.edit, 'lay them between')
  if (refused.value === null) notices.announce('Laid between them')
}
</script>

<template>
  <DialogFrame title="Count it out" wide="w-[44rem]" @close="emit('close')">
    <div class="mb-3 flex gap-1.5" role="radiogroup" aria-label="What is asked">
      <button
        v-for="each in QUESTIONS"
        :key="each.id"
        type="button"
        role="radio"
        class="button"
        :aria-checked="question === each.id"
        :class="question === each.id ? 'border-leaf bg-moss font-semibold' : ''"
        @click="question = each.id"
      >
        {{ each.name }}
      </button>
    </div>

    <template v-if="question === 'share'">
      <div class="flex items-end gap-3">
        <CountField
          label="I have"
          :value="number"
          :least="1"
          :most="MOST_SHARED"
          whole
          :take="
            (n) => {
              number = n
              return null
            }
          "
        />
        <p class="pb-1 text-fine text-soft">Things, ties or sprigs, as the layers below count them.</p>
      </div>
      <table class="mt-3 w-full text-small" aria-label="Layers that share them">
        <thead>
          <tr class="border-b border-line text-left text-fine text-soft">
            <th class="font-normal">Shared among</th>
            <th class="px-2 text-right font-normal">Now</th>
            <th class="px-2 font-normal">By</th>
            <th class="font-normal">May change</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in countables" :key="each.layer" class="border-b border-seam">
            <th scope="row" class="py-0.5 text-left font-normal">
              <label class="tick"
                ><input
                  type="checkbox"
                  class="size-4 accent-leaf"
                  :checked="sharing.has(each.layer)"
                  @change="sharing = toggle(sharing, each.layer)"
                />{{ titleOf(each.layer) }}</label
              >
            </th>
            <td class="px-2 text-right tabular-nums">{{ each.now }}</td>
            <td class="px-2 text-soft">{{ each.options.length < 2 ? 'as it is' : each.each > 1 ? `${each.each}s` : 'ones' }}</td>
            <td>
              <input
                v-if="each.options.length > 1"
                type="checkbox"
                class="size-4 accent-leaf"
                :checked="open.has(each.layer)"
                :disabled="!sharing.has(each.layer)"
                :aria-label="`${titleOf(each.layer)} may change`"
                @change="open = toggle(open, each.layer)"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="!countables.length" class="text-soft">Nothing is laid that can be counted otherwise.</p>
      <p v-else-if="tooMany" class="mt-2 text-ruddy" role="alert">
        Hold some as they are: {{ MOST_OPEN }} layers at most may change at once.
      </p>
      <p v-else-if="chosen.length && !answers.length" class="mt-2 text-ruddy" role="status">
        So many do not go round: what is held takes more, or the smallest that the others lay is too many.
      </p>
      <table v-else-if="answers.length" class="mt-3 w-full text-small" aria-label="Ways to share them" data-testid="sharings">
        <thead>
          <tr class="border-b border-line text-left text-fine text-soft">
            <th v-for="each in chosen" :key="each.layer" class="pr-3 font-normal">{{ thingsOf(each.layer) }}</th>
            <th class="px-2 text-right font-normal">Used</th>
            <th class="px-2 text-right font-normal">Left</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="answer in answers" :key="answer.counts.join()" class="border-b border-seam" data-testid="sharing">
            <td v-for="(count, i) in answer.counts" :key="i" class="py-0.5 pr-3 tabular-nums">{{ groups(count, chosen[i]!.each) }}</td>
            <td class="px-2 text-right tabular-nums">{{ answer.used }}</td>
            <td class="px-2 text-right tabular-nums" :class="answer.left ? '' : 'font-semibold text-leaf'">{{ answer.left || 'none' }}</td>
            <td class="py-0.5 text-right">
              <span v-if="isNow(answer)" class="text-fine text-soft">as it is</span>
              <button v-else type="button" class="button h-6 px-2 text-fine" @click="lay(answer)">Lay it so</button>
            </td>
          </tr>
        </tbody>
      </table>
    </template>

    <template v-else>
      <div class="grid grid-cols-2 gap-3">
        <PickField label="Between those" :value="those ?? ''" :options="options" @pick="(id) => (those = id)" />
        <PickField label="How many of these" :value="these ?? ''" :options="options" @pick="(id) => (these = id)" />
      </div>
      <p v-if="layers.length < 2" class="mt-2 text-soft">It takes two layers: those, and what goes between them.</p>
      <p v-else-if="those === these" class="mt-2 text-soft">Choose two different layers.</p>
      <div v-else-if="between" class="mt-3 space-y-1 text-small" data-testid="between">
        <p>
          <strong>{{ between.each }}</strong> in every gap at most, side by side; {{ between.all }} in all {{ between.gaps }} gaps.
        </p>
        <p>
          <strong>{{ between.spread }}</strong> in every gap when they are spread over it.
        </p>
        <p class="text-fine text-soft">
          The narrowest gap has {{ long(between.room) }} clear; one of these takes {{ long(between.length) }} along the run.
        </p>
        <button v-if="between.edit" type="button" class="button mt-1" @click="layBetween">Lay {{ between.spread }} in every gap</button>
      </div>
      <p v-else class="mt-2 text-soft" role="status">Measuring…</p>
    </template>
    <p v-if="refused" class="mt-2 text-ruddy" role="alert">{{ refused }}</p>
    <button type="button" class="button mt-3 self-start" @click="emit('close')">Close</button>
  </DialogFrame>
</template>
