import { onceFor } from '../measure'
import { facesOf, laysLengths } from '../piece'
import type { LaidLayer, Placement } from './placement'

const counted = onceFor<LaidLayer, ReadonlyMap<string, number>>()

/** The things of a layer by their numbers, whatever order they are laid in. */
export const bySlot = ({ placements }: LaidLayer): Placement[] => [...placements].sort((a, b) => a.number - b.number)

/** How many stems of each material a layer has, in the order in which they first come along the run; none of what is made of lengths. */
export const countsOf = (laid: LaidLayer): ReadonlyMap<string, number> =>
  counted(laid, () => {
    const counts = new Map<string, number>()
    if (laysLengths(laid.layer.rule)) return counts
    // What is bound on both faces is drawn on one.
    const faces = facesOf(laid.layer.rule)
    for (const { material } of bySlot(laid)) counts.set(material, (counts.get(material) ?? 0) + faces)
    return counts
  })

const listing = onceFor<LaidLayer, ReadonlySet<string>>()

/** The materials of all that a layer lays, what is made of lengths too. */
export const materialsOf = (laid: LaidLayer): ReadonlySet<string> =>
  listing(laid, () => new Set(bySlot(laid).map(({ material }) => material)))

/** How many stems of each material several layers have. */
export function countsOfAll(laid: readonly LaidLayer[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>()
  for (const each of laid) for (const [material, n] of countsOf(each)) counts.set(material, (counts.get(material) ?? 0) + n)
  return counts
}
