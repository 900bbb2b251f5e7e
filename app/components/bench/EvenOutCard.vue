<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { show } from '#core/measure'
import type { EvenedOut, EvenOutProgress } from '#core/coverage'
import type { Going } from '~/workers/jobs'
import { askEvenOut } from '~/workers/workings'
import { useBench } from '~/stores/bench'
import { useNotices } from '~/stores/notices'
import { useStock } from '~/stores/stock'

/** Evens out what no hand has pinned, with progress and a way to stop. */
const bench = useBench()
const stock = useStock()
const notices = useNotices()
const progress = shallowRef<EvenOutProgress | null>(null)
const going = shallowRef<Going<EvenedOut> | null>(null)
const done = shallowRef<EvenedOut | null>(null)
const percent = computed(() => Math.round((progress.value?.done ?? 0) * 100))

async function start(): Promise<void> {
  const asked = bench.piece!
  done.value = null
  progress.value = { done: 0, now: 0 }
  try {
    going.value = askEvenOut(asked, stock.pricing, 1, (each) => {
      if (progress.value) progress.value = each
    })
    const evened = await going.value.done
    if (bench.piece !== asked) {
      notices.note('The piece was changed meanwhile, so nothing was moved.')
      return
    }
    if (evened.edit) bench.apply(evened.edit, 'even it out')
    done.value = evened
    notices.announce(
      evened.edit
        ? `Evened out: ${show(evened.before, bench.manner)} became ${show(evened.after, bench.manner)}`
        : 'It is as even as it gets.',
    )
  } catch (error) {
    notices.fault('It could not be evened out', `${String(error)}\nNothing was moved.`)
  } finally {
    progress.value = null
  }
}
</script>

<template>
  <section class="rounded-[5px] border border-seam bg-sheet p-2" aria-label="Even it out">
    <div class="flex items-center gap-2">
      <button v-if="!progress" type="button" class="button flex-1" @click="start">Even it out</button>
      <template v-else>
        <div
          class="h-2 flex-1 overflow-hidden rounded-[2px] bg-seam"
          role="progressbar"
          aria-label="Evening out"
          :aria-valuenow="percent"
          aria-valuemin="0"
          aria-valuemax="100"
        >
          <div class="h-full bg-leaf" :style="{ width: `${percent}%` }" />
        </div>
        <button type="button" class="button" @click="going?.stop()">Stop</button>
      </template>
    </div>
    <p v-if="!done" class="mt-1 text-fine text-soft">Slides what is not pinned or locked, for even gaps, balance and a mix of colours.</p>
    <div v-else class="mt-1" data-testid="evened">
      <p v-if="!done.edit" class="text-fine text-soft">It is as even as it gets.</p>
      <template v-else>
        <FigureRow label="Uneven before" :figure="done.before" :manner="bench.manner" />
        <FigureRow label="Uneven now" :figure="done.after" :manner="bench.manner" strong />
      </template>
    </div>
  </section>
</template>
