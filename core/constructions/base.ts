import type { Run } from '../base'
import type { Shelf } from '../material'
import { USUAL_CORD } from '../material'
import type { LaidLayer } from '../placement'
import { arrangingOf } from '../placement'
import type { Rated, Term } from '../measure'
import { clamp, sum, byRule, count, mm, plus, saidAs, labelled, times } from '../measure'
import type { Piece, RuleKind } from '../piece'
import type { MakeUp, NamedFigure } from './construction'
import { lengthsFor, thingsFor, told } from './construction'
import { bentFrame, isBent } from './bent-frame'
import { CORD_LAP, HUB_PINS, RING_TIES, TIE_EVERY } from './rules-of-thumb'

/** What cords are made of. */
const [LEAST_TIES, MOST_TIES] = [2, 4]

/** How many ties hold two trunks that overlap by so much, mm: from two to four. */
export function trunkTies(overlap: number, by: Rated): Term {
  const every = byRule(TIE_EVERY, by)
  const n = clamp(Math.round(overlap / every.value), LEAST_TIES, MOST_TIES)
  return saidAs({ ...every, ...count(n), basis: every.basis, rules: every.rules }, sum`one to ${every} of overlap, from two to four`)
}

/** What the base itself takes: ties of its trunks, and the cords of what hangs in it. */
export function baseMakeUp({ base }: Piece, runs: readonly Run[], laid: readonly LaidLayer[], by: Shelf): MakeUp {
  const { shape } = base
  const ties = (shape.form === 'swag' && shape.joined === 'ties') || shape.form === 'teardrop' ? trunkTies(shape.overlap, by) : null
  const hub = shape.form === 'swag' && shape.joined === 'hub'
  const rim = shape.form === 'column' ? times(labelled`${count(shape.rings - 1)} places where rings touch`, byRule(RING_TIES, by)) : null
  const cords = laid.flatMap(({ layer: { rule }, placements }) => {
    const drop = arrangingOf<RuleKind>(rule.kind).drop?.(rule) ?? 0
    const folded = rule.kind === 'single' && rule.folded === true
    const lap = times(count(2), labelled`a lap of ${byRule(CORD_LAP, by)}`)
    return drop > 0 ? placements.map(() => ({ folded, length: plus(folded ? times(count(2), mm(drop)) : mm(drop), lap) })) : []
  })
  const bent = isBent(base) ? bentFrame(base, runs, by) : null
  const figures: NamedFigure[] = [
    ...(bent?.figures ?? []),
    ...(ties || hub ? [told('trees', 'Trees', count(2))] : []),
    ...(ties ? [told('ties', 'Ties on the trunks', ties)] : []),
    ...(rim ? [told('ties', 'Ties of the rings', rim)] : []),
    ...(hub ? [told('pins', 'Pins through the trunks', times(count(2), byRule(HUB_PINS, by)))] : []),
    ...cords.map(({ folded, length }, i) => told(`cord:${i}`, folded ? 'One cord, folded' : 'Each of two cords', length)),
  ]
  const lengths = lengthsFor('base', [
    ...cords.map(({ folded, length }) => ({
      material: USUAL_CORD,
      use: 'cords',
      length: length.value,
      count: folded ? 1 : 2,
      joins: false,
    })),
  ])
  return {
    layer: 'base',
    title: null,
    figures,
    needs: [
      ...(bent?.needs ?? []),
      ...lengths,
      ...thingsFor('base', [
        ...(ties ? [{ material: 'zip-tie', use: 'ties of the trunks', count: ties.value }] : []),
        ...(rim ? [{ material: 'zip-tie', use: 'ties of the rings', count: rim.value }] : []),
        ...(hub
          ? [
              { material: 'foam-hub', use: 'hub', count: 1 },
              { material: 'floral-pin', use: 'pins of the trunks', count: 2 * byRule(HUB_PINS, by).value },
            ]
          : []),
      ]),
    ],
  }
}
