import type { Ref } from 'vue'
import { computed, ref } from 'vue'
import type { Placement } from '#core/placement'

/** What is chosen on the bench, and how far the order of work is shown. @param placements that lie there, by their ids */
export function useSelection(placements: Readonly<Ref<ReadonlyMap<string, Placement>>>) {
  /** The things that are chosen; the last is the one that measures are shown for. */
  const selection = ref<readonly string[]>([])
  const selected = computed(() => selection.value.at(-1) ?? null)
  /** How many things of the order of work are shown; null shows all. */
  const shownUpTo = ref<number | null>(null)
  const openLayer = ref<string | null>(null)
  const selectedPlacement = computed<Placement | null>(() => placements.value.get(selected.value ?? '') ?? null)
  const selectedPlacements = computed(() => selection.value.flatMap((id) => placements.value.get(id) ?? []))

  /** Chooses one thing, or none. @param layer its layer, where it is not laid yet */
  function select(placement: string | null, layer?: string): void {
    selectAll(placement ? [placement] : [], layer)
  }

  /** Chooses several; the layer of the last is opened. */
  function selectAll(ids: readonly string[], layer = placements.value.get(ids.at(-1) ?? '')?.layer): void {
    selection.value = ids
    if (layer !== undefined) openLayer.value = layer
  }

  /** Adds a thing to what is chosen, or takes it out. */
  function toggle(placement: string): void {
    selectAll(selection.value.includes(placement) ? selection.value.filter((id) => id !== placement) : [...selection.value, placement])
  }

  /** Nothing is chosen, and all is shown. */
  function clear(): void {
    selection.value = []
    shownUpTo.value = null
    openLayer.value = null
  }

  return { selection, selected, shownUpTo, openLayer, selectedPlacement, selectedPlacements, select, selectAll, toggle, clear }
}
