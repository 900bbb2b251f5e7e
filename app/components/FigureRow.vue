<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import type { Figure, DisplayOptions } from '#core/measure'
import { useSettings } from '~/stores/settings'
import { several, show, showRate, showSum } from '#core/measure'

/** A number with its name, after what it means where that is judged; opened, it shows the sum that made it and what it rests on. */
const props = defineProps<{
  label: string
  verdict?: string
  figure: Figure
  manner: DisplayOptions
  strong?: boolean
  tone?: 'over' | 'plain'
}>()
const settings = useSettings()
const open = ref(false)
const panel = useId()

const basis = computed(() => {
  const { basis } = props.figure
  switch (basis.kind) {
    case 'geometry':
      return 'Geometry'
    case 'counted':
      return 'Counted'
    case 'measured':
      return 'Measured by you'
    case 'published':
      return `Published: ${basis.source}`
    case 'rule of thumb':
      return 'Rule of thumb'
  }
  return ''
})
/** The rules of thumb that it went by, and which of them are the maker's own. */
const rules = computed(() =>
  (props.figure.rules ?? []).map((each) => ({
    ...each,
    says: `${each.name}: ${showRate(each, props.manner)}`,
    own: each.value !== each.usual,
  })),
)
</script>

<template>
  <div>
    <div class="flex min-h-6 items-center justify-between gap-2">
      <span v-if="verdict" class="min-w-0 py-0.5 leading-tight" :class="strong ? 'font-semibold' : ''"
        >{{ verdict }}<span class="block text-fine font-normal text-soft">{{ label }}</span></span
      >
      <span v-else :class="strong ? 'font-semibold' : 'text-soft'">{{ label }}</span>
      <button
        type="button"
        class="min-h-6 min-w-6 shrink-0 text-right tabular-nums underline decoration-line decoration-dotted underline-offset-4 hover:decoration-ink"
        :class="[strong ? 'font-semibold' : '', tone === 'over' ? 'text-ruddy' : '']"
        :aria-expanded="open"
        :aria-controls="panel"
        :aria-label="`${label}: ${show(figure, manner)}. Show the sum`"
        @click="open = !open"
      >
        {{ show(figure, manner) }}
      </button>
    </div>
    <div v-if="open" :id="panel" class="mb-1 mt-0.5 border-l-2 border-rime bg-frost px-2 py-1 text-fine" data-testid="sum">
      {{ showSum(figure, manner) }}
      <span v-if="figure.range" class="block"
        >From {{ show({ ...figure, value: figure.range[0] }, manner) }} to {{ show({ ...figure, value: figure.range[1] }, manner) }}.</span
      >
      <span class="block text-soft">{{ basis }}</span>
      <span v-for="rule in rules" :key="rule.id" class="block text-soft" data-testid="rule"
        >{{ rule.says
        }}<template v-if="rule.measured"
          >, measured {{ several(rule.measured.readings, 'time', 'times') }}, from
          {{ showRate({ ...rule, value: rule.measured.low }, manner) }} to {{ showRate({ ...rule, value: rule.measured.high }, manner) }};
          usually {{ showRate({ ...rule, value: rule.usual }, manner) }}.
          <button type="button" class="font-medium text-ink underline" @click="settings.goByReadings(rule.id, false)">
            Go by the rule of thumb
          </button></template
        ><template v-else-if="rule.own">, your own; usually {{ showRate({ ...rule, value: rule.usual }, manner) }}</template></span
      >
    </div>
  </div>
</template>
