<script setup lang="ts">
import { computed } from 'vue'
import type { Lane, TapeMark as Mark } from '#core/placement'
import type { LengthUnits } from '#core/measure'
import { onceFor, readTape } from '#core/measure'

/**
 * What lies on the tape of one layer, and the gaps between. There may be hundreds: a lane is drawn anew only when
 * something of its own changes, and so is each of its marks.
 */
const props = defineProps<{
  lane: Lane
  /** Where the tape's first distance is drawn, px, its scale, px to the mm, and its ends, mm. */
  left: number
  pixels: number
  from: number
  to: number
  units: LengthUnits
  high: number
  chosen: ReadonlySet<string>
  selected: string | null
  /** What lies under other things, so that next to nothing of it is seen. */
  unseen: ReadonlySet<string>
  /** How far a mark is dragged, px. */
  shift: (mark: Mark) => number
  says: (mark: Mark) => string
}>()
const emit = defineEmits<{
  grab: [event: PointerEvent, mark: Mark]
  pull: [event: PointerEvent]
  drop: []
  cancel: []
  choose: [placement: string]
  toggle: [placement: string]
}>()

/** A gap's measure is written where it has at least this much room for each letter, px. */
const LETTER = 5.4

const x = (at: number): number => props.left + (at - props.from) * props.pixels
/** Half the width that takes a click on each mark, px: never reaching past the middle to its neighbour. */
const grips = computed(() =>
  props.lane.marks.map(({ at }, i) => {
    const near = Math.min(at - (props.lane.marks[i - 1]?.at ?? -Infinity), (props.lane.marks[i + 1]?.at ?? Infinity) - at)
    return Math.max(1, Math.min(7, (near * props.pixels) / 2))
  }),
)
/** The gaps with their measures, without the unit: the tape's own numbers say which. */
const gaps = computed(() =>
  props.lane.gaps.flatMap(({ from, length }) => {
    const over = from + length > props.to
    const room = (over ? props.to - from : length) * props.pixels
    const text = readTape(length, props.units).replace(/ (in|cm)$/, '')
    return room >= text.length * LETTER + 8 ? [{ text, x: x(over ? from + (props.to - from) / 2 : from + length / 2) }] : []
  }),
)
/** The mark that Tab comes to: the chosen one, or the first. */
const focus = computed(() => (props.lane.marks.find(({ placement }) => placement === props.selected) ?? props.lane.marks[0])?.placement)
/** How each mark reads aloud, worked out once for as long as the mark and the rule stay. */
const reading = computed(() => {
  const [{ says }, known] = [props, onceFor<Mark, string>()]
  return (mark: Mark): string => known(mark, () => says(mark))
})
</script>

<template>
  <g>
    <g aria-hidden="true">
      <text v-for="(gap, i) in gaps" :key="i" :x="gap.x" :y="high / 2 + 3.5" text-anchor="middle" class="fill-rime text-[10px]">{{
        gap.text
      }}</text>
    </g>
    <TapeMark
      v-for="(mark, i) in lane.marks"
      :key="mark.placement"
      :mark="mark"
      :x="x(mark.at) + shift(mark)"
      :grip="grips[i]!"
      :chosen="chosen.has(mark.placement)"
      :focus="focus === mark.placement"
      :says="reading(mark)"
      :unseen="unseen.has(mark.placement)"
      :high="high"
      @grab="(event, of) => emit('grab', event, of)"
      @pull="(event) => emit('pull', event)"
      @drop="emit('drop')"
      @cancel="emit('cancel')"
      @choose="(id) => emit('choose', id)"
      @toggle="(id) => emit('toggle', id)"
    />
  </g>
</template>
