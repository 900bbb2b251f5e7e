import { z } from 'zod'
import type { MaterialKind } from '../../material'
import { ALTERNATING_RULE } from './alternating'
import { ARMS_RULE } from './arms'
import { BANDS_RULE } from './bands'
import { BEADS_RULE } from './beads'
import { BOUGHS_RULE } from './boughs'
import { BOW_RULE } from './bow'
import { BUNDLES_RULE } from './bundles'
import { CLUSTER_RULE } from './cluster'
import { EVENLY_COUNTED_RULE } from './evenly-counted'
import { CRESCENT_RULE } from './crescent'
import { EVENLY_SPACED_RULE } from './evenly-spaced'
import { BETWEEN_NEIGHBOURS_RULE } from './between-neighbours'
import { MANUAL_RULE } from './manual'
import { LAPS_RULE } from './laps'
import { MESH_RULE } from './mesh'
import { MIRROR_RULE } from './mirror'
import { ON_THINGS_RULE } from './on-things'
import { POOFS_RULE } from './poofs'
import type { RuleSort } from './rule'
import { SCATTER_RULE } from './scatter'
import { SINGLE_RULE } from './single'
import { SPRAY_RULE } from './spray'
import { WRAP_RULE } from './wrap'

export * from './bow'
export { MOST_PARTS } from './rule'
export { DENSE } from './crescent'
export { GATHER_NAMES, GATHERS } from './mesh'
export type { Gather } from './mesh'
export { PATTERNS } from './alternating'
export { STRAND_TIES } from './laps'
export type { StrandTie } from './laps'
export { SPRAY_TIES } from './spray'
export { SPOTS } from './on-things'
export type { Spot } from './on-things'

export const RuleSchema = z.discriminatedUnion('kind', [
  EVENLY_COUNTED_RULE.schema,
  BETWEEN_NEIGHBOURS_RULE.schema,
  EVENLY_SPACED_RULE.schema,
  ALTERNATING_RULE.schema,
  CLUSTER_RULE.schema,
  CRESCENT_RULE.schema,
  MIRROR_RULE.schema,
  BANDS_RULE.schema,
  ARMS_RULE.schema,
  ON_THINGS_RULE.schema,
  SCATTER_RULE.schema,
  SINGLE_RULE.schema,
  BUNDLES_RULE.schema,
  BOUGHS_RULE.schema,
  SPRAY_RULE.schema,
  WRAP_RULE.schema,
  LAPS_RULE.schema,
  MESH_RULE.schema,
  POOFS_RULE.schema,
  BEADS_RULE.schema,
  BOW_RULE.schema,
  MANUAL_RULE.schema,
])

export type Rule = z.infer<typeof RuleSchema>
export type RuleKind = Rule['kind']
export type RuleOf<K extends RuleKind> = Extract<Rule, { kind: K }>

/** What is known of each kind of rule, in the order in which makers are offered them. */
const RULES: { readonly [K in RuleKind]: RuleSort<RuleOf<K>> } = {
  compass: EVENLY_COUNTED_RULE,
  halfway: BETWEEN_NEIGHBOURS_RULE,
  every: EVENLY_SPACED_RULE,
  against: ALTERNATING_RULE,
  cluster: CLUSTER_RULE,
  crescent: CRESCENT_RULE,
  mirror: MIRROR_RULE,
  bands: BANDS_RULE,
  arms: ARMS_RULE,
  scatter: SCATTER_RULE,
  bundles: BUNDLES_RULE,
  boughs: BOUGHS_RULE,
  spray: SPRAY_RULE,
  single: SINGLE_RULE,
  on: ON_THINGS_RULE,
  hand: MANUAL_RULE,
  wound: WRAP_RULE,
  laid: LAPS_RULE,
  mesh: MESH_RULE,
  poofs: POOFS_RULE,
  beads: BEADS_RULE,
  bow: BOW_RULE,
}
const RULE_KINDS = Object.keys(RULES) as RuleKind[]

/** What is known of a kind of rule: its words, its traits, what is usual. */
export const ruleSortOf = <K extends RuleKind>(kind: K): RuleSort<RuleOf<K>> => RULES[kind] as unknown as RuleSort<RuleOf<K>>

/** A rule of a kind with everyday numbers. @param of the layer that it refers to, if it does @param parts how many materials it is of */
export const usualRule = <K extends RuleKind>(kind: K, of: string, parts = 1): RuleOf<K> => ruleSortOf(kind).usual(of, parts)

/** The rule whose places are the mirror images of this one's. */
export const mirrorRule = (rule: Rule): Rule => ruleSortOf<RuleKind>(rule.kind).image(rule)

/** How many faces of the base a rule covers, of which one is drawn. */
export const facesOf = (rule: Rule): number => ruleSortOf<RuleKind>(rule.kind).faces(rule)

/** Whether a material comes as single things, which can be laid by hand. */
export const laidAlone = ({ kind }: { readonly kind: MaterialKind }): boolean => rulesFor(kind).includes('hand')

/** The layer on whose things those of a layer lie; null where they lie on the base. */
export const bearerOf = (rule: Rule): string | null => (rule.kind === 'on' ? rule.of : null)

/** Whether things made or laid by it can bear others. */
export const bears = ({ kind }: Pick<Rule, 'kind'>): boolean => RULES[kind].bears

/** Whether things are made of lengths by it: what it lays are not stems. */
export const laysLengths = ({ kind }: Pick<Rule, 'kind'>): boolean => RULES[kind].lays === 'lengths'
/** Whether it lays single stems, which can be dealt, spread, filled in and swapped. */
export const laysStems = ({ kind }: Pick<Rule, 'kind'>): boolean => RULES[kind].lays === 'stems'

/** The rules that a kind of material can go by, the usual one first. */
export function rulesFor(kind: MaterialKind): readonly RuleKind[] {
  const own = RULE_KINDS.flatMap((rule) => {
    const { materials } = RULES[rule]
    const place = materials?.[kind]
    return place === undefined ? [] : [{ rule, place }]
  }).sort((a, b) => a.place - b.place)
  return own.length ? own.map(({ rule }) => rule) : RULE_KINDS.filter((rule) => RULES[rule].materials === null)
}
