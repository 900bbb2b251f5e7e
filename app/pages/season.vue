<script setup lang="ts">
import { computed, ref } from 'vue'
import { useHead, useRoute, useRouter } from '#app'
import { NuxtLink } from '#components'
import { CalendarPlus, PinOff, TriangleAlert } from '@lucide/vue'
import { seasonCalendar } from '#core/formats'
import { clockSaid, daySaid, say, several, show } from '#core/measure'
import type { Day } from '#core/measure'
import type { SeasonMend } from '#core/season'
import { saveText } from '~/utils/files'
import { useToday } from '~/composables/useToday'
import { useNotices } from '~/stores/notices'
import { useSeason } from '~/stores/season'
import { useSettings } from '~/stores/settings'
import { useWorkroom } from '~/stores/workroom'

/** All that must be made by when, with two hands; and the year on a page. */
useHead({ title: 'Season · Ruddy Bramble' })
const season = useSeason()
season.look()
const workroom = useWorkroom()
workroom.look()
const settings = useSettings()
const notices = useNotices()
const today = useToday()
const route = useRoute()
const router = useRouter()
const year = computed(() => route.query.year !== undefined)
const turn = (to: boolean): void => void router.replace({ query: to ? { year: '' } : {} })

const plan = computed(() => season.planned?.plan ?? null)
const time = (minutes: number): string => show({ value: minutes, unit: 'time' }, settings.manner)
const verdict = computed(() => {
  const now = plan.value
  if (!now) return ''
  if (!now.pieces.length) return 'Nothing is to be made.'
  const late = now.pieces.filter(({ over, late }) => over > 0 || late > 0)
  // Where nothing has a day there are no hours that it must fit into.
  if (!late.length)
    return now.hours > 0
      ? `Everything fits: ${time(now.hands)} of hands, ${time(now.hours)} there.`
      : `${time(now.hands)} of hands; nothing has a day to be done by.`
  return `${several(late.length, 'piece does', 'pieces do')} not fit: ${now.over > 0.5 ? `${time(now.over)} of hands too many.` : 'not dry in time.'}`
})
const chosen = ref<string | null>(null)
const own = computed(() => plan.value?.pieces.find(({ id }) => id === chosen.value) ?? null)
const sittings = computed(() =>
  (plan.value?.sittings ?? [])
    .filter(({ chore }) => own.value === null || chore.pieces.includes(own.value.id))
    .flatMap(({ id, chore, days }) => days.map((part, i) => ({ key: `${id} ${i}`, title: chore.title, who: chore.pieces, ...part })))
    .sort((a, b) => a.day.localeCompare(b.day) || a.from - b.from),
)
/** Day by day: the next days at the bench, or all of the one piece. */
const SHOWN_DAYS = 10
const byDay = computed(() => {
  const days = new Map<Day, (typeof sittings.value)[number][]>()
  for (const each of sittings.value) days.set(each.day, [...(days.get(each.day) ?? []), each])
  return [...days].slice(0, own.value ? 60 : SHOWN_DAYS)
})
const nameOf = (id: string): string => plan.value?.pieces.find((each) => each.id === id)?.name ?? id
/** How many orders of the pieces were tried, where that is told. */
const ordersTried = computed(() => {
  const { done = 0, of = 0 } = season.under ?? {}
  return of > 0 ? `, ${done.toLocaleString('en')} of ${of.toLocaleString('en')}` : ''
})
const left = computed(() => (season.toMake ?? []).filter(({ id }) => season.season.later.includes(id)))
const aside = computed(() => {
  const shown = new Set(plan.value?.pieces.map(({ id }) => id))
  return (season.toMake ?? []).filter(({ id }) => !shown.has(id) && !season.season.later.includes(id))
})

const move = (piece: string, to: Day | null): void =>
  void notices.tell(
    'It could not be moved',
    season.pin(piece, to).then((wrong) => {
      if (wrong) throw new Error(wrong)
      notices.announce(to ? `${nameOf(piece)} begins on ${daySaid(to)}` : `${nameOf(piece)} goes where it fits`)
    }),
  )
const mend = (of: SeasonMend): void => void notices.tell('It could not be done', season.mend(of))
const later = (id: string, away: boolean): void =>
  void notices.tell(
    'It could not be done',
    season.set((now) => ({ later: [...now.later.filter((each) => each !== id), ...(away ? [id] : [])] })),
  )
async function write(): Promise<void> {
  const text = plan.value && (await seasonCalendar(plan.value, settings.manner, Date.now()))
  if (text) saveText(text, 'season.ics', 'text/calendar')
}
const SEVERITY = { fault: 'text-ruddy', care: 'text-bracken', note: 'text-soft' } as const
</script>

<template>
  <main class="mx-auto min-h-dvh max-w-[90rem] px-6 pb-10 max-sm:px-4">
    <PageHead title="Season">
      <ViewToggle :names="['The plan', 'The year']" :second="year" @turn="turn" />
      <button
        type="button"
        class="button"
        :disabled="!plan?.sittings.length"
        @click="notices.tell('The calendar could not be written', write())"
      >
        <CalendarPlus :size="14" />To a calendar
      </button>
    </PageHead>
    <YearView v-if="year" :today="today" />
    <template v-else>
      <PlanWaiting v-if="!plan" class="py-6" :failed="season.noPlan" what="Laying out the days…" @again="season.again()">
        <template v-if="season.under"
          >{{ ordersTried }} <button type="button" class="font-medium underline" @click="season.stop()">That will do</button></template
        >
      </PlanWaiting>
      <template v-else>
        <div class="flex flex-wrap items-baseline gap-x-4 pb-2 pt-3">
          <p class="font-serif text-xl" :class="plan.fits ? '' : 'text-ruddy'" role="status" data-testid="verdict">{{ verdict }}</p>
          <p v-if="season.under" class="text-soft" role="status">
            Trying other orders{{ ordersTried }}…
            <button type="button" class="font-medium underline" @click="season.stop()">That will do</button>
          </p>
          <p v-else-if="!plan.fits" class="text-soft">
            {{ plan.proven ? 'Proven: there are not the hours for it.' : 'The best order found.' }}
          </p>
        </div>
        <div v-if="plan.pieces.length" class="grid max-w-4xl grid-cols-3 gap-x-8 pb-2 max-sm:grid-cols-1" data-testid="figures">
          <FigureRow label="Hands are wanted for" :figure="plan.figures.hands" :manner="settings.manner" />
          <FigureRow v-if="plan.hours > 0" label="Hours there are" :figure="plan.figures.hours" :manner="settings.manner" />
          <FigureRow v-if="plan.figures.saved" label="Saved by doing at once" :figure="plan.figures.saved" :manner="settings.manner" />
          <FigureRow v-if="plan.figures.over" label="Too late" :figure="plan.figures.over" :manner="settings.manner" tone="over" />
        </div>
        <SeasonTape
          v-if="plan.pieces.length"
          :plan="plan"
          :season="season.season"
          :chosen="chosen"
          @choose="(id) => (chosen = chosen === id ? null : id)"
          @move="move"
        />
        <p v-if="plan.pieces.length" class="flex flex-wrap gap-x-4 pt-1 text-tiny text-soft">
          <span><span class="mr-1 inline-block h-2 w-4 rounded-[1px] bg-leaf" aria-hidden="true" />hands, on the longest chain</span>
          <span><span class="mr-1 inline-block h-2 w-4 rounded-[1px] bg-rime" aria-hidden="true" />hands, could wait</span>
          <span
            ><span class="mr-1 inline-block h-2 w-4 rounded-[1px] border border-ruddy bg-ruddy/40" aria-hidden="true" />after it is
            due</span
          >
          <span>dashed: drying</span><span>green ground: cut greens, fading as they keep</span
          ><span>Drag a ribbon, or move it with the arrow keys.</span>
        </p>
        <div class="grid grid-cols-[1.15fr_1fr_19rem] gap-8 pt-4 max-xl:grid-cols-[1fr_1fr] max-lg:grid-cols-1">
          <div class="space-y-5">
            <section v-if="plan.problems.length" aria-label="What is wrong">
              <h2 class="border-b border-line pb-1 font-serif text-lg">What stands against it</h2>
              <ul>
                <li
                  v-for="problem in plan.problems"
                  :key="problem.id"
                  class="flex gap-1.5 border-b border-seam py-1"
                  :class="SEVERITY[problem.severity]"
                  data-testid="problem"
                >
                  <TriangleAlert v-if="problem.severity !== 'note'" :size="14" class="mt-0.5 shrink-0" aria-hidden="true" />{{
                    say(problem.says, settings.manner)
                  }}
                </li>
              </ul>
            </section>
            <section v-if="season.planned!.mends.length" aria-label="What would make it fit">
              <h2 class="border-b border-line pb-1 font-serif text-lg">What would make it fit</h2>
              <ul>
                <li
                  v-for="each in season.planned!.mends"
                  :key="each.id"
                  class="flex items-center justify-between gap-3 border-b border-seam py-1"
                  data-testid="mend"
                >
                  <span
                    >{{ say(each.says, settings.manner)
                    }}<span class="block text-fine" :class="each.fits ? 'font-semibold text-leaf' : 'text-soft'">{{
                      each.fits ? 'Then it fits.' : `Then ${time(each.over)} are still too many.`
                    }}</span></span
                  >
                  <button
                    type="button"
                    class="button shrink-0"
                    :aria-label="`Do it: ${say(each.says, settings.manner)}`"
                    @click="mend(each)"
                  >
                    Do it
                  </button>
                </li>
              </ul>
            </section>
            <BatchesPanel />
          </div>
          <div class="space-y-5">
            <section aria-label="Day by day">
              <div class="flex items-baseline justify-between border-b border-line pb-1">
                <h2 class="font-serif text-lg">{{ own ? own.name : 'The next days at the bench' }}</h2>
                <button v-if="own" type="button" class="page-link" @click="chosen = null">All pieces</button>
              </div>
              <div v-if="own" class="flex flex-wrap gap-2 py-2">
                <button v-if="own.pinned" type="button" class="button" @click="move(own.id, null)">
                  <PinOff :size="14" />Let it go where it fits
                </button>
                <button type="button" class="button" @click="later(own.id, true)">Leave it for later</button>
                <NuxtLink :to="workroom.isClass(own.id) ? `/kits?kit=${own.id}` : `/piece/${own.id}`" class="button">{{
                  workroom.isClass(own.id) ? 'To its kits' : 'To the bench'
                }}</NuxtLink>
              </div>
              <p v-if="own?.fresh" class="pb-1 text-fine text-soft">
                Greens: cut {{ daySaid(own.fresh.cut)
                }}<template v-if="own.fresh.from">, no earlier than {{ daySaid(own.fresh.from) }}</template
                >; they keep until {{ daySaid(own.fresh.keeps) }}.
              </p>
              <dl>
                <div
                  v-for="[day, parts] in byDay"
                  :key="day"
                  class="grid grid-cols-[6.5rem_1fr] border-b border-seam py-1"
                  data-testid="day"
                >
                  <dt class="font-medium">
                    {{ daySaid(day)
                    }}<span class="block text-fine font-normal text-soft">{{
                      time(parts.reduce((all, { minutes }) => all + minutes, 0))
                    }}</span>
                  </dt>
                  <dd>
                    <p v-for="part in parts" :key="part.key" class="flex justify-between gap-2">
                      <span class="min-w-0"
                        ><span class="mr-1.5 text-soft tabular-nums">{{ clockSaid(part.from) }}</span
                        >{{ part.title }}<span v-if="!own" class="text-soft">, {{ part.who.map(nameOf).join(' and ') }}</span></span
                      >
                      <span class="shrink-0 text-soft tabular-nums">{{ time(part.minutes) }}</span>
                    </p>
                  </dd>
                </div>
              </dl>
            </section>
          </div>
          <div class="space-y-5">
            <section v-if="plan.buying.length" aria-label="What is bought when">
              <h2 class="border-b border-line pb-1 font-serif text-lg">Buy by</h2>
              <ul>
                <li
                  v-for="each in plan.buying"
                  :key="`${each.piece} ${each.what}`"
                  class="flex justify-between gap-2 border-b border-seam py-0.5"
                  data-testid="buy"
                >
                  <span class="min-w-0 truncate">{{ each.what === 'greens' ? `Greens for ${each.name}` : each.name }}</span><span
                    class="shrink-0"
                    :class="each.by < today ? 'text-ruddy' : ''"
                    >{{ daySaid(each.by) }}</span
                  >
                </li>
              </ul>
              <NuxtLink to="/shops" class="page-link">One basket for all of it</NuxtLink>
              <NuxtLink to="/cutting" class="page-link ml-3">One cutting plan</NuxtLink>
            </section>
            <section v-if="left.length || aside.length" aria-label="Not in this season">
              <h2 class="border-b border-line pb-1 font-serif text-lg">Not in this season</h2>
              <ul>
                <li v-for="piece in left" :key="piece.id" class="flex items-center justify-between gap-2 border-b border-seam py-0.5">
                  <span class="truncate">{{ piece.name }}</span><button
                    type="button"
                    class="button h-6"
                    :aria-label="`Take ${piece.name} in again`"
                    @click="later(piece.id, false)"
                  >
                    Take it in
                  </button>
                </li>
                <li v-for="piece in aside" :key="piece.id" class="flex justify-between gap-2 border-b border-seam py-0.5 text-soft">
                  <span class="truncate">{{ piece.name }}</span><span class="shrink-0">{{
                    piece.due ? daySaid(piece.due) : 'no day'
                  }}</span>
                </li>
              </ul>
            </section>
            <section aria-label="Hours">
              <h2 class="mb-2 border-b border-line pb-1 font-serif text-lg">Hours</h2>
              <HoursFields />
            </section>
          </div>
        </div>
      </template>
    </template>
  </main>
</template>
