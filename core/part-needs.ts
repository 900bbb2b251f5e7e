import type { BareBase, Material, Need } from './material'
import { thingsIn } from './material'
import type { Part, Problem } from './piece'
import { materialOfPart } from './piece'
import type { Fixing } from './fixing'
import type { PartToMake } from './tasks'

/** A part, and what follows from it for one of them. */
export interface MadePart extends Omit<PartToMake, 'count'> {
  readonly part: Part
  /** What one of them needs. */
  readonly needs: readonly Need[]
  /** How what is in it is held. */
  readonly fixings: readonly Fixing[]
  /** What it is made of; of one that is bought that alone. */
  readonly materials: readonly Material[]
  readonly problems: readonly Problem[]
}

/** How many of each part are needed, by its id. */
export const countsOfParts = (needs: readonly Need[], parts: readonly MadePart[]): ReadonlyMap<string, number> =>
  new Map(
    parts.map(({ part: { id } }) => [
      id,
      thingsIn(needs).reduce((n, { material, count }) => (material === materialOfPart(id) ? n + count : n), 0),
    ]),
  )

/** The parts that hands make, and how many of each; what is bought ready-made is none. */
export function partsToMake(needs: readonly Need[], parts: readonly MadePart[]): PartToMake[] {
  const counts = countsOfParts(needs, parts)
  return parts.flatMap(({ part, id, material, tasks, dries }) => {
    const count = counts.get(part.id)!
    return count > 0 && part.bought === null ? [{ id, material, tasks, dries, count }] : []
  })
}

/** Bases that are alike are one need. */
function withBasesTogether(needs: readonly Need[]): Need[] {
  const bases = new Map<string, BareBase>()
  for (const need of needs) {
    if (need.of !== 'base') continue
    const key = JSON.stringify([need.material, need.width, need.price, need.ownPrice])
    const known = bases.get(key)
    bases.set(key, known ? { ...known, count: known.count + need.count } : need)
  }
  return [...bases.values(), ...needs.filter(({ of }) => of !== 'base')]
}

/** Needs of one copy with what its parts are made of in place of the parts, each need of theirs marked by the part. */
export function needsWithParts(needs: readonly Need[], parts: readonly MadePart[]): readonly Need[] {
  const counts = countsOfParts(needs, parts)
  if (![...counts.values()].some((n) => n > 0)) return needs
  const own = needs.filter(({ material }) => !parts.some(({ part }) => material === materialOfPart(part.id)))
  const theirs = parts.flatMap(({ part, needs: each }) => {
    const n = counts.get(part.id)!
    return n > 0 ? each.map((need): Need => ({ ...need, layer: materialOfPart(part.id), count: need.count * n })) : []
  })
  return withBasesTogether([...own, ...theirs])
}
