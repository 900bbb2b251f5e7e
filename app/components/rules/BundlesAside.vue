<script setup lang="ts">
import { computed, ref } from 'vue'
import { shortestOf } from '#core/placement'
import { remaining, stretched } from '#core/constructions'
import type { MakeUp } from '#core/constructions'
import { quantity, show } from '#core/measure'
import type { Layer, RuleOf } from '#core/piece'
import { useRuleFields } from '~/composables/useRuleFields'

/** While bundles are bound: how many are still to go, and what the sprigs in hand give. */
const props = defineProps<{ layer: Layer; rule: RuleOf<'bundles'>; makeUp: MakeUp }>()
const { bench, run, set } = useRuleFields<'bundles'>(props)
const length = (mm: number): string => show(quantity.length(mm), bench.manner)

const done = ref(0)
const gap = ref<number | null>(null)
const figure = (id: string) => props.makeUp.figures.find((each) => each.id === id)?.figure.value
const left = computed(() => (gap.value === null ? null : remaining(done.value, gap.value, figure('advance') ?? 0)))
function takeDone(n: number): null {
  done.value = n
  return null
}
function takeGap(mm: number | null): string | null {
  if (mm !== null && mm <= 0) return 'A gap over nothing.'
  gap.value = mm
  return null
}

const inHand = ref<number | null>(null)
/** What the sprigs in hand give. */
const thin = computed(() =>
  inHand.value === null
    ? null
    : stretched(run.value, shortestOf(props.layer, bench.shelf), props.rule.sprigs, props.rule.faces, inHand.value),
)
function takeInHand(n: number): null {
  inHand.value = n
  return null
}
</script>

<template>
  <details class="mt-1 border-t border-seam pt-1">
    <summary class="cursor-pointer py-1 text-fine font-medium">While you bind</summary>
    <div class="grid grid-cols-2 gap-2 pb-1">
      <CountField label="Bundles bound" :value="done" :least="0" :most="500" whole :take="takeDone" />
      <LengthField label="Gap left" :mm="gap" none="" :units="bench.manner.units" :take="takeGap" />
    </div>
    <p v-if="left" class="pb-1 text-fine" role="status">
      {{ left.bundles }} more {{ left.bundles === 1 ? 'bundle' : 'bundles' }}; wrap
      {{ left.twice >= left.bundles ? 'every one' : `the last ${left.twice}` }} at least twice.
    </p>
  </details>
  <details class="border-t border-seam pt-1">
    <summary class="cursor-pointer py-1 text-fine font-medium">With the sprigs there are</summary>
    <CountField
      class="pb-1"
      label="Sprigs in hand"
      :value="inHand ?? figure('sprigs') ?? 0"
      :least="0"
      :most="5000"
      whole
      :take="takeInHand"
    />
    <div v-if="inHand !== null" class="pb-1 text-fine" role="status">
      <template v-if="thin"
        >{{ thin.bundles }} bundles, {{ length(thin.advance) }} apart, {{ thin.depth.toFixed(1) }} deep{{
          thin.looks === 'bare' ? ': the frame shows between them' : thin.looks === 'thin' ? ': thin' : ''
        }}.
        <button
          type="button"
          class="font-semibold text-leaf underline decoration-dotted underline-offset-2"
          @click="set({ advance: thin.advance }, 'stretch the bundles')"
        >
          Advance by {{ length(thin.advance) }}
        </button></template
      >
      <template v-else>Not one bundle.</template>
    </div>
  </details>
</template>
