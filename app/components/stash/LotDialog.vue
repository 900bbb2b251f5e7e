<script setup lang="ts">
import { computed, ref } from 'vue'
import { BOUGHT_KINDS, BASE_SORTS } from '#core/base'
import { isCut, materialOf } from '#core/material'
import { capital } from '#core/measure'
import type { Lot, Amount } from '#core/stock'
import { amountSaid, baseLots, baseOfLot, CONDITIONS, lotName, LotSchema, sizeWord, worthOf } from '#core/stock'
import { useDraft } from '~/composables/useDraft'
import { usePhoto } from '~/composables/usePhoto'
import { useLotLabels } from '~/composables/useLotLabels'
import { newId } from '~/utils/new-id'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useStock } from '~/stores/stock'
import { Kept } from '~/commands/lots'

/** A lot to put in or to change: what it is, how much, where from, for how much, where it lies, and whose it is. */
/** @prop of the lot, or what a new one is known by while it is written */
const props = defineProps<{ lot: Lot; of: string; fresh: boolean }>()
const emit = defineEmits<{ close: [] }>()
const stock = useStock()
const shops = useShops()
const settings = useSettings()
const notices = useNotices()
const words = useLotLabels()

const {
  value: draft,
  since,
  set,
  again,
  done,
} = useDraft<Lot>({ kind: 'lot', of: props.of, begun: props.lot, title: (lot) => capital(lotName(lot, shops.shelf)) })
const error = ref<string | null>(null)
const material = computed(() => materialOf(shops.shelf, draft.value.material) ?? null)
const base = computed(() => baseOfLot(draft.value))
const options = computed(() => [
  ...Object.values(shops.shelf.materials).map(({ id, name }) => ({ value: id, name: capital(name) })),
  ...BOUGHT_KINDS.map((kind) => ({ value: baseLots(kind), name: `Bare base: ${BASE_SORTS[kind].name.toLowerCase()}` })),
])
function pick(id: string): void {
  const next = materialOf(shops.shelf, id)
  if (next && isCut(next)) set({ material: id, things: draft.value.length === null ? (draft.value.things ?? 1) : null, cut: null })
  else set({ material: id, things: draft.value.things ?? 1, length: null, cut: baseOfLot({ material: id }) ? 355.6 : null })
}
/** How much it is, as it may be typed again. */
const much = computed(() => (draft.value.length === null ? String(draft.value.things ?? 1) : words.length(draft.value.length)))
const SOURCES = [
  { value: 'counted', name: 'counted on the shelf' },
  { value: 'shop', name: 'bought' },
  { value: 'piece', name: 'of a piece taken apart' },
  { value: 'found', name: 'found' },
  { value: 'gift', name: 'a gift' },
  { value: 'offcut', name: 'an offcut' },
  { value: 'cut', name: 'cut of a roll' },
] as const
type From = (typeof SOURCES)[number]['value']
function from(kind: From): void {
  if (kind === draft.value.source.kind) return
  set({
    source:
      kind === 'shop'
        ? { kind, shop: shops.shops[0]?.name ?? 'a shop' }
        : kind === 'piece'
          ? { kind, piece: '', name: 'an older piece' }
          : kind === 'cut'
            ? { kind, from: null }
            : { kind },
    ...(kind === 'found' ? { paid: 0 } : {}),
  })
}
const { url: photo, keep: keepPhoto } = usePhoto(() => draft.value.photo)
async function takePhoto(event: Event): Promise<void> {
  const [file] = (event.target as HTMLInputElement).files ?? []
  if (!file) return
  await notices.tell(
    'The photo could not be kept',
    keepPhoto(file).then((id) => set({ photo: id })),
  )
}
function takeDay(event: Event): void {
  set({ day: (event.target as HTMLInputElement).value || null })
}
async function save(): Promise<void> {
  const read = LotSchema.safeParse({ ...draft.value, id: props.fresh ? newId() : draft.value.id })
  if (!read.success) {
    error.value = read.error.issues.map(({ message }) => message).join(' ')
    return
  }
  const kept = props.fresh ? stock.add(read.data) : stock.change(props.lot, read.data)
  if (!(await notices.tell('The stash could not be kept', kept))) return
  await done()
  emit('close')
}
async function remove(): Promise<void> {
  try {
    await stock.remove([props.lot.id])
    await done()
    emit('close')
  } catch (refused) {
    if (!(refused instanceof Kept)) throw refused
    error.value = `“${words.owner(props.lot)}” has it. Mark that piece as planned again, or take it out of it.`
  }
}
const worth = computed(() => worthOf(draft.value, shops.shelf))
</script>

<template>
  <DialogFrame :title="fresh ? 'Into the stash' : 'In the stash'" wide="w-[40rem]" @close="emit('close')">
    <BegunNote class="mb-2" :since="since" @again="again" />
    <form class="grid grid-cols-4 gap-2 max-sm:grid-cols-2" @submit.prevent="save">
      <PickField class="col-span-2" label="What it is" :value="draft.material" :options="options" @pick="pick" />
      <TypedField
        v-if="material"
        :class="isCut(material) ? 'col-span-2' : ''"
        :label="isCut(material) ? 'How much: rolls, half a roll, a length' : 'How much: so many, or bunches'"
        :shown="much"
        :read="(text: string) => amountSaid(text, material!, settings.units)"
        :take="(amount: Amount) => set(amount)"
      />
      <CountField v-else label="How many" :value="draft.things ?? 1" :least="1" :most="1000000" whole :take="(things) => set({ things })" />
      <LengthField
        v-if="!material || !isCut(material)"
        :label="base ? `How ${sizeWord(base)}` : 'Cut to'"
        :mm="draft.cut"
        :units="settings.units"
        none="as bought"
        :take="(cut) => set({ cut })"
      />
      <PickField label="From" :value="draft.source.kind" :options="SOURCES" @pick="from" />
      <TextField
        v-if="draft.source.kind === 'shop'"
        label="Shop"
        :value="draft.source.shop"
        :most="60"
        :take="(shop) => set({ source: { kind: 'shop', shop: shop || 'a shop' } })"
      />
      <MoneyField
        label="Paid for all of it"
        :minor="draft.paid"
        :currency="settings.currency"
        none="not known"
        :take="(paid) => set({ paid })"
      />
      <div>
        <label class="field-label" for="lot-day">Here since</label>
        <input id="lot-day" type="date" class="field" :value="draft.day ?? ''" @change="takeDay" />
      </div>
      <TextField label="Where it lies" :value="draft.place" :most="60" :take="(place) => set({ place })" />
      <PickField
        label="Condition"
        :value="draft.condition"
        :options="CONDITIONS.map((value) => ({ value, name: value }))"
        @pick="(condition) => set({ condition })"
      />
      <TextField label="Tied to a season" :value="draft.season" :most="80" :take="(season) => set({ season })" />
      <div>
        <span class="field-label">Colour, where it is another</span>
        <div class="flex gap-1">
          <input
            type="color"
            class="h-7 w-10 rounded border border-line bg-sheet"
            aria-label="Colour"
            :value="draft.colour ?? material?.colours[0] ?? '#9a8f7c'"
            @change="set({ colour: ($event.target as HTMLInputElement).value })"
          />
          <button v-if="draft.colour" type="button" class="button" @click="set({ colour: null })">As it comes</button>
        </div>
      </div>
      <div class="col-span-2">
        <span class="field-label">Photo</span>
        <div class="flex items-center gap-2">
          <img v-if="photo" :src="photo" alt="As it lies there" class="h-16 rounded border border-line" />
          <label class="button cursor-pointer"
            >{{ photo ? 'Another' : 'Take one'
            }}<input type="file" accept="image/*" capture="environment" class="sr-only" @change="takePhoto"
          /></label>
          <button v-if="draft.photo" type="button" class="button" @click="set({ photo: null })">Without</button>
        </div>
      </div>
      <p class="col-span-2 self-end text-soft">Worth <MoneyText :minor="worth" />.</p>
      <p v-if="lot.reserved" class="col-span-full rounded-[3px] bg-tape px-2 py-1">
        {{ lot.reserved.want === null ? `Kept for ${words.owner(lot)}, for as long as it needs it.` : `${capital(words.owner(lot))}.` }}
      </p>
      <p v-if="error" class="col-span-full text-ruddy" role="alert">{{ error }}</p>
      <div class="col-span-full mt-1 flex gap-2">
        <button v-if="!fresh" type="button" class="button h-8 text-ruddy" @click="remove">Throw it away</button>
        <button type="button" class="button ml-auto h-8" @click="emit('close')">Not now</button>
        <button type="submit" class="button-main">Keep it</button>
      </div>
    </form>
  </DialogFrame>
</template>
