<script setup lang="ts">
import { computed, ref } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { Plus } from '@lucide/vue'
import { baseNeeds, layersFrom } from '#core/coverage'
import type { Material } from '#core/material'
import { materialOf, FIRST_GREENS } from '#core/material'
import { capital } from '#core/measure'
import type { Layer, RuleKind } from '#core/piece'
import { freshLayerId, freshSeed } from '#core/piece'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { usePieces } from '~/stores/pieces'
import { useShops } from '~/stores/shops'
import { useStock } from '~/stores/stock'
import { askBeginning } from '~/workers/workings'

/** The layers in the order in which they go on. */
const bench = useBench()
const notices = useNotices()
const pieces = usePieces()
const shops = useShops()
const stock = useStock()
const picking = ref(false)
const counting = ref(false)

/** What is dragged is shown at once; the order is decided when it is let go. */
const layers = computed<Layer[]>({
  get: () => bench.piece!.layers,
  set: (next) => {
    const moved = next.findIndex((layer, i) => layer.id !== bench.piece!.layers[i]?.id)
    if (moved < 0) return
    const before = bench.piece!.layers
    const up = next[moved]!.id !== before[moved + 1]?.id
    const layer = up ? next[moved]! : before[moved]!
    move(
      layer.id,
      next.findIndex(({ id }) => id === layer.id),
    )
  },
})

function move(layer: string, to: number): void {
  if (to < 0 || to >= bench.piece!.layers.length) return
  bench.apply({ do: 'move layer', layer, to }, `move a layer to place ${to + 1}`)
  notices.announce(`Layer ${to + 1} of ${bench.piece!.layers.length}`)
}

/** Adds a layer as a maker would begin it: rule, count, cut and lean by the base and what is on it. */
async function add(material: Pick<Material, 'id' | 'plural'>, by: RuleKind | null = null): Promise<void> {
  picking.value = false
  const id = freshLayerId(bench.piece!.layers)
  await notices.tell(
    'The layer could not be laid',
    askBeginning(bench.piece!, stock.pricing, { id, material: material.id, seed: freshSeed(bench.piece!.layers), by }).then((begun) => {
      if (!begun || !bench.piece) return
      bench.take({ do: 'add layer', ...begun, at: Math.min(begun.at, bench.piece.layers.length) }, `add ${material.plural}`)
      bench.openLayer = id
      notices.announce(`${material.plural} are layer ${begun.at + 1}`)
    }),
  )
}

const needs = computed(() => (layers.value.length ? [] : baseNeeds(bench.piece!.base.kind, shops.shelf)))
const others = computed(() =>
  layers.value.length
    ? []
    : (pieces.records ?? []).filter(({ id, piece }) => id !== bench.whole!.id && piece.layers.length).slice(0, MOST_OTHERS),
)
/** Pieces that are offered to begin from, the newest. */
const MOST_OTHERS = 12
function takeFrom(id: string): void {
  const other = others.value.find((each) => each.id === id)?.piece
  if (!other) return
  const edits = layersFrom(other, bench.runs).map((layer, at) => ({ do: 'add layer' as const, layer, at }))
  bench.apply({ do: 'several', edits }, `take the layers of ${other.brief.name}`)
}
</script>

<template>
  <div class="p-2">
    <div v-if="!layers.length" class="mb-2 space-y-3 px-1" data-testid="beginning">
      <p class="text-soft">Layers go on from the top of this list down. Three ways to begin:</p>
      <section aria-label="Start with greenery">
        <h3 class="panel-title">Start with greenery</h3>
        <p class="text-fine text-soft">It is cut and counted for this base.</p>
        <div class="mt-1 flex flex-wrap gap-1">
          <button
            v-for="each in FIRST_GREENS.flatMap((id) => materialOf(shops.shelf, id) ?? [])"
            :key="each.id"
            type="button"
            class="button h-7"
            @click="add(each)"
          >
            {{ capital(each.name) }}
          </button>
          <button type="button" class="button h-7" @click="picking = true">Another…</button>
        </div>
      </section>
      <section v-if="needs.length" aria-label="Start with what the base needs">
        <h3 class="panel-title">Start with what the base needs</h3>
        <button
          v-for="need in needs"
          :key="need.says"
          type="button"
          class="button mt-1 h-auto w-full justify-start py-1 text-left"
          @click="add(materialOf(shops.shelf, need.material)!, need.rule)"
        >
          {{ need.says }}
        </button>
      </section>
      <section v-if="others.length" aria-label="Take the layers of another piece">
        <label class="panel-title block" for="layers-of">Take the layers of another piece</label>
        <select id="layers-of" class="field mt-1" @change="takeFrom(($event.target as HTMLSelectElement).value)">
          <option value="">Which one?</option>
          <option v-for="{ id, piece } in others" :key="id" :value="id">{{ piece.brief.name }}, {{ piece.layers.length }} layers</option>
        </select>
      </section>
    </div>
    <VueDraggable
      v-model="layers"
      handle="[data-grip]"
      :animation="120"
      force-fallback
      tag="ol"
      class="space-y-1.5"
      aria-label="Layers in the order they go on"
    >
      <li v-for="(layer, i) in layers" :key="layer.id" data-testid="layer">
        <LayerCard
          :layer="layer"
          :place="i"
          :last="i === layers.length - 1"
          :open="bench.openLayer === layer.id"
          @toggle="bench.openLayer = bench.openLayer === layer.id ? null : layer.id"
          @move="(to) => move(layer.id, to)"
        />
      </li>
    </VueDraggable>
    <button type="button" class="button mt-2 w-full" :aria-expanded="picking" @click="picking = !picking">
      <Plus :size="15" />Add a layer
    </button>
    <MaterialPicker v-if="picking" class="mt-2" begins @pick="(material: Material) => add(material)" @close="picking = false" />
    <EvenOutCard v-if="layers.length" class="mt-2" />
    <button v-if="layers.length" type="button" class="button mt-2 w-full" @click="counting = true">Count it out…</button>
    <CountingDialog v-if="counting" @close="counting = false" />
    <PartsCard v-if="!bench.openPart" @lay="(material) => add(material)" />
  </div>
</template>
