<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Compared, DaybookRecord } from '#core/daybook'
import { RecordSchema } from '#core/daybook'
import type { Parsed } from '#core/measure'
import { parseLength, parseNumber, quantity, show } from '#core/measure'
import { useSettings } from '~/stores/settings'
import { useNotices } from '~/stores/notices'
import { useDraft } from '~/composables/useDraft'
import { usePhoto } from '~/composables/usePhoto'
import TypedField from '../fields/TypedField.vue'

/** A page of the daybook while it is written: in a minute, and completed later. What is left empty was as planned. */
/** @prop of what is written of: the page itself, or the piece of a new one */
const props = defineProps<{ record: DaybookRecord; of: string; keep: (record: DaybookRecord, begun: DaybookRecord) => Promise<unknown> }>()
const emit = defineEmits<{ kept: [record: DaybookRecord]; close: [] }>()
const settings = useSettings()
const notices = useNotices()
const {
  value: record,
  since,
  set,
  again,
  done,
} = useDraft<DaybookRecord>({
  kind: 'page',
  of: props.of,
  begun: props.record,
  title: ({ name }) => name,
})
const wrong = ref<string | null>(null)
const { keep: keepPhoto } = usePhoto(() => null)

const groups = computed(() =>
  (
    [
      ['What it took', 'material'],
      ['Counted', 'count'],
      ['Minutes of hands', 'task'],
    ] as const
  )
    .map(([title, of]) => ({
      title,
      rows: record.value.compared.filter((each) => each.of === of && (each.planned > 0 || each.took !== null)),
    }))
    .filter(({ rows }) => rows.length),
)
const shown = ({ unit }: Pick<Compared, 'unit'>, value: number): string =>
  unit === 'length'
    ? show(quantity.length(value), settings.manner)
    : unit === 'time'
      ? String(Math.round(value * 10) / 10)
      : String(Math.round(value * 100) / 100)
const reader =
  ({ unit }: Compared) =>
  (text: string): Parsed<number | null> => {
    if (text.trim() === '') return { ok: true, value: null }
    return unit === 'length' ? parseLength(text, settings.units) : parseNumber(text.trim())
  }
function took(of: Compared, value: number | null): string | null {
  if (value !== null && value < 0) return 'An amount is nought or more.'
  put(of, { took: value })
  return null
}
function put(of: Compared, change: Partial<Compared>): void {
  set({ compared: record.value.compared.map((each) => (each.id === of.id && each.of === of.of ? { ...each, ...change } : each)) })
}
const spares = (of: Compared): boolean => of.rules.some(({ goes }) => goes === 'broken')
const ENDS = [
  { value: 'hangs', name: 'It hangs' },
  { value: 'came down', name: 'It came down' },
  { value: 'sold', name: 'It was sold' },
  { value: 'given away', name: 'It was given away' },
  { value: 'fell', name: 'It fell' },
] as const

async function photo(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  for (const file of input.files ?? [])
    await notices.tell(
      `“${file.name}” is no picture that can be kept`,
      keepPhoto(file).then((id) => set({ photos: [...record.value.photos, id] })),
    )
  input.value = ''
}
const busy = ref(false)
async function save(): Promise<void> {
  const read = RecordSchema.safeParse(record.value)
  if (!read.success) {
    wrong.value = read.error.issues.map(({ message }) => message).join(' ')
    return
  }
  busy.value = true
  if (await notices.tell('It could not be written down', props.keep(read.data, props.record))) {
    await done()
    emit('kept', read.data)
  }
  busy.value = false
}
</script>

<template>
  <form class="space-y-3" aria-label="A page of the daybook" @submit.prevent="save">
    <BegunNote :since="since" @again="again" />
    <TextField
      label="What to do otherwise next time"
      :value="record.otherwise"
      :most="2000"
      :lines="2"
      :take="(otherwise) => set({ otherwise })"
      hint="It comes back when a like piece is begun."
    />
    <div class="grid grid-cols-4 gap-2 max-sm:grid-cols-2">
      <label
        ><span class="field-label">Made on</span
        ><input
          type="date"
          class="field"
          :value="record.day"
          required
          @change="set({ day: ($event.target as HTMLInputElement).value || record.day })"
      /></label>
      <PickField label="What became of it" :value="record.end" :options="ENDS" @pick="(end: DaybookRecord['end']) => set({ end })" />
      <TextField label="Where it hung" :value="record.where" :most="120" :take="(where) => set({ where })" />
      <MoneyField
        label="What it cost"
        :minor="record.money.spent"
        :currency="settings.currency"
        none="as planned"
        :take="(spent) => set({ money: { ...record.money, spent } })"
      />
      <label
        ><span class="field-label">Hung from</span
        ><input
          type="date"
          class="field"
          :value="record.from ?? ''"
          @change="set({ from: ($event.target as HTMLInputElement).value || null })"
      /></label>
      <label
        ><span class="field-label">Came down on</span
        ><input type="date" class="field" :value="record.to ?? ''" @change="set({ to: ($event.target as HTMLInputElement).value || null })"
      /></label>
      <TextField class="col-span-2" label="How it lasted" :value="record.lasted" :most="400" :take="(lasted) => set({ lasted })" />
    </div>
    <label class="block"
      ><span class="field-label">Photos</span
      ><input
        type="file"
        accept="image/*"
        multiple
        class="text-small file:mr-2 file:h-7 file:cursor-pointer file:rounded-[4px] file:border file:border-solid file:border-line file:bg-sheet file:px-2 file:text-ink"
        @change="photo"
      /><span v-if="record.photos.length" class="text-fine text-soft">{{ record.photos.length }} kept</span></label
    >
    <details v-for="group in groups" :key="group.title" :open="group.title !== 'Minutes of hands'">
      <summary class="panel-title py-0.5">{{ group.title }}</summary>
      <table class="w-full text-small">
        <thead>
          <tr class="border-b border-line text-left text-fine text-soft">
            <th class="font-normal">What</th>
            <th class="px-2 text-right font-normal">Planned</th>
            <th class="w-28 text-right font-normal">It took</th>
            <th class="w-20 pl-2 text-right font-normal">{{ group.title === 'What it took' ? 'Broke' : '' }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in group.rows" :key="row.id" class="border-b border-seam" data-testid="compared">
            <th scope="row" class="py-0.5 text-left font-normal first-letter:uppercase">{{ row.name }}</th>
            <td class="px-2 text-right text-soft tabular-nums">{{ shown(row, row.planned) }}</td>
            <td>
              <TypedField
                class="[&_label]:sr-only"
                :label="`${row.name} took`"
                :shown="row.took === null ? '' : shown(row, row.took)"
                :read="reader(row)"
                :take="(value: number | null) => took(row, value)"
                numeric
              />
            </td>
            <td class="pl-2">
              <TypedField
                v-if="spares(row)"
                class="[&_label]:sr-only"
                :label="`${row.name} that broke`"
                :shown="row.broke === null ? '' : String(row.broke)"
                :read="(text: string) => (text.trim() === '' ? { ok: true, value: null } : parseNumber(text))"
                :take="(broke: number | null) => (put(row, { broke, took: row.took ?? (broke === null ? null : row.planned) }), null)"
                numeric
              />
            </td>
          </tr>
        </tbody>
      </table>
    </details>
    <p v-if="wrong" class="text-ruddy" role="alert">{{ wrong }}</p>
    <div class="flex justify-end gap-2">
      <button type="button" class="button h-9" @click="emit('close')">Not now</button>
      <button type="submit" class="button-main h-9" :disabled="busy">Into the daybook</button>
    </div>
  </form>
</template>
