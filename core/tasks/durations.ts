import type { LaidLayer } from '../placement'
import type { Fixing, Hold } from '../fixing'
import type { Figure, Rated, Term, Thumb } from '../measure'
import { COUNTED, figure, quantity, sum, byRule, count, plusAll, saidAs, times, worked } from '../measure'
import type { RuleKind } from '../piece'
import { facesOf } from '../piece'
import {
  BEAD_EACH,
  BOUGH_EACH,
  BUNDLE_EACH,
  GATHER_EACH,
  GLUE_SETS,
  HEAVY_EACH,
  LENGTH_EACH,
  LIGHT_EACH,
  STEM_EACH,
} from './rules-of-thumb'

/** No time at all. */
export const NONE: Figure = figure(quantity.time(0), sum`nothing to wait for`, COUNTED)

/** So many of a thing, each in its time. */
export const each = (n: number, what: string, of: Thumb, by: Rated): Term => times(saidAs(count(n), [`${n} ${what}`]), byRule(of, by))
export const once = (of: Thumb, by: Rated): Figure => worked(byRule(of, by))

const HELD_IN: Record<Hold, Thumb> = { light: LIGHT_EACH, stem: STEM_EACH, heavy: HEAVY_EACH }

/** What hands count off in a layer that is made of something, and how long each takes. */
const MADE_IN: Partial<Record<RuleKind, { readonly of: string; readonly in: Thumb }>> = {
  boughs: { of: 'pieces', in: BOUGH_EACH },
  mesh: { of: 'pieces', in: GATHER_EACH },
  poofs: { of: 'poofs', in: GATHER_EACH },
  beads: { of: 'beads', in: BEAD_EACH },
}

/** What of a layer is counted off while it is made: bundles on both faces, where both are covered. */
export function countsIn(
  { layer, placements }: LaidLayer,
  fixings: readonly Fixing[],
): { readonly of: string; readonly count: number } | null {
  const { rule } = layer
  if (rule.kind === 'bundles') return { of: 'bundles', count: facesOf(rule) * Math.ceil(placements.length / rule.sprigs) }
  const made = MADE_IN[rule.kind]
  if (made) return { of: made.of, count: placements.length }
  const n = fixings.reduce((all, fixing) => all + fixing.count, 0)
  return n > 1 && rule.kind !== 'bow' ? { of: fixings.length === 1 ? fixings[0]!.plural : 'things', count: n } : null
}

const YARD = 914.4

/** How long hands take over a layer. @param length of what comes by the length in it, mm */
export function handsFor(laid: LaidLayer, fixings: readonly Fixing[], length: number, by: Rated): Figure {
  const { rule } = laid.layer
  if (rule.kind === 'bundles') {
    const bundles = countsIn(laid, fixings)!.count
    return worked(each(bundles, 'bundles', BUNDLE_EACH, by))
  }
  const made = MADE_IN[rule.kind]
  if (made) return worked(each(laid.placements.length, made.of, made.in, by))
  if (!fixings.length) {
    const yards = Math.max(1, Math.ceil(length / YARD))
    return worked(each(yards, yards === 1 ? 'yard' : 'yards', LENGTH_EACH, by))
  }
  const terms = fixings.map((fixing) => each(fixing.count, fixing.count === 1 ? fixing.name : fixing.plural, HELD_IN[fixing.hold], by))
  return worked(plusAll(terms, terms[0]!))
}

/** How long what was glued in a layer sets: overnight for weatherproof glue, not worth saying for hot. */
export const setsIn = (fixings: readonly Fixing[], by: Rated): Figure =>
  fixings.some(({ way }) => way === 'weatherproof glue') ? once(GLUE_SETS, by) : NONE
