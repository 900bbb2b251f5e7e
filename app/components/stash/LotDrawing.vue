<script setup lang="ts">
import { computed } from 'vue'
import { baseOfLot } from '#core/stock'
import type { Lot } from '#core/stock'
import type { Material } from '#core/material'
import { isCut } from '#core/material'

/** A lot as it lies there: a roll as thick as what is left on it, a length to scale, a pack with the gaps of what is gone, a bare ring. */
const props = defineProps<{ lot: Lot; material: Material | null }>()

const colour = computed(() => props.lot.colour ?? props.material?.colours[0] ?? '#9a8f7c')
const kind = computed(() => {
  if (baseOfLot(props.lot)) return 'base'
  if (!props.material || !isCut(props.material)) return 'things'
  return props.lot.length !== null && props.lot.length < props.material.length * 0.3 ? 'offcut' : 'roll'
})
/** Wound flat, what is on a roll goes by the square of how thick it is. */
const CORE = 9
const FULL = 29
const share = computed(() => Math.min(1, (props.lot.length ?? props.material?.length ?? 1) / (props.material?.length ?? 1)))
const thick = computed(() => Math.sqrt(CORE ** 2 + share.value * (FULL ** 2 - CORE ** 2)))
const rolls = computed(() => Math.min(3, props.lot.things ?? 1))
/** One metre and a half goes across the ledge. */
const ACROSS = 1500
const offcut = computed(() => Math.max(4, Math.min(112, ((props.lot.length ?? 0) / ACROSS) * 112)))
const MOST_SLOTS = 24
const slots = computed(() => {
  const things = props.lot.things ?? 0
  const holds = props.material?.pack.holds ?? 1
  const all = Math.min(MOST_SLOTS, Math.max(1, Math.ceil(things / holds) * holds))
  const there = Math.min(all, Math.max(1, Math.round((things / Math.max(things, Math.ceil(things / holds) * holds)) * all)))
  return Array.from({ length: all }, (_, i) => i < there)
})
</script>

<template>
  <div class="flex h-18 w-full items-end" aria-hidden="true">
    <template v-if="kind === 'things'">
      <MaterialPicture v-if="material" :key="material.id" :material="material" :size="60" />
      <svg class="ml-auto" width="56" height="64" viewBox="0 0 56 64">
        <rect
          v-for="(there, i) in slots"
          :key="i"
          :x="2 + (i % 6) * 9"
          :y="50 - Math.floor(i / 6) * 14"
          width="6.5"
          height="11"
          rx="1.5"
          :fill="there ? colour : 'none'"
          :stroke="there ? 'var(--line)' : 'var(--seam)'"
          :stroke-dasharray="there ? undefined : '2 2'"
        />
      </svg>
    </template>
    <svg v-else class="w-full" height="72" viewBox="0 0 120 72">
      <line x1="0" y1="69" x2="120" y2="69" stroke="var(--line)" stroke-width="2" />
      <template v-if="kind === 'roll'">
        <g v-for="n in rolls" :key="n" :transform="`translate(${34 + (n - 1) * 26} ${68 - FULL})`">
          <circle :r="FULL" fill="none" stroke="var(--seam)" stroke-dasharray="3 3" :cy="0" />
          <g :transform="`translate(0 ${FULL - thick})`">
            <circle :r="thick" :fill="colour" stroke="var(--ink)" stroke-opacity="0.35" />
            <circle v-for="k in 3" :key="k" :r="CORE + ((thick - CORE) * k) / 4" fill="none" stroke="var(--ink)" stroke-opacity="0.18" />
            <circle :r="CORE * 0.7" fill="var(--sheet)" stroke="var(--line)" />
          </g>
        </g>
      </template>
      <rect v-else-if="kind === 'offcut'" x="4" y="60" :width="offcut" height="8" :fill="colour" stroke="var(--ink)" stroke-opacity="0.4" />
      <template v-else>
        <circle cx="60" cy="38" r="26" fill="none" :stroke="colour" stroke-width="9" />
        <circle cx="60" cy="38" r="30.5" fill="none" stroke="var(--ink)" stroke-opacity="0.35" />
        <circle cx="60" cy="38" r="21.5" fill="none" stroke="var(--ink)" stroke-opacity="0.35" />
      </template>
    </svg>
  </div>
</template>
