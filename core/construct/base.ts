import type { LaidLayer } from '../arrange'
import { arrangingOf } from '../arrange'
import type { Body, Run } from '../base'
import { BASE_SORTS } from '../base'
import { inches, quantity, RULE_OF_THUMB, figure, sum } from '../measure'
import type { Piece, RuleKind } from '../piece'
import type { MakeUp, NamedFigure, Taken, Used } from './construction'
import { countOf } from './construction'

/** One tie to so much of overlapping trunks, two at least and four at most: rule of thumb. */
const TIE_EVERY = inches(1.75)
/** What cords and hangers are made of. */
const CORD = 'jute-twine'
/** How thick two trunks or bound stems are where a hanger goes round them: rule of thumb. */
const TRUNKS = inches(2)
/** How far a hanger's loop rises, and what its knot takes: rules of thumb. */
const RISE = inches(3)
const KNOT = inches(4)
/** How far a cord laps at each end: rule of thumb. */
const LAP = inches(2)

/** How many ties hold two trunks that overlap by so much, mm. */
export const trunkTies = (overlap: number): number => Math.min(4, Math.max(2, Math.round(overlap / TIE_EVERY)))

/** What the base itself takes: ties of its trunks, the cords of what hangs in it, and its hanger. */
export function baseMakeUp({ base }: Piece, runs: readonly Run[], laid: readonly LaidLayer[]): MakeUp {
  const { shape, hook } = base
  const { family } = BASE_SORTS[base.kind]
  const ties = shape.form === 'swag' || shape.form === 'teardrop' ? trunkTies(shape.overlap) : 0
  const hung = laid.flatMap(({ layer: { rule }, placements }) => {
    const drop = arrangingOf<RuleKind>(rule.kind).drop?.(rule) ?? 0
    return drop > 0 ? placements.map(() => drop) : []
  })
  const hanger = family !== 'garlands' && hook === null ? hangerLength(hungBy(base, runs[0]!)) : 0
  const figures: NamedFigure[] = [
    ...(ties ? [countOf('trees', 'Trees', 2, sum`two, trunk over trunk`), { id: 'ties', name: 'Ties on the trunks', figure: figure(quantity.count(ties), sum`one to ${quantity.length(TIE_EVERY)} of overlap, from two to four`, RULE_OF_THUMB) }] : []),
    ...hung.map((drop, i): NamedFigure => ({ id: `cord:${i}`, name: 'Each of two cords', figure: figure(quantity.length(drop + 2 * LAP), sum`${quantity.length(drop)} + a lap of ${quantity.length(LAP)} at each end`, RULE_OF_THUMB) })),
    ...(hanger ? [{ id: 'hanger', name: 'Cord for the hanger', figure: figure(quantity.length(hanger), sum`round what holds it + 2 × rise ${quantity.length(RISE)} + knot ${quantity.length(KNOT)} = ${quantity.length(hanger)}`, RULE_OF_THUMB) }] : []),
  ]
  const takes: Taken[] = [
    ...hung.map((drop) => ({ material: CORD, use: 'cords', length: drop + 2 * LAP, count: 2, joins: false })),
    ...(hanger ? [{ material: CORD, use: 'hanger', length: hanger, count: 1, joins: false }] : []),
  ]
  const uses: Used[] = ties ? [{ material: 'zip-tie', use: 'ties of the trunks', count: ties }] : []
  return { layer: 'base', title: null, figures, takes, uses }
}

/** What a hanger's cord goes round where it is not the whole of the base: the frame inside, or the stems at the tie, mm. Rules of thumb. */
const FRAMES: Partial<Record<Body, number>> = { trees: TRUNKS, bound: TRUNKS, evergreen: inches(1), wire: inches(1), box: inches(1), clamps: inches(1) }
/** Round a thicker base than this the cord goes through it, mm: rule of thumb. */
const THICKEST = inches(3)

/** How thick what the hanger goes round is, mm. */
const hungBy = ({ kind }: Piece['base'], run: Run): number => FRAMES[BASE_SORTS[kind].body] ?? Math.min(THICKEST, 2 * run.at(0).half)

/** Cord for a hanger that goes once round a base so thick, mm. */
export const hangerLength = (thick: number): number => Math.PI * thick + 2 * RISE + KNOT
