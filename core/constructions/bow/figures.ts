import type { LaidLayer } from '../../placement'
import { bowAcross, coilLoops, ribbonReach, tailReach } from '../../placement'
import { fewestRolls } from '../../cut'
import type { Rated, Term } from '../../measure'
import { count, divide, exceeds, floor, labelled, mm, plus, quantity, saidAs, sum, times, wholesIn } from '../../measure'
import type { LoopMeans, Piece, Ribbon, RuleOf } from '../../piece'
import { hangsAt, OWN_RIBBON } from '../../piece'
import type { ConstructionContext, NamedFigure } from '../construction'
import { read, told, total } from '../construction'
import type { BowPiece } from './ribbon'
import { bowPieces, largest, loopsToStrip, ribbonIn, ribbonOf, withOneMore } from './ribbon'
import type { BowSetup } from './setup'

/** What of one bow comes off rolls of one material besides a ribbon's own: other ribbons of it, and what ties the bow. */
export interface Besides {
  readonly pieces: readonly BowPiece[]
  readonly tie: Term | null
}
const ALONE: Besides = { pieces: [], tie: null }

/** How much of the roll goes to other ribbons of the same material, mm. */
const sharedOf = ({ pieces }: Besides): number => total(pieces, ({ length, count: n }) => length * n)

/** One ribbon of a bow against the roll that it is cut from. Lengths in mm. */
export interface RibbonOnRoll {
  readonly ribbon: Ribbon
  readonly means: LoopMeans
  /** Turned in at each end that shows. */
  readonly hem: number
  readonly roll: number
  /** Its place in the bow, from 0. */
  readonly at: number
  /** What else of the bow comes off the same rolls; nothing where it is left out. */
  readonly besides?: Besides
}

const LARGEST: Record<Ribbon['build'], string> = {
  hand: 'Largest loop from a roll',
  strips: 'Largest loop from a roll',
  rag: 'Largest loop from a roll',
  folded: 'Largest loop from a roll',
  coil: 'Longest coil from a roll',
  flat: 'Widest round from a roll',
  tails: 'Longest tail from a roll',
  'fill-ins': 'Largest loop from a roll',
}

/** How many loops it gives, where that is not a number its maker chose. */
function loopFigures({ ribbon, means, at }: RibbonOnRoll): NamedFigure[] {
  if (ribbon.build === 'rag') return [told(`loops:${at}`, 'Loops to a strip', loopsToStrip(ribbon, means))]
  if (ribbon.build !== 'coil') return []
  const [right, left] = coilLoops(ribbon.layers)
  return [
    read(
      `loops:${at}`,
      'Loops',
      quantity.count(ribbon.layers - 1),
      sum`${quantity.count(right)} right, ${quantity.count(left)} left: folds between ${quantity.count(ribbon.layers)} layers`,
    ),
  ]
}

/** Bows from a roll, what one more loop costs, and the largest that a roll gives. @param used by one bow, of this roll, mm */
function bowsFigures({ ribbon, means, hem, roll, at, besides = ALONE }: RibbonOnRoll, used: number): NamedFigure[] {
  const shared = sharedOf(besides)
  const taken = shared + (besides.tie?.value ?? 0)
  const all = shared > 0 ? labelled`all ribbons of it, ${mm(used)}` : mm(used)
  const bows = floor(divide(labelled`roll ${mm(roll)}`, all))
  const more = withOneMore(ribbon)
  const withMore = more && ribbonOf(more.ribbon, means, hem) + taken
  const most = largest(ribbon, means, roll - taken, hem)
  const figures = [told(`bows:${at}`, 'Bows from a roll', bows, sum`, ${quantity.length(Math.max(0, roll - bows.value * used))} over`)]
  if (more && withMore !== null) {
    const fewer = wholesIn(roll, withMore)
    figures.push(
      read(
        `fewer:${at}`,
        `One more ${more.of} costs`,
        quantity.count(bows.value - fewer),
        sum`then ⌊${quantity.length(roll)} ÷ ${quantity.length(withMore)}⌋ = ${quantity.count(fewer)} bows instead of ${quantity.count(bows.value)}`,
      ),
    )
  }
  if (most !== null)
    figures.push(
      read(
        `largest:${at}`,
        LARGEST[ribbon.build],
        quantity.length(most),
        sum`a roll of ${quantity.length(roll)} all used, the rest as it is`,
      ),
    )
  return figures
}

/** What one ribbon of a bow comes to, against the roll that it is cut from. */
export function ribbonFigures(of: RibbonOnRoll): NamedFigure[] {
  const { ribbon, means, hem, roll, at, besides = ALONE } = of
  const tie = besides.tie?.value ?? 0
  const own = besides.tie ? plus(ribbonIn(ribbon, means, hem), labelled`${besides.tie} to tie it`) : ribbonIn(ribbon, means, hem)
  const used = own.value + sharedOf(besides)
  const pieces = [...bowPieces(ribbon, means, hem), ...besides.pieces, ...(tie > 0 ? [{ use: 'tie', length: tie, count: 1 }] : [])]
  const ofRolls =
    wholesIn(roll, used) > 0 || pieces.some(({ length }) => exceeds(length, roll)) ? bowsFigures(of, used) : [rollsFigure(roll, pieces, at)]
  return [told(`ribbon:${at}`, 'Ribbon in it', own), ...loopFigures(of), ...ofRolls]
}

/** How many rolls one bow takes that a single one does not give. */
function rollsFigure(roll: number, pieces: readonly BowPiece[], at: number): NamedFigure {
  const rolls = fewestRolls(
    roll,
    pieces.map(({ length, count: n }) => ({ length, count: n, joins: false })),
  )
  return read(
    `rolls:${at}`,
    'Rolls or strips for one bow',
    quantity.count(rolls),
    sum`the fewest of ${quantity.length(roll)} that its pieces can be cut from = ${quantity.count(rolls)}`,
  )
}

/**
 * How far in a V is cut: folded in half and cut at 45°, half the width. A slant at 45° takes the whole width.
 * @example cutIn('v', 64) // 32
 */
export const cutIn = (ends: RuleOf<'bow'>['ends'], width: number): number => (ends === 'v' ? width / 2 : ends === 'slant' ? width : 0)

/** What of the same material goes into the bow besides its `i`th ribbon. */
function besides({ rule, rows, means, hem, tie }: BowSetup, i: number): Besides {
  const last = rows.length - 1
  const ownTie = rule.tied === OWN_RIBBON ? tie : null
  const { id } = rows[i]!.material
  return {
    tie: i === last ? ownTie : null,
    pieces: [
      ...rows.flatMap((row, k) => (k !== i && row.material.id === id ? bowPieces(row.ribbon, means, hem) : [])),
      ...(ownTie && i !== last && rows[last]!.material.id === id ? [{ use: 'tie', length: ownTie.value, count: 1 }] : []),
    ],
  }
}

/** How far it reaches from side to side. What has only tails is across nothing. */
function acrossFigures({ rows, means, rule: { ribbons } }: BowSetup): NamedFigure[] {
  if (ribbons.every(({ build }) => build === 'tails')) return []
  const across = bowAcross(ribbons, means)
  const longest = rows.find(({ ribbon }) => 2 * ribbonReach(ribbon, means) === across)!
  const loop = rows.length > 1 ? `the longest loop, of ${longest.material.name},` : 'a loop'
  const half = saidAs(mm(across / 2), sum`${quantity.length(across / 2)} that ${loop} shows`)
  return [told('across', 'Across', times(count(2), half))]
}

/** How its ends are cut. */
function endFigures({ rule: { ends }, rows, hem }: BowSetup): NamedFigure[] {
  const width = Math.max(...rows.map(({ material }) => material.width))
  const cut = cutIn(ends, width)
  const asSlant = sum`${quantity.length(width)} at 45°`
  const asV = sum`half of ${quantity.length(width)}: folded in half, cut at 45°`
  return [
    ...(cut > 0 ? [read('cut', ends === 'v' ? 'V cut in by' : 'Slant over', quantity.length(cut), ends === 'v' ? asV : asSlant)] : []),
    ...(hem > 0 ? [told('hem', 'Cut longer for hems', times(count(2), mm(hem)))] : []),
  ]
}

type Hung = Pick<Piece, 'base' | 'brief'>

/**
 * How high over the floor the longest tail ends, mm; null where it hangs over a window's sill or a mantel, or on a wall.
 * @param end below the piece's middle, mm
 */
export function overFloor(piece: Hung, end: number, by: Rated): number | null {
  const { surface, door } = piece.brief
  const hangs = surface.kind === 'glass' || surface.kind === 'mantel' ? null : hangsAt(piece, by)
  return hangs === null ? null : door.height * hangs - end
}

function tailFigures(piece: Hung, { ribbons }: RuleOf<'bow'>, { placements: [at] }: LaidLayer, by: Rated): NamedFigure[] {
  const long = tailReach(ribbons)
  if (!at || long === 0) return []
  const floor = overFloor(piece, at.y + long, by)
  return [
    read('tails', 'Tails end below the tie', quantity.length(long), sum`the longest tail`),
    ...(floor === null
      ? []
      : [
          read(
            'floor',
            'Tails end above the floor',
            quantity.length(floor),
            sum`where the piece hangs on ${quantity.length(piece.brief.door.height)}, less the tie’s place and ${quantity.length(long)}`,
          ),
        ]),
  ]
}

/** All that a bow comes to, its ribbons each by itself. */
export function bowFigures(bow: BowSetup, { piece, laid, shelf }: ConstructionContext): NamedFigure[] {
  const { rows, means, hem } = bow
  return [
    ...acrossFigures(bow),
    ...tailFigures(piece, bow.rule, laid, shelf),
    ...endFigures(bow),
    ...rows.flatMap(({ ribbon, material }, at) =>
      ribbonFigures({ ribbon, means, hem, roll: material.length, at, besides: besides(bow, at) }).map((figure) =>
        rows.length > 1 ? { ...figure, name: `${figure.name}, ${material.name}` } : figure,
      ),
    ),
  ]
}
