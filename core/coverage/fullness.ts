import type { Rated } from '../measure'
import { rate } from '../measure'
import type { Brief } from '../piece'
import { FULL_ONCE, LUSH_ONCE, LUSH_TWICE } from './rules-of-thumb'

/** What a fullness asks of the face: shares covered once and twice. */
export function fullnessAsks(fullness: Brief['fullness'], by: Rated): { readonly once: number; readonly twice: number } {
  switch (fullness) {
    case 'sparse':
      return { once: 0, twice: 0 }
    case 'full':
      return { once: rate(FULL_ONCE, by), twice: 0 }
    case 'lush':
      return { once: rate(LUSH_ONCE, by), twice: rate(LUSH_TWICE, by) }
  }
}
