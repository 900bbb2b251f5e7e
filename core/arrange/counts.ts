import { onceFor } from '../measure'
import type { LaidLayer } from './placement'

const counted = onceFor<LaidLayer, ReadonlyMap<string, number>>()

/** How many of each material a layer has, in the order in which they first come. */
export const countsOf = (laid: LaidLayer): ReadonlyMap<string, number> => counted(laid, () => {
  const counts = new Map<string, number>()
  for (const { material } of laid.placements) counts.set(material, (counts.get(material) ?? 0) + 1)
  return counts
})

/** The same over several layers. */
export function countsOfAll(laid: readonly LaidLayer[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>()
  for (const each of laid) for (const [material, n] of countsOf(each)) counts.set(material, (counts.get(material) ?? 0) + n)
  return counts
}
