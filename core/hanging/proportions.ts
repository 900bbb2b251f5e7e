import type { LaidLayer } from '../placement'
import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Bounds, Figure, Rated } from '../measure'
import { quantity, rate, asUnit, mm, divide, saidAs, labelled, worked } from '../measure'
import type { Problem } from '../piece'
import { BOW_LEAST, BOW_MOST } from './rules-of-thumb'
import { hangingMessage } from './words'

/** How wide a bow or a sign is against the base. */
export interface Proportion {
  readonly layer: string
  readonly name: string
  readonly role: 'bow' | 'sign'
  readonly share: Figure
  readonly lead: boolean
}

export function proportionsOf(bare: Bounds, laid: readonly LaidLayer[], shelf: Shelf): Proportion[] {
  const wide = bare.right - bare.left
  const focals = laid.some(({ layer, placements }) => layer.role === 'focal' && placements.length > 0)
  return laid.flatMap(({ layer, placements }): Proportion[] => {
    const { role } = layer
    const [one] = placements
    if (!one || (role !== 'bow' && role !== 'sign')) return []
    const material = materialOf(shelf, one.material)!
    const name = one.made ? `bow of ${material.name}` : material.name
    return [
      {
        layer: layer.id,
        role,
        name,
        lead: !focals,
        share: worked(
          asUnit('share', divide(saidAs(mm(one.length), [`${name} `, quantity.length(one.length)]), labelled`base ${mm(wide)}`)),
        ),
      },
    ]
  })
}

export function proportionProblems(proportions: readonly Proportion[], by: Rated): Problem[] {
  const [least, most] = [rate(BOW_LEAST, by), rate(BOW_MOST, by)]
  return proportions.flatMap(({ layer, name, role, share, lead }): Problem[] => {
    if (role !== 'bow') return []
    if (lead && share.value > 1)
      return [
        {
          id: `${layer}:large`,
          severity: 'note',
          layer,
          ...hangingMessage('bow-wider-than-base', { name, share: share.value }),
          mends: [{ ...hangingMessage('smaller-bow-or-larger-base', {}), edit: null }],
        },
      ]
    if (share.value > most && !lead)
      return [
        {
          id: `${layer}:large`,
          severity: 'note',
          layer,
          ...hangingMessage('bow-takes-lead', { name, share: share.value, most, usual: most === BOW_MOST.value }),
          mends: [{ ...hangingMessage('smaller-bow-or-focal', {}), edit: null }],
        },
      ]
    if (share.value < least)
      return [
        {
          id: `${layer}:small`,
          severity: 'note',
          layer,
          ...hangingMessage('bow-small', {
            name,
            share: share.value,
            least,
            most,
            usual: least === BOW_LEAST.value && most === BOW_MOST.value,
          }),
          mends: [{ ...hangingMessage('larger-bow', {}), edit: null }],
        },
      ]
    return []
  })
}
