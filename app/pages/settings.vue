<script setup lang="ts">
import { RELEASES } from '~/composables/useReleases'
import { computed, ref } from 'vue'
import { useHead } from '#app'
import { RotateCcw } from '@lucide/vue'
import type { Currency, Thumb } from '#core/measure'
import { CURRENCIES, measuredOf, rate, several, showRate } from '#core/measure'
import { THUMBS } from '#core/rules-of-thumb'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'

/** What is written beside a number that does not say itself what it is of. */
const READ_IN: Partial<Record<Thumb['unit'], string>> = { share: '%', time: 's', angle: '°' }

/** Every rule of thumb that figures go by: what is usual and why, and the maker's own. */
useHead({ title: 'Settings · Ruddy Bramble' })
const settings = useSettings()
const shops = useShops()
const manner = computed(() => settings.manner)

const find = ref('')
const mine = ref(false)
const isOwn = ({ id }: Thumb): boolean => id in settings.rates
const rooms = computed(() => {
  const wanted = find.value.trim().toLowerCase()
  return THUMBS.map(({ room, thumbs }) => ({
    room,
    thumbs: thumbs.filter((each) => (!mine.value || isOwn(each)) && `${room} ${each.name} ${each.why}`.toLowerCase().includes(wanted)),
  })).filter(({ thumbs }) => thumbs.length)
})
const changed = computed(() => Object.keys(settings.rates).length)
const measured = computed(() => Object.keys(shops.shelf.measured ?? {}).filter((id) => !(id in settings.rates)).length)
const about = computed(
  () =>
    [
      changed.value ? `${several(changed.value, 'rule of thumb is', 'rules of thumb are')} your own` : '',
      measured.value ? `${measured.value} measured` : '',
    ]
      .filter(Boolean)
      .join(', ') || 'All rules of thumb are as usual',
)
const says = (of: Thumb, value: number): string => showRate({ unit: of.unit, value }, manner.value)
</script>

<template>
  <main class="mx-auto min-h-dvh max-w-5xl px-6 pb-12 max-sm:px-4">
    <PageHead title="Settings">
      <template #about
        ><span class="text-soft">{{ about }}</span></template
      >
    </PageHead>

    <!-- A field that is typed into before its value is there would lose what was typed. -->
    <template v-if="settings.ready">
      <section class="flex flex-wrap items-start gap-3 pt-3" aria-label="Money and tax">
        <PickField
          class="w-32"
          label="Money in"
          :value="settings.currency"
          :options="CURRENCIES.map((value) => ({ value, name: value }))"
          @pick="(currency: Currency) => settings.setCurrency(currency)"
        />
        <TaxFields />
      </section>
      <WholeFile class="mt-3" />
      <SetAside />
      <p class="max-w-3xl pt-3 text-soft">
        What nobody has measured goes by a rule of thumb. Change one and every figure that goes by it changes, in every piece, and says so
        under its sum.
      </p>
      <div class="flex flex-wrap items-end gap-3 py-3" role="search">
        <label class="w-64"
          ><span class="field-label">Find</span><input v-model="find" type="search" class="field" placeholder="wire, glue, bow …"
        /></label>
        <label class="flex h-7 items-center gap-1.5"><input v-model="mine" type="checkbox" class="size-4 accent-leaf" />Only my own</label>
      </div>

      <section v-for="{ room, thumbs } in rooms" :key="room" class="mb-6" :aria-label="room">
        <h2 class="border-b border-line pb-1 font-serif text-xl">{{ room }}</h2>
        <div
          v-for="each in thumbs"
          :key="each.id"
          class="grid grid-cols-[1fr_15rem] items-center gap-x-6 gap-y-1 border-b border-seam py-2 max-sm:grid-cols-1"
          :class="isOwn(each) ? 'bg-frost' : ''"
          data-testid="thumb"
        >
          <div>
            <p class="font-medium">{{ each.name }}</p>
            <p class="text-fine text-soft">{{ each.why }}</p>
            <p v-if="measuredOf(each, shops.shelf)" class="text-fine text-leaf" data-testid="measured">
              Measured {{ several(measuredOf(each, shops.shelf)!.readings, 'time', 'times') }}:
              {{ says(each, measuredOf(each, shops.shelf)!.value) }}, from {{ says(each, measuredOf(each, shops.shelf)!.low) }} to
              {{ says(each, measuredOf(each, shops.shelf)!.high) }}.
              <button type="button" class="text-ink underline" @click="settings.goByReadings(each.id, false)">
                Go by the rule of thumb
              </button>
            </p>
            <p v-else-if="settings.unmeasured.includes(each.id)" class="text-fine text-soft">
              Your readings are put aside.
              <button type="button" class="text-ink underline" @click="settings.goByReadings(each.id, true)">Go by them</button>
            </p>
            <p class="text-fine text-soft">
              Usually {{ says(each, each.value) }}; from {{ says(each, each.least) }} to {{ says(each, each.most) }}.
            </p>
          </div>
          <div class="flex items-end gap-1">
            <ThumbField
              class="min-w-0 flex-1 [&_label]:sr-only"
              :thumb="each"
              :value="rate(each, shops.shelf)"
              :manner="manner"
              :take="(value) => settings.setRate(each, value)"
            />
            <span class="w-4 self-center text-fine text-soft" aria-hidden="true">{{ READ_IN[each.unit] }}</span>
            <button
              type="button"
              class="icon-button size-7"
              :class="isOwn(each) ? '' : 'invisible'"
              :aria-label="`Set back to ${says(each, each.value)}: ${each.name}`"
              :title="`Back to ${says(each, each.value)}`"
              @click="settings.setRate(each, null)"
            >
              <RotateCcw :size="14" />
            </button>
          </div>
        </div>
      </section>
      <p v-if="!rooms.length" class="py-10 text-center text-soft">
        {{ mine && !find ? 'None is your own yet.' : 'No rule of thumb is like that.' }}
      </p>
      <details class="pt-6 text-small" data-testid="releases">
        <summary class="cursor-pointer text-soft">Ruddy Bramble {{ RELEASES[0]!.version }} · what was new in each version</summary>
        <section v-for="{ version, day, says: lines } in RELEASES" :key="version" class="pt-2">
          <h2 class="font-medium">{{ version }}, {{ day }}</h2>
          <ul class="list-disc pl-4">
            <li v-for="line in lines" :key="line">{{ line }}</li>
          </ul>
        </section>
      </details>
    </template>
  </main>
</template>
