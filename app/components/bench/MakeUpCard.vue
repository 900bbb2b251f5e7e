<script setup lang="ts">
import type { MakeUp } from '#core/constructions'
import type { Layer } from '#core/piece'
import { useBench } from '~/stores/bench'
import { RULE_FORMS } from '~/components/rules/forms'

/** What a layer comes to when it is made, each figure with its sum; and what helps while it is made. */
defineProps<{ layer: Layer; makeUp: MakeUp }>()
const bench = useBench()
</script>

<template>
  <section class="rounded-[5px] border border-seam bg-sheet px-2 py-1" aria-label="Made up" data-testid="made-up">
    <FigureRow v-for="each in makeUp.figures" :key="each.id" :label="each.name" :figure="each.figure" :manner="bench.manner" />
    <component
      :is="RULE_FORMS[layer.rule.kind].aside"
      v-if="RULE_FORMS[layer.rule.kind].aside"
      :key="layer.rule.kind"
      :layer="layer"
      :rule="layer.rule"
      :make-up="makeUp"
    />
  </section>
</template>
