<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import type { Material, MaterialKind } from '#core/material'
import { MATERIAL_KINDS } from '#core/material'
import { show, quantity } from '#core/measure'
import { useBench } from '~/stores/bench'
import { useShops } from '~/stores/shops'

/** The shelf, to choose one material from. */
const emit = defineEmits<{ pick: [material: Material], close: [] }>()
const bench = useBench()
const shops = useShops()
const find = ref('')
const field = useTemplateRef('field')
onMounted(() => nextTick(() => field.value?.focus()))

const kinds: Record<MaterialKind, string> = { greenery: 'Greenery', stem: 'Stems and twigs', focal: 'Focal flowers', filler: 'Fillers', accent: 'Accents', texture: 'Texture', bow: 'Bows', sign: 'Signs', figure: 'Figures' }
const groups = computed(() => {
  const wanted = find.value.trim().toLowerCase()
  const all = Object.values(shops.shelf.materials).filter((each) => `${each.name} ${kinds[each.kind]} ${each.state}`.toLowerCase().includes(wanted))
  return MATERIAL_KINDS.map((kind) => ({ kind, name: kinds[kind], materials: all.filter((each) => each.kind === kind) })).filter(({ materials }) => materials.length)
})
</script>

<template>
  <div class="rounded-[5px] border border-line bg-frost" @keydown.esc.stop="emit('close')">
    <div class="border-b border-seam p-1.5">
      <input ref="field" v-model="find" type="search" class="field" placeholder="Find a material" aria-label="Find a material">
    </div>
    <div class="max-h-80 overflow-y-auto p-1.5" tabindex="0" role="group" aria-label="Materials">
      <section v-for="group in groups" :key="group.kind" class="mb-2">
        <h3 class="panel-title px-1">{{ group.name }}</h3>
        <button v-for="material in group.materials" :key="material.id" type="button" class="flex w-full items-center gap-2 rounded-[4px] px-1 py-0.5 text-left hover:bg-moss" @click="emit('pick', material)">
          <MaterialPicture :material="material" :size="38" />
          <span class="min-w-0 leading-tight"><span class="block truncate first-letter:uppercase">{{ material.name }}</span><span class="text-tiny text-soft">{{ material.state }}, {{ show(quantity.length(material.length), bench.manner) }}</span></span>
        </button>
      </section>
      <p v-if="!groups.length" class="p-2 text-soft">Nothing on the shelf is called that.</p>
    </div>
  </div>
</template>
