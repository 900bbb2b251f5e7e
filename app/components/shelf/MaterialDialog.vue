<script setup lang="ts">
import { computed, ref } from 'vue'
import { SPECIES } from '#core/looks'
import type { Hazard, Material } from '#core/material'
import {
  CATALOGUE,
  FACINGS,
  FORMS_OF_PATCH,
  WEATHERS,
  HAZARDS,
  KIND_NAMES,
  MATERIAL_KINDS,
  MaterialSchema,
  STATES,
  TEXTURES,
} from '#core/material'
import { capital, pluralOf } from '#core/measure'
import { useDraft } from '~/composables/useDraft'
import { useMaterials } from '~/stores/materials'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'

/** A material to add or to change. */
const props = defineProps<{ material: Material }>()
const emit = defineEmits<{ close: [] }>()
const materials = useMaterials()
const settings = useSettings()
const notices = useNotices()

const {
  value: draft,
  since,
  set,
  again,
  done,
} = useDraft<Material>({
  kind: 'material',
  of: props.material.id,
  begun: props.material,
  title: ({ name }) => capital(name) || 'A material',
})
const error = ref<string | null>(null)
const kept = computed(() => props.material.id in materials.own)
const shown = computed(() => (MaterialSchema.safeParse(draft.value).success ? draft.value : props.material))
function names<T extends string>(values: readonly T[]) {
  return values.map((value) => ({ value, name: value }))
}
const drawings = Object.entries(SPECIES)
  .map(([value, { name }]) => ({ value, name }))
  .sort((a, b) => a.name.localeCompare(b.name))
/** What grows on a stem covers as a leaf shape, a head as a round. */
function draw(species: string): void {
  const { stance } = SPECIES[species]!
  set({ species, form: stance === 'stem' ? 'leaf' : stance === 'head' || draft.value.form === 'leaf' ? 'disc' : draft.value.form })
}
const hazards: Record<Hazard, string> = {
  'poisonous-pets': 'Poisonous to pets',
  poisonous: 'Poisonous',
  prickly: 'Prickly',
  foraged: 'Gathered wild',
}
const forms: Record<Material['form'], string> = { leaf: 'A leaf shape along its stem', disc: 'A round', board: 'A board' }
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const
function flip<T>(all: readonly T[], one: T): T[] {
  return all.includes(one) ? all.filter((each) => each !== one) : [...all, one]
}

async function save(): Promise<void> {
  const id = draft.value.id in CATALOGUE || kept.value ? draft.value.id : materials.freshId(draft.value.name)
  error.value = await materials.save({ ...draft.value, id, months: [...draft.value.months].sort((a, b) => a - b) }, props.material)
  if (error.value) return
  await done()
  notices.note(`“${draft.value.name}” is on the shelf.`)
  emit('close')
}
async function remove(): Promise<void> {
  if (!(await notices.tell('The material could not be taken off', materials.remove(props.material.id)))) return
  await done()
  notices.note(
    props.material.id in CATALOGUE ? `“${props.material.name}” is as it came again.` : `“${props.material.name}” is off the shelf.`,
  )
  emit('close')
}
</script>

<template>
  <DialogFrame :title="draft.name || 'A material'" wide="w-[44rem]" @close="emit('close')">
    <template #before><MaterialPicture :key="JSON.stringify(shown)" :material="shown" :size="64" /></template>
    <BegunNote class="mb-2" :since="since" @again="again" />
    <form class="grid grid-cols-4 gap-2 max-sm:grid-cols-2" @submit.prevent="save">
      <TextField
        class="col-span-2"
        label="Name of one"
        :value="draft.name"
        :most="60"
        :take="(name) => set({ name, plural: draft.plural === pluralOf(draft.name) || !draft.plural ? pluralOf(name) : draft.plural })"
      />
      <TextField class="col-span-2" label="Name of several" :value="draft.plural" :most="60" :take="(plural) => set({ plural })" />
      <PickField
        label="Kind"
        :value="draft.kind"
        :options="MATERIAL_KINDS.map((value) => ({ value, name: KIND_NAMES[value] }))"
        @pick="(kind) => set({ kind })"
      />
      <PickField label="State" :value="draft.state" :options="names(STATES)" @pick="(state) => set({ state })" />
      <PickField label="Texture" :value="draft.texture" :options="names(TEXTURES)" @pick="(texture) => set({ texture })" />
      <PickField label="Stands" :value="draft.hardy" :options="names(WEATHERS)" @pick="(hardy) => set({ hardy })" />
      <LengthField
        label="Length, or across a head"
        :mm="draft.length"
        :units="settings.units"
        :take="(mm) => set({ length: mm ?? draft.length })"
      />
      <LengthField label="Spread" :mm="draft.width" :units="settings.units" :take="(mm) => set({ width: mm ?? draft.width })" />
      <LengthField label="Bends to a radius of" :mm="draft.curve" none="stiff" :units="settings.units" :take="(curve) => set({ curve })" />
      <MassField label="Weight of one" :grams="draft.mass" none="0" :take="(mass) => set({ mass: mass ?? 0 })" />
      <PickField label="Facing" :value="draft.facing" :options="names(FACINGS)" @pick="(facing) => set({ facing })" />
      <PickField label="Drawn as" :value="draft.species" :options="drawings" @pick="draw" />
      <PickField
        label="Covers as"
        :value="draft.form"
        :options="FORMS_OF_PATCH.map((value) => ({ value, name: forms[value] }))"
        @pick="(form) => set({ form })"
      />
      <div class="col-span-2">
        <span class="field-label">Colours, the most of it first</span>
        <div class="flex items-center gap-1.5">
          <input
            v-for="(colour, i) in draft.colours"
            :key="i"
            type="color"
            class="h-7 w-10 rounded border border-line bg-sheet"
            :value="colour"
            :aria-label="`Colour ${i + 1}`"
            @change="
              set({
                colours: draft.colours.map((each, k) => (k === i ? ($event.target as HTMLInputElement).value : each)),
                ...(i === 0 ? { colour: ($event.target as HTMLInputElement).value } : {}),
              })
            "
          />
          <button v-if="draft.colours.length < 4" type="button" class="button" @click="set({ colours: [...draft.colours, '#8a7a5a'] })">
            Another
          </button>
          <button v-if="draft.colours.length > 1" type="button" class="button" @click="set({ colours: draft.colours.slice(0, -1) })">
            One fewer
          </button>
        </div>
      </div>
      <TextField label="Sold by the" :value="draft.pack.name" :most="30" :take="(name) => set({ pack: { ...draft.pack, name } })" />
      <CountField
        label="Pieces in it"
        :value="draft.pack.holds"
        :least="1"
        :most="10000"
        whole
        :take="(holds) => set({ pack: { ...draft.pack, holds } })"
      />
      <CountField
        label="In bunches"
        :value="draft.pack.bunches"
        :least="1"
        :most="1000"
        whole
        :take="(bunches) => set({ pack: { ...draft.pack, bunches } })"
      />
      <MoneyField
        label="Price"
        :minor="draft.pack.price"
        :currency="settings.currency"
        none="0"
        :take="(price) => set({ pack: { ...draft.pack, price: price ?? 0 } })"
      />
      <div class="col-span-full flex flex-wrap gap-x-4 gap-y-1">
        <label class="tick"
          ><input type="checkbox" class="size-4 accent-leaf" :checked="draft.wired" @change="set({ wired: !draft.wired })" />Wired</label
        >
        <label class="tick"
          ><input type="checkbox" class="size-4 accent-leaf" :checked="draft.divides" @change="set({ divides: !draft.divides })" />One stem
          may be cut into several</label
        >
        <label v-for="each in HAZARDS" :key="each" class="tick"
          ><input
            type="checkbox"
            class="size-4 accent-leaf"
            :checked="draft.hazards.includes(each)"
            @change="set({ hazards: flip(draft.hazards, each) })"
          />{{ hazards[each] }}</label
        >
      </div>
      <fieldset class="col-span-full">
        <legend class="field-label">To be had in (none marked: all year)</legend>
        <div class="flex flex-wrap gap-1">
          <button
            v-for="(month, i) in MONTHS"
            :key="month"
            type="button"
            class="button h-6 px-1.5 text-fine"
            :class="draft.months.includes(i + 1) ? 'border-leaf bg-moss' : ''"
            :aria-pressed="draft.months.includes(i + 1)"
            @click="set({ months: flip(draft.months, i + 1) })"
          >
            {{ month }}
          </button>
        </div>
      </fieldset>
      <div class="col-span-full">
        <span class="field-label">Comes apart into</span>
        <div v-for="(part, i) in draft.parts" :key="i" class="mb-1 flex items-end gap-1.5">
          <TextField
            label="Part"
            :value="part.name"
            :most="40"
            :take="(name) => set({ parts: draft.parts.map((each, k) => (k === i ? { ...each, name } : each)) })"
          />
          <CountField
            class="w-36"
            label="How many"
            :value="part.count"
            :least="1"
            :most="1000"
            whole
            :take="(count) => set({ parts: draft.parts.map((each, k) => (k === i ? { ...each, count } : each)) })"
          />
          <button type="button" class="button" @click="set({ parts: draft.parts.filter((_, k) => k !== i) })">Take out</button>
        </div>
        <button
          v-if="draft.parts.length < 8"
          type="button"
          class="button"
          @click="set({ parts: [...draft.parts, { name: 'leaves', count: 3 }] })"
        >
          A part
        </button>
      </div>
      <p v-if="error" class="col-span-full text-ruddy" role="alert">{{ error }}</p>
      <div class="col-span-full mt-2 flex items-center gap-2">
        <button v-if="kept" type="button" class="button h-8 text-ruddy" @click="remove">
          {{ material.id in CATALOGUE ? 'As it came' : 'Off the shelf' }}
        </button>
        <button type="button" class="button ml-auto h-8" @click="emit('close')">Not now</button>
        <button type="submit" class="button-main">Keep it</button>
      </div>
    </form>
  </DialogFrame>
</template>
