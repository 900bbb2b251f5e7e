<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { navigateTo } from '#app'
import { BASE_SORTS, scaledShape, widthOf } from '#core/base'
import type { BaseShape } from '#core/base'
import { deltaOf, quantity, say, show } from '#core/measure'
import { ROLE_NAMES } from '#core/piece'
import type { Resized } from '#core/resize'
import type { PieceRecord } from '~/db'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { newId } from '~/utils/new-id'
import { useSettings } from '~/stores/settings'
import { useStock } from '~/stores/stock'
import { askResized } from '~/workers/workings'

/** A piece made again at another size: by sense, not by zoom. What changes is seen before it is taken. */
const props = defineProps<{ record: PieceRecord }>()
const emit = defineEmits<{ close: [] }>()
const settings = useSettings()
const stock = useStock()
const notices = useNotices()
const pieces = usePieces()

const piece = computed(() => props.record.piece)
const now = computed(() => widthOf(piece.value.base))
const wide = ref<number | null>(null)
const chosen = shallowRef<BaseShape | null>(null)
const id = newId()
const sizes = computed(() =>
  BASE_SORTS[piece.value.base.kind].sizes
    .filter(({ shape }) => deltaOf(shape, piece.value.base.shape) !== 0)
    .map(({ shape }) => ({ shape, says: show(quantity.length(widthOf({ ...piece.value.base, shape })), settings.manner) })),
)
function byWidth(mm: number | null): string | null {
  if (mm === null) return 'Give a width.'
  const shape = scaledShape(piece.value.base.shape, mm / now.value)
  if (!shape) return 'The bench cannot hold that size.'
  wide.value = mm
  chosen.value = shape
  return null
}
const found = shallowRef<Resized | null>(null)
const nameFor = (shape: BaseShape): string =>
  `${piece.value.brief.name.slice(0, 60)}, ${show(quantity.length(widthOf({ ...piece.value.base, shape })), settings.manner)}`
watch(chosen, (shape) => {
  found.value = null
  if (!shape) return
  void notices.tell(
    'Another size could not be worked out',
    askResized(piece.value, shape, id, nameFor(shape), stock.pricing).then((answer) => {
      if (chosen.value === shape) found.value = answer
    }),
  )
})
function layerName(layer: string | null): string {
  const of = piece.value.layers.find((each) => each.id === layer)
  return of ? ROLE_NAMES[of.role] : 'Base'
}
async function take(): Promise<void> {
  if (!found.value?.ok) return
  const { piece: made } = found.value
  await notices.tell(
    'It could not be begun',
    pieces.add(made).then(async () => {
      await navigateTo(`/piece/${made.id}`)
    }),
  )
}
</script>

<template>
  <DialogFrame :title="`${piece.brief.name} at another size`" wide="w-[40rem]" @close="emit('close')">
    <p class="text-soft">
      It is {{ show(quantity.length(now), settings.manner) }} across. Counts go by the run, heads by what they cover, bows by the width,
      stems by how far they reach.
    </p>
    <div class="flex flex-wrap items-end gap-2 py-2" role="group" aria-label="Sizes">
      <button
        v-for="each in sizes"
        :key="each.says"
        type="button"
        class="button"
        :class="chosen === each.shape ? 'border-leaf bg-moss' : ''"
        :aria-pressed="chosen === each.shape"
        @click="chosen = each.shape"
      >
        {{ each.says }}
      </button>
      <LengthField class="w-28" label="Another, across" :mm="wide" :units="settings.units" none="" :take="byWidth" />
    </div>
    <p v-if="chosen && !found" class="text-soft" role="status">Working it out…</p>
    <p v-else-if="found && !found.ok" class="text-ruddy" role="alert">{{ found.error }}</p>
    <template v-else-if="found?.ok">
      <table class="w-full text-small" data-testid="changes">
        <thead>
          <tr class="border-b border-line text-left text-fine text-soft">
            <th class="font-normal">What changes</th>
            <th class="px-2 text-right font-normal">Now</th>
            <th class="px-2 text-right font-normal">Then</th>
            <th class="font-normal">Why</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(change, i) in found.changes" :key="i" class="border-b border-seam" data-testid="change">
            <th scope="row" class="py-0.5 text-left font-normal">
              {{ change.what }}<span class="block text-tiny text-soft">{{ layerName(change.layer) }}</span>
            </th>
            <td class="whitespace-nowrap px-2 text-right text-soft">{{ say(change.before, settings.manner) }}</td>
            <td class="whitespace-nowrap px-2 text-right font-semibold">{{ say(change.after, settings.manner) }}</td>
            <td class="text-fine text-soft">{{ change.why }}</td>
          </tr>
        </tbody>
      </table>
      <p class="pt-1 text-fine text-soft">
        Signs and figures are what they are; what is spaced keeps its spacing. It begins as a new piece, with no day and no budget.
      </p>
      <button type="button" class="button-main mt-3 self-end" @click="take">Begin it at this size</button>
    </template>
  </DialogFrame>
</template>
