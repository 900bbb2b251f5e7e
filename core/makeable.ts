import { arrange } from './placement'
import type { Base, BaseKind } from './base'
import { askedSizeOf, BASE_SORTS, runsOf, usualBase } from './base'
import { beginLayer } from './coverage'
import type { Material, Shelf } from './material'
import { isCut, materialOf, piecesPerStem } from './material'
import { deltaOf } from './measure'
import type { Brief, Piece } from './piece'
import { FULLNESS, startPiece } from './piece'
import type { Lot } from './stock'
import { baseOfLot, isFree } from './stock'

/** So many things of a material that one has. */
export interface Have {
  readonly material: string
  readonly count: number
}

/** How far what one has goes round a base. */
export interface Reach {
  readonly fullness: Brief['fullness']
  /** Of the whole way round, 0 to 1 and over. */
  readonly round: number
  /** What would close the rest, in things of the material that one has most of; nothing where it goes all the way. */
  readonly missing: { readonly material: Material; readonly count: number } | null
}

/** What can be made on a base of what one has. */
export interface Makeable {
  readonly base: Base
  /** What covers it. */
  readonly covers: readonly Material[]
  readonly reaches: readonly Reach[]
}

/** Bases that are easily had, and how many are looked at together. */
const USUAL: readonly BaseKind[] = ['wire-ring', 'grapevine', 'straw']
const MOST_BASES = 6

/** Bases that one could make it on: the bare ones that are in the house and nobody's, in the usual size nearest to each; then those that are easily had. */
export function basesFor(lots: readonly Lot[]): Base[] {
  const here = lots.flatMap((lot): Base[] => {
    const kind = isFree(lot) ? baseOfLot(lot) : null
    if (!kind) return []
    const usual = usualBase(kind)
    const off = (base: Base): number => (lot.cut === null ? 0 : Math.abs(askedSizeOf(base) - lot.cut))
    return [
      [usual, ...BASE_SORTS[kind].sizes.map(({ shape }): Base => ({ ...usual, shape }))].reduce((best, each) =>
        off(each) < off(best) ? each : best,
      ),
    ]
  })
  const all = [...here, ...USUAL.map((kind) => usualBase(kind))]
  return all.filter((base, i) => all.findIndex((other) => deltaOf(other, base) === 0) === i).slice(0, MOST_BASES)
}

/** What is laid to cover a base. */
const COVERS: ReadonlySet<Material['kind']> = new Set(['greenery', 'bough', 'herb', 'twig', 'filler', 'stem', 'moss'])

/**
 * What would be made of what one has: for each base how far round it goes at each fullness, and what is missing. Each material is
 * begun on the base as a maker would begin it, which says how many of it would cover the whole; what one has of all of them adds up.
 * Goes base by base.
 */
export function* makeableOf(
  have: readonly Have[],
  bases: readonly Base[],
  shelf: Shelf,
): Generator<number, Makeable[], boolean | undefined> {
  const covers = have.flatMap(({ material, count }) => {
    const of = materialOf(shelf, material)
    return of && count > 0 && COVERS.has(of.kind) && !isCut(of) ? [{ of, count }] : []
  })
  const found: Makeable[] = []
  for (const [i, base] of bases.entries()) {
    if (yield i) break
    const wanted = (of: Material, fullness: Brief['fullness']): number => wantedOn(base, of, fullness, shelf)
    const reaches = FULLNESS.map((fullness): Reach => {
      const parts = covers.map(({ of, count }) => ({ of, count, wanted: wanted(of, fullness) }))
      const round = parts.reduce((all, { count, wanted: n }) => all + count / Math.max(1e-6, n), 0)
      const most = parts.reduce<(typeof parts)[number] | null>(
        (best, each) => (!best || each.count / each.wanted > best.count / best.wanted ? each : best),
        null,
      )
      return {
        fullness,
        round,
        missing: most && round < 1 - 1e-9 ? { material: most.of, count: Math.ceil((1 - round) * most.wanted - 1e-9) } : null,
      }
    })
    found.push({ base, covers: covers.map(({ of }) => of), reaches })
  }
  return found
}

/** How many of a material, as one has them, cover a base by themselves: what is cut of one counts as its part. */
function wantedOn(base: Base, of: Material, fullness: Brief['fullness'], shelf: Shelf): number {
  const start = startPiece('trial', 'Trial', base.kind)
  const piece: Piece = { ...start, base, brief: { ...start.brief, fullness } }
  const runs = runsOf(base)
  const { layer } = beginLayer({ piece, runs, shelf }, { id: 'a', material: of, seed: 7, by: null })
  return (
    arrange({ ...piece, layers: [layer] }, runs, shelf).reduce((n, { placements }) => n + placements.length, 0) /
    piecesPerStem(of, layer.cut)
  )
}
