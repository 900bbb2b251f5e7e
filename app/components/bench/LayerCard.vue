<script setup lang="ts">
import { computed, ref } from 'vue'
import { ChevronDown, ChevronUp, Eye, EyeOff, GripVertical, Lock, LockOpen, Plus, X } from '@lucide/vue'
import type { Layer, RuleKind } from '#core/piece'
import { withRuleKind, laysStems, MOST_WORDS, ROLE_NAMES, rulesFor, ruleSortOf } from '#core/piece'
import { bearsWords, missingLetters } from '#core/looks'
import { goesByFirst, putAside } from '#core/placement'
import { capital } from '#core/measure'
import type { Material } from '#core/material'
import { materialOf } from '#core/material'
import { tip } from '~/utils/key-list'
import { RULE_FORMS } from '~/components/rules/forms'
import { useBench } from '~/stores/bench'

/** One layer: what it is, where its rule puts it, and how it lies. */
const props = defineProps<{ layer: Layer; place: number; last: boolean; open: boolean }>()
const emit = defineEmits<{ toggle: []; move: [to: number] }>()
const bench = useBench()
const mixing = ref(false)

const worked = computed(() => bench.workings?.layers.find(({ id }) => id === props.layer.id))
/** What is seen of it, where it is not alone. */
const seen = computed(() =>
  (bench.workings?.seen.length ?? 0) > 1 ? (bench.workings!.seen.find((each) => each.layer === props.layer.id) ?? null) : null,
)
const first = computed(() => materialOf(bench.shelf, props.layer.mix[0]!.material))
const nameOf = (id: string): string => materialOf(bench.shelf, id)?.name ?? id

/** Put aside, itself or with what bears it. */
const aside = computed(() => putAside(bench.piece!.layers).has(props.layer.id))
const sort = computed(() => ruleSortOf(props.layer.rule.kind))
/** The layer that it begins to go by, were it laid by a kind of rule. */
const goesBy = (kind: RuleKind): string | null => goesByFirst(bench.piece!, props.layer.id, kind)
/** The rules that its material can go by; the one it has stays listed. */
const kinds = computed(() => [...new Set([...(first.value ? rulesFor(first.value.kind) : []), props.layer.rule.kind])])
const rules = computed(() =>
  kinds.value
    .filter((kind) => !ruleSortOf(kind).refers || goesBy(kind) !== null || props.layer.rule.kind === kind)
    .map((value) => ({ value, name: capital(ruleSortOf(value).name) })),
)

function set(change: Partial<Omit<Layer, 'id'>>, words: string): string | null {
  return bench.apply({ do: 'layer', layer: props.layer.id, set: change }, words)
}
function takeRule(kind: RuleKind): void {
  set(withRuleKind(props.layer, kind, goesBy(kind) ?? ''), `lay it by ${ruleSortOf(kind).name}`)
}
/** Whether the parts of its mix are dealt over its places. */
const dealt = computed(() => laysStems(props.layer.rule))
/** What is made of lengths is mixed with its own kind only. */
const mixable = computed(() => (first.value && !dealt.value ? [first.value.kind] : undefined))
const lettered = computed(() => props.layer.mix.some(({ material }) => bearsWords(materialOf(bench.shelf, material)?.species ?? '')))
function takeWords(words: string): string | null {
  const missing = missingLetters(words)
  if (missing.length) return `The signs’ face has no ${missing.slice(0, 5).join(' ')}`
  return bench.apply({ do: 'layer', layer: props.layer.id, set: { words: words || null } }, 'letter a sign', `words ${props.layer.id}`)
}
function setPart(i: number, change: Partial<Layer['mix'][number]>): string | null {
  return set({ mix: props.layer.mix.map((each, k) => (k === i ? { ...each, ...change } : each)) }, `change the mix`)
}
function addToMix(material: Material): void {
  mixing.value = false
  if (props.layer.mix.some((each) => each.material === material.id)) return
  set({ mix: [...props.layer.mix, { material: material.id, share: 1, only: null }] }, `mix in ${material.plural}`)
}
</script>

<template>
  <div class="rounded-[5px] border" :class="open ? 'border-leaf bg-frost' : 'border-seam bg-sheet'">
    <div class="flex items-center gap-1 py-1 pl-0.5 pr-1">
      <button
        type="button"
        data-grip
        class="flex h-8 w-5 shrink-0 cursor-grab items-center justify-center text-soft hover:text-ink"
        :aria-label="`Layer ${place + 1}: drag, or press Alt with up or down, to move it`"
        title="Drag to move, or Alt with up or down"
        @keydown.alt.up.prevent="emit('move', place - 1)"
        @keydown.alt.down.prevent="emit('move', place + 1)"
      >
        <GripVertical :size="14" />
      </button>
      <MaterialPicture v-if="first" :key="first.id" :material="first" :size="34" />
      <button type="button" class="min-w-0 flex-1 text-left leading-tight" :aria-expanded="open" @click="emit('toggle')">
        <span class="block text-tiny text-soft"
          >{{ place + 1 }}. {{ ROLE_NAMES[layer.role] }} · {{ aside ? 'put aside, costs nothing' : sort.name }}</span
        >
        <span class="line-clamp-2 font-medium" :class="aside ? 'text-soft line-through' : ''">{{
          worked?.title ?? nameOf(layer.mix[0]!.material)
        }}</span>
      </button>
      <button
        v-if="open || layer.hidden"
        type="button"
        class="icon-button size-6"
        :aria-label="layer.hidden ? 'Bring the layer back' : 'Put the layer aside'"
        :title="tip('hide', layer.hidden ? 'bring it back' : 'put it aside: it costs nothing until it is back')"
        :aria-pressed="layer.hidden"
        @click="set({ hidden: !layer.hidden }, layer.hidden ? 'bring a layer back' : 'put a layer aside')"
      >
        <EyeOff v-if="layer.hidden" :size="14" /><Eye v-else :size="14" />
      </button>
      <button
        v-if="open || layer.locked"
        type="button"
        class="icon-button size-6"
        :aria-label="layer.locked ? 'Unlock the layer' : 'Lock the layer'"
        :title="tip('lock', layer.locked ? 'unlock' : 'lock')"
        :aria-pressed="layer.locked"
        @click="set({ locked: !layer.locked }, layer.locked ? 'unlock a layer' : 'lock a layer')"
      >
        <Lock v-if="layer.locked" :size="14" /><LockOpen v-else :size="14" />
      </button>
      <ChevronUp v-if="open" :size="15" class="text-soft" /><ChevronDown v-else :size="15" class="text-soft" />
    </div>

    <div v-if="open" class="space-y-2.5 border-t border-seam p-2">
      <PickField label="Placing rule" :value="layer.rule.kind" :options="rules" :hint="sort.note" @pick="takeRule" />
      <component :is="RULE_FORMS[layer.rule.kind].fields" :key="layer.rule.kind" :layer="layer" :rule="layer.rule" />
      <FigureRow v-if="seen" label="Of all that is seen" :figure="seen.share" :manner="bench.manner" />
      <MakeUpCard v-if="worked?.makeUp" :layer="layer" :make-up="worked.makeUp" />

      <div v-if="!sort.builds">
        <span class="field-label">{{
          dealt && layer.mix.length > 1
            ? 'Mix, in parts dealt by rhythm, or just so many'
            : layer.mix.length > 1
              ? 'Taken in turn'
              : 'Material'
        }}</span>
        <div v-for="(part, i) in layer.mix" :key="part.material" class="mb-1 flex items-center gap-1">
          <span class="min-w-0 flex-1 truncate first-letter:uppercase">{{ nameOf(part.material) }}</span>
          <template v-if="layer.mix.length > 1">
            <template v-if="dealt">
              <CountField
                v-if="part.only === null"
                class="w-24 [&_label]:sr-only"
                :label="`Parts of ${nameOf(part.material)}`"
                :value="part.share"
                :least="0"
                :most="1000"
                :take="(share) => setPart(i, { share })"
              />
              <CountField
                v-else
                class="w-24 [&_label]:sr-only"
                :label="`Just so many ${nameOf(part.material)}`"
                :value="part.only"
                :least="0"
                :most="500"
                whole
                :take="(only) => setPart(i, { only })"
              />
              <button
                type="button"
                class="h-7 rounded-[3px] border border-line px-1 text-tiny"
                :aria-pressed="part.only !== null"
                :title="part.only === null ? 'In parts. Press for just so many, spread.' : 'Just so many, spread. Press for parts.'"
                :class="part.only === null ? 'bg-sheet' : 'bg-moss'"
                @click="setPart(i, { only: part.only === null ? 3 : null })"
              >
                {{ part.only === null ? 'parts' : 'only' }}
              </button>
            </template>
            <button
              type="button"
              class="icon-button w-5"
              :aria-label="`Take ${nameOf(part.material)} out`"
              @click="set({ mix: layer.mix.filter((_, k) => k !== i) }, `take ${nameOf(part.material)} out`)"
            >
              <X :size="14" />
            </button>
          </template>
        </div>
        <button v-if="sort.parts > 1" type="button" class="button h-6 text-fine" :aria-expanded="mixing" @click="mixing = !mixing">
          <Plus :size="13" />Mix in another
        </button>
        <MaterialPicker v-if="mixing" class="mt-1.5" :kinds="mixable" @pick="addToMix" @close="mixing = false" />
      </div>

      <TextField v-if="lettered" label="What it says" :value="layer.words ?? ''" :most="MOST_WORDS" :lines="2" :take="takeWords" />
      <PositionFields :layer="layer" />
      <LayerTools :layer="layer" />
    </div>
  </div>
</template>
