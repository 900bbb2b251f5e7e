<script setup lang="ts">
import { computed } from 'vue'
import { several } from '#core/measure'
import { materialOf } from '#core/material'
import { useTakingOff } from '~/stores/taking-off'
import { useBench } from '~/stores/bench'

/** What becomes of things when what bears them goes. */
const bench = useBench()
const taking = useTakingOff()

const borne = computed(() => {
  const all = taking.asked?.borne ?? []
  const material = materialOf(bench.shelf, all[0]?.material ?? '')
  const alike = material && all.every((each) => each.material === material.id)
  return alike ? several(all.length, material.name, material.plural) : several(all.length, 'thing', 'things')
})
const one = computed(() => taking.asked?.borne.length === 1)
</script>

<template>
  <DialogFrame title="It bears others" :open="taking.asked !== null" @close="taking.leave()">
    <p data-testid="bears-others">
      What you take off bears {{ borne }}. {{ one ? 'Does that go' : 'Do they go' }} with it, or stay where
      {{ one ? 'it is' : 'they are' }}, on the base?
    </p>
    <div class="mt-4 flex flex-wrap justify-end gap-2">
      <button type="button" class="button" @click="taking.leave()">Leave all as it is</button>
      <button type="button" class="button" @click="taking.answer(true)">{{ one ? 'It stays' : 'They stay' }}</button>
      <button type="button" class="button-main" @click="taking.answer(false)">{{ one ? 'It goes too' : 'They go too' }}</button>
    </div>
  </DialogFrame>
</template>
