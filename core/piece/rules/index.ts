import { z } from 'zod'
import type { MaterialKind } from '../../material'
import { AGAINST } from './against'
import { ARMS } from './arms'
import { BANDS } from './bands'
import { BEADS } from './beads'
import { BOUGHS } from './boughs'
import { BOW } from './bow'
import { BUNDLES } from './bundles'
import { CLUSTER } from './cluster'
import { COMPASS } from './compass'
import { CRESCENT } from './crescent'
import { EVERY } from './every'
import { HALFWAY } from './halfway'
import { HAND } from './hand'
import { LAID } from './laid'
import { MESH } from './mesh'
import { MIRROR } from './mirror'
import { POOFS } from './poofs'
import type { RuleSort } from './rule'
import { SCATTER } from './scatter'
import { SINGLE } from './single'
import { SPRAY } from './spray'
import { WOUND } from './wound'

export * from './bow'
export { MOST_PARTS } from './rule'
export { DENSE } from './crescent'
export { GATHER_NAMES, GATHERS } from './mesh'
export type { Gather } from './mesh'
export { PATTERNS } from './against'

export const RuleSchema = z.discriminatedUnion('kind', [
  COMPASS.schema,
  HALFWAY.schema,
  EVERY.schema,
  AGAINST.schema,
  CLUSTER.schema,
  CRESCENT.schema,
  MIRROR.schema,
  BANDS.schema,
  ARMS.schema,
  SCATTER.schema,
  SINGLE.schema,
  BUNDLES.schema,
  BOUGHS.schema,
  SPRAY.schema,
  WOUND.schema,
  LAID.schema,
  MESH.schema,
  POOFS.schema,
  BEADS.schema,
  BOW.schema,
  HAND.schema,
])

export type Rule = z.infer<typeof RuleSchema>
export type RuleKind = Rule['kind']
export type RuleOf<K extends RuleKind> = Extract<Rule, { kind: K }>

/** What is known of each kind of rule, in the order in which makers are offered them. */
const RULES: { readonly [K in RuleKind]: RuleSort<RuleOf<K>> } = {
  compass: COMPASS,
  halfway: HALFWAY,
  every: EVERY,
  against: AGAINST,
  cluster: CLUSTER,
  crescent: CRESCENT,
  mirror: MIRROR,
  bands: BANDS,
  arms: ARMS,
  scatter: SCATTER,
  bundles: BUNDLES,
  boughs: BOUGHS,
  spray: SPRAY,
  single: SINGLE,
  hand: HAND,
  wound: WOUND,
  laid: LAID,
  mesh: MESH,
  poofs: POOFS,
  beads: BEADS,
  bow: BOW,
}
export const RULE_KINDS = Object.keys(RULES) as RuleKind[]

/** What is known of a kind of rule: its words, its traits, what is usual. */
export const ruleSortOf = <K extends RuleKind>(kind: K): RuleSort<RuleOf<K>> => RULES[kind] as unknown as RuleSort<RuleOf<K>>

/** A rule of a kind with everyday numbers. @param of the layer that it refers to, if it does @param parts how many materials it is of */
export const usualRule = <K extends RuleKind>(kind: K, of: string, parts = 1): RuleOf<K> => ruleSortOf(kind).usual(of, parts)

/** The rule whose places are the mirror images of this one's. */
export const mirrorRule = (rule: Rule): Rule => ruleSortOf<RuleKind>(rule.kind).image(rule)

/** How many faces of the base a rule covers, of which one is drawn. */
export const facesOf = (rule: Rule): number => ruleSortOf<RuleKind>(rule.kind).faces(rule)

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
