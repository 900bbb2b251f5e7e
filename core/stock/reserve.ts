import type { BaseKind } from '../base'
import { deltaOf } from '../measure'
import type { Lot } from './lot'
import { baseLots, isFree, parted, servesAs } from './lot'

/** What is written and what goes when lots change hands. */
export interface Moved {
  readonly put: readonly Lot[]
  readonly gone: readonly string[]
}

/** What of a material a piece asks the house for: things as bought, things that are cut, lengths off rolls. */
export interface Asked {
  readonly material: string
  /** Whole things, with what breaks of them. */
  readonly things: number
  /** Things that are cut to so much, mm, and how many. */
  readonly cut: readonly { readonly cut: number; readonly count: number }[]
  /** Lots to cut from, by their ids, each so many times. */
  readonly rolls: ReadonlyMap<string, number>
}

/** Bare bases that a piece asks for. */
export interface AskedBase {
  readonly kind: BaseKind
  /** mm */
  readonly width: number
  readonly count: number
}

/**
 * Keeps for a piece what it asks for and is nobody's: what it had kept goes back first, so that it keeps neither more nor less
 * than it asks for now. What was cut for a want stays as it is. A lot of which only some are asked for is parted in two, and
 * what comes together again is one lot again.
 * @returns what must be written for it; nothing when all is as it was
 */
export function keepFor(
  piece: string,
  asked: readonly Asked[],
  bases: readonly AskedBase[],
  lots: readonly Lot[],
  newId: () => string,
): Moved {
  const before = new Map(lots.map((lot) => [lot.id, lot]))
  const given = giveBack(piece, lots)
  const house = new House(given)
  const keep = (lot: Lot, count: number): number => house.keep(lot, count, piece, newId)
  for (const { material, things, cut, rolls } of asked) {
    // Those that are longest are suited by fewest.
    for (const want of [...cut].sort((a, b) => b.cut - a.cut)) {
      let left = want.count
      const suited = house.free(material).filter((lot) => lot.things !== null && lot.cut !== null && lot.cut >= want.cut - 1e-6)
      for (const lot of suited.sort((a, b) => a.cut! - b.cut!)) if (left > 0) left -= keep(lot, left)
    }
    let left = things
    // What is only a few goes first, so that whole packs stay whole.
    const whole = house.free(material).filter((lot) => lot.things !== null && lot.cut === null && !rolls.has(lot.id))
    for (const lot of whole.sort((a, b) => a.things! - b.things!)) if (left > 0) left -= keep(lot, left)
    for (const lot of house.free(material)) if (rolls.has(lot.id)) keep(lot, rolls.get(lot.id)!)
  }
  for (const { kind, width, count } of bases) {
    let left = count
    // The nearest in width first; what is of no said width serves any, so it is left for others.
    const off = ({ cut }: Lot): number => (cut === null ? Infinity : Math.abs(cut - width))
    const bare = house.free(baseLots(kind)).filter((lot) => servesAs(lot, width))
    for (const lot of bare.sort((a, b) => (off(a) === off(b) ? 0 : off(a) - off(b)))) if (left > 0) left -= keep(lot, left)
  }
  // As much of everything as it keeps already: then each lot may stay as it is.
  return deltaOf(keeping(piece, lots), keeping(piece, house.all())) === 0 ? { put: [], gone: [] } : house.since(before)
}

/** How much a piece keeps, by what it is: things of a material and cut length, or lengths. */
function keeping(piece: string, lots: readonly Lot[]): Record<string, number> {
  const found: Record<string, number> = {}
  for (const { material, cut, length, things, reserved } of lots) {
    if (reserved?.piece !== piece || reserved.want !== null) continue
    const key = `${material} ${cut} ${length}`
    found[key] = (found[key] ?? 0) + (things ?? 1)
  }
  return found
}

/** All that was kept for a piece, and not cut for it, is nobody's again. */
export const release = (piece: string, lots: readonly Lot[]): Moved =>
  new House(giveBack(piece, lots)).since(new Map(lots.map((lot) => [lot.id, lot])))

/** The lots with what was kept for a piece given back: to the lot that it was parted from, where that is there and alike. */
export function giveBack(piece: string, lots: readonly Lot[]): Lot[] {
  const mine = lots.filter(({ reserved }) => reserved?.piece === piece && reserved.want === null)
  if (!mine.length) return [...lots]
  const given = lots.filter((lot) => !mine.includes(lot))
  for (const lot of mine) {
    const free = { ...lot, reserved: null }
    const at = lot.things === null ? -1 : given.findIndex((other) => alike(other, free))
    if (at < 0) given.push(free)
    else {
      const other = given[at]!
      given[at] = {
        ...other,
        things: other.things! + free.things!,
        paid: other.paid === null || free.paid === null ? null : other.paid + free.paid,
      }
    }
  }
  return given
}

/** Whether two lots of things differ in nothing but how many they are. */
const alike = (a: Lot, b: Lot): boolean =>
  a.things !== null &&
  a.reserved === null &&
  (a.paid === null) === (b.paid === null) &&
  (['material', 'cut', 'day', 'colour', 'place', 'condition', 'season', 'photo'] as const).every((key) => a[key] === b[key]) &&
  deltaOf(a.source, b.source) === 0

/** Lots while they change hands. */
class House {
  private readonly lots: Map<string, Lot>
  private readonly byMaterial: ReadonlyMap<string, string[]>

  constructor(lots: readonly Lot[]) {
    this.lots = new Map(lots.map((lot) => [lot.id, lot]))
    const found = new Map<string, string[]>()
    for (const { id, material } of lots) {
      const known = found.get(material)
      if (known) known.push(id)
      else found.set(material, [id])
    }
    this.byMaterial = found
  }

  free(material: string): Lot[] {
    return (this.byMaterial.get(material) ?? []).map((id) => this.lots.get(id)!).filter((lot) => isFree(lot))
  }

  /** Keeps so many of a lot, or all it has. @returns how many */
  keep(lot: Lot, count: number, piece: string, newId: () => string): number {
    const reserved = { piece, want: null }
    const has = lot.things ?? 1
    if (count >= has) {
      this.lots.set(lot.id, { ...lot, reserved })
      return has
    }
    const [taken, rest] = parted(lot, count, newId)
    this.lots.set(lot.id, rest)
    this.lots.set(taken.id, { ...taken, reserved })
    return count
  }

  all(): Lot[] {
    return [...this.lots.values()]
  }

  since(before: ReadonlyMap<string, Lot>): Moved {
    return {
      put: [...this.lots.values()].filter((lot) => !same(before.get(lot.id), lot)),
      gone: [...before.keys()].filter((id) => !this.lots.has(id)),
    }
  }
}

const same = (a: Lot | undefined, b: Lot): boolean => a !== undefined && deltaOf(a, b) === 0
