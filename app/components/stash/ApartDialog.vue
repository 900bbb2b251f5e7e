<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import type { Lot, PartOff } from '#core/stock'
import { baseOfLot, lotsOff, partsOff } from '#core/stock'
import { capital, rate, several } from '#core/measure'
import { LEAST_REST } from '#core/cut'
import type { Piece } from '#core/piece'
import type { OnBench } from '#core/workroom'
import type { PieceRecord } from '~/db'
import { useLotLabels } from '~/composables/useLotLabels'
import { useToday } from '~/composables/useToday'
import { usePieces } from '~/stores/pieces'
import { newId } from '~/utils/new-id'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useStock } from '~/stores/stock'
import { askWorkings } from '~/workers/workings'

/** What comes off a piece that is taken apart: what goes back on the shelf, and what is lost and why. Hands have the last word. */
const props = defineProps<{ record: PieceRecord }>()
const emit = defineEmits<{ close: [] }>()
const stock = useStock()
const shops = useShops()
const settings = useSettings()
const notices = useNotices()
const pieces = usePieces()
const words = useLotLabels()
const today = useToday()
const piece = computed<Piece>(() => props.record.piece)

const parts = shallowRef<readonly PartOff[] | null>(null)
const changed = ref<Record<string, { back: boolean; count: number }>>({})
/** What was never made cannot be taken apart: of one that is still being made, one; of those that hang, all. */
const made = ref(piece.value.stage === 'hung' ? piece.value.brief.copies : 1)
let worked: OnBench | null = null
function list(count: number): null {
  made.value = count
  if (!worked) return null
  const some = { ...piece.value, brief: { ...piece.value.brief, copies: count } }
  parts.value = partsOff(some, worked.needs, worked.fixings, rate(LEAST_REST, settings), shops.shelf)
  changed.value = Object.fromEntries(parts.value.map(({ id, back, count: n }) => [id, { back, count: n }]))
  return null
}
void notices.tell(
  'Its parts could not be listed',
  askWorkings(piece.value, stock.pricing).then((workings) => {
    worked = workings
    list(made.value)
  }),
)
const coming = computed(() =>
  (parts.value ?? []).map((part) => ({ ...part, ...changed.value[part.id]! })).filter(({ back, count }) => back && count > 0),
)
const lost = computed(() => (parts.value ?? []).filter(({ id }) => !changed.value[id]?.back).length)

async function take(): Promise<void> {
  let lots: readonly Lot[] = []
  const partsOf = (had: readonly Lot[]): readonly Lot[] =>
    (lots = lotsOff({ parts: coming.value, all: parts.value ?? [], had }, piece.value, today.value, newId))
  if (!(await notices.tell('It could not be taken apart', pieces.takeApart(props.record, partsOf)))) return
  notices.note(`${several(lots.length, 'lot of', 'lots of')} “${piece.value.brief.name}” went into the stash.`)
  emit('close')
}
</script>

<template>
  <DialogFrame :title="`Take “${piece.brief.name}” apart`" wide="w-[44rem]" @close="emit('close')">
    <p v-if="!parts" class="text-soft" role="status">Listing what it is made of…</p>
    <template v-else>
      <CountField
        v-if="piece.brief.copies > 1"
        class="mb-2 w-56"
        label="Of those that were made"
        :value="made"
        :least="1"
        :most="piece.brief.copies"
        whole
        :take="list"
      />
      <p class="mb-2 text-soft">Ticked goes back on the shelf as it is cut; change a count where hands find it otherwise.</p>
      <div class="min-h-0 overflow-y-auto" tabindex="0" role="group" aria-label="Its parts">
        <div
          v-for="part in parts"
          :key="part.id"
          class="grid grid-cols-[1fr_8.5rem_11rem] items-center gap-3 border-b border-seam py-1"
          data-testid="part"
        >
          <label class="tick"
            ><input v-model="changed[part.id]!.back" type="checkbox" class="size-4 accent-leaf" />{{ capital(part.name)
            }}<span class="text-soft">{{
              part.length !== null
                ? words.length(part.length)
                : part.cut !== null
                  ? `${baseOfLot(part) ? '' : 'cut to '}${words.length(part.cut)}`
                  : ''
            }}</span></label
          >
          <CountField
            class="[&_label]:sr-only"
            :label="`How many: ${part.name}`"
            :value="changed[part.id]!.count"
            :least="0"
            :most="1000000"
            whole
            :take="
              (count) => {
                changed[part.id]!.count = count
                return null
              }
            "
          />
          <span class="text-fine" :class="changed[part.id]!.back ? 'text-leaf' : 'text-soft'">{{
            changed[part.id]!.back === part.back
              ? part.back
                ? `back: ${part.why}`
                : `lost: ${part.why}`
              : changed[part.id]!.back
                ? 'back after all'
                : 'lost after all'
          }}</span>
        </div>
      </div>
      <div class="mt-3 flex items-center gap-2">
        <span class="text-soft">{{ several(coming.length, 'kind goes', 'kinds go') }} back, {{ several(lost, 'is', 'are') }} lost.</span>
        <button type="button" class="button ml-auto h-8" @click="emit('close')">Not now</button>
        <button type="button" class="button-main" @click="take">Into the stash</button>
      </div>
    </template>
  </DialogFrame>
</template>
