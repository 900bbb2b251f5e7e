<script setup lang="ts">
import type { Layer, RuleOf } from '#core/piece'

/** Nothing to set. */
defineProps<{ layer: Layer; rule: RuleOf<'hand'> }>()
</script>

<template>
  <p class="text-fine text-soft">Drag the material onto the base, or choose one there and press D for another.</p>
</template>
