<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { Base } from '#core/base'
import { BASE_SORTS, widthOf } from '#core/base'
import type { Makeable } from '#core/makeable'
import { basesFor } from '#core/makeable'
import { quantity, several, show } from '#core/measure'
import type { Lot } from '#core/stock'
import { useNotices } from '~/stores/notices'
import { useSettings } from '~/stores/settings'
import { useStock } from '~/stores/stock'
import { askMakeable } from '~/workers/workings'

/** What would be made of what was chosen: for each base how far round it goes at each fullness, and what is missing. */
const props = defineProps<{ chosen: readonly Lot[]; lots: readonly Lot[] }>()
const stock = useStock()
const notices = useNotices()
const settings = useSettings()

const bases = computed(() => basesFor(props.lots))
const found = shallowRef<readonly Makeable[]>([])
const looking = ref(false)
let stop: (() => void) | null = null
watch(
  () => [props.chosen, bases.value] as const,
  async ([chosen, on]) => {
    stop?.()
    if (!chosen.length) {
      found.value = []
      return
    }
    looking.value = true
    const going = askMakeable(
      chosen.map(({ material, things }) => ({ material, count: things ?? 0 })),
      on,
      stock.pricing,
    )
    stop = going.stop
    await notices.tell(
      'What it would make could not be worked out',
      going.done.then((answer) => {
        if (stop === going.stop) found.value = answer
      }),
    )
    looking.value = false
  },
  { immediate: true },
)
const NAMES = { sparse: 'sparse', full: 'full', lush: 'lush' } as const
const width = (base: Base): string => show(quantity.length(widthOf(base)), settings.manner)
</script>

<template>
  <section class="rounded-md border border-leaf bg-sheet p-3" aria-label="With what I have" data-testid="make-of">
    <h2 class="font-serif text-lg">With what I have</h2>
    <p v-if="looking && !found.length" class="text-soft" role="status">Laying it out…</p>
    <p v-else-if="found.length && !found[0]!.covers.length" class="text-soft">
      Nothing of it covers a base. Choose greenery, boughs, fillers or moss.
    </p>
    <div v-else class="mt-1 grid grid-cols-3 gap-x-6 gap-y-3 max-lg:grid-cols-2 max-sm:grid-cols-1">
      <div v-for="each in found" :key="JSON.stringify(each.base)" data-testid="makeable">
        <p class="font-medium">{{ BASE_SORTS[each.base.kind].name }}, {{ width(each.base) }}</p>
        <div v-for="reach in each.reaches" :key="reach.fullness" class="mt-1 grid grid-cols-[3rem_1fr] items-center gap-2">
          <span class="text-soft">{{ NAMES[reach.fullness] }}</span>
          <div>
            <div class="h-2 rounded-[2px] bg-seam" aria-hidden="true">
              <div class="h-2 rounded-[2px] bg-leaf" :style="{ width: `${Math.min(100, reach.round * 100)}%` }" />
            </div>
            <p class="text-fine">
              {{
                reach.round >= 1.95
                  ? `${Math.floor(reach.round * 10) / 10} times round`
                  : reach.round >= 1
                    ? 'all the way round'
                    : `${Math.round(reach.round * 100)} % of the way`
              }}<span v-if="reach.missing" class="text-soft"
                >; {{ several(reach.missing.count, `more ${reach.missing.material.name}`, `more ${reach.missing.material.plural}`) }} would
                close it</span
              >
            </p>
          </div>
        </div>
      </div>
    </div>
    <p v-if="found.length" class="mt-2 text-fine text-soft">As a maker would begin: greenery alone, no focals yet.</p>
  </section>
</template>
