<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import type { Material, MaterialKind } from '#core/material'
import { canLay, KIND_NAMES, MATERIAL_KINDS } from '#core/material'
import { show, quantity } from '#core/measure'
import { MATERIAL_TYPE } from '~/utils/drag-types'
import { useBench } from '~/stores/bench'
import { thingsOf } from '#core/stock'
import { useShops } from '~/stores/shops'
import { useStock } from '~/stores/stock'

/** What of the shelf can be laid, to choose one from, or to drag onto the base. */
const props = defineProps<{ draggableOntoBase?: boolean; kinds?: readonly MaterialKind[] }>()
const emit = defineEmits<{ pick: [material: Material]; close: [] }>()
const bench = useBench()
const shops = useShops()
const stock = useStock()
const find = ref('')
const field = useTemplateRef('field')
onMounted(() => nextTick(() => field.value?.focus()))

/** More of a kind than this are found by their names. */
const MOST = 60
const groups = computed(() => {
  const wanted = find.value.trim().toLowerCase()
  const all = Object.values(shops.shelf.materials).filter(
    (each) =>
      canLay(each) &&
      (!props.kinds || props.kinds.includes(each.kind)) &&
      `${each.name} ${KIND_NAMES[each.kind]} ${each.state}`.toLowerCase().includes(wanted),
  )
  return MATERIAL_KINDS.map((kind) => ({ kind, name: KIND_NAMES[kind], all: all.filter((each) => each.kind === kind) }))
    .filter((group) => group.all.length)
    .map((group) => ({ ...group, materials: group.all.slice(0, MOST), more: group.all.length - MOST }))
})

function carry(event: DragEvent, material: Material): void {
  event.dataTransfer?.setData(MATERIAL_TYPE, material.id)
}
</script>

<template>
  <div class="rounded-[5px] border border-line bg-frost" @keydown.esc.stop="emit('close')">
    <div class="border-b border-seam p-1.5">
      <input ref="field" v-model="find" type="search" class="field" placeholder="Find a material" aria-label="Find a material" />
    </div>
    <div class="max-h-80 overflow-y-auto p-1.5" tabindex="0" role="group" aria-label="Materials">
      <section v-for="group in groups" :key="group.kind" class="mb-2">
        <h3 class="panel-title px-1">{{ group.name }}</h3>
        <button
          v-for="material in group.materials"
          :key="material.id"
          type="button"
          class="flex w-full items-center gap-2 rounded-[4px] px-1 py-0.5 text-left hover:bg-moss"
          :draggable="draggableOntoBase"
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
