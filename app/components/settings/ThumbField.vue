<script setup lang="ts">
import { computed } from 'vue'
import type { DisplayOptions, Thumb } from '#core/measure'

/** The number of a rule of thumb, typed as its unit is read: lengths as on a tape, shares in hundredths, short times in seconds. */
const props = defineProps<{ thumb: Thumb; value: number; manner: DisplayOptions; take: (value: number) => string | null }>()

/** How many of what is typed make one of the unit. */
const each = computed(() => (props.thumb.unit === 'share' ? 100 : props.thumb.unit === 'time' ? 60 : 1))
const label = computed(
  () =>
    `${props.thumb.name}${props.thumb.unit === 'share' ? ', %' : props.thumb.unit === 'time' ? ', seconds' : props.thumb.unit === 'angle' ? ', degrees' : ''}`,
)
const shown = (n: number): number => Number((n * each.value).toFixed(2))
const takeLength = (mm: number | null): string | null => (mm === null ? 'Give a length.' : props.take(mm))
const takeMass = (grams: number | null): string | null => (grams === null ? 'Give a weight.' : props.take(grams))
</script>

<template>
  <LengthField v-if="thumb.unit === 'length'" :label="label" :mm="value" :units="manner.units" :take="takeLength" />
  <MassField v-else-if="thumb.unit === 'mass'" :label="label" :grams="value" none="" :take="takeMass" />
  <CountField
    v-else
    :label="label"
    :value="shown(value)"
    :least="shown(thumb.least)"
    :most="shown(thumb.most)"
    :step="thumb.unit === 'share' ? 5 : 1"
    :whole="thumb.unit === 'count'"
    :take="(n) => take(n / each)"
  />
</template>
