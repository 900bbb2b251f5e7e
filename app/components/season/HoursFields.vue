<script setup lang="ts">
import { ref } from 'vue'
import { X } from '@lucide/vue'
import type { Parsed } from '#core/measure'
import { clockSaid, daySaid, show } from '#core/measure'
import type { DayKind, Hours, SpecialDay } from '#core/season'
import { DAY_KINDS } from '#core/season'
import { useSeason } from '~/stores/season'
import { useSettings } from '~/stores/settings'
import { readClock, readHours } from '~/utils/parsing'
import TypedField from '../fields/TypedField.vue'

/** When hands are at the bench: the hours of the week, and days that are otherwise. */
const season = useSeason()
const settings = useSettings()
const WEEK = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const
const KINDS: Readonly<Record<DayKind, string>> = { bench: 'at the bench', off: 'day off', market: 'market day', shop: 'shop day' }

const hoursSaid = (minutes: number): string => (minutes === 0 ? 'none' : show({ value: minutes, unit: 'time' }, settings.manner))
function setDay(i: number, change: Partial<Hours['week'][number]>): string | null {
  void season
    .set(({ hours }) => ({ hours: { ...hours, week: hours.week.map((day, k) => (k === i ? fitted({ ...day, ...change }) : day)) } }))
    .then(tell)
  return null
}
/** Hours end by midnight: a later start leaves fewer, more hours begin sooner. */
const fitted = <D extends { from: number; minutes: number }>(day: D): D => ({
  ...day,
  from: Math.max(0, Math.min(day.from, 24 * 60 - day.minutes)),
})

const wrong = ref<string | null>(null)
const tell = (error: string | null): void => {
  wrong.value = error
}
const day = ref('')
const kind = ref<DayKind>('bench')
const hours = ref('4')
const note = ref('')
async function add(): Promise<void> {
  const read: Parsed<number> = kind.value === 'bench' || kind.value === 'shop' ? readHours(hours.value) : { ok: true, value: 0 }
  if (!read.ok) return tell(read.error)
  const special: SpecialDay = fitted({ day: day.value, kind: kind.value, note: note.value.trim(), from: 9 * 60, minutes: read.value })
  tell(
    await season.set((now) => ({
      hours: {
        ...now.hours,
        days: [...now.hours.days.filter((each) => each.day !== special.day), special].sort((a, b) => a.day.localeCompare(b.day)),
      },
    })),
  )
  if (!wrong.value) note.value = ''
}
const drop = (of: string): void =>
  void season.set((now) => ({ hours: { ...now.hours, days: now.hours.days.filter((each) => each.day !== of) } })).then(tell)
const setEnds = (change: { from?: string | null; to?: string | null }): void => void season.set(() => change).then(tell)
</script>

<template>
  <div class="space-y-3">
    <div class="flex flex-wrap gap-3">
      <label class="w-36"
        ><span class="field-label">Begin on</span
        ><input
          type="date"
          class="field"
          :value="season.season.from ?? ''"
          @change="setEnds({ from: ($event.target as HTMLInputElement).value || null })"
      /></label>
      <label class="w-36"
        ><span class="field-label">Plan what is due by</span
        ><input
          type="date"
          class="field"
          :value="season.season.to ?? ''"
          @change="setEnds({ to: ($event.target as HTMLInputElement).value || null })"
      /></label>
    </div>
    <table class="w-full text-small" aria-label="Hours of the week">
      <tbody>
        <tr v-for="(name, i) in WEEK" :key="name" class="border-b border-seam">
          <th scope="row" class="pr-2 text-left font-medium">{{ name }}</th>
          <td class="w-24 py-0.5">
            <TypedField
              class="[&_label]:sr-only"
              :label="`${name}: hands have`"
              :shown="hoursSaid(season.season.hours.week[i]!.minutes)"
              :read="readHours"
              :take="(minutes: number) => setDay(i, { minutes })"
              numeric
            />
          </td>
          <td class="w-24 py-0.5 pl-2">
            <TypedField
              v-if="season.season.hours.week[i]!.minutes"
              class="[&_label]:sr-only"
              :label="`${name}: from`"
              :shown="clockSaid(season.season.hours.week[i]!.from)"
              :read="readClock"
              :take="(from: number) => setDay(i, { from })"
              numeric
            />
          </td>
        </tr>
      </tbody>
    </table>
    <ul v-if="season.season.hours.days.length" aria-label="Days that are otherwise">
      <li v-for="each in season.season.hours.days" :key="each.day" class="flex items-center gap-2 border-b border-seam py-0.5">
        <span class="w-24 font-medium">{{ daySaid(each.day) }}</span>
        <span class="min-w-0 flex-1 truncate"
          >{{ KINDS[each.kind] }}<template v-if="each.minutes">, {{ hoursSaid(each.minutes) }}</template
          ><template v-if="each.note">: {{ each.note }}</template></span
        >
        <button
          type="button"
          class="icon-button size-6"
          :aria-label="`${daySaid(each.day)} is as its weekday again`"
          @click="drop(each.day)"
        >
          <X :size="14" />
        </button>
      </li>
    </ul>
    <form class="grid grid-cols-2 gap-2" aria-label="A day that is otherwise" @submit.prevent="add">
      <label><span class="field-label">Day</span><input v-model="day" type="date" class="field" required /></label>
      <PickField
        label="It is a"
        :value="kind"
        :options="DAY_KINDS.map((value) => ({ value, name: KINDS[value] }))"
        @pick="(next: DayKind) => (kind = next)"
      />
      <label v-if="kind === 'bench' || kind === 'shop'"
        ><span class="field-label">Hands have, hours</span><input v-model="hours" class="field text-right" inputmode="decimal"
      /></label>
      <label><span class="field-label">Note</span><input v-model="note" class="field" maxlength="80" /></label>
      <button type="submit" class="button col-span-2" :disabled="!day">Put it in</button>
    </form>
    <p v-if="wrong" class="text-fine text-ruddy" role="alert">{{ wrong }}</p>
  </div>
</template>
