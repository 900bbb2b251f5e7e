import type { z } from 'zod'
import type { MaterialKind } from '../../material'
import type { Role } from '../schema-primitives'

/** What is known of a kind of rule: what it says in the document, in words and to the rooms below. */
export interface RuleSort<R> {
  /** In a few words, without its lengths. */
  readonly name: string
  /** Why one would choose it. */
  readonly note: string
  /** With everyday numbers. @param of the layer that it refers to, if it does @param parts how many materials it is of, from 1 */
  readonly usual: (of: string, parts: number) => R
  /** The rule whose places are the mirror images of this one's. */
  readonly image: (rule: R) => R
  /** What it lays: single stems, which can be dealt, spread, filled in and swapped; threaded beads; or what is made of lengths. */
  readonly lays: 'stems' | 'beads' | 'lengths'
  /** Materials that can go by it, and how soon it is thought of for each, from 0; null for all that come as single things. */
  readonly materials: Readonly<Partial<Record<MaterialKind, number>>> | null
  /** Whether it goes by another layer's places. */
  readonly refers: boolean
  /** Whether what it lays can bear things of another layer: single stems do, and bows and poofs of what is made of lengths. */
  readonly bears: boolean
  /** Whether its places pair off left and right. */
  readonly pairs: boolean
  /** Whether what it lays keeps out of reserved places from the start. */
  readonly mindful: boolean
  /** Whether what it lays stands level instead of leaning off the run, one at one place. */
  readonly level: boolean
  /** Whether gaps along the run say something of it. */
  readonly spaced: boolean
  /** Whether it may be evened out: `free` to even gaps, to gaps `shaped` on purpose, or `meant` as it lies. */
  readonly evening: 'free' | 'shaped' | 'meant'
  /** Of how many materials it can be at most; a bow has a build for each part of its mix. */
  readonly parts: number
  /** Whether each part of the mix has numbers of its own, so that none is dealt and one may come twice. */
  readonly builds: boolean
  /** The role that a layer gets by it; null leaves it. */
  readonly role: Role | null
  /** How many faces of the base it covers, of which one is drawn. */
  readonly faces: (rule: R) => number
}

type Named = 'name' | 'note' | 'usual'

/** The most materials that are mixed in one layer. */
export const MOST_PARTS = 12

/** A rule with its schema, by what sets it apart: unless it says otherwise it lays single stems evenly on one face. */
export const ruleSort =
  <S extends z.ZodObject>(schema: S) =>
  (own: Pick<RuleSort<z.infer<S>>, Named> & Partial<Omit<RuleSort<z.infer<S>>, Named>>): RuleSort<z.infer<S>> & { readonly schema: S } => ({
    schema,
    image: (rule) => rule,
    lays: 'stems',
    materials: null,
    refers: false,
    bears: (own.lays ?? 'stems') === 'stems',
    pairs: false,
    mindful: false,
    level: false,
    spaced: true,
    evening: 'free',
    parts: MOST_PARTS,
    builds: false,
    role: null,
    faces: () => 1,
    ...own,
  })
