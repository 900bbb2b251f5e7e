<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { Trash2 } from '@lucide/vue'
import { fitTo } from '#core/placement'
import type { Filling } from '#core/coverage'
import type { Material } from '#core/material'
import { materialOf } from '#core/material'
import { formatMoney, parseNumber, quantity, several, show } from '#core/measure'
import type { Brief, Edit, Layer } from '#core/piece'
import { bearerOf, edit, FULLNESS, laysStems } from '#core/piece'
import { askFilling, askSwap, askWorkings } from '~/workers/workings'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useStock } from '~/stores/stock'
import { useTakingOff } from '~/stores/taking-off'

/** What can be done to a layer as a whole: spread what is in hand, fill to a fullness, swap a material, vary, put back, take away. */
const props = defineProps<{ layer: Layer }>()
const bench = useBench()
const notices = useNotices()
const stock = useStock()
const taking = useTakingOff()
const own = computed(() => bench.workings?.placements.filter((each) => each.layer === props.layer.id) ?? [])

const first = computed(() => materialOf(bench.shelf, props.layer.mix[0]!.material))
/** Whether it is of stems, which can be swapped for any other, and on the base also spread and filled in. */
const stems = computed(() => laysStems(props.layer.rule))
const spreads = computed(() => stems.value && bearerOf(props.layer.rule) === null)
const nudged = computed(() => Object.keys(props.layer.nudges).length)
const byHand = computed(() => props.layer.added.length + props.layer.taken.length)
const set = (change: Partial<Omit<Layer, 'id'>>, words: string): string | null =>
  bench.apply({ do: 'layer', layer: props.layer.id, set: change }, words)

const inHand = ref('')
const fitError = ref('')
function fit(): void {
  const read = parseNumber(inHand.value)
  const stems = read.ok ? read.value : NaN
  fitError.value = Number.isInteger(stems) ? '' : 'A whole number of stems, please.'
  if (fitError.value) return
  const fitted = fitTo(props.layer, stems, bench.runs, bench.shelf)
  if (!fitted)
    fitError.value = 'These do not go round by this rule, or it has no count of its own. Choose compass, every so far or scatter.'
  else {
    set({ rule: fitted.rule }, `spread ${several(stems, 'stem', 'stems')} over the layer`)
    if (fitted.pieces < stems) notices.note(`The layer takes ${fitted.pieces}; ${stems - fitted.pieces} stay in hand.`)
  }
}

const filling = shallowRef<{ readonly fullness: Brief['fullness']; readonly answer: Filling | null } | null>(null)
async function fill(fullness: Brief['fullness']): Promise<void> {
  filling.value = { fullness, answer: await askFilling(bench.piece!, stock.pricing, props.layer.id, fullness) }
}
function takeFilling({ layer, things, material }: Filling): void {
  const { name, plural } = materialOf(bench.shelf, material)!
  bench.apply({ do: 'add', layer, things }, `fill with ${several(things.length, name, plural)}`)
  filling.value = null
}

const swapping = ref<string | null>(null)
interface Offered {
  readonly to: Material
  readonly edit: Edit
  readonly before: number
  readonly after: number
  readonly costBefore: number
  readonly costAfter: number
}
const offered = shallowRef<Offered | null>(null)
async function offer(to: Material): Promise<void> {
  const from = swapping.value!
  const swap = await askSwap(bench.piece!, stock.pricing, props.layer.id, from, to.id)
  if (!swap) return
  const edited = edit(bench.piece!, swap.edit, 'swap')
  if (!edited.ok) {
    notices.fault('It cannot be swapped', edited.error)
    return
  }
  const after = await askWorkings(edited.change.piece, stock.pricing)
  offered.value = {
    to,
    edit: swap.edit,
    before: swap.before,
    after: swap.after,
    costBefore: bench.workings!.bill.opened.value,
    costAfter: after.bill.opened.value,
  }
}
function takeSwap(): void {
  const { to, edit: how } = offered.value!
  bench.apply(how, `swap in ${to.plural}`)
  stopSwap()
}
function stopSwap(): void {
  swapping.value = null
  offered.value = null
}
const nameOf = (id: string, n: number): string =>
  several(n, materialOf(bench.shelf, id)?.name ?? id, materialOf(bench.shelf, id)?.plural ?? id)
const share = (value: number): string => show(quantity.share(value), bench.manner)
</script>

<template>
  <div class="space-y-2 border-t border-seam pt-2">
    <form v-if="spreads" class="flex items-end gap-1.5" @submit.prevent="fit">
      <label class="min-w-0 flex-1"
        ><span class="field-label">Stems in hand, to spread over it</span>
        <input v-model="inHand" class="field text-right" inputmode="numeric" placeholder="e.g. 12" :aria-invalid="fitError !== ''" />
      </label>
      <button type="submit" class="button">Fit</button>
    </form>
    <p v-if="fitError" class="text-fine text-ruddy" role="alert">{{ fitError }}</p>

    <div v-if="spreads" role="group" aria-label="Fill with this layer">
      <span class="field-label">Fill with {{ first?.plural ?? 'this' }} until it is</span>
      <div class="flex gap-1.5">
        <button
          v-for="each in FULLNESS.filter((one) => one !== 'sparse')"
          :key="each"
          type="button"
          class="button flex-1 first-letter:uppercase"
          @click="fill(each)"
        >
          {{ each === 'full' ? 'Full' : 'Lush' }}
        </button>
      </div>
      <div v-if="filling" class="mt-1 border-l-2 border-rime bg-sheet px-2 py-1 text-fine" data-testid="filling">
        <template v-if="filling.answer?.things.length">
          <p>
            {{ nameOf(filling.answer.material, filling.answer.things.length) }} more: {{ share(filling.answer.before) }} covered becomes
            {{ share(filling.answer.after) }}<template v-if="!filling.answer.reached">; that is as far as this layer goes</template>.
          </p>
          <button type="button" class="font-semibold text-leaf underline" @click="takeFilling(filling.answer)">Place them</button>
        </template>
        <p v-else>It is {{ filling.fullness }} already.</p>
      </div>
    </div>

    <div>
      <span class="field-label">Swap, for as much cover</span>
      <div class="flex flex-wrap gap-1.5">
        <button
          v-for="part in layer.mix"
          :key="part.material"
          type="button"
          class="button h-6 max-w-full truncate text-fine"
          :aria-expanded="swapping === part.material"
          @click="swapping === part.material ? stopSwap() : (stopSwap(), (swapping = part.material))"
        >
          {{ materialOf(bench.shelf, part.material)?.plural ?? part.material }}
        </button>
      </div>
      <div v-if="offered && swapping" class="mt-1 border-l-2 border-rime bg-sheet px-2 py-1 text-fine" data-testid="swap">
        <p>
          {{ nameOf(swapping, offered.before) }} become {{ nameOf(offered.to.id, offered.after) }}. Cost opened
          {{ formatMoney(offered.costBefore, bench.manner.currency) }} becomes {{ formatMoney(offered.costAfter, bench.manner.currency) }}.
        </p>
        <button type="button" class="font-semibold text-leaf underline" @click="takeSwap">Swap</button>
        <button type="button" class="ml-3 underline" @click="stopSwap">Leave it</button>
      </div>
      <MaterialPicker
        v-else-if="swapping"
        class="mt-1.5"
        :kinds="stems || !first ? undefined : [first.kind]"
        @pick="offer"
        @close="stopSwap"
      />
    </div>

    <div class="flex flex-wrap gap-1.5">
      <button type="button" class="button" @click="set({ seed: (layer.seed * 31 + 7) % 2147483647 }, 'vary the layer')">Vary</button>
      <button v-if="nudged" type="button" class="button" @click="set({ nudges: {} }, 'put all of the layer back to its rule')">
        Put {{ nudged }} back
      </button>
      <button v-if="byHand" type="button" class="button" @click="set({ added: [], taken: [] }, 'leave the layer to its rule')">
        Rule only
      </button>
      <button type="button" class="button ml-auto text-ruddy" @click="taking.take(own, layer.id, 'take a layer away')">
        <Trash2 :size="14" />Take away
      </button>
    </div>
  </div>
</template>
