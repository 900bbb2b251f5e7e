import { handLoops, ragLoopLengths, ragLoops, ribbonInLoop } from '../../placement'
import type { Term } from '../../measure'
import { count, divide, floor, labelled, minus, mm, plus, plusAll, times } from '../../measure'
import type { LoopMeans, Ribbon, RibbonOf, RuleOf } from '../../piece'
import { total } from '../construction'

/** A piece to cut for a bow. */
export interface BowPiece {
  readonly use: string
  readonly length: number
  readonly count: number
}

/**
 * The pieces that one ribbon of a bow is cut to, mm:
 * by hand `tails + Σ loops + centre + twist × pinches`, strips `4 loops + 2 tails` each, a coil `layers × flat length`,
 * flat rounds `2 × width` each and a strip. @param hem turned in at each end that shows, mm
 * @example bowPieces({ build: 'coil', layers: 9, flat: 200 }, 'visible') // [{ use: 'bow coil', length: 1800, count: 1 }]
 */
export function bowPieces(ribbon: Ribbon, means: LoopMeans, hem = 0): BowPiece[] {
  const piece = (use: string, length: number, count = 1): BowPiece[] => (length > 0 && count > 0 ? [{ use, length, count }] : [])
  switch (ribbon.build) {
    case 'hand': {
      const { tails, centre, twist } = ribbon
      const loops = handLoops(ribbon)
      return piece('bow', tails[0] + tails[1] + total(loops, (each) => ribbonInLoop(each, means)) + centre + twist * loops.length + 2 * hem)
    }
    case 'strips':
      return piece('bow strips', 2 * ribbonInLoop(ribbon.loop, means) + 2 * ribbon.tail + 2 * hem, ribbon.strips)
    case 'rag':
      return piece('bow strips', ribbon.strip + 2 * hem, ribbon.strips)
    case 'coil':
      return piece('bow coil', ribbon.layers * ribbon.flat)
    case 'flat':
      return [...piece('bow rounds', 2 * ribbon.width, ribbon.rounds), ...piece('bow strip', ribbon.strip)]
    case 'folded':
      return [
        ...piece('bow loops', 2 * ribbonInLoop(ribbon.loop, means)),
        ...piece('bow tails', 2 * ribbon.tail + 2 * hem),
        ...piece('bow strip', ribbon.strip),
      ]
    case 'tails':
      return piece('bow tails', ribbon.tail + 2 * hem, ribbon.tails)
    case 'fill-ins':
      return piece('fill-ins', ribbonInLoop(ribbon.loop, means), ribbon.strips)
  }
}

/** The loops of a bow made by hand, all together: by their groups, each of its length, or all alike. */
function ribbonInLoops(ribbon: RibbonOf<'hand'>, means: LoopMeans): Term {
  const { groups, taper } = ribbon
  const loops = handLoops(ribbon)
  const loop = (length: number): Term => mm(ribbonInLoop(length, means))
  if (groups)
    return plusAll(
      groups.map((group) => times(labelled`${count(group.loops)} loops`, loop(group.loop))),
      mm(0),
    )
  return taper > 0
    ? labelled`loops ${mm(total(loops, (each) => ribbonInLoop(each, means)))}`
    : times(labelled`${count(loops.length)} loops`, loop(ribbon.loop))
}

/** All the ribbon in it, with its sum. @param hem turned in at each end that shows, mm */
export function ribbonIn(ribbon: Ribbon, means: LoopMeans, hem: number): Term {
  const hems = times(labelled`${count(2)} hems`, mm(hem))
  const loop = (length: number): Term => mm(ribbonInLoop(length, means))
  switch (ribbon.build) {
    case 'hand': {
      const { tails, centre, twist } = ribbon
      return plus(
        labelled`tails ${mm(tails[0])}`,
        mm(tails[1]),
        ribbonInLoops(ribbon, means),
        labelled`centre ${mm(centre)}`,
        times(labelled`twist ${mm(twist)}`, count(handLoops(ribbon).length)),
        hems,
      )
    }
    case 'strips':
      return times(
        count(ribbon.strips),
        plus(times(labelled`${count(2)} loops`, loop(ribbon.loop)), times(count(2), mm(ribbon.tail)), hems),
      )
    case 'rag':
      return times(count(ribbon.strips), plus(mm(ribbon.strip), hems))
    case 'tails':
      return times(count(ribbon.tails), plus(mm(ribbon.tail), hems))
    case 'fill-ins':
      return times(count(ribbon.strips), loop(ribbon.loop))
    case 'coil':
      return times(labelled`${count(ribbon.layers)} layers`, mm(ribbon.flat))
    case 'flat':
      return plus(times(labelled`${count(ribbon.rounds)} rounds`, count(2), mm(ribbon.width)), labelled`strip ${mm(ribbon.strip)}`)
    case 'folded':
      return plus(
        times(labelled`${count(2)} loops`, loop(ribbon.loop)),
        times(labelled`${count(2)} tails`, mm(ribbon.tail)),
        labelled`knot ${mm(ribbon.strip)}`,
        hems,
      )
  }
}

/**
 * All the ribbon in it, mm.
 * @example ribbonOf({ build: 'strips', strips: 3, loop: 100, tail: 50 }, 'visible') // 1500
 */
export const ribbonOf = (ribbon: Ribbon, means: LoopMeans, hem = 0): number => ribbonIn(ribbon, means, hem).value

/** All the ribbon in a bow of several, hems included, were its loops meant so, mm. */
export const bowRibbon = ({ ribbons, ends, hem }: Pick<RuleOf<'bow'>, 'ribbons' | 'ends' | 'hem'>, means: LoopMeans): number =>
  total(ribbons, (each) => ribbonOf(each, means, ends === 'hem' ? hem : 0))

/** The measure that sets how large what is made of a ribbon is: its (longest) loop, its flat length, its width or its tail, mm. */
export function sizeOf(ribbon: Ribbon): number {
  switch (ribbon.build) {
    case 'hand':
      return Math.max(...handLoops(ribbon))
    case 'strips':
    case 'rag':
    case 'folded':
    case 'fill-ins':
      return ribbon.loop
    case 'coil':
      return ribbon.flat
    case 'flat':
      return ribbon.width
    case 'tails':
      return ribbon.tail
  }
}

/** A ribbon to be tied in front of another: a hand-made bow a fifth smaller, so that both are seen; all else alike. */
export const inFrontOf = (behind: Ribbon): Ribbon =>
  behind.build === 'hand' ? sized(behind, Math.max(5, sizeOf(behind) * 0.8), 'visible') : behind

/** The same build in another size; strips of a jig keep their number of loops. @param size mm */
export function sized(ribbon: Ribbon, size: number, means: LoopMeans): Ribbon {
  switch (ribbon.build) {
    case 'hand':
      return ribbon.groups
        ? { ...ribbon, groups: ribbon.groups.map((group) => ({ ...group, loop: group.loop * (size / sizeOf(ribbon)) })) }
        : { ...ribbon, loop: size }
    case 'strips':
    case 'folded':
    case 'fill-ins':
      return { ...ribbon, loop: size }
    case 'tails':
      return { ...ribbon, tail: size }
    case 'rag':
      return { ...ribbon, loop: size, strip: 2 * ribbon.overhang + loopsOfStrip({ ...ribbon, loop: size }, ragLoops(ribbon, means), means) }
    case 'coil':
      return { ...ribbon, flat: size }
    case 'flat':
      return { ...ribbon, width: size }
  }
}

/**
 * The largest size in which a roll still gives it: what it takes is `a + b × size`, so the size is `(roll − a) ÷ b`.
 * @returns mm, null when tails, centre and twist take it all @param roll mm
 */
export function largest(ribbon: Ribbon, means: LoopMeans, roll: number, hem = 0): number | null {
  const fixed = ribbonOf(sized(ribbon, 0, means), means, hem)
  const each = ribbonOf(sized(ribbon, 1, means), means, hem) - fixed
  return roll > fixed && each > 0 ? (roll - fixed) / each : null
}

/** With one more loop, strip, layer or round; null where a build has just the ones it has. */
export function withOneMore(ribbon: Ribbon): { readonly ribbon: Ribbon; readonly of: string } | null {
  switch (ribbon.build) {
    case 'hand':
      return {
        ribbon: {
          ...ribbon,
          loops: ribbon.loops + 1,
          groups:
            ribbon.groups && ribbon.groups.map((group, i, all) => (i === all.length - 1 ? { ...group, loops: group.loops + 1 } : group)),
        },
        of: 'loop',
      }
    case 'tails':
      return { ribbon: { ...ribbon, tails: ribbon.tails + 1 }, of: 'tail' }
    case 'strips':
    case 'rag':
    case 'fill-ins':
      return { ribbon: { ...ribbon, strips: ribbon.strips + 1 }, of: 'strip' }
    case 'coil':
      return { ribbon: { ...ribbon, layers: ribbon.layers + 1 }, of: 'layer' }
    case 'flat':
      return { ribbon: { ...ribbon, rounds: ribbon.rounds + 1 }, of: 'round' }
    case 'folded':
      return null
  }
}

/** From a bow in hand, and the ribbon that went into it: which sense of its loop comes nearer, and by how much each is off, mm. */
export function meantBy(ribbon: Ribbon, used: number): { readonly means: LoopMeans; readonly off: Readonly<Record<LoopMeans, number>> } {
  const off = { visible: ribbonOf(ribbon, 'visible') - used, 'ribbon used': ribbonOf(ribbon, 'ribbon used') - used }
  return { means: Math.abs(off.visible) <= Math.abs(off['ribbon used']) ? 'visible' : 'ribbon used', off }
}

/** What so many loops take of a strip, mm. */
const loopsOfStrip = (ribbon: RibbonOf<'rag'>, loops: number, means: LoopMeans): number =>
  total(ragLoopLengths(ribbon, loops), (each) => ribbonInLoop(each, means))

/** How many loops the jig gives of a strip. @param ribbon made of strips in a jig */
export const loopsToStrip = (ribbon: RibbonOf<'rag'>, means: LoopMeans): Term =>
  floor(
    divide(
      minus(mm(ribbon.strip), times(count(2), mm(ribbon.overhang))),
      ribbon.taper > 0 && ragLoops(ribbon, means) > 1
        ? labelled`${mm(ribbonInLoop(ribbon.loop, means) * (1 - ribbon.taper / 2))} in one by the mean`
        : mm(ribbonInLoop(ribbon.loop, means)),
    ),
  )
