import type { LaidLayer } from '../arrange'
import { arrangingOf } from '../arrange'
import type { Body, Run } from '../base'
import { BASE_SORTS, stationAt } from '../base'
import type { Rated, Term, Thumb } from '../measure'
import { clamp, rate, sum } from '../measure'
import { byRule, count, mm, PI, plus, saidAs, the, times } from '../measure/term'
import type { Piece, RuleKind } from '../piece'
import type { MakeUp, NamedFigure } from './construction'
import { lengthsFor, thingsFor, told } from './construction'
import { CORD_LAP, FRAME, KNOT, RISE, THICKEST, TIE_EVERY, TRUNKS } from './thumbs'

/** What cords and hangers are made of. */
const CORD = 'jute-twine'
const [LEAST_TIES, MOST_TIES] = [2, 4]

/** How many ties hold two trunks that overlap by so much, mm: from two to four. */
export function trunkTies(overlap: number, by: Rated): Term {
  const every = byRule(TIE_EVERY, by)
  const n = clamp(Math.round(overlap / every.value), LEAST_TIES, MOST_TIES)
  return saidAs({ ...every, ...count(n), basis: every.basis, rules: every.rules }, sum`one to ${every} of overlap, from two to four`)
}

/** What the base itself takes: ties of its trunks, the cords of what hangs in it, and its hanger. */
export function baseMakeUp({ base }: Piece, runs: readonly Run[], laid: readonly LaidLayer[], by: Rated): MakeUp {
  const { shape, hook } = base
  const { family } = BASE_SORTS[base.kind]
  const ties = shape.form === 'swag' || shape.form === 'teardrop' ? trunkTies(shape.overlap, by) : null
  const cords = laid.flatMap(({ layer: { rule }, placements }) => {
    const drop = arrangingOf<RuleKind>(rule.kind).drop?.(rule) ?? 0
    return drop > 0 ? placements.map(() => plus(mm(drop), times(count(2), the`a lap of ${byRule(CORD_LAP, by)}`))) : []
  })
  const hanger = family !== 'garlands' && hook === null ? hangerLength(hungBy(base, runs[0]!, by), by) : null
  const figures: NamedFigure[] = [
    ...(ties ? [told('trees', 'Trees', count(2)), told('ties', 'Ties on the trunks', ties)] : []),
    ...cords.map((cord, i) => told(`cord:${i}`, 'Each of two cords', cord)),
    ...(hanger ? [told('hanger', 'Cord for the hanger', hanger)] : []),
  ]
  const lengths = lengthsFor('base', [
    ...cords.map(({ value }) => ({ material: CORD, use: 'cords', length: value, count: 2, joins: false })),
    ...(hanger ? [{ material: CORD, use: 'hanger', length: hanger.value, count: 1, joins: false }] : []),
  ])
  return {
    layer: 'base',
    title: null,
    figures,
    needs: [...lengths, ...thingsFor('base', ties ? [{ material: 'zip-tie', use: 'ties of the trunks', count: ties.value }] : [])],
  }
}

/** What a hanger's cord goes round where it is not the whole of the base: the frame inside, or the stems at the tie. */
const FRAMES: Partial<Record<Body, Thumb>> = { trees: TRUNKS, bound: TRUNKS, evergreen: FRAME, wire: FRAME, box: FRAME, clamps: FRAME }

/** How thick what the hanger goes round is. */
function hungBy({ kind }: Piece['base'], run: Run, by: Rated): Term {
  const frame = FRAMES[BASE_SORTS[kind].body]
  if (frame) return byRule(frame, by)
  const thick = 2 * stationAt(run, 0).half
  return thick <= rate(THICKEST, by) ? mm(thick) : byRule(THICKEST, by)
}

/** Cord for a hanger that goes once round a base so thick. */
export const hangerLength = (thick: Term, by: Rated): Term =>
  plus(times(PI, thick), times(count(2), the`rise ${byRule(RISE, by)}`), the`knot ${byRule(KNOT, by)}`)
