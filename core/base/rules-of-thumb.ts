import type { Thumb } from '../measure'
import { thumb } from '../measure'
import { BASE_SORTS } from './base-catalogue'
import type { BaseKind } from './schema'
import { BASE_KINDS } from './schema'

/** What a bare base of each kind weighs to a hundred square centimetres of its face. */
export const DENSITIES = Object.fromEntries(
  BASE_KINDS.map((kind): [BaseKind, Thumb] => {
    const { name, density } = BASE_SORTS[kind]
    return [
      kind,
      thumb(
        `base.density-${kind}`,
        `${name}, to 100 cm² of face`,
        'mass',
        density,
        [density / 4, density * 4],
        'Weigh one you have and divide by its face.',
      ),
    ]
  }),
) as Record<BaseKind, Thumb>
