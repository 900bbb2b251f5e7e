import type { LaidLayer } from '../arrange'
import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Bounds, Figure } from '../measure'
import { figure, quantity, RULE_OF_THUMB, sum } from '../measure'
import type { Problem } from '../piece'

/** A supporting bow is about a third to a half of the base's width: rule of thumb. */
export const BOW_SHARES = { least: 1 / 3, most: 1 / 2 } as const

/** How wide a bow or a sign is against the base. */
export interface Proportion { readonly layer: string, readonly name: string, readonly role: 'bow' | 'sign', readonly share: Figure, readonly lead: boolean }

export function proportionsOf(bare: Bounds, laid: readonly LaidLayer[], shelf: Shelf): Proportion[] {
  const wide = bare.right - bare.left
  const focals = laid.some(({ layer, placements }) => layer.role === 'focal' && placements.length > 0)
  return laid.flatMap(({ layer, placements }): Proportion[] => {
    const { role } = layer
    const [one] = placements
    if (!one || (role !== 'bow' && role !== 'sign')) return []
    const material = materialOf(shelf, one.material)!
    const name = one.made ? `bow of ${material.name}` : material.name
    return [{
      layer: layer.id, role, name, lead: !focals,
      share: figure(quantity.share(one.length / wide), sum`${name} ${quantity.length(one.length)} ÷ base ${quantity.length(wide)} = ${quantity.share(one.length / wide)}`, RULE_OF_THUMB),
    }]
  })
}

export function proportionProblems(proportions: readonly Proportion[]): Problem[] {
  return proportions.flatMap(({ layer, name, role, share, lead }): Problem[] => {
    if (role !== 'bow') return []
    if (lead && share.value > 1) return [{ id: `${layer}:large`, severity: 'note', layer, says: sum`The ${name} is ${quantity.share(share.value)} of the base’s width: wider than the base itself.`, mends: [{ says: sum`A smaller bow, or a larger base`, edit: null }] }]
    if (share.value > BOW_SHARES.most && !lead) return [{ id: `${layer}:large`, severity: 'note', layer, says: sum`The ${name} is ${quantity.share(share.value)} of the base’s width: more than half, it takes the lead from the focals.`, mends: [{ says: sum`A smaller bow, or let it be the focal`, edit: null }] }]
    if (share.value < BOW_SHARES.least) return [{ id: `${layer}:small`, severity: 'note', layer, says: sum`The ${name} is ${quantity.share(share.value)} of the base’s width: about a third to a half looks right.`, mends: [{ says: sum`A larger bow`, edit: null }] }]
    return []
  })
}
