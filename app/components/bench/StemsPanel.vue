<script setup lang="ts">
import { computed, ref } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { Plus } from '@lucide/vue'
import type { Layer } from '#core/piece'
import { startLayer } from '#core/piece'
import type { Material } from '#core/material'
import { useHand } from '~/composables/useHand'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'

/** The layers in the order in which they go on. */
const bench = useBench()
const notices = useNotices()
const hand = useHand()
const picking = ref(false)

/** What is dragged is shown at once; the order is decided when it is let go. */
const layers = computed<Layer[]>({
  get: () => bench.piece!.layers,
  set: (next) => {
    const moved = next.findIndex((layer, i) => layer.id !== bench.piece!.layers[i]?.id)
    if (moved < 0) return
    const before = bench.piece!.layers
    const up = next[moved]!.id !== before[moved + 1]?.id
    const layer = up ? next[moved]! : before[moved]!
    move(layer.id, next.findIndex(({ id }) => id === layer.id))
  },
})

function move(layer: string, to: number): void {
  if (to < 0 || to >= bench.piece!.layers.length) return
  bench.apply({ do: 'move layer', layer, to }, `move a layer to place ${to + 1}`)
  notices.announce(`Layer ${to + 1} of ${bench.piece!.layers.length}`)
}

function add(material: Material): void {
  picking.value = false
  const id = hand.freshLayerId()
  const count = bench.piece!.layers.length
  bench.apply({ do: 'add layer', layer: startLayer(id, material, 100 + count * 37, bench.runs), at: count }, `add ${material.plural}`)
  bench.openLayer = id
}
</script>

<template>
  <div class="p-2">
    <p v-if="!layers.length" class="mb-2 px-1 text-soft">Layers go on from the top of this list down. Start with the greenery that covers the base.</p>
    <VueDraggable v-model="layers" handle="[data-grip]" :animation="120" force-fallback tag="ol" class="space-y-1.5" aria-label="Layers in the order they go on">
      <li v-for="(layer, i) in layers" :key="layer.id" data-testid="layer">
        <LayerCard :layer="layer" :place="i" :last="i === layers.length - 1" :open="bench.openLayer === layer.id" @toggle="bench.openLayer = bench.openLayer === layer.id ? null : layer.id" @move="(to) => move(layer.id, to)" />
      </li>
    </VueDraggable>
    <button type="button" class="button mt-2 w-full" :aria-expanded="picking" @click="picking = !picking"><Plus :size="15" />Add a layer</button>
    <MaterialPicker v-if="picking" class="mt-2" draggable-onto-base @pick="add" @close="picking = false" />
    <EvenOutCard v-if="layers.length" class="mt-2" />
  </div>
</template>
