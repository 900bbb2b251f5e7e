<script setup lang="ts">
import { computed, onBeforeUnmount, ref, useTemplateRef, watch, watchEffect } from 'vue'
import { ChevronLeft, ChevronRight, Pause, Play } from '@lucide/vue'
import { itemGlyph } from '#core/looks'
import { clamp, quantity, radians, show } from '#core/measure'
import { paintMarks } from '~/drawing/paint'
import { useBench } from '~/stores/bench'

/** A bow as its numbers make it: turned in place, and made again move by move. */
const props = defineProps<{ layer: string }>()
const bench = useBench()
const canvas = useTemplateRef('canvas')
const turned = ref(0)
/** Moves that are done; null is the whole bow. */
const step = ref<number | null>(null)
const playing = ref(false)

const item = computed(() => bench.workings?.scene.items.find((each) => each.layer === props.layer && each.made?.as === 'bow') ?? null)
const made = computed(() => (item.value?.made?.as === 'bow' ? item.value.made : null))
const moves = computed(() => made.value?.moves ?? [])
watch(moves, () => {
  step.value = null
})

const names = { loop: 'loop', tail: 'tail', centre: 'loop over the middle', strip: 'strip over the middle' }
const side = (angle: number): string =>
  Math.abs(Math.cos(radians(angle))) < 0.35 ? '' : Math.cos(radians(angle)) > 0 ? ' to the right' : ' to the left'
const says = computed(() => {
  const done = step.value
  if (done === null) return `${moves.value.length} moves. Turn it, or step through the making.`
  if (done === 0) return 'Begin.'
  const { what, angle, length } = moves.value[done - 1]!
  return `${done} of ${moves.value.length}: ${names[what]}${what === 'loop' ? side(angle) : ''}, ${show(quantity.length(length), bench.manner)}`
})

function go(to: number): void {
  playing.value = false
  step.value = clamp(to, 0, moves.value.length)
}
function play(): void {
  if (!playing.value && (step.value === null || step.value >= moves.value.length)) step.value = 0
  playing.value = !playing.value
}
/** Time for the eye between two moves, ms. */
const BEAT = 650
let timer: ReturnType<typeof setInterval> | undefined
watch(playing, (on) => {
  clearInterval(timer)
  if (on)
    timer = setInterval(() => {
      const next = (step.value ?? 0) + 1
      step.value = Math.min(next, moves.value.length)
      if (next >= moves.value.length) playing.value = false
    }, BEAT)
})
onBeforeUnmount(() => {
  clearInterval(timer)
})

const SIZE = 224
watchEffect(
  () => {
    const ctx = canvas.value?.getContext('2d')
    if (!ctx || !item.value || !made.value) return
    const ratio = window.devicePixelRatio
    const whole = itemGlyph({ ...item.value, bearing: 0, made: { ...made.value, turned: 0, upTo: null } }).bounds
    const { marks } = itemGlyph({ ...item.value, bearing: 0, made: { ...made.value, turned: turned.value, upTo: step.value } })
    canvas.value!.width = canvas.value!.height = SIZE * ratio
    const scale = ((SIZE * 0.92) / Math.max(whole.right - whole.left, whole.bottom - whole.top)) * ratio
    ctx.setTransform(
      scale,
      0,
      0,
      scale,
      (SIZE * ratio) / 2 - ((whole.left + whole.right) / 2) * scale,
      (SIZE * ratio) / 2 - ((whole.top + whole.bottom) / 2) * scale,
    )
    paintMarks(ctx, marks)
  },
  { flush: 'post' },
)
</script>

<template>
  <figure class="rounded-[5px] border border-seam bg-sheet p-2" data-testid="bow-view" :data-step="step ?? 'all'" :data-turned="turned">
    <canvas ref="canvas" class="mx-auto block size-56" role="img" :aria-label="`The bow, turned by ${turned} degrees`" />
    <label class="flex items-center gap-2 text-fine"
      >Turn<input
        v-model.number="turned"
        type="range"
        min="-90"
        max="90"
        step="5"
        class="min-w-0 flex-1 accent-leaf"
        aria-label="Turn the bow"
    /></label>
    <div class="mt-1 flex items-center gap-1">
      <button type="button" class="icon-button" aria-label="One move back" :disabled="step === 0" @click="go((step ?? moves.length) - 1)">
        <ChevronLeft :size="16" />
      </button>
      <button type="button" class="icon-button" :aria-label="playing ? 'Pause' : 'Show how it is made'" @click="play">
        <Pause v-if="playing" :size="15" /><Play v-else :size="15" />
      </button>
      <button
        type="button"
        class="icon-button"
        aria-label="One move on"
        :disabled="step === null || step >= moves.length"
        @click="go((step ?? 0) + 1)"
      >
        <ChevronRight :size="16" />
      </button>
      <figcaption class="min-w-0 flex-1 text-fine" role="status">{{ says }}</figcaption>
    </div>
  </figure>
</template>
