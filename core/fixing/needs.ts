import type { Need } from '../material'
import { mechanicOf } from '../material'
import type { Figure, Rated, Term, Thumb } from '../measure'
import { rate, count, saidAs, times, worked } from '../measure'
import type { WayId } from '../piece'
import type { Fixing } from './choose'
import { STICK_DOTS, TUBE_DOTS } from './rules-of-thumb'
import type { Take } from './methods'
import { FIXING_WAYS } from './methods'

/** How many dots a stick or tube of a glue gives; null where it is no glue that goes on by the dot. */
export const dotsRule = (material: string): Thumb | null => {
  const { is } = mechanicOf(material) ?? {}
  return is === 'hot glue' ? STICK_DOTS : is === 'weatherproof glue' ? TUBE_DOTS : null
}

/** What the fixings of one kind of thing in a layer come to of one material. */
export interface FixingAmount {
  readonly layer: string
  readonly material: string
  readonly of: Take['of']
  /** Things, mm, or dots. */
  readonly figure: Figure
}

/** What fixings take, one by one: whole things, lengths of wire and cord, and dots of glue. @param backups what holds besides, by layer */
export function fixingAmounts(fixings: readonly Fixing[], backups: ReadonlyMap<string, WayId>, by: Rated): FixingAmount[] {
  return fixings.flatMap((fixing) => {
    const backup = backups.get(fixing.layer)
    const ways = [...(fixing.tied ? [] : [FIXING_WAYS[fixing.way]]), ...(backup ? [FIXING_WAYS[backup]] : [])]
    const many = (each: Term): Term =>
      fixing.count === 1 ? each : times(saidAs(count(fixing.count), [`${fixing.count} ${fixing.plural}`]), each)
    return ways.flatMap((way) =>
      way
        .takes(fixing.joint, by)
        .map(({ material, of, each }): FixingAmount => ({ layer: fixing.layer, material, of, figure: worked(many(each)) })),
    )
  })
}

/**
 * The needs of what fixings take. A stick of glue serves layer after layer and copy after copy: a piece needs so much of one,
 * for the layer that is glued first, and whole ones are bought for all copies together.
 */
export function fixingNeeds(taken: readonly FixingAmount[], by: Rated): Need[] {
  const rows = new Map<string, { layer: string; material: string; of: Take['of']; amount: number }>()
  for (const { layer, material, of, figure } of taken) {
    const key = of === 'dots' ? material : `${layer} ${material} ${of}`
    const row = rows.get(key) ?? { layer, material, of, amount: 0 }
    rows.set(key, { ...row, amount: row.amount + figure.value })
  }
  return [...rows.values()].map(({ layer, material, of, amount }): Need => {
    if (of === 'length') return { of: 'lengths', material, use: 'fixing', layer, length: amount, count: 1, joins: true }
    const n = of === 'dots' ? amount / rate(dotsRule(material)!, by) : Math.round(amount)
    return { of: 'things', material, use: 'fixing', layer, count: n, cut: null, spare: 0 }
  })
}
