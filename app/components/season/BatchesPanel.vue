<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { Unlink } from '@lucide/vue'
import { listed, show, several } from '#core/measure'
import { batchWork } from '#core/season'
import type { Plan } from '#core/workroom'
import { planInHand } from '~/workers/plan'
import { useStock } from '~/stores/stock'
import { useNotices } from '~/stores/notices'
import { useSeason } from '~/stores/season'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useWorkroom } from '~/stores/workroom'

/** Pieces that are made together: what is done for all at once, what piece by piece, and what that saves. */
const season = useSeason()
const settings = useSettings()
const shops = useShops()
const notices = useNotices()
const workroom = useWorkroom()
const stock = useStock()

const pieces = computed(() => season.toMake ?? [])
const works = computed(() =>
  season.batches.map((batch) => batchWork(batch, pieces.value, season.season.ready, shops.shelf)).filter(({ hands }) => hands > 0),
)
/** A piece of which several are made is a batch by itself. */
const alone = computed(() =>
  pieces.value
    .filter(({ id, copies }) => copies > 1 && season.batches.every((batch) => !batch.pieces.includes(id)))
    .map((piece) =>
      batchWork(
        { id: piece.id, name: `${piece.name}, ${piece.copies} of them`, pieces: [piece.id] },
        [piece],
        season.season.ready,
        shops.shelf,
      ),
    ),
)
const nameOf = (id: string): string => pieces.value.find((piece) => piece.id === id)?.name ?? id
const time = (minutes: number): string => show({ value: minutes, unit: 'time' }, settings.manner)
/** The bill of each batch by itself: its packs and rolls shared by its pieces, and were each alone. */
const bills = shallowRef<ReadonlyMap<string, Plan>>(new Map())
let turn = 0
async function reckon(): Promise<void> {
  turn += 1
  const own = turn
  const { inHand } = workroom
  const found = await Promise.all(
    season.batches.map(async ({ id, pieces: ids }) => {
      const together = (inHand ?? []).filter((piece) => ids.includes(piece.id))
      if (together.length < 2) return []
      return [[id, await planInHand({ ...stock.pricing, lots: stock.here, pieces: together, list: [] }, () => {}).done] as const]
    }),
  )
  if (own === turn) bills.value = new Map(found.flat())
}
watch(
  [() => workroom.inHand, () => season.batches, () => stock.pricing, () => stock.here],
  () => void notices.tell('What a batch costs could not be worked out', reckon()),
  { immediate: true },
)

const joining = ref(false)
const chosen = ref<string[]>([])
const name = ref('')
async function join(): Promise<void> {
  if (
    await notices.tell('The batch could not be made', season.batchWith(chosen.value, name.value.trim() || listed(chosen.value.map(nameOf))))
  ) {
    joining.value = false
    chosen.value = []
    name.value = ''
  }
}
const leave = (piece: string): void => void notices.tell('It could not be taken out', season.leaveBatch(piece))
</script>

<template>
  <section aria-label="Made together">
    <div class="flex items-baseline justify-between border-b border-line pb-1">
      <h2 class="font-serif text-lg">Made together</h2>
      <button v-if="!joining" type="button" class="button" :disabled="pieces.length < 2" @click="joining = true">
        Put pieces together…
      </button>
    </div>
    <form v-if="joining" class="space-y-1 border-b border-seam py-2" aria-label="A batch" @submit.prevent="join">
      <label v-for="piece in pieces" :key="piece.id" class="tick"
        ><input v-model="chosen" type="checkbox" class="size-4 accent-leaf" :value="piece.id" />{{ piece.name }}</label
      >
      <label class="block"><span class="field-label">Call it</span><input v-model="name" class="field" maxlength="80" /></label>
      <div class="flex justify-end gap-2">
        <button type="button" class="button" @click="joining = false">Not now</button
        ><button type="submit" class="button border-leaf" :disabled="chosen.length < 2">Make them together</button>
      </div>
    </form>
    <p v-if="!works.length && !alone.length && !joining" class="py-2 text-soft">
      Nothing is. A pair, or several of one, save getting ready for each.
    </p>
    <article v-for="work in [...works, ...alone]" :key="work.batch.id" class="border-b border-seam py-2" data-testid="batch">
      <div class="flex items-baseline justify-between gap-3">
        <h3 class="font-medium">{{ work.batch.name }}</h3>
        <span class="shrink-0 text-leaf">saves {{ time(work.apart - work.hands) }} of {{ time(work.apart) }}</span>
      </div>
      <p v-if="work.batch.pieces.length > 1" class="flex flex-wrap gap-x-3 text-fine text-soft">
        <span v-for="id in work.batch.pieces" :key="id" class="inline-flex items-center"
          >{{ nameOf(id)
          }}<button type="button" class="icon-button size-6" :aria-label="`Take ${nameOf(id)} out of the batch`" @click="leave(id)">
            <Unlink :size="13" /></button
        ></span>
      </p>
      <template v-if="bills.get(work.batch.id)">
        <FigureRow label="To open for all of them, in one bill" :figure="bills.get(work.batch.id)!.opened" :manner="settings.manner" />
        <FigureRow label="Saved by sharing packs and rolls" :figure="bills.get(work.batch.id)!.saved" :manner="settings.manner" />
      </template>
      <ol class="mt-1 text-fine">
        <li v-for="chore in work.atOnce" :key="chore.id" class="flex justify-between gap-3">
          <span
            >{{ chore.title }} <span class="text-soft">for all {{ chore.times }} at once</span></span
          >
          <span class="shrink-0 tabular-nums"
            >{{ time(chore.hands) }}<span v-if="chore.saves > 0.5" class="text-leaf"> −{{ time(chore.saves) }}</span></span
          >
        </li>
        <li class="flex justify-between gap-3">
          <span>Then piece by piece, {{ several(work.oneByOne.length, 'task', 'tasks') }}</span>
          <span class="shrink-0 tabular-nums">{{ time(work.handsOneByOne) }}</span>
        </li>
      </ol>
    </article>
  </section>
</template>
