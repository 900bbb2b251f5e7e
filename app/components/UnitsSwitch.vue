<script setup lang="ts">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'
import { useSettings } from '~/stores/settings'
import type { LengthUnits } from '#core/measure'

const settings = useSettings()
const names: Record<LengthUnits, string> = { in: 'inches', cm: 'centimetres' }
</script>

<template>
  <RadioGroup
    :model-value="settings.units"
    class="flex rounded-[4px] border border-line"
    aria-label="Units"
    @update:model-value="(units: LengthUnits) => settings.set({ units })"
  >
    <RadioGroupOption
      v-for="units in ['in', 'cm'] as const"
      :key="units"
      v-slot="{ checked }"
      :value="units"
      :aria-label="names[units]"
      as="template"
    >
      <button type="button" class="h-6.5 px-2 text-fine font-medium" :class="checked ? 'bg-ink text-frost' : 'bg-sheet text-ink'">
        {{ units }}
      </button>
    </RadioGroupOption>
  </RadioGroup>
</template>
