import type { BaseKind } from '../base'
import type { Fixing } from '../fixing'
import { FIXING_WAYS } from '../fixing'
import type { Material, Need, Shelf } from '../material'
import { isCut, materialOf, mechanicOf, pieceLength } from '../material'
import type { Day } from '../measure'
import { exceeds, rate } from '../measure'
import type { Piece } from '../piece'
import type { Lot } from './lot'
import { baseLots, lotOf } from './lot'
import { LEAST_STEM } from './rules-of-thumb'

/** One kind of thing that a piece is made of, as it comes off it. */
export interface PartOff {
  readonly id: string
  readonly material: string
  readonly name: string
  readonly use: string
  readonly count: number
  /** Of each, mm, where it comes by the length. */
  readonly length: number | null
  /** What each is cut to, mm; of a base its width. */
  readonly cut: number | null
  /** Whether it can be used again. */
  readonly back: boolean
  readonly why: string
}

/**
 * All that comes off a piece that is taken apart, in the order of its needs: what can be used again, as it is cut, and what is lost,
 * with why. @param least a length that is shorter is of no use, mm; stems go by a rule of their own
 */
export function partsOff(piece: Piece, needs: readonly Need[], fixings: readonly Fixing[], least: number, shelf: Shelf): PartOff[] {
  const glued = new Set(fixings.flatMap(({ layer, material, way }) => (FIXING_WAYS[way].undone ? [] : [`${layer}:${material}`])))
  const found = new Map<string, PartOff>()
  const add = (part: Omit<PartOff, 'id'>): void => {
    const id = [part.material, part.length ?? '', part.cut ?? '', part.back, part.why].join(':')
    const known = found.get(id)
    found.set(id, known ? { ...known, count: known.count + part.count } : { ...part, id })
  }
  for (const need of needs) {
    // A part of one counts as one: it comes off, or is gone.
    const count = Math.ceil(need.count * piece.brief.copies - 1e-9)
    const of = { use: need.use, count, length: null, cut: null }
    if (need.of === 'base') {
      add({ ...of, material: baseLots(need.material as BaseKind), name: need.name, cut: need.width, back: true, why: 'bare again' })
      continue
    }
    const material = materialOf(shelf, need.material)
    if (!material || count <= 0) continue
    const name = material.name
    if (need.of === 'lengths') {
      // Longer than there is any: it was joined of several, and nobody knows of which.
      const [back, why] =
        need.joins && exceeds(need.length, material.length)
          ? ([false, 'joined of several'] as const)
          : again(material, glued.has(`${need.layer}:${need.material}`), !exceeds(least, need.length))
      add({ ...of, material: material.id, name, length: need.length, back, why })
    } else {
      const long = pieceLength(material, need.cut)
      const cut = exceeds(material.length, long) ? long : null
      const [back, why] = again(
        material,
        glued.has(`${need.layer}:${need.material}`),
        cut === null || !exceeds(rate(LEAST_STEM, shelf), cut),
      )
      add({ ...of, material: material.id, name, cut, back, why })
    }
  }
  return [...found.values()]
}

/** Whether a thing can be used again, and why. @param long enough to be of use */
function again(material: Material, glued: boolean, long: boolean): readonly [back: boolean, why: string] {
  if (material.kind === 'mechanic')
    return mechanicOf(material.id)?.comesOff
      ? [true, 'comes off whole']
      : [false, mechanicOf(material.id)?.is === 'rod' ? 'bent for this one' : isCut(material) ? 'cut off' : 'used up']
  if (glued) return [false, 'glued for good']
  if (material.state === 'fresh') return [false, 'wilted']
  if (!long) return [false, 'cut too short']
  return material.state === 'dried' || material.state === 'preserved' ? [true, 'brittle, but whole'] : [true, 'comes off whole']
}

/** How much of a material parts are: things, or mm. */
const amountOf = ({ count, length }: Pick<PartOff, 'count' | 'length'>): number => count * (length ?? 1)

/** What is kept of a piece that is taken apart. */
export interface TakenApart {
  readonly parts: readonly PartOff[]
  /** All that came off, also what is lost: those parts, where nothing else is said. */
  readonly all?: readonly PartOff[]
  /** The lots that had gone into it. */
  readonly had?: readonly Lot[]
}

/** Parts as lots, as they go back on the shelf, each with its part of what was paid for what had gone into the piece. */
export function lotsOff(
  { parts, all = parts, had = [] }: TakenApart,
  { id, brief }: Pick<Piece, 'id' | 'brief'>,
  day: Day,
  newId: () => string,
): Lot[] {
  const paidFor = (part: PartOff, amount: number): number | null => {
    const own = had.filter(({ material }) => material === part.material)
    const whole = all.reduce((n, each) => n + (each.material === part.material ? amountOf(each) : 0), 0)
    if (!own.length || own.some(({ paid }) => paid === null) || whole <= 0) return null
    return Math.floor((own.reduce((n, { paid }) => n + paid!, 0) * amount) / whole + 1e-9)
  }
  return parts.flatMap((part): Lot[] => {
    const { material, count, length, cut, why, back } = part
    if (!back || count < 1) return []
    const set: Partial<Lot> = {
      cut,
      source: { kind: 'piece', piece: id, name: brief.name },
      day,
      condition: why === 'brittle, but whole' ? 'worn' : 'good',
    }
    return length === null
      ? [lotOf(newId(), material, { ...set, things: count, paid: paidFor(part, count) })]
      : Array.from({ length: count }, () => lotOf(newId(), material, { ...set, things: null, length, paid: paidFor(part, length) }))
  })
}
