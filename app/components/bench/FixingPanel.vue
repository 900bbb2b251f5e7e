<script setup lang="ts">
import { computed } from 'vue'
import type { Fixing } from '#core/fixing'
import { FIXING_WAYS, fixingKey, neverFor, SCHOOL_NAMES, waysFor, wiresOn } from '#core/fixing'
import { materialOf, USUAL_WIRE } from '#core/material'
import { capital, lowerFirst, quantity, show, showSum, several } from '#core/measure'
import type { FixingSchool, Layer, WayId } from '#core/piece'
import { FIXING_SCHOOLS, WAYS } from '#core/piece'
import { useBench } from '~/stores/bench'

/** How everything is held: the school of the piece, and for each layer the way, why it suits, what never does, and what it takes. */
const bench = useBench()
const piece = computed(() => bench.piece!)
const fixings = computed(() => bench.workings?.fixings ?? [])

/** The layers that are held by something, each with its kinds of things. */
const held = computed(() =>
  piece.value.layers.flatMap((layer, i) => {
    const own = fixings.value.filter((each) => each.layer === layer.id)
    const worked = bench.workings?.layers.find(({ id }) => id === layer.id)
    return worked && worked.count > 0 ? [{ layer, own, number: i + 1, title: worked.title }] : []
  }),
)
const set = (change: Partial<Layer>, layer: string, words: string): string | null => bench.apply({ do: 'layer', layer, set: change }, words)

/** The ways of a layer, those that suit first; the rest are there for who knows better. */
function options(own: readonly Fixing[]): { value: string; name: string }[] {
  const [first] = own
  if (!first) return []
  const suits = waysFor(piece.value, first)
  const good = suits.filter(({ against }) => against === null).map(({ way }) => way.id)
  const rest = WAYS.filter((id) => !good.includes(id))
  return [
    { value: 'best', name: `As suits best: ${good[0] ?? 'nothing does'}` },
    ...good.map((id) => ({ value: id, name: capital(id) })),
    ...rest.map((id) => ({ value: id, name: `${capital(id)} (not here)` })),
  ]
}
const backups = [{ value: 'none', name: 'None' }, ...WAYS.map((id) => ({ value: id, name: capital(id) }))]
const asWay = (value: string): WayId | null => WAYS.find((id) => id === value) ?? null

/** What a layer's fixings take, with the sum: "14 floral pins". */
function takes(layer: string): { readonly says: string; readonly sum: string }[] {
  return (bench.workings?.taken ?? [])
    .filter((each) => each.layer === layer)
    .map(({ material, of, figure }) => {
      const known = materialOf(bench.shelf, material)
      const name = known?.name ?? material
      const says =
        of === 'length'
          ? `${show(quantity.length(figure.value), bench.manner)} of ${name}`
          : of === 'dots'
            ? `${several(Math.round(figure.value), 'dot', 'dots')} of ${name.replace(/ stick$/, '')}`
            : several(Math.round(figure.value), name, known?.plural ?? name)
      return { says, sum: showSum(figure, bench.manner) }
    })
}
const wires = computed(() => wiresOn(bench.shelf).map(({ id, name }) => ({ value: id, name: capital(name) })))
const wire = computed(() => piece.value.fixing.wire ?? USUAL_WIRE)
</script>

<template>
  <div class="space-y-3 p-3" data-testid="fixing">
    <div class="space-y-2">
      <PickField
        label="School"
        :value="piece.fixing.school"
        :options="FIXING_SCHOOLS.map((value: FixingSchool) => ({ value, name: SCHOOL_NAMES[value] }))"
        @pick="(school) => bench.apply({ do: 'fixing', set: { school } }, 'choose how it is fixed')"
      />
      <div class="grid grid-cols-2 gap-2">
        <PickField
          label="When its season is over"
          :value="piece.fixing.keep"
          :options="[
            { value: 'for good', name: 'Kept as it is' },
            { value: 'taken apart', name: 'Taken apart' },
          ]"
          @pick="(keep) => bench.apply({ do: 'fixing', set: { keep } }, 'say whether it is kept')"
        />
        <PickField
          label="Paddle wire"
          :value="wire"
          :options="wires"
          @pick="(id) => bench.apply({ do: 'fixing', set: { wire: id === USUAL_WIRE ? null : id } }, 'choose the wire')"
        />
      </div>
    </div>
    <p v-if="!held.length" class="text-soft">Nothing is on the base yet.</p>
    <ol class="space-y-2">
      <li
        v-for="{ layer, own, number, title } in held"
        :key="layer.id"
        class="rounded-[5px] border border-seam bg-sheet p-2"
        data-testid="held"
      >
        <h3 class="font-medium leading-tight">{{ number }}. {{ title }}</h3>
        <template v-if="own.length">
          <div class="mt-1 grid grid-cols-[minmax(0,1fr)_7rem] gap-2">
            <PickField
              label="Held by"
              :value="layer.fixing ?? 'best'"
              :options="options(own)"
              @pick="(id) => set({ fixing: asWay(id) }, layer.id, id === 'best' ? 'hold it as suits best' : `hold it with ${id}`)"
            />
            <PickField
              label="Back-up"
              :value="layer.backup ?? 'none'"
              :options="backups"
              @pick="(id) => set({ backup: asWay(id) }, layer.id, id === 'none' ? 'no back-up' : `back it up with ${id}`)"
            />
          </div>
          <p v-for="each in own" :key="fixingKey(each)" class="mt-1 text-fine">
            <template v-if="own.length > 1"
              ><span class="font-semibold">{{ capital(each.plural) }}:</span> {{ ' ' }}</template
            >{{ own.length > 1 ? lowerFirst(FIXING_WAYS[each.way].held) : capital(FIXING_WAYS[each.way].held) }}.
            <span class="text-soft">{{ each.why }}</span>
            <span v-if="each.against" class="block text-ruddy">{{ each.against.why }}</span>
          </p>
          <ul v-if="takes(layer.id).length" class="mt-1 text-fine tabular-nums">
            <li v-for="take in takes(layer.id)" :key="take.says + take.sum">
              <details>
                <summary class="min-h-6 py-0.5 underline decoration-line decoration-dotted underline-offset-2">
                  Takes {{ take.says }}
                </summary>
                <span class="block border-l-2 border-rime bg-frost px-2 py-0.5">{{ take.sum }}</span>
              </details>
            </li>
          </ul>
          <details v-if="neverFor(own[0]!).length" class="mt-1 text-fine">
            <summary class="min-h-6 py-0.5 text-soft underline decoration-dotted underline-offset-2">What never holds here</summary>
            <ul class="pl-2">
              <li v-for="[way, why] in neverFor(own[0]!)" :key="way">
                <span class="font-semibold">{{ capital(way) }}.</span> {{ why }}
              </li>
            </ul>
          </details>
        </template>
        <p v-else class="mt-0.5 text-fine text-soft">Held by how it is made: it takes nothing more.</p>
      </li>
    </ol>
  </div>
</template>
