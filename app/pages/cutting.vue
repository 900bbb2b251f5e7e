<script setup lang="ts">
import { computed, ref } from 'vue'
import { useHead } from '#app'
import { NuxtLink } from '#components'
import { ChevronDown, ChevronRight, Plus, Square, X } from '@lucide/vue'
import type { Cut, CutRoll } from '#core/cut'
import { newRoll, LEAST_REST } from '#core/cut'
import { isCut, materialOf } from '#core/material'
import { capital, formatMoney, inches, quantity, rate, several, show } from '#core/measure'
import { cutOf, keptBy, lengthsOf } from '#core/stock'
import type { MaterialPlan } from '#core/workroom'
import { useLotLabels } from '~/composables/useLotLabels'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'
import { useStock } from '~/stores/stock'
import { useWorkroom } from '~/stores/workroom'

/** What everything in hand is made from, material by material: what is opened, cut and left, and how each roll is cut. */
useHead({ title: 'Cutting · Ruddy Bramble' })
const stock = useStock()
const notices = useNotices()
const settings = useSettings()
const words = useLotLabels()
const shops = useShops()
const workroom = useWorkroom()
workroom.look()
const manner = computed(() => settings.manner)
const length = (mm: number): string => show(quantity.length(mm), manner.value)
const money = (minor: number): string => formatMoney(minor, manner.value.currency)

const plans = computed(() => workroom.plan?.materials ?? [])
const cutPlans = computed(() => plans.value.filter(({ of }) => of === 'length'))
const others = computed(() => plans.value.filter(({ of }) => of !== 'length'))
const material = ref('ribbon-slate')
const materials = computed(() => Object.values(shops.shelf.materials).filter(isCut))
const chosen = computed(() => materialOf(shops.shelf, material.value) ?? materials.value[0]!)
const open = computed(() => cutPlans.value.find(({ id }) => id === material.value) ?? null)
/** How many lengths of each material are wanted; what something is wanted of comes first. */
const options = computed(() => {
  const wanted = new Map(cutPlans.value.map(({ id, cutting }) => [id, cutting?.wants.length ?? 0]))
  return materials.value
    .map(({ id, name }) => ({
      value: id,
      wanted: wanted.get(id) ?? 0,
      name: wanted.get(id) ? `${capital(name)} (${wanted.get(id)})` : capital(name),
    }))
    .sort((a, b) => Number(b.wanted > 0) - Number(a.wanted > 0))
})

const listed = computed(() => stock.list.filter((each) => each.material === material.value))
const wants = computed(() => open.value?.cutting?.wants ?? [])
const asked = computed(() => wants.value.filter(({ piece }) => piece !== null))
/** How many of a line of the list are cut. */
const madeOf = (id: string): number => wants.value.find(({ of }) => of.piece === null && of.want === id)?.made ?? 0
/** What is nobody's, and what pieces keep. */
const house = computed(() => [
  ...lengthsOf(stock.here, chosen.value),
  ...[...keptBy(stock.here, chosen.value.id)].flatMap(([piece, kept]) => lengthsOf(kept, chosen.value, piece)),
])
const cutPieces = computed(() => cutOf(stock.here, material.value))
const rolls = computed(() => stock.rolls.filter((each) => each.material === material.value))
const useOf = computed(
  () => new Map(wants.value.map(({ id, use, piece }) => [id, piece === null ? use : `${capital(use)}, ${piece}`] as const)),
)

/** Rolls that are cut alike stand there once. */
const groups = computed(() => {
  const alike = new Map<string, { readonly roll: CutRoll; count: number }>()
  for (const roll of open.value?.cutting?.plan.rolls ?? []) {
    const key = JSON.stringify([nameOf(roll), roll.length, roll.cuts])
    const group = alike.get(key)
    if (group) group.count += 1
    else alike.set(key, { roll, count: 1 })
  }
  return [...alike.values()]
})
const longest = computed(() => (open.value?.cutting?.plan.rolls ?? []).reduce((most, roll) => Math.max(most, roll.length), 1))
/** What a roll of a plan is called. */
function nameOf({ from, stock: id }: Pick<CutRoll, 'from' | 'stock'>): string {
  if (from !== 'house') return 'New roll'
  const lot = stock.here.find((each) => each.id === id)
  return lot?.reserved?.want
    ? 'Piece that nothing wants'
    : `${lot?.things ? 'Roll in the house' : lot?.source.kind === 'cut' ? 'Rest of a roll' : 'Offcut'}${lot?.reserved ? ` kept for ${words.owner(lot)}` : ''}`
}

async function cutIt(roll: CutRoll, which: Cut): Promise<void> {
  const { of: want } = wants.value.find(({ id }) => id === which.want)!
  await notices.tell('It was not cut', stock.cut({ material: material.value, roll, cut: which, want, least: rate(LEAST_REST, settings) }))
}

const form = ref({ use: 'Tail', length: inches(18), count: 2, joins: false })
const offcut = ref(inches(24))
const otherLength = ref(inches(180))
const otherPrice = ref(499)
function add(): void {
  void stock.want({ material: material.value, ...form.value, use: form.value.use.trim() || 'Piece' })
}
function takePrice(minor: number | null): string | null {
  if (minor === null || minor < 1) return 'What one costs.'
  otherPrice.value = minor
  return null
}
/** Takes a length for a field of this page. */
const taking =
  (put: (mm: number) => void) =>
  (mm: number | null): string | null => {
    if (mm === null || mm <= 0) return 'A length over nothing.'
    put(mm)
    return null
  }
function setCount(id: string, count: number): null {
  void stock.changeWant(id, { count })
  return null
}
/** What of a material is left, in words. */
const leftOf = ({ of, left }: MaterialPlan): string => (left.value ? (of === 'length' ? length(left.value) : String(left.value)) : '–')
const packsOf = ({ packs }: MaterialPlan): string => (packs.value ? String(packs.value) : '–')
</script>

<template>
  <main class="mx-auto min-h-dvh max-w-7xl px-6 pb-10 max-sm:px-4">
    <PageHead title="Cutting" />

    <section v-if="workroom.plan" class="flex flex-wrap items-baseline gap-x-8 gap-y-1 pt-3" aria-label="All materials" data-testid="sum">
      <p class="font-serif text-xl">
        {{
          workroom.plan.opened.value
            ? `${money(workroom.plan.opened.value)} to open for all that is in hand`
            : 'Nothing to open: all of it comes from what is in the house'
        }}
      </p>
      <p v-if="workroom.plan.saved.value > 0" class="text-soft">{{ money(workroom.plan.saved.value) }} less than each piece by itself</p>
    </section>
    <div class="min-h-8 pt-1" role="status">
      <span v-if="workroom.progress" class="flex items-center gap-3"
        >Planning {{ workroom.progress.material }}, {{ workroom.progress.done + 1 }} of {{ workroom.progress.of
        }}{{ workroom.progress.best === null ? '' : `: best so far ${money(workroom.progress.best)}`
        }}{{ workroom.progress.floor === null ? '' : `, none under ${money(workroom.progress.floor)}` }}
        <button type="button" class="button h-7" @click="workroom.stop()"><Square :size="13" />Stop</button></span
      >
      <PlanWaiting v-else-if="!workroom.plan" :failed="workroom.noPlan" what="Adding up what the pieces need…" @again="workroom.again()" />
    </div>

    <div class="grid grid-cols-[20rem_1fr] gap-6 max-lg:grid-cols-1">
      <div class="space-y-4">
        <PickField
          label="Cut from"
          :value="material"
          :options="options"
          @pick="
            (id: string) => {
              material = id
            }
          "
        />

        <section aria-label="Pieces wanted">
          <h2 class="mb-1 font-semibold">Pieces wanted</h2>
          <p v-for="each in asked" :key="each.id" class="flex justify-between gap-2 border-b border-seam py-1" data-testid="wanted">
            <span
              >{{ useOf.get(each.id) }}<span v-if="each.made" class="text-soft">; {{ each.made }} cut</span></span
            ><span class="shrink-0 tabular-nums">{{ each.count }} × {{ length(each.length) }}</span>
          </p>
          <div v-for="each in listed" :key="each.id" class="flex items-center gap-2 border-b border-seam py-1" data-testid="wanted">
            <span class="min-w-0 flex-1"
              >{{ each.use
              }}<span class="block text-fine text-soft"
                >{{ length(each.length) }}{{ each.joins ? ', may be joined' : '' }}; {{ madeOf(each.id) }} cut</span
              ></span
            >
            <CountField
              class="w-28 [&_label]:sr-only"
              :label="`How many: ${each.use}`"
              :value="each.count"
              :least="0"
              :most="2000"
              whole
              :take="(count) => setCount(each.id, count)"
            />
            <button
              type="button"
              class="icon-button size-6"
              :aria-label="`Take ${each.use} off the list`"
              @click="stock.removeWant(each.id)"
            >
              <X :size="14" />
            </button>
          </div>
          <p v-if="!asked.length && !listed.length" class="text-soft">
            Nothing yet. Add a piece; what bows, bindings, mesh and cords take comes here of itself.
          </p>
        </section>

        <section class="space-y-2 rounded-[5px] border border-seam bg-sheet p-2" aria-label="A piece">
          <label class="block"><span class="field-label">What for</span><input v-model="form.use" class="field" maxlength="60" /></label>
          <div class="grid grid-cols-2 gap-2">
            <LengthField
              label="Length of each"
              :mm="form.length"
              :units="manner.units"
              :take="
                taking((mm) => {
                  form.length = mm
                })
              "
            />
            <CountField
              label="How many"
              :value="form.count"
              :least="1"
              :most="2000"
              whole
              :take="
                (n) => {
                  form.count = n
                  return null
                }
              "
            />
          </div>
          <label class="tick"><input v-model="form.joins" type="checkbox" class="size-4 accent-leaf" />May be joined of several</label>
          <button type="button" class="button h-7" @click="add"><Plus :size="14" />Add a piece</button>
        </section>

        <section class="space-y-1" aria-label="In the house">
          <h2 class="font-semibold">In the house</h2>
          <p v-for="each in house" :key="each.id" class="flex items-center justify-between border-b border-seam py-0.5" data-testid="lot">
            <span
              >{{ nameOf({ from: 'house', stock: each.id }) }}{{ each.count > 1 ? `, ${each.count} of` : ',' }}
              {{ length(each.length) }}</span
            ><button
              type="button"
              class="icon-button size-6"
              :aria-label="`Throw the length of ${length(each.length)} away`"
              @click="stock.remove([each.id], true)"
            >
              <X :size="14" />
            </button>
          </p>
          <div class="flex items-end gap-2">
            <LengthField
              class="flex-1"
              label="An offcut of"
              :mm="offcut"
              :units="manner.units"
              :take="
                taking((mm) => {
                  offcut = mm
                })
              "
            />
            <button type="button" class="button h-7" @click="stock.addLength(material, offcut)">Add it</button>
          </div>
          <p
            v-for="each in rolls"
            :key="each.id"
            class="flex items-center justify-between border-b border-seam py-0.5"
            data-testid="other-roll"
          >
            <span>Also sold: {{ length(each.length) }} for {{ money(each.price) }}</span
            ><button
              type="button"
              class="icon-button size-6"
              :aria-label="`Forget the roll of ${length(each.length)}`"
              @click="stock.removeRoll(each.id)"
            >
              <X :size="14" />
            </button>
          </p>
          <div class="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
            <LengthField
              label="Also sold in"
              :mm="otherLength"
              :units="manner.units"
              :take="
                taking((mm) => {
                  otherLength = mm
                })
              "
            />
            <MoneyField label="For" :minor="otherPrice" none="" :currency="manner.currency" :take="takePrice" />
            <button type="button" class="button h-7" @click="stock.addRoll({ material, length: otherLength, price: otherPrice })">
              Add
            </button>
          </div>
          <p class="text-fine text-soft">
            What is left of a roll is of use from {{ length(rate(LEAST_REST, settings)) }}:
            <NuxtLink to="/settings" class="underline">your rule of thumb</NuxtLink>.
          </p>
          <button
            v-if="cutPieces.length"
            type="button"
            class="button h-7"
            @click="
              stock.remove(
                cutPieces.map(({ id }) => id),
                true,
              )
            "
          >
            The {{ several(cutPieces.length, 'piece is', 'pieces are') }} used up: forget them
          </button>
        </section>
      </div>

      <section aria-label="Cutting plan">
        <table class="w-full text-small" data-testid="materials">
          <thead>
            <tr class="border-b border-line text-left">
              <th class="py-1 font-semibold">Cut from</th>
              <th class="px-2 text-right font-semibold">Wanted</th>
              <th class="px-2 text-right font-semibold">From the house</th>
              <th class="px-2 text-right font-semibold">Open</th>
              <th class="px-2 text-right font-semibold">Cost</th>
              <th class="text-right font-semibold">Left</th>
            </tr>
          </thead>
          <tbody>
            <template v-for="each in cutPlans" :key="each.id">
              <tr class="border-b border-seam" :class="each.id === material ? 'bg-moss' : ''" data-testid="material-line">
                <th scope="row" class="py-1 text-left font-medium">
                  <button
                    type="button"
                    class="flex items-center gap-1 text-left"
                    :aria-expanded="each.id === material"
                    @click="material = each.id"
                  >
                    <ChevronDown v-if="each.id === material" :size="14" /><ChevronRight v-else :size="14" />{{ capital(each.name) }}
                  </button>
                </th>
                <td class="px-2 text-right tabular-nums">{{ length(each.needed.value) }}</td>
                <td class="px-2 text-right tabular-nums">{{ each.fromHouse.value ? length(each.fromHouse.value) : '–' }}</td>
                <td class="px-2 text-right tabular-nums">{{ packsOf(each) }}</td>
                <td class="px-2 text-right tabular-nums">{{ money(each.opened.value) }}</td>
                <td class="text-right tabular-nums">{{ leftOf(each) }}</td>
              </tr>
              <tr v-if="each.id === material && each.cutting">
                <td colspan="6" class="border-b border-line px-2 pb-3 pt-2">
                  <div v-if="each.cutting.plan.rolls.length" class="mb-3" data-testid="plan">
                    <p class="font-serif text-lg">
                      {{
                        each.packs.value
                          ? `Open ${several(each.packs.value, 'roll', 'rolls')}, ${money(each.opened.value)}`
                          : 'Nothing to open: it comes from what is in the house'
                      }}
                    </p>
                    <p class="text-soft">
                      {{
                        each.cutting.plan.proven
                          ? 'No plan costs less: proven.'
                          : `The best found; none costs less than ${money(each.cutting.plan.floor)}.`
                      }}
                      {{ rolls.length ? 'The lengths that cost least are taken.' : `A roll is ${length(newRoll(chosen, 0).length)}.` }}
                      {{ each.cutting.plan.kept ? `The longest rest is ${length(each.cutting.plan.kept)}.` : 'No rest of it is of use.'
                      }}{{ chosen.kind === 'ribbon' ? ' Leave ribbon on the roll until what it is for is approved.' : '' }}
                    </p>
                  </div>
                  <p v-else class="text-soft">Nothing to cut{{ wants.length ? ' any more' : '' }}.</p>
                  <p v-for="short in each.cutting.plan.short" :key="short.want" class="mb-2 text-ruddy" role="alert">
                    {{ useOf.get(short.want) }}: {{ several(short.count, 'piece is', 'pieces are') }} longer than anything there is to cut
                    from.
                  </p>
                  <article v-for="({ roll, count }, i) in groups" :key="i" class="mb-4" data-testid="roll">
                    <h3 class="mb-1 text-fine font-semibold">
                      {{ count > 1 ? `${count} × ` : '' }}{{ nameOf(roll) }}, {{ length(roll.length)
                      }}<span v-if="count > 1" class="font-normal text-soft">, each cut like this</span>
                    </h3>
                    <RollDrawing
                      :roll="roll"
                      :longest="longest"
                      :colour="chosen.colours[0]!"
                      :manner="manner"
                      :label="`${nameOf(roll)} ${i + 1}: ${several(roll.cuts.length, 'cut', 'cuts')}, ${length(roll.rest)} left`"
                    />
                    <ol class="mt-1 grid grid-cols-2 gap-x-6">
                      <li v-for="(one, k) in roll.cuts" :key="k">
                        <label class="tick"
                          ><input type="checkbox" class="size-4 accent-leaf" :checked="false" @change="cutIt(roll, one)" />{{ k + 1 }}.
                          {{ length(one.length) }} · {{ useOf.get(one.want) }}{{ one.part ? ', a part' : '' }}</label
                        >
                      </li>
                    </ol>
                  </article>
                </td>
              </tr>
            </template>
            <tr v-if="workroom.plan && !open">
              <td colspan="6" class="py-2 text-soft">Nothing is wanted of {{ chosen.name }}.</td>
            </tr>
          </tbody>
        </table>

        <table v-if="others.length" class="mt-6 w-full text-small" data-testid="others">
          <thead>
            <tr class="border-b border-line text-left">
              <th class="py-1 font-semibold">Taken whole</th>
              <th class="px-2 text-right font-semibold">Wanted</th>
              <th class="px-2 text-right font-semibold">From the house</th>
              <th class="px-2 text-right font-semibold">Packs</th>
              <th class="px-2 text-right font-semibold">Cost</th>
              <th class="text-right font-semibold">Left</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="each in others" :key="each.id" class="border-b border-seam" data-testid="material-line">
              <th scope="row" class="py-0.5 text-left font-medium">{{ capital(each.name) }}</th>
              <td class="px-2 text-right tabular-nums">{{ each.needed.value }}</td>
              <td class="px-2 text-right tabular-nums">{{ each.fromHouse.value || '–' }}</td>
              <td class="px-2 text-right tabular-nums">{{ packsOf(each) }}</td>
              <td class="px-2 text-right tabular-nums">{{ money(each.opened.value) }}</td>
              <td class="text-right tabular-nums">{{ leftOf(each) }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </div>
  </main>
</template>
