<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import type { Material, MaterialKind } from '#core/material'
import { canLay, KIND_NAMES, MATERIAL_KINDS } from '#core/material'
import { formatMoney, show, quantity } from '#core/measure'
import { MATERIAL_TYPE } from '~/utils/drag-types'
import { useForetold } from '~/composables/useForetold'
import { useBench } from '~/stores/bench'
import { thingsOf } from '#core/stock'
import { useStock } from '~/stores/stock'

/** What of the shelf can be laid, to choose one from; where it `begins` a layer it can be dragged onto the base, and what it comes to is told. */
const props = defineProps<{ begins?: boolean; kinds?: readonly MaterialKind[] }>()
const emit = defineEmits<{ pick: [material: Material]; close: [] }>()
const bench = useBench()
const stock = useStock()
const find = ref('')
const { told, consider, leave } = useForetold()
/** What a layer of the material that is considered would come to; only where a layer is begun. */
function look(material: Material): void {
  if (props.begins) consider(material)
}
const inHouse = computed(() => (told.value ? thingsOf(stock.here, told.value.material) : 0))
const field = useTemplateRef('field')
const root = useTemplateRef('root')
onMounted(() =>
  nextTick(() => {
    field.value?.focus()
    root.value?.scrollIntoView({ block: 'nearest' })
  }),
)

/** More of a kind than this are found by their names. */
const MOST = 60
const groups = computed(() => {
  const wanted = find.value.trim().toLowerCase()
  const all = Object.values(bench.shelf.materials).filter(
    (each) =>
      canLay(each) &&
      (!props.kinds || props.kinds.includes(each.kind)) &&
      `${each.name} ${KIND_NAMES[each.kind]} ${each.state}`.toLowerCase().includes(wanted),
  )
  return MATERIAL_KINDS.map((kind) => ({ kind, name: KIND_NAMES[kind], all: all.filter((each) => each.kind === kind) }))
    .filter((group) => group.all.length)
    .map((group) => ({ ...group, materials: group.all.slice(0, MOST), more: group.all.length - MOST }))
})

const share = (value: number): string => show(quantity.share(value), bench.manner)
function carry(event: DragEvent, material: Material): void {
  event.dataTransfer?.setData(MATERIAL_TYPE, material.id)
}
</script>

<template>
  <div ref="root" class="rounded-[5px] border border-line bg-frost" @keydown.esc.stop="emit('close')" @pointerleave="leave()">
    <div class="border-b border-seam p-1.5">
      <input ref="field" v-model="find" type="search" class="field" placeholder="Find a material" aria-label="Find a material" />
    </div>
    <div v-if="begins" class="min-h-18 border-b border-seam px-2.5 py-1.5 text-fine" aria-live="polite" data-testid="foretold">
      <template v-if="told">
        <p class="font-semibold">{{ told.foretold.title }}</p>
        <p>
          {{
            told.foretold.opened > 0
              ? `${formatMoney(told.foretold.opened, bench.manner.currency)} more opened`
              : told.foretold.opened < 0
                ? `${formatMoney(-told.foretold.opened, bench.manner.currency)} less opened`
                : 'Nothing more opened'
          }}<template v-if="inHouse"> · {{ inHouse }} in the house</template> · {{ share(told.foretold.covered[1]) }} of the face covered
        </p>
        <p v-if="told.foretold.over" class="text-ruddy">
          {{ formatMoney(told.foretold.over, bench.manner.currency) }} over the budget of each.
        </p>
        <p v-for="each in told.foretold.hides" :key="each.title" class="text-ruddy">
          It hides {{ each.title }}: {{ share(each.stays) }} of what was seen stays.
        </p>
      </template>
      <p v-else class="text-soft">Rest on a material: what a layer of it would come to stands here before you lay it.</p>
    </div>
    <div class="max-h-80 overflow-y-auto p-1.5" tabindex="0" role="group" aria-label="Materials">
      <section v-for="group in groups" :key="group.kind" class="mb-2">
        <h3 class="panel-title px-1">{{ group.name }}</h3>
        <button
          v-for="material in group.materials"
          :key="material.id"
          type="button"
          class="flex w-full items-center gap-2 rounded-[4px] px-1 py-0.5 text-left hover:bg-moss"
          :draggable="begins"
          @pointerenter="look(material)"
          @focus="look(material)"
          @dragstart="carry($event, material)"
          @click="emit('pick', material)"
        >
          <MaterialPicture :material="material" :size="38" />
          <span class="min-w-0 leading-tight"
            ><span class="block truncate first-letter:uppercase">{{ material.name }}</span
            ><span class="text-tiny text-soft"
              >{{ material.state }}, {{ show(quantity.length(material.length), bench.manner)
              }}<template v-if="thingsOf(stock.here, material.id)"> · {{ thingsOf(stock.here, material.id) }} in the house</template></span
            ></span
          >
        </button>
        <p v-if="group.more > 0" class="px-1 text-fine text-soft">and {{ group.more }} more: find them by name</p>
      </section>
      <p v-if="!groups.length" class="p-2 text-soft">Nothing on the shelf is called that.</p>
    </div>
  </div>
</template>
