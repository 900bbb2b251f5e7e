import { computed, ref, shallowRef } from 'vue'
import type { KnotPlace, OutlineStroke } from '#core/base'
import { isCurved, mirroredHalf, outlineOf, runsOf, strokesFault, withClosed, withCurve, withoutPoint, withRun } from '#core/base'
import type { Point } from '#core/measure'

/** An outline while it is drawn: its strokes in mm, what is chosen of it, and the steps back. */
export function useOutlineDraft(begun: readonly OutlineStroke[], face: number) {
  const kept = useStrokes(begun)
  const { strokes, chosen, take } = kept
  const fault = computed(() => strokesFault(strokes.value)?.says ?? null)
  const shape = computed(() => (fault.value === null ? outlineOf(strokes.value, face) : null))
  const runs = computed(() => (shape.value ? runsOf({ shape: shape.value, turn: 0 }) : []))
  const stroke = computed(() => (chosen.value ? (strokes.value[chosen.value.stroke] ?? null) : null))
  const curved = computed(() => (chosen.value ? isCurved(strokes.value, chosen.value) : null))

  /** Begins a run at a point, which is what is drawn on with. */
  function begin(at: Point): void {
    take(withRun(strokes.value, at))
    chosen.value = { stroke: strokes.value.length - 1, point: 0 }
  }
  const bend = (): void => {
    if (chosen.value && curved.value !== null) take(withCurve(strokes.value, chosen.value, !curved.value))
  }
  const close = (): void => {
    if (chosen.value && stroke.value) take(withClosed(strokes.value, chosen.value.stroke, !stroke.value.closed))
  }
  const removePoint = (): void => {
    if (chosen.value) take(withoutPoint(strokes.value, chosen.value))
  }
  const removeRun = (): void => {
    const place = chosen.value
    if (!place) return
    chosen.value = null
    take(strokes.value.filter((_, i) => i !== place.stroke))
  }
  const mirror = (): void => {
    chosen.value = null
    take(mirroredHalf(strokes.value))
  }
  return { ...kept, fault, shape, runs, stroke, curved, begin, bend, close, removePoint, removeRun, mirror }
}
export type OutlineDraft = ReturnType<typeof useOutlineDraft>

/** The strokes themselves, what is chosen of them, and what they were before each step. */
function useStrokes(begun: readonly OutlineStroke[]) {
  const strokes = shallowRef<readonly OutlineStroke[]>(begun)
  const chosen = ref<KnotPlace | null>(null)
  const before = shallowRef<readonly (readonly OutlineStroke[])[]>([])

  /** Takes a change, and keeps what was for a step back. @param from what was before a hand began to move it */
  function take(next: readonly OutlineStroke[], from: readonly OutlineStroke[] = strokes.value): void {
    before.value = [...before.value, from]
    strokes.value = next
    const place = chosen.value
    const left = place ? (next[place.stroke]?.points.length ?? 0) : 0
    if (place && place.point >= left) chosen.value = left > 0 ? { stroke: place.stroke, point: left - 1 } : null
  }
  /** Shows what a hand is moving; it is taken when it is let go. */
  const show = (next: readonly OutlineStroke[]): void => {
    strokes.value = next
  }
  const choose = (place: KnotPlace | null): void => {
    chosen.value = place
  }
  function back(): void {
    const last = before.value.at(-1)
    if (!last) return
    before.value = before.value.slice(0, -1)
    strokes.value = last
    chosen.value = null
  }
  return { strokes, chosen, before, take, show, choose, back }
}
