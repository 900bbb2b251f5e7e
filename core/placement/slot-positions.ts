import type { Run } from '../base'
import { onRun, wayTo } from '../base'
import type { Material, Shelf } from '../material'
import { materialOf } from '../material'
import { onceWith } from '../measure'
import type { Layer } from '../piece'
import { ruleSortOf, slotOf } from '../piece'
import { dealMix, knownMix } from './mix-assignment'
import { arrangingOf } from './rules'
import type { Slot } from './slot'
import type { Zone } from './placement'
import { grown, joined, keepClear, reserved } from './reserved-zones'

/** The materials that a rule may ask for by their place. What has a build for each part of its mix names them all, wanted or not. */
export const mixFor = (layer: Layer, shelf: Shelf): Material[] =>
  ruleSortOf(layer.rule.kind).builds
    ? layer.mix.flatMap(({ material }) => materialOf(shelf, material) ?? [])
    : knownMix(layer, shelf).map(({ known }) => known)

/** The width of each of the first `n` things that a layer deals, mm; of a place that stays empty the mean of the mix. */
export function widthsOf(layer: Layer, shelf: Shelf, n: number): number[] {
  const mix = knownMix(layer, shelf)
  const mean = mix.reduce((sum, { known }) => sum + known.width, 0) / Math.max(1, mix.length)
  const dealt = dealMix(
    layer,
    shelf,
    Array.from({ length: n }, () => 1),
  )
  return Array.from({ length: n }, (_, i) => dealt[i]?.width ?? mean)
}

/** What was dealt to slots: those of a layer are laid out afresh whenever its mix or the shelf changes. */
const dealings = onceWith<readonly Slot[], readonly (Material | null)[]>()

/** Where each slot of a layer comes to lie among reserved places, and of what; null where nothing is left for it, or there is no room. */
export function liesOf(
  layer: Layer,
  slots: readonly Slot[],
  kept: readonly Zone[],
  shelf: Shelf,
): (slot: Slot) => { readonly s: number; readonly material: Material } | null {
  const mix = mixFor(layer, shelf)
  const dealtTo = (deal: number): Material | null =>
    dealings(slots, [layer.mix, shelf.materials], () => dealMix(layer, shelf, placesOf(slots)))[deal] ?? null
  const clear = new Map<string, (s: number) => number>()
  const clearOf = (run: Run, about: number) => {
    const key = `${run.id} ${about}`
    const known =
      clear.get(key) ??
      keepClear(
        run,
        joined(
          kept.map((zone) => grown(zone, run, about)),
          run,
        ),
      )
    clear.set(key, known)
    return known
  }
  // A cluster keeps together: all of it gives way as one.
  const groups =
    arrangingOf(layer.rule.kind).gives === 'groups' && layer.clear && kept.length
      ? groupsOf(slots, (slot) => dealtTo(slot.deal)?.width ?? 0)
      : null
  return (slot) => {
    const material = slot.material === null ? dealtTo(slot.deal) : mix[Math.min(slot.material, mix.length - 1)]!
    if (!material) return null
    // A gather stays in its tie: in a place that is kept there is none.
    if (slot.made) return layer.clear && reserved(slot.run, joined(kept, slot.run), slot.s) ? null : { s: slot.s, material }
    if (!layer.clear || slot.on) return { s: slot.s, material }
    const group = groups?.get(groupOf(slot))
    if (group) return { s: onRun(slot.run, slot.s + wayTo(slot.run, group.centre, clearOf(slot.run, group.about)(group.centre))), material }
    // What has a body of its own keeps clear with all of it, a stem with where it is held.
    return { s: clearOf(slot.run, material.form === 'leaf' ? 0 : material.width / 2)(slot.s), material }
  }
}

/** How many slots take each number of the dealing. */
function placesOf(slots: readonly Slot[]): number[] {
  const places: number[] = []
  for (const { deal } of slots) {
    while (places.length <= deal) places.push(0)
    places[deal]! += 1
  }
  return places.map((n) => Math.max(1, n))
}

const groupOf = ({ id, run }: Slot): string => `${run.id} ${slotOf(id).place}`

/** The middle of each group of a cluster, and how far it reaches to either side, mm. */
function groupsOf(
  slots: readonly Slot[],
  widthOf: (slot: Slot) => number,
): Map<string, { readonly centre: number; readonly about: number }> {
  const found = new Map<string, Slot[]>()
  for (const slot of slots) found.set(groupOf(slot), [...(found.get(groupOf(slot)) ?? []), slot])
  return new Map(
    [...found].map(([key, own]) => {
      const [first] = own
      const off = own.map(({ s }) => wayTo(first!.run, first!.s, s))
      const middle = (Math.min(...off) + Math.max(...off)) / 2
      return [
        key,
        {
          centre: onRun(first!.run, first!.s + middle),
          about: Math.max(...own.map((slot, i) => Math.abs(off[i]! - middle) + widthOf(slot) / 2)),
        },
      ]
    }),
  )
}
