<script setup lang="ts">
import { STAGE_SORTS } from '#core/piece'
import { computed, ref } from 'vue'
import { NuxtLink } from '#components'
import { BellRing, X } from '@lucide/vue'
import { remindersFor } from '#core/daybook'
import { daySaid } from '#core/measure'
import { useBench } from '~/stores/bench'
import { useDaybook } from '~/stores/daybook'

/** What was to be done otherwise next time, now that it is next time. */
const bench = useBench()
const daybook = useDaybook()
const away = ref<ReadonlySet<string>>(new Set())
const reminders = computed(() => {
  const { id, base, brief, layers, stage } = bench.piece!
  if (!STAGE_SORTS[stage].toMake) return []
  const like = {
    id,
    base: base.kind,
    occasion: brief.occasion,
    materials: layers.flatMap(({ mix }) => mix.map(({ material }) => material)),
  }
  return remindersFor(like, daybook.records).filter(({ record }) => !away.value.has(record))
})
const put = (record: string): void => {
  away.value = new Set([...away.value, record])
}
</script>

<template>
  <section v-if="reminders.length" aria-label="Last time" class="rounded-[5px] border border-bracken bg-sheet p-2">
    <h2 class="flex items-center gap-1.5 font-medium text-bracken"><BellRing :size="14" />Otherwise than last time</h2>
    <article v-for="each in reminders" :key="each.record" class="flex gap-2 border-t border-seam pt-1" data-testid="reminder">
      <p class="min-w-0 flex-1">
        {{ each.note }}
        <span class="block text-fine text-soft"
          ><NuxtLink :to="`/daybook?page=${each.record}`" class="underline">{{ each.name }}</NuxtLink
          >, {{ daySaid(each.day) }} {{ each.day.slice(0, 4) }}<template v-if="each.end === 'fell'">, which fell</template>:
          {{ each.why }}</span
        >
      </p>
      <button type="button" class="icon-button size-6" :aria-label="`Taken to heart: ${each.name}`" @click="put(each.record)">
        <X :size="14" />
      </button>
    </article>
  </section>
</template>
