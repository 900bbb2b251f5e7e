<script setup lang="ts">
import { computed, ref } from 'vue'
import { Hammer, Plus, X } from '@lucide/vue'
import type { BaseKind } from '#core/base'
import { BASE_SORTS } from '#core/base'
import type { Material } from '#core/material'
import { materialOf } from '#core/material'
import { capital, several } from '#core/measure'
import type { Part } from '#core/piece'
import { freshPartId, materialOfPart, startPart, withoutPart } from '#core/piece'
import { useBench } from '~/stores/bench'
import { usePieces } from '~/stores/pieces'

/** What the piece makes beforehand: a nest, a cluster, a spray, a small wreath, each laid like a material. */
const emit = defineEmits<{ lay: [material: Material] }>()
const bench = useBench()
const pieces = usePieces()

const parts = computed(() =>
  bench.piece!.parts.map((part) => {
    const id = materialOfPart(part.id)
    const material = materialOf(bench.shelf, id)!
    const n = bench.workings?.parts.find((each) => each.material.id === id)?.count ?? 0
    return { part, material, says: n ? several(n, 'on the piece', 'on the piece') : 'laid nowhere yet' }
  }),
)

/** What a part is begun on: what is bound to itself has no base. */
const BASES: readonly BaseKind[] = ['spray', 'wire-ring', 'grapevine', 'twisted', 'straw', 'foam', 'hoop', 'bead-ring', 'heart', 'letter']
const beginning = ref(false)
const name = ref('')
const kind = ref<BaseKind>('grapevine')
const refused = ref<string | null>(null)
function begin(): void {
  const id = freshPartId(bench.piece!.parts)
  refused.value = bench.apply(
    { do: 'add part', part: startPart(id, name.value, kind.value) },
    `begin a part, ${name.value.trim() || 'without a name'}`,
  )
  if (refused.value) return
  beginning.value = false
  name.value = ''
  bench.workOn(id)
}

/** Parts of other pieces, which are taken as they are. */
const others = computed(() =>
  (pieces.records ?? [])
    .filter(({ id }) => id !== bench.whole!.id)
    .flatMap(({ id, piece }) => piece.parts.map((part) => ({ id: `${id} ${part.id}`, part, title: piece.brief.name }))),
)
function takeFrom(id: string): void {
  const part: Part | undefined = others.value.find((each) => each.id === id)?.part
  if (part) bench.apply({ do: 'add part', part: { ...part, id: freshPartId(bench.piece!.parts) } }, `take ${part.name} from another piece`)
}
</script>

<template>
  <section class="mt-4" aria-labelledby="parts">
    <h3 id="parts" class="panel-title px-1">Parts made beforehand</h3>
    <p v-if="!parts.length" class="px-1 text-fine text-soft">
      A nest, a cluster on a wire, a bound spray, a small wreath: made first, all copies at once, then laid like a material.
    </p>
    <ul class="mt-1 space-y-1.5">
      <li
        v-for="{ part, material, says } in parts"
        :key="part.id"
        class="rounded-[5px] border border-seam bg-sheet p-1.5"
        data-testid="part"
      >
        <div class="flex items-center gap-2">
          <MaterialPicture :material="material" :size="34" />
          <div class="min-w-0 flex-1 leading-tight">
            <div class="truncate font-medium">{{ capital(part.name) }}</div>
            <div class="text-tiny text-soft">{{ says }}<template v-if="part.bought !== null">, bought ready-made</template></div>
          </div>
          <button
            type="button"
            class="icon-button"
            :aria-label="`Throw ${part.name} away`"
            :title="`Throw ${part.name} away, and what is laid of it`"
            @click="bench.apply(withoutPart(bench.piece!, part.id), `throw ${part.name} away`)"
          >
            <X :size="15" />
          </button>
        </div>
        <div class="mt-1 flex gap-1">
          <button type="button" class="button h-7 flex-1" @click="bench.workOn(part.id)"><Hammer :size="14" />Work on it</button>
          <button type="button" class="button h-7 flex-1" @click="emit('lay', material)"><Plus :size="14" />Lay it</button>
        </div>
      </li>
    </ul>
    <form v-if="beginning" class="mt-2 space-y-2 rounded-[5px] border border-line bg-frost p-2" @submit.prevent="begin">
      <div>
        <label class="field-label" for="part-name">Name</label>
        <input id="part-name" v-model="name" class="field" maxlength="40" placeholder="nest" :aria-invalid="refused !== null" />
      </div>
      <PickField
        label="Made on"
        :value="kind"
        :options="BASES.map((value) => ({ value, name: value === 'spray' ? 'No base: bound to itself' : BASE_SORTS[value].name }))"
        @pick="(next) => (kind = next)"
      />
      <p v-if="refused" class="text-fine text-ruddy" role="alert">{{ refused }}</p>
      <div class="flex gap-1">
        <button type="submit" class="button-main h-7 flex-1">Begin it</button>
        <button type="button" class="button h-7" @click="beginning = false">Leave it</button>
      </div>
    </form>
    <div v-else class="mt-2 space-y-1.5">
      <button type="button" class="button w-full" @click="beginning = true"><Plus :size="15" />Begin a part</button>
      <select
        v-if="others.length"
        class="field"
        aria-label="Take a part of another piece"
        @change="takeFrom(($event.target as HTMLSelectElement).value)"
      >
        <option value="">Take a part of another piece…</option>
        <option v-for="{ id, part, title } in others" :key="id" :value="id">{{ capital(part.name) }}, of {{ title }}</option>
      </select>
    </div>
  </section>
</template>
