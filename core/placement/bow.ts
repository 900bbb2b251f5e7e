import { wholesIn } from '../measure'
import type { LoopMeans, Ribbon, RibbonOf, RuleOf } from '../piece'

/** One thing that a hand does in making a bow, as it lies afterwards: from the tie outwards. */
export interface Move {
  readonly what: 'tail' | 'loop' | 'centre' | 'strip'
  /** Which of the bow's ribbons it is made of, from 0. */
  readonly ribbon: number
  /** Which way it points, degrees clockwise from right. */
  readonly angle: number
  /** How far it reaches from the tie, mm. */
  readonly length: number
  /** How far a loop gapes, as a share of its length. */
  readonly open: number
}

/**
 * Ribbon in one loop, mm: a visible loop goes out and comes back.
 * @example ribbonInLoop(100, 'visible') // 200
 */
export const ribbonInLoop = (loop: number, means: LoopMeans): number => (means === 'visible' ? 2 * loop : loop)

/**
 * How far a loop reaches from its pinch, mm.
 * @example loopShows(100, 'ribbon used') // 50
 */
export const loopShows = (loop: number, means: LoopMeans): number => (means === 'visible' ? loop : loop / 2)

/** Whether what a loop's length means makes a difference to how a ribbon is made. */
export const hasLoops = ({ build }: Ribbon): boolean => build !== 'coil' && build !== 'flat' && build !== 'tails'

/** What a loop's length means in a bow: what its maker said; null while that is not said and something hangs on it. */
export const meaningOf = ({ means, ribbons }: Pick<RuleOf<'bow'>, 'means' | 'ribbons'>): LoopMeans | null =>
  means ?? (ribbons.some(hasLoops) ? null : 'visible')

/**
 * The lengths of a hand's loops as its maker says them, in the order they are made, mm: by groups, or pair after pair shorter when it tapers.
 * @example handLoops({ loops: 4, loop: 100, taper: 0.5, groups: null }) // [100, 100, 50, 50]
 */
export function handLoops({ loops, loop, taper, groups }: Pick<RibbonOf<'hand'>, 'loops' | 'loop' | 'taper' | 'groups'>): number[] {
  if (groups) return groups.flatMap((group) => Array.from({ length: group.loops }, () => group.loop))
  const pairs = Math.ceil(loops / 2)
  return Array.from({ length: loops }, (_, i) => loop * (1 - taper * (pairs > 1 ? Math.floor(i / 2) / (pairs - 1) : 0)))
}

/**
 * How many loops one strip gives in a jig: `⌊(S − 2 overhang) ÷ ribbon in a loop⌋`, never under none. Where they get shorter by an
 * even step to `1 − taper` of the first, several take `1 − taper ÷ 2` of a whole one each.
 * @example ragLoops({ strip: 500, overhang: 50, loop: 100, taper: 0.5 }, 'ribbon used') // 5
 */
export function ragLoops(ribbon: Pick<RibbonOf<'rag'>, 'strip' | 'overhang' | 'loop' | 'taper'>, means: LoopMeans): number {
  const [free, whole] = [ribbon.strip - 2 * ribbon.overhang, ribbonInLoop(ribbon.loop, means)]
  const several = wholesIn(free, whole * (1 - ribbon.taper / 2))
  return several > 1 ? several : wholesIn(free, whole)
}

/** The lengths of a strip's loops as its maker says them, in their order, mm: by an even step shorter when they taper. @param count from 0 */
export const ragLoopLengths = ({ loop, taper }: Pick<RibbonOf<'rag'>, 'loop' | 'taper'>, count: number): number[] =>
  Array.from({ length: count }, (_, i) => loop * (1 - (count > 1 ? (taper * i) / (count - 1) : 0)))

/** Loops to the right and to the left of a wound coil: folds between its layers, so that an even number of layers leaves one side a loop short. */
export const coilLoops = (layers: number): readonly [right: number, left: number] => [
  Math.ceil((layers - 1) / 2),
  Math.floor((layers - 1) / 2),
]

/** How far what is made of a ribbon reaches to either side of the tie, tails left out, mm. */
export function ribbonReach(ribbon: Ribbon, means: LoopMeans): number {
  switch (ribbon.build) {
    case 'hand':
      return loopShows(Math.max(...handLoops(ribbon)), means)
    case 'strips':
    case 'rag':
    case 'folded':
    case 'fill-ins':
      return loopShows(ribbon.loop, means)
    case 'tails':
      return TAILS_ACROSS / 2
    case 'coil':
      return ribbon.flat / 2
    case 'flat':
      return ribbon.width / 2
  }
}

/** How far loose tails by themselves reach across, mm: rule of thumb. */
const TAILS_ACROSS = 60

/** How far a whole bow reaches across, mm: twice its longest loop. */
export const bowAcross = (ribbons: readonly Ribbon[], means: LoopMeans): number =>
  2 * Math.max(...ribbons.map((each) => ribbonReach(each, means)))

/** How far down from the tie its longest tail hangs, mm; 0 without tails. */
export function tailReach(ribbons: readonly Ribbon[]): number {
  return Math.max(
    0,
    ...ribbons.map((each) =>
      each.build === 'hand'
        ? Math.max(...each.tails)
        : each.build === 'strips' || each.build === 'folded' || each.build === 'tails'
          ? each.tail
          : each.build === 'rag'
            ? each.overhang
            : 0,
    ),
  )
}

/** Where the `i`th of things lies that fill the room between -1 and 1 evenly however many there are (van der Corput, base 2). */
function between(i: number): number {
  let [n, share, part] = [i + 1, 0, 0.5]
  for (; n > 0; n = Math.floor(n / 2), part /= 2) share += (n % 2) * part
  return 2 * share - 1
}

/** How far loops fan up and down from level, degrees: those of a tied bow, and those of one pulled apart all round. */
const FAN = 44
const ROUND = 80
/** How far each further ribbon of a stack is turned against the last, degrees. */
const STACKED = 9

/** All that a hand does to make a bow, in order, ribbon by ribbon from the back to the front. */
export const bowMoves = (ribbons: readonly Ribbon[], means: LoopMeans): Move[] =>
  ribbons.flatMap((ribbon, i) => ribbonMoves(ribbon, means, i, (i - (ribbons.length - 1) / 2) * STACKED))

/** How the moves of one ribbon are made, turned as it lies in the stack. */
interface Hands {
  readonly means: LoopMeans
  /** Degrees. */
  readonly turn: number
  readonly move: (what: Move['what'], angle: number, length: number, open?: number) => Move
  /** Loops right and left in turn, the last pair level and in front. @param fan degrees up and down @param open how wide a loop stands */
  readonly fanned: (lengths: readonly number[], fan: number, open: number) => Move[]
  /** @param off degrees from straight down */
  readonly tail: (off: number, length: number) => Move[]
}

function handsWith(means: LoopMeans, ribbon: number, turn: number): Hands {
  const move: Hands['move'] = (what, angle, length, open = 0) => ({ what, ribbon, angle, length, open })
  return {
    means,
    turn,
    move,
    fanned(lengths, fan, open) {
      const pairs = Math.ceil(lengths.length / 2)
      return lengths.map((length, i) => {
        const tilt = fan * between(pairs - 1 - Math.floor(i / 2)) + turn
        return move('loop', i % 2 ? 180 - tilt : tilt, length, open)
      })
    },
    tail: (off, length) => (length > 0 ? [move('tail', 90 + off + turn, length)] : []),
  }
}

const repeated = (count: number, length: number): number[] => Array.from({ length: count }, () => length)

/** The loops of a jig's strips, strip after strip, as far as they can be told apart. */
function ragShown(ribbon: RibbonOf<'rag'>, means: LoopMeans): number[] {
  const own = ragLoopLengths(ribbon, ragLoops(ribbon, means))
  const all = Array.from({ length: Math.min(MOST_DRAWN, ribbon.strips) }, () => own).flat()
  return all.slice(0, MOST_DRAWN).map((each) => loopShows(each, means))
}

/** A strip after the other, each two loops and two tails, fanned out. */
const stripMoves = ({ strips, loop, tail }: RibbonOf<'strips'>, { means, turn, move }: Hands): Move[] =>
  Array.from({ length: strips }, (_, k) => {
    const tilt = strips > 1 ? FAN * ((2 * k) / (strips - 1) - 1) + turn : turn
    const shows = loopShows(loop, means)
    return [
      move('tail', tilt + 24, tail),
      move('loop', tilt, shows, 0.5),
      move('loop', 180 + tilt, shows, 0.5),
      move('tail', 204 + tilt, tail),
    ].filter(({ length }) => length > 0)
  }).flat()

function ribbonMoves(ribbon: Ribbon, means: LoopMeans, index: number, turn: number): Move[] {
  const hands = handsWith(means, index, turn)
  const { move, fanned, tail } = hands
  const knot = (strip: number): Move[] => (strip > 0 ? [move('strip', 90, strip / 2)] : [])
  switch (ribbon.build) {
    case 'hand': {
      const lengths = handLoops(ribbon).map((each) => loopShows(each, means))
      return [
        ...tail(18, ribbon.tails[0]),
        ...fanned(lengths, lengths.length > 2 ? FAN : 0, 0.52),
        ...(ribbon.centre > 0 ? [move('centre', 270, ribbon.centre / 2, 0.9)] : []),
        ...tail(-16, ribbon.tails[1]),
      ]
    }
    case 'strips':
      return stripMoves(ribbon, hands)
    case 'rag':
      return fanned(ragShown(ribbon, means), ROUND, 0.4)
    case 'coil':
      return fanned(repeated(ribbon.layers - 1, ribbon.flat / 2), ROUND, 0.62)
    case 'flat':
      return [
        ...Array.from({ length: ribbon.rounds }, (_, k) =>
          [0, 180].map((side) => move('loop', side + turn + 12 * (k - (ribbon.rounds - 1) / 2), ribbon.width / 2, 0.12)),
        ).flat(),
        ...knot(ribbon.strip),
      ]
    case 'tails':
      return Array.from({ length: Math.min(MOST_DRAWN, ribbon.tails) }, (_, i) => tail(between(i) * 26, ribbon.tail)).flat()
    case 'fill-ins':
      return fanned(repeated(ribbon.strips, loopShows(ribbon.loop, means)), ROUND, 0.3)
    case 'folded':
      return [
        ...tail(24, ribbon.tail),
        ...tail(-24, ribbon.tail),
        move('loop', turn, loopShows(ribbon.loop, means), 0.56),
        move('loop', 180 - turn, loopShows(ribbon.loop, means), 0.56),
        ...knot(ribbon.strip),
      ]
  }
}

/** More loops than this are not drawn. */
const MOST_DRAWN = 120
