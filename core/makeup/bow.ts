import type { Figure } from '../measure'
import { figure, GEOMETRY, quantity, sum } from '../measure'
import type { NamedFigure } from './makeup'

/** What is meant by the length of a loop: from the pinch to its end, or the ribbon that goes into it. */
export type LoopMeans = 'visible' | 'ribbon used'

/** A bow made by hand or on a jig from one ribbon. */
export interface BowNumbers {
  /** Loops, both sides together, from 1. */
  readonly loops: number
  /** Of each, mm, over 0, in the sense of `means`. */
  readonly loop: number
  readonly means: LoopMeans
  readonly tails: readonly [left: number, right: number]
  /** Ribbon in the loop over the middle, mm; 0 for none. */
  readonly centre: number
  /** What each pinch takes for the twist of a one-sided ribbon, mm. */
  readonly twist: number
}

/** Ribbon in one loop, mm: a visible loop goes out and comes back. */
export const ribbonInLoop = (loop: number, means: LoopMeans): number => (means === 'visible' ? 2 * loop : loop)
/** How far a loop reaches from its pinch, mm. */
export const loopShows = (loop: number, means: LoopMeans): number => (means === 'visible' ? loop : loop / 2)

/** Ribbon in all of it, mm: tails + loops + centre + twist at each pinch. */
export function bowRibbon({ loops, loop, means, tails, centre, twist }: BowNumbers): number {
  return tails[0] + tails[1] + loops * (ribbonInLoop(loop, means) + twist) + centre
}

/** What is wrong with a bow's numbers; null when it can be made. */
export function wrongBow(bow: BowNumbers, roll: number): string | null {
  if (!Number.isInteger(bow.loops) || bow.loops < 1) return 'A bow has one loop at least.'
  if (!(bow.loop > 0)) return 'A loop has a length.'
  if ([...bow.tails, bow.centre, bow.twist].some((each) => !(each >= 0))) return 'No length is under nothing.'
  return bowRibbon(bow) > roll ? 'It takes more ribbon than the roll has.' : null
}

/** The longest loop, in the same sense, with which a roll still gives the bow; null when the rest of it takes it all. */
export function largestLoop(bow: BowNumbers, roll: number): number | null {
  const left = roll - bowRibbon({ ...bow, loop: 0 })
  return left > 0 ? left / (bow.loops * ribbonInLoop(1, bow.means)) : null
}

/** From a bow in hand, and the ribbon that went into it: which sense of its loop comes nearer, and by how much each is off, mm. */
export function meantBy(bow: Omit<BowNumbers, 'means'>, used: number): { readonly means: LoopMeans, readonly off: Readonly<Record<LoopMeans, number>> } {
  const off = { 'visible': bowRibbon({ ...bow, means: 'visible' }) - used, 'ribbon used': bowRibbon({ ...bow, means: 'ribbon used' }) - used }
  return { means: Math.abs(off.visible) <= Math.abs(off['ribbon used']) ? 'visible' : 'ribbon used', off }
}

/** A bow worked out against the roll that it is made from. @param roll mm */
export function bowFigures(bow: BowNumbers, roll: number): NamedFigure[] {
  const { loops, loop, means, tails, centre, twist } = bow
  const ribbon = bowRibbon(bow)
  const each = ribbonInLoop(loop, means)
  const bows = Math.floor(roll / ribbon + 1e-9)
  const more = bowRibbon({ ...bow, loops: loops + 1 })
  const fewer = Math.floor(roll / more + 1e-9)
  const largest = largestLoop(bow, roll)
  const length = (id: string, name: string, value: number, how: Figure['sum']): NamedFigure => ({ id, name, figure: figure(quantity.length(value), how, GEOMETRY) })
  return [
    length('ribbon', 'Ribbon in it', ribbon, sum`tails ${quantity.length(tails[0])} + ${quantity.length(tails[1])} + ${quantity.count(loops)} loops × ${quantity.length(each)} + centre ${quantity.length(centre)} + twist ${quantity.length(twist)} × ${quantity.count(loops)} = ${quantity.length(ribbon)}`),
    length('across', 'Across', 2 * loopShows(loop, means), sum`2 × ${quantity.length(loopShows(loop, means))} that a loop shows`),
    { id: 'bows', name: 'Bows from a roll', figure: figure(quantity.count(bows), sum`⌊roll ${quantity.length(roll)} ÷ ${quantity.length(ribbon)}⌋ = ${quantity.count(bows)}, ${quantity.length(roll - bows * ribbon)} over`, GEOMETRY) },
    { id: 'fewer', name: 'One more loop costs', figure: figure(quantity.count(bows - fewer), sum`with ${quantity.count(loops + 1)} loops ⌊${quantity.length(roll)} ÷ ${quantity.length(more)}⌋ = ${quantity.count(fewer)} bows instead of ${quantity.count(bows)}`, GEOMETRY) },
    ...(largest === null ? [] : [length('largest', 'Largest loop from a roll', largest, sum`(roll ${quantity.length(roll)} − tails, centre and twist) ÷ ${quantity.count(loops)}${means === 'visible' ? ' ÷ 2' : ''} = ${quantity.length(largest)}`)]),
  ]
}
