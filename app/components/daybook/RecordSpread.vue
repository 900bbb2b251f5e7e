<script setup lang="ts">
import { computed, onBeforeUnmount, watch } from 'vue'
import { NuxtLink } from '#components'
import type { Compared, DaybookRecord } from '#core/daybook'
import { minutesIn, recipeOf } from '#core/daybook'
import { BASE_SORTS } from '#core/base'
import type { BaseKind } from '#core/base'
import { daySaid, quantity, show } from '#core/measure'
import type { Sale } from '#core/price'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { usePreviews } from '~/stores/previews'
import { useSeason } from '~/stores/season'
import { useSettings } from '~/stores/settings'

/** One piece: as planned on the left, as made on the right, and what differed between. */
const props = defineProps<{ record: DaybookRecord; sales: readonly Sale[] }>()
const emit = defineEmits<{ edit: []; remove: [] }>()
const settings = useSettings()
const pieces = usePieces()
const previews = usePreviews()
const season = useSeason()
const notices = useNotices()

const piece = computed(() => pieces.records?.find(({ id }) => id === props.record.piece) ?? null)
const preview = computed(() => previews.shown.get(props.record.piece))
watch(
  () => props.record.piece,
  (id, before) => {
    if (before) previews.leave(before)
    void notices.tell('A preview could not be read', previews.want(id))
  },
  { immediate: true },
)
onBeforeUnmount(() => previews.leave(props.record.piece))

const said = ({ unit }: Pick<Compared, 'unit'>, value: number): string =>
  unit === 'length'
    ? show(quantity.length(value), settings.manner)
    : unit === 'time'
      ? show(quantity.time(value), settings.manner)
      : String(Math.round(value * 10) / 10)
/** What differed, the most first; minutes are told together and then where they went. */
const differed = computed(() =>
  props.record.compared
    .filter(({ took, planned, broke }) => took !== null && (Math.abs(took - planned) > 1e-6 || (broke ?? 0) > 0))
    .map((each) => ({ ...each, off: each.planned > 0 ? (each.took! - each.planned) / each.planned : 1 }))
    .filter(({ off, broke }) => Math.abs(off) >= 0.005 || (broke ?? 0) > 0)
    .sort((a, b) => Math.abs(b.off) - Math.abs(a.off)),
)
const minutes = computed(() => minutesIn(props.record))
const time = (value: number): string => show(quantity.time(value), settings.manner)
const baseName = computed(() => BASE_SORTS[props.record.base as BaseKind]?.name ?? props.record.base)
const ENDS = { hangs: 'It hangs', 'came down': 'It came down', sold: 'Sold', 'given away': 'Given away', fell: 'It fell' } as const
const sold = computed(() => props.sales.filter(({ piece: of }) => of === props.record.piece))

/** Pieces that are still to be made by this one: the same with more copies, and what is made together with it. */
const rest = computed(() => {
  const own = piece.value
  if (!own) return []
  const batch = season.batches.find((each) => each.pieces.includes(own.id))
  const ids = new Set([...(own.piece.brief.copies > 1 ? [own.id] : []), ...(batch?.pieces.filter((id) => id !== own.id) ?? [])])
  const layers = own.piece.layers.map(({ id }) => id).join('|')
  return (pieces.records ?? []).filter(({ id, piece: of }) => ids.has(id) && of.layers.map(({ id: layer }) => layer).join('|') === layers)
})
const is = computed(() => rest.value.length > 0 && rest.value.every(({ piece: of }) => of.making.recipe?.record === props.record.id))
async function asRecipe(take: boolean): Promise<void> {
  const { recipe, order } = recipeOf(props.record)
  for (const { id } of rest.value)
    await pieces.edit(id, { do: 'making', set: take ? { recipe, order } : { recipe: null, order: [] } }, 'go by how the first was made')
  notices.note(
    take ? 'The others go by how this one was made: its amounts, minutes and order.' : 'The others are planned by rules of thumb again.',
  )
}
const doRecipe = (take: boolean): void => void notices.tell('It could not be made the recipe', asRecipe(take))
</script>

<template>
  <article data-testid="spread">
    <header class="flex flex-wrap items-baseline gap-x-3 border-b border-line pb-1">
      <h2 class="font-serif text-xl">{{ record.name }}</h2>
      <span class="text-soft"
        >{{ daySaid(record.day) }} {{ record.day.slice(0, 4) }}<template v-if="record.occasion"> · {{ record.occasion }}</template> ·
        {{ baseName }}</span
      >
      <span class="ml-auto flex gap-2">
        <button type="button" class="button" @click="emit('edit')">Complete it…</button>
        <button type="button" class="button" @click="emit('remove')">Tear it out…</button>
      </span>
    </header>
    <div class="grid grid-cols-[1fr_1.25fr_1fr] gap-4 pt-3 max-lg:grid-cols-1">
      <section aria-label="As planned">
        <h3 class="panel-title mb-1">As planned</h3>
        <img
          v-if="preview"
          :src="preview.src"
          :alt="`${record.name} as planned`"
          class="block aspect-[4/3] w-full rounded-md border border-line object-cover"
        />
        <p v-else class="flex aspect-[4/3] items-center justify-center rounded-md border border-line bg-bench text-fine text-soft">
          {{ piece ? '' : 'The piece is no longer here' }}
        </p>
        <dl class="pt-1 text-fine">
          <div class="flex justify-between">
            <dt>Hands</dt>
            <dd>{{ time(minutes.planned) }}</dd>
          </div>
          <div class="flex justify-between">
            <dt>Opened</dt>
            <dd><MoneyText :minor="record.money.planned" /></dd>
          </div>
        </dl>
        <NuxtLink v-if="piece" :to="`/piece/${record.piece}`" class="page-link">To the bench</NuxtLink>
      </section>
      <section aria-label="What differed">
        <h3 class="panel-title mb-1">What differed</h3>
        <p v-if="!differed.length" class="text-soft">Nothing that was written down.</p>
        <table v-else class="w-full text-fine">
          <tbody>
            <tr v-for="each in differed.slice(0, 14)" :key="`${each.of} ${each.id}`" class="border-b border-seam" data-testid="differed">
              <th scope="row" class="py-0.5 pr-2 text-left font-normal first-letter:uppercase">
                {{ each.name }}<span v-if="each.broke" class="text-bracken">, {{ each.broke }} broke</span>
              </th>
              <td class="whitespace-nowrap text-right text-soft tabular-nums">{{ said(each, each.planned) }}</td>
              <td class="whitespace-nowrap px-1 text-right text-soft" aria-hidden="true">→</td>
              <td class="whitespace-nowrap text-right font-semibold tabular-nums">{{ said(each, each.took!) }}</td>
              <td class="w-12 whitespace-nowrap text-right tabular-nums" :class="each.off > 0 ? 'text-ruddy' : 'text-leaf'">
                {{ each.off > 0 ? '+' : '−' }}{{ Math.round(Math.abs(each.off) * 100) }} %
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="differed.length > 14" class="text-fine text-soft">and {{ differed.length - 14 }} more</p>
      </section>
      <section aria-label="As made">
        <h3 class="panel-title mb-1">As made</h3>
        <div v-if="record.photos.length" class="overflow-hidden rounded-md border border-line">
          <PhotoView v-for="id in record.photos.slice(0, 1)" :id="id" :key="id" :name="`${record.name} as made`" />
        </div>
        <p v-else class="flex aspect-[4/3] items-center justify-center rounded-md border border-dashed border-line text-fine text-soft">
          No photo yet
        </p>
        <div v-if="record.photos.length > 1" class="grid grid-cols-4 gap-1 pt-1">
          <PhotoView v-for="id in record.photos.slice(1, 5)" :id="id" :key="id" :name="`${record.name} as made`" />
        </div>
        <dl class="pt-1 text-fine">
          <div class="flex justify-between">
            <dt>Hands</dt>
            <dd :class="minutes.took > minutes.planned ? 'text-ruddy' : 'text-leaf'">{{ time(minutes.took) }}</dd>
          </div>
          <div class="flex justify-between">
            <dt>Opened</dt>
            <dd><MoneyText v-if="record.money.spent !== null" :minor="record.money.spent" /><template v-else>as planned</template></dd>
          </div>
          <div class="flex justify-between gap-3">
            <dt>{{ ENDS[record.end] }}</dt>
            <dd class="text-right">
              {{
                [record.where, record.from ? `from ${daySaid(record.from)}` : '', record.to ? `to ${daySaid(record.to)}` : '']
                  .filter(Boolean)
                  .join(', ')
              }}
            </dd>
          </div>
          <div v-for="sale in sold" :key="sale.id" class="flex justify-between gap-3">
            <dt>Sold {{ daySaid(sale.day) }}</dt>
            <dd>
              <MoneyText :minor="sale.price" /><template v-if="sale.where">, {{ sale.where }}</template>
            </dd>
          </div>
        </dl>
      </section>
    </div>
    <div class="grid grid-cols-2 gap-4 pt-3 max-lg:grid-cols-1">
      <p v-if="record.otherwise" class="border-l-2 border-bracken pl-3" data-testid="otherwise">
        <span class="panel-title block">Otherwise next time</span>{{ record.otherwise }}
      </p>
      <p v-if="record.lasted" class="border-l-2 border-rime pl-3">
        <span class="panel-title block">How it lasted</span>{{ record.lasted }}
      </p>
    </div>
    <p v-if="rest.length" class="pt-3">
      <button v-if="!is" type="button" class="button border-leaf" @click="doRecipe(true)">Make the others as this one was made</button>
      <button v-else type="button" class="button" @click="doRecipe(false)">Plan the others by rules of thumb again</button>
      <span class="ml-2 text-soft">{{
        is ? 'They go by its amounts, minutes and order.' : 'Its amounts, minutes and order become their recipe.'
      }}</span>
    </p>
  </article>
</template>
