import type { Run } from '../base'
import type { Figure } from '../measure'
import { COUNTED, figure, GEOMETRY, quantity, sum } from '../measure'
import type { LaidLayer } from './placement'
import { meantGaps } from './tape'

/** How far a layer's things stand apart, said both ways makers measure it. */
export interface Spacing {
  /** Along the outer edge, where a tape is laid. */
  readonly rim: Figure
  /** Along the middle of the face, where stems sit. */
  readonly centre: Figure
  /** The smallest and the widest gap as placed, when they are not all alike. */
  readonly gaps: { readonly least: Figure, readonly most: Figure } | null
}

/** Null for fewer than two things, which have no spacing. */
export function spacingOf(run: Run, laid: LaidLayer): Spacing | null {
  const n = laid.placements.length
  if (n < 2) return null
  const gaps = meantGaps(run, laid)
  const lengths = gaps.map(({ length }) => length)
  const least = Math.min(...lengths)
  const most = Math.max(...lengths)
  const total = lengths.reduce((a, b) => a + b, 0)
  const mean = total / gaps.length
  const whole = gaps.length === n ? sum`centre line ${quantity.length(total)} ÷ ${quantity.count(gaps.length)} gaps = ${quantity.length(mean)}`
    : sum`${quantity.length(total)} from first to last ÷ ${quantity.count(gaps.length)} gaps = ${quantity.length(mean)}`
  const rim = mean * run.rim / run.length
  return {
    centre: figure(quantity.length(mean), whole, GEOMETRY),
    rim: figure(quantity.length(rim),
      sum`${quantity.length(mean)} on the centre line × rim ${quantity.length(run.rim)} ÷ centre line ${quantity.length(run.length)} = ${quantity.length(rim)}`, GEOMETRY),
    gaps: most - least < 0.5 ? null : {
      least: figure(quantity.length(least), sum`the smallest of ${quantity.count(gaps.length)} gaps on the centre line`, COUNTED),
      most: figure(quantity.length(most), sum`the widest of ${quantity.count(gaps.length)} gaps on the centre line`, COUNTED),
    },
  }
}
