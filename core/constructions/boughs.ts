import { overlapped, shortestOf } from '../placement'
import type { Term } from '../measure'
import {
  GEOMETRY,
  listed,
  quantity,
  RULE_OF_THUMB,
  sum,
  asUnit,
  byRule,
  count,
  given,
  minus,
  mm,
  divide,
  PI,
  plus,
  plusAll,
  saidAs,
  labelled,
  times,
  ceil,
  worked,
} from '../measure'
import { bindingOf } from './binding-wire'
import type { Construction, NamedFigure } from './construction'
import { changeRule, figureOf, lengthsFor, read, told, total } from './construction'
import { TAIL, TIE_WRAPS, TIED_STEMS } from './rules-of-thumb'
import { constructionMessage } from './words'

/**
 * How many large boughs so many pieces are cut from, by how much garland one makes.
 * @param advance how far each piece brings it, mm @param yields of one bough, mm
 */
export const largeBoughs = (pieces: number, advance: number, yields: Term): Term =>
  ceil(divide(times(labelled`${count(pieces)} pieces`, mm(advance)), labelled`${yields} a bough`))

/** Pieces of bough bound end over end. */
export const BOUGHS_CONSTRUCTION: Construction<'boughs'> = {
  makeUp(rule, { piece: of, layer, runs, shelf }) {
    const piece = shortestOf(layer, shelf)
    if (rule.overlap >= piece) return null
    const advance = piece - rule.overlap
    const each = runs.map((run) => overlapped(run, piece, advance).count)
    const pieces = total(each, (n) => n)
    const along = total(runs, ({ length }) => length)
    const first = runs[0]
    const yields = given(quantity.length(rule.yields), RULE_OF_THUMB)
    const counted = first.closed
      ? ceil(divide(mm(first.length), mm(advance)))
      : plus(ceil(divide(minus(mm(first.length), mm(piece)), mm(advance))), count(1))
    const boughs = largeBoughs(pieces, advance, yields)
    const wire = plus(
      times(labelled`${count(pieces)} ties`, labelled`${byRule(TIE_WRAPS, shelf)} wraps`, PI, byRule(TIED_STEMS, shelf)),
      labelled`path ${mm(along)}`,
      times(labelled`${count(2 * runs.length)} tails`, byRule(TAIL, shelf)),
    )
    const figures: NamedFigure[] = [
      runs.length > 1
        ? read(
            'pieces',
            'Pieces',
            quantity.count(pieces),
            [...worked(counted).sum, ...sum` on the one; on ${quantity.count(runs.length)} runs in all ${quantity.count(pieces)}`],
            GEOMETRY,
          )
        : told('pieces', 'Pieces', counted),
      told(
        'length',
        'Garland',
        runs.length > 1
          ? plusAll(
              runs.map(({ name, length }) => saidAs(mm(length), [`${name} `, quantity.length(length)])),
              mm(0),
            )
          : saidAs(mm(along), [`the length of the ${first.name}`]),
      ),
      told('overlap', 'Overlap', asUnit('share', divide(mm(rule.overlap), labelled`piece ${mm(piece)}`))),
      told('per-bough', 'Pieces from a bough, about', divide(labelled`${yields} of garland`, labelled`${mm(advance)} a piece`)),
      told('boughs', 'Large boughs', boughs),
      read('ties', 'Ties', quantity.count(pieces), sum`one for each of ${quantity.count(pieces)} pieces`),
      told('wire', 'Binding wire', wire),
    ]
    return {
      layer: layer.id,
      title: null,
      figures,
      needs: lengthsFor(layer.id, [
        { material: bindingOf(of, shelf), use: 'binding', length: wire.value / runs.length, count: runs.length, joins: true },
      ]),
    }
  },
  words: (_rule, makeUp, { runs }) => [
    sum`Bind ${figureOf(makeUp, 'pieces')} pieces end over end, one tie to each, so that each hides the stem of the last. About ${figureOf(makeUp, 'boughs')} large boughs give them.`,
    ...(runs.length === 2
      ? [
          sum`Make the ${runs[0].name} and the ${runs[1]!.name} as mirror images: each points away from where they meet, and the meeting is hidden.`,
        ]
      : runs.length > 2
        ? [sum`Make the ${listed(runs.map(({ name }) => name))} apart, each from its hook to the next.`]
        : []),
  ],
  problems(rule, { layer, shelf }) {
    const piece = shortestOf(layer, shelf)
    if (rule.overlap < piece) return []
    return [
      {
        id: `${layer.id}:overlap`,
        severity: 'fault',
        layer: layer.id,
        ...constructionMessage('overlap-too-long', { piece, overlap: rule.overlap }),
        mends: [{ ...constructionMessage('overlap-by', { overlap: piece * 0.375 }), edit: changeRule(layer, { overlap: piece * 0.375 }) }],
      },
    ]
  },
}
