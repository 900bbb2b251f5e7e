<script setup lang="ts">
import { Plus, X } from '@lucide/vue'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** How many to a cluster, and where. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'cluster'> }>()
const { place, set, number } = useRuleFields<'cluster'>(props)
</script>

<template>
  <div class="space-y-2">
    <CountField label="In each cluster" :value="rule.size" :least="0" :most="60" whole :take="number('size', 'change the cluster')" />
    <div class="grid grid-cols-2 gap-x-2 gap-y-1.5">
      <div v-for="(at, i) in rule.at" :key="i" class="flex items-end gap-0.5">
        <PlaceField
          class="min-w-0 flex-1"
          :label="`Cluster ${i + 1} at`"
          :share="at"
          v-bind="place"
          :take="(share) => set({ at: rule.at.map((each, k) => (k === i ? share : each)) }, 'move a cluster')"
        />
        <button
          type="button"
          class="icon-button"
          :aria-label="`Take cluster ${i + 1} away`"
          @click="set({ at: rule.at.filter((_, k) => k !== i) }, 'take a cluster away')"
        >
          <X :size="14" />
        </button>
      </div>
    </div>
    <button type="button" class="button" @click="set({ at: [...rule.at, ((rule.at.at(-1) ?? 0.25) + 0.25) % 1] }, 'add a cluster')">
      <Plus :size="14" />Another cluster
    </button>
  </div>
</template>
