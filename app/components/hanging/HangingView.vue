<script setup lang="ts">
import { computed, ref } from 'vue'
import { BASE_SORTS } from '#core/base'
import { attachment, turnedAbout } from '#core/hanging'
import type { Bounds, Point } from '#core/measure'
import { quantity, readTape, show } from '#core/measure'
import { hangsAt } from '#core/piece'
import { useBench } from '~/stores/bench'

/** The piece as it would hang: from the front on its door, turned as it comes to rest, and from the side in section. */
const bench = useBench()
const piece = computed(() => bench.piece!)
const workings = computed(() => bench.workings!)
const hung = computed(() => workings.value.hung)
const hanger = computed(() => piece.value.hanger)
const garland = computed(() => BASE_SORTS[piece.value.base.kind].family === 'garlands')

type As = 'designed' | 'hung' | 'mended'
const as = ref<As>('hung')
const loads = ref(false)
const choices = computed<{ id: As; name: string }[]>(() => [
  { id: 'designed', name: 'As designed' },
  { id: 'hung', name: 'As it hangs' },
  ...(hung.value.level && hanger.value && Math.abs(hung.value.level.at - hanger.value.at) > 1e-3
    ? [{ id: 'mended' as const, name: 'Hanger moved' }]
    : []),
])
const shown = computed<As>(() => (choices.value.some(({ id }) => id === as.value) ? as.value : 'hung'))

/** Where it hangs and how far it is turned, in the way that is shown. */
const pivot = computed<Point>(() => {
  const own = hung.value.pivot ?? { x: 0, y: workings.value.size.top }
  if (shown.value !== 'mended' || !hanger.value || !hung.value.level) return own
  const moved = attachment(bench.runs, { run: hanger.value.run, at: hung.value.level.at })
  const now = attachment(bench.runs, hanger.value)
  return { x: moved.x + own.x - now.x, y: moved.y + own.y - now.y }
})
const angle = computed(() => (shown.value === 'hung' ? (hung.value.rest?.value ?? 0) : 0))
const centre = computed<Point | null>(() => {
  const { centre } = workings.value.mass
  return centre ? turnedAbout({ x: centre.x.value, y: centre.y.value }, pivot.value, angle.value) : null
})
const doorTop = computed(() => {
  const share = hangsAt(piece.value, bench.shelf)
  return share === null ? null : -piece.value.brief.door.height * (1 - share)
})
const overDoor = computed(() => hanger.value?.hook === 'over-door hook' || hanger.value?.hook === 'over the door')
/** The point of the hook, where the loop lies in it: it moves with what the piece turns about. */
const hook = computed<Point>(() => {
  const { hook: own, pivot: about } = hung.value
  return own && about ? { x: own.x + pivot.value.x - about.x, y: own.y + pivot.value.y - about.y } : pivot.value
})

/** What is seen from the front, mm about the base's middle. */
const region = computed<Bounds>(() => {
  const { size } = workings.value
  const tall = size.bottom - size.top
  const top = Math.min(
    hook.value.y - tall * 0.08,
    size.top - tall * 0.06,
    overDoor.value && doorTop.value !== null ? doorTop.value - tall * 0.06 : Infinity,
  )
  const bottom = size.bottom + tall * 0.14
  const half = Math.max(size.right, -size.left) * 1.18 + 20
  return { left: -half, right: half, top, bottom }
})
const high = computed(() => region.value.bottom - region.value.top)
const wide = computed(() => region.value.right - region.value.left)
const door = computed(() => {
  const { width } = piece.value.brief.door
  return {
    left: Math.max(region.value.left, -width / 2),
    right: Math.min(region.value.right, width / 2),
    top: Math.max(region.value.top, doorTop.value ?? region.value.top),
  }
})
const origin = computed(
  () => `${((pivot.value.x - region.value.left) / wide.value) * 100}% ${((pivot.value.y - region.value.top) / high.value) * 100}%`,
)
const stroke = computed(() => high.value / 260)
const attach = computed(() => {
  const h = hanger.value
  if (!h || h.loop !== 'arch') return null
  const at = attachment(bench.runs, h)
  return [
    { x: at.x - h.gap / 2, y: at.y },
    { x: at.x + h.gap / 2, y: at.y },
  ]
})
const side = computed(() => {
  const depth = hung.value.depth.value
  const clear = hanger.value?.clear ?? null
  const right = Math.max(depth * 1.5, (clear ?? 0) * 1.25, 140)
  return { depth, clear, left: -60, right }
})
const says = computed(() => {
  const { rest } = hung.value
  if (!hanger.value) return 'No hanger yet.'
  if (garland.value) return 'It hangs on hooks along its route.'
  if (!rest) return ''
  const turn = Math.round(rest.value * 10) / 10
  return Math.abs(turn) < 0.5
    ? 'It hangs straight.'
    : `It turns ${Math.abs(turn)}° ${turn > 0 ? 'clockwise' : 'anticlockwise'} as it comes to rest.`
})
</script>

<template>
  <section class="flex min-h-0 min-w-0 flex-col bg-frost" aria-label="How it hangs">
    <div class="flex flex-wrap items-center gap-2 border-b border-line px-3 py-1.5">
      <p class="mr-auto font-medium" data-testid="rest">{{ says }}</p>
      <div v-if="!garland && hanger" role="radiogroup" aria-label="Shown" class="flex gap-1">
        <button
          v-for="each in choices"
          :key="each.id"
          type="button"
          role="radio"
          :aria-checked="shown === each.id"
          class="button h-7"
          :class="shown === each.id ? 'border-leaf bg-moss' : ''"
          @click="as = each.id"
        >
          {{ each.name }}
        </button>
      </div>
      <button type="button" class="button h-7" :aria-pressed="loads" :class="loads ? 'border-leaf bg-moss' : ''" @click="loads = !loads">
        Load path
      </button>
    </div>
    <div class="flex min-h-0 flex-1 items-stretch justify-center gap-4 p-3">
      <figure class="flex h-full min-w-0 flex-col items-center">
        <div
          class="relative h-[calc(100%-1.5rem)] max-w-full overflow-hidden border border-seam"
          :style="{ aspectRatio: `${wide} / ${high}`, background: 'var(--bench)' }"
        >
          <svg class="absolute inset-0 size-full" :viewBox="`${region.left} ${region.top} ${wide} ${high}`" aria-hidden="true">
            <rect
              :x="door.left"
              :y="door.top"
              :width="door.right - door.left"
              :height="region.bottom - door.top"
              :fill="piece.brief.surface.colour"
            />
            <line :x1="door.left" :x2="door.right" :y1="door.top" :y2="door.top" stroke="#231a2b" :stroke-width="stroke * 1.5" />
          </svg>
          <div class="absolute inset-0" :style="{ transform: `rotate(${angle}deg)`, transformOrigin: origin }">
            <SceneDrawing :scene="workings.scene" :region="region" bare :label="`${piece.brief.name}, as it hangs`" />
            <svg
              v-if="loads"
              class="absolute inset-0 size-full"
              :viewBox="`${region.left} ${region.top} ${wide} ${high}`"
              data-testid="load-path"
              role="img"
              :aria-label="`Load path: ${workings.loads.map(({ name, sound }) => `${name} ${sound ? 'holds' : 'may fall'}`).join(', ') || 'nothing heavy'}`"
            >
              <g v-for="path in workings.loads" :key="path.id" :class="path.sound ? 'text-leaf' : 'text-ruddy'">
                <polyline
                  :points="path.points.map(({ x, y }) => `${x},${y}`).join(' ')"
                  fill="none"
                  stroke="#fff"
                  :stroke-width="stroke * 3.6"
                  stroke-linejoin="round"
                />
                <polyline
                  :points="path.points.map(({ x, y }) => `${x},${y}`).join(' ')"
                  fill="none"
                  stroke="currentColor"
                  :stroke-width="stroke * 2"
                  :stroke-dasharray="path.sound ? undefined : `${stroke * 5} ${stroke * 3}`"
                  stroke-linejoin="round"
                />
                <circle
                  v-for="(point, i) in path.points"
                  :key="i"
                  :cx="point.x"
                  :cy="point.y"
                  :r="stroke * 3"
                  fill="#fff"
                  stroke="currentColor"
                  :stroke-width="stroke * 1.6"
                />
              </g>
            </svg>
            <svg
              v-if="attach"
              class="absolute inset-0 size-full"
              :viewBox="`${region.left} ${region.top} ${wide} ${high}`"
              aria-hidden="true"
            >
              <polyline
                :points="[attach[0]!, pivot, attach[1]!].map(({ x, y }) => `${x},${y}`).join(' ')"
                fill="none"
                stroke="#8b7345"
                :stroke-width="stroke * 2"
              />
            </svg>
          </div>
          <svg class="absolute inset-0 size-full" :viewBox="`${region.left} ${region.top} ${wide} ${high}`" aria-hidden="true">
            <g v-if="hanger && !garland">
              <line
                v-if="hook.y < pivot.y"
                :x1="hook.x"
                :x2="pivot.x"
                :y1="hook.y"
                :y2="pivot.y"
                stroke="#8b7345"
                :stroke-width="stroke * 2.4"
              />
              <line
                v-if="overDoor && doorTop !== null"
                :x1="hook.x"
                :x2="hook.x"
                :y1="doorTop"
                :y2="hook.y"
                stroke="#6d7275"
                :stroke-width="stroke * 4"
              />
              <circle :cx="hook.x" :cy="hook.y" :r="stroke * 3.4" fill="#f8faf7" stroke="#231a2b" :stroke-width="stroke * 1.4" />
            </g>
            <g v-if="centre && !garland">
              <line
                :x1="pivot.x"
                :x2="pivot.x"
                :y1="pivot.y"
                :y2="region.bottom"
                stroke="#fff"
                :stroke-width="stroke * 2.6"
                opacity="0.75"
              />
              <line
                :x1="pivot.x"
                :x2="pivot.x"
                :y1="pivot.y"
                :y2="region.bottom"
                class="stroke-rime"
                :stroke-width="stroke * 1.2"
                :stroke-dasharray="`${stroke * 6} ${stroke * 4}`"
              />
              <circle :cx="centre.x" :cy="centre.y" :r="stroke * 5" fill="#fff" class="stroke-rime" :stroke-width="stroke * 1.6" />
              <path
                :d="`M${centre.x} ${centre.y - stroke * 5} A${stroke * 5} ${stroke * 5} 0 0 1 ${centre.x + stroke * 5} ${centre.y} L${centre.x} ${centre.y} Z M${centre.x} ${centre.y + stroke * 5} A${stroke * 5} ${stroke * 5} 0 0 1 ${centre.x - stroke * 5} ${centre.y} L${centre.x} ${centre.y} Z`"
                class="fill-rime"
              />
            </g>
          </svg>
        </div>
        <figcaption class="mt-1 text-fine text-soft">
          From the front<template v-if="!garland && centre"> · plumb line, and where its weight lies</template>
        </figcaption>
      </figure>
      <figure v-if="!garland" class="flex h-full shrink-0 flex-col items-center">
        <svg
          class="h-[calc(100%-1.5rem)] border border-seam bg-sheet"
          :viewBox="`${side.left} ${region.top} ${side.right - side.left} ${high}`"
          :style="{ aspectRatio: `${side.right - side.left} / ${high}` }"
          role="img"
          :aria-label="`From the side: it stands out ${readTape(side.depth, bench.manner.units)}`"
        >
          <rect
            :x="-38"
            :y="door.top"
            :width="38"
            :height="region.bottom - door.top"
            :fill="piece.brief.surface.colour"
            stroke="#231a2b"
            :stroke-width="stroke"
          />
          <path
            v-if="hanger && overDoor && doorTop !== null"
            :d="`M-44 ${doorTop + 60} V${doorTop - 4} H6 V${hook.y} q0 10 10 10 q10 0 10 -10`"
            fill="none"
            stroke="#6d7275"
            :stroke-width="stroke * 3"
          />
          <path v-else-if="hanger" :d="`M0 ${hook.y + 4} L18 ${hook.y - 6}`" stroke="#6d7275" :stroke-width="stroke * 4" />
          <line
            v-if="hanger"
            :x1="16"
            :x2="Math.min(30, side.depth / 2)"
            :y1="hook.y"
            :y2="pivot.y + 8"
            stroke="#8b7345"
            :stroke-width="stroke * 2"
          />
          <rect
            x="2"
            :y="workings.size.top"
            :width="side.depth"
            :height="workings.size.bottom - workings.size.top"
            :rx="side.depth / 3"
            class="fill-moss stroke-leaf"
            :stroke-width="stroke * 1.4"
          />
          <g v-if="side.clear !== null" :class="side.depth > side.clear ? 'text-ruddy' : 'text-rime'">
            <line
              :x1="side.clear"
              :x2="side.clear"
              :y1="region.top"
              :y2="region.bottom"
              stroke="currentColor"
              :stroke-width="stroke * 2"
              :stroke-dasharray="`${stroke * 8} ${stroke * 4}`"
            />
          </g>
          <g class="text-rime">
            <line
              x1="2"
              :x2="side.depth + 2"
              :y1="region.bottom - high * 0.05"
              :y2="region.bottom - high * 0.05"
              stroke="currentColor"
              :stroke-width="stroke * 1.2"
            />
            <text :x="side.depth / 2" :y="region.bottom - high * 0.062" text-anchor="middle" fill="currentColor" :font-size="high * 0.02">
              {{ show(quantity.length(side.depth), bench.manner) }}
            </text>
          </g>
        </svg>
        <figcaption class="mt-1 text-fine text-soft">
          From the side<template v-if="side.clear !== null"> · the storm door dashed</template>
        </figcaption>
      </figure>
    </div>
  </section>
</template>
