<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Page, PaperId } from '#core/formats'
import { PAPERS } from '#core/formats'
import { several } from '#core/measure'

/** Pages of strokes and words as they will come out of the printer, before they are saved. */
const props = defineProps<{
  title: string
  pages: readonly Page[]
  paper: PaperId
  way: 'portrait' | 'landscape'
  save: () => Promise<void>
}>()
const emit = defineEmits<{ close: [] }>()
const busy = ref(false)
const size = computed(() => {
  const { width, height } = PAPERS[props.paper]
  return props.way === 'portrait' ? { width, height } : { width: height, height: width }
})
const WEIGHTS = { fine: 0.3, bold: 0.7, dashed: 0.3, mark: 0.5 } as const
async function write(): Promise<void> {
  busy.value = true
  await props.save()
  busy.value = false
}
</script>

<template>
  <DialogFrame :title="title" wide="w-[62rem]" @close="emit('close')">
    <p class="mb-3 text-soft">
      {{ several(pages.length, 'page', 'pages') }} at full size. Print at 100 %, not fitted to the page; the bars on the first page are to
      be measured before anything is laid on it.
    </p>
    <ol
      class="grid gap-3"
      :class="way === 'portrait' ? 'grid-cols-4 max-lg:grid-cols-3 max-sm:grid-cols-2' : 'grid-cols-2 max-sm:grid-cols-1'"
      data-testid="pages"
    >
      <li v-for="page in pages" :key="page.name">
        <svg
          :viewBox="`0 0 ${size.width} ${size.height}`"
          class="w-full border border-line"
          style="background: #fff"
          role="img"
          :aria-label="`Page ${page.name}`"
        >
          <template v-for="(each, i) in page.ink" :key="i">
            <line
              v-if="each.ink === 'line'"
              :x1="each.from.x"
              :y1="each.from.y"
              :x2="each.to.x"
              :y2="each.to.y"
              stroke="#111"
              :stroke-width="WEIGHTS[each.weight]"
              :stroke-dasharray="each.weight === 'dashed' ? '2 2' : undefined"
            />
            <text
              v-else
              :x="each.at.x"
              :y="each.at.y"
              fill="#111"
              :font-size="each.size"
              :text-anchor="{ left: 'start', middle: 'middle', right: 'end' }[each.align]"
            >
              {{ each.text }}
            </text>
          </template>
        </svg>
      </li>
    </ol>
    <button type="button" class="button-main mt-3 self-end" :disabled="busy" @click="write">{{ busy ? 'Writing…' : 'Save as PDF' }}</button>
  </DialogFrame>
</template>
