import type { BaseKind } from '../base'
import { deltaOf } from '../measure'
import type { Lot } from './lot'
import { GivingOut } from './giving-out'
import { baseLots, isFree, parted } from './lot'

/** What is written and what goes when lots change hands. */
export interface LotChanges {
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
): LotChanges {
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
  for (const kind of new Set(bases.map((each) => each.kind))) {
    const wanted = bases.filter((each) => each.kind === kind)
    // The nearest in width first; what is of no said width serves any, so it is left for others.
    const off = ({ cut }: Lot): number => (cut === null ? Infinity : Math.min(...wanted.map(({ width }) => Math.abs(cut - width))))
    const bare = house.free(baseLots(kind)).sort((a, b) => (off(a) === off(b) ? 0 : off(a) - off(b)))
    const giving = new GivingOut(
      wanted.map(({ width }) => width),
      bare,
    )
    wanted.forEach(({ count }, i) => {
      while (giving.has(i) < count && giving.letIn(i));
    })
    bare.forEach((lot, k) => {
      const count = wanted.reduce((n, _, i) => n + giving.of(i)[k]!, 0)
      if (count > 0) keep(lot, count)
    })
  }
  // Where nothing came back, all that is new is what it takes.
  if (given === lots) return { put: house.changed(), gone: [] }
  // As much of everything as it keeps already: then each lot may stay as it is.
  return deltaOf(keeping(piece, lots), keeping(piece, house.all())) === 0 ? { put: [], gone: [] } : between(lots, house.all())
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
export const release = (piece: string, lots: readonly Lot[]): LotChanges => between(lots, giveBack(piece, lots))

/**
 * The lots with what was kept for a piece given back: to the lot that it was parted from, where that is there and alike.
 * @returns the very same where nothing was kept
 */
export function giveBack(piece: string, lots: readonly Lot[]): readonly Lot[] {
  const mine = new Set(lots.filter(({ reserved }) => reserved?.piece === piece && reserved.want === null))
  if (!mine.size) return lots
  const given = lots.filter((lot) => !mine.has(lot))
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
  private readonly piles = new Map<string, Lot[]>()
  /** Those that are no longer what they were, by their ids. */
  private readonly now = new Map<string, Lot>()

  constructor(private readonly lots: readonly Lot[]) {
    for (const lot of lots) {
      const pile = this.piles.get(lot.material)
      if (pile) pile.push(lot)
      else this.piles.set(lot.material, [lot])
    }
  }

  free(material: string): Lot[] {
    return (this.piles.get(material) ?? []).map((lot) => this.now.get(lot.id) ?? lot).filter((lot) => isFree(lot))
  }

  /** Keeps so many of a lot, or all it has. @returns how many */
  keep(lot: Lot, count: number, piece: string, newId: () => string): number {
    const reserved = { piece, want: null }
    const has = lot.things ?? 1
    if (count >= has) {
      this.now.set(lot.id, { ...lot, reserved })
      return has
    }
    const [taken, rest] = parted(lot, count, newId)
    this.now.set(lot.id, rest)
    this.now.set(taken.id, { ...taken, reserved })
    return count
  }

  changed(): Lot[] {
    return [...this.now.values()]
  }

  all(): Lot[] {
    const known = new Set(this.lots.map(({ id }) => id))
    return [...this.lots.map((lot) => this.now.get(lot.id) ?? lot), ...this.changed().filter(({ id }) => !known.has(id))]
  }
}

/** What was moved for lots to become others. */
function between(before: readonly Lot[], after: readonly Lot[]): LotChanges {
  const was = new Map(before.map((lot) => [lot.id, lot]))
  const left = new Set(after.map(({ id }) => id))
  return {
    put: after.filter((lot) => {
      const of = was.get(lot.id)
      return of !== lot && deltaOf(of, lot) !== 0
    }),
    gone: before.flatMap(({ id }) => (left.has(id) ? [] : [id])),
  }
}
