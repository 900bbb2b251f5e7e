<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import type { Task } from '#core/tasks'

/** The whole order as a knotted cord along the edge: knots done, the knot at hand, knots to come; what dries hangs slack between two. */
const props = defineProps<{ tasks: readonly Task[]; at: number; done: ReadonlySet<string> }>()
const emit = defineEmits<{ go: [to: number] }>()
const EVERY = 44
const high = computed(() => props.tasks.length * EVERY)
const y = (i: number): number => i * EVERY + EVERY / 2
/** Between two knots the cord runs straight, or slack where the first dries. */
const spans = computed(() =>
  props.tasks.slice(0, -1).map((task, i) => ({
    slack: task.waits.value > 0,
    done: props.done.has(task.id),
    d: task.waits.value > 0 ? `M22 ${y(i)} C40 ${y(i) + 14} 40 ${y(i + 1) - 14} 22 ${y(i + 1)}` : `M22 ${y(i)} L22 ${y(i + 1)}`,
  })),
)
const list = useTemplateRef('list')
watch(
  () => props.at,
  async (at) => {
    await nextTick()
    list.value?.scrollTo({ top: y(at) - list.value.clientHeight / 2 })
  },
  { immediate: true },
)
</script>

<template>
  <nav
    ref="list"
    class="h-full w-11 shrink-0 overflow-y-auto overflow-x-hidden border-r border-line bg-bench"
    aria-label="Order of work"
    tabindex="0"
  >
    <div class="relative" :style="{ height: `${high}px` }">
      <svg class="absolute inset-0" width="44" :height="high" aria-hidden="true">
        <path
          v-for="(span, i) in spans"
          :key="i"
          :d="span.d"
          fill="none"
          :class="span.done ? 'stroke-leaf' : 'stroke-line'"
          :stroke-width="span.done ? 4 : 2.5"
          :stroke-dasharray="span.slack && !span.done ? '5 4' : undefined"
          stroke-linecap="round"
        />
        <g v-for="(task, i) in tasks" :key="task.id">
          <circle v-if="i === at" cx="22" :cy="y(i)" r="12" class="fill-frost stroke-ruddy" stroke-width="3" />
          <ellipse
            cx="22"
            :cy="y(i)"
            :rx="i === at ? 6 : 7.5"
            :ry="i === at ? 5 : 6"
            :class="i === at ? 'fill-ruddy' : done.has(task.id) ? 'fill-leaf' : 'fill-sheet stroke-line'"
            :stroke-width="done.has(task.id) || i === at ? 0 : 2"
          />
        </g>
      </svg>
      <ol>
        <li v-for="(task, i) in tasks" :key="task.id">
          <button
            type="button"
            class="absolute left-0 size-11"
            :style="{ top: `${i * EVERY}px` }"
            :aria-label="`${i + 1}. ${task.title}${done.has(task.id) ? ', done' : ''}`"
            :aria-current="i === at ? 'step' : undefined"
            :title="task.title"
            @click="emit('go', i)"
          />
        </li>
      </ol>
    </div>
  </nav>
</template>
