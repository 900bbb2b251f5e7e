import type { Component } from 'vue'
import type { RuleKind } from '#core/piece'
import AlternatingFields from './AlternatingFields.vue'
import ArmsFields from './ArmsFields.vue'
import BandsFields from './BandsFields.vue'
import BeadsFields from './BeadsFields.vue'
import BoughsFields from './BoughsFields.vue'
import BowFields from './BowFields.vue'
import BundlesFields from './BundlesFields.vue'
import ClusterFields from './ClusterFields.vue'
import EvenlyCountedFields from './EvenlyCountedFields.vue'
import CrescentFields from './CrescentFields.vue'
import EvenlySpacedFields from './EvenlySpacedFields.vue'
import BetweenNeighboursFields from './BetweenNeighboursFields.vue'
import ManualFields from './ManualFields.vue'
import LapsFields from './LapsFields.vue'
import MeshFields from './MeshFields.vue'
import MirrorFields from './MirrorFields.vue'
import OnThingsFields from './OnThingsFields.vue'
import PoofsFields from './PoofsFields.vue'
import ScatterFields from './ScatterFields.vue'
import SingleFields from './SingleFields.vue'
import SprayFields from './SprayFields.vue'
import WrapFields from './WrapFields.vue'
import BeadsAside from './BeadsAside.vue'
import BundlesAside from './BundlesAside.vue'

/** The fields of each kind of rule, and what helps while it is made. Each is given the layer and its rule. */
export const RULE_FORMS: Readonly<Record<RuleKind, { readonly fields: Component; readonly aside: Component | null }>> = {
  compass: { fields: EvenlyCountedFields, aside: null },
  halfway: { fields: BetweenNeighboursFields, aside: null },
  every: { fields: EvenlySpacedFields, aside: null },
  against: { fields: AlternatingFields, aside: null },
  cluster: { fields: ClusterFields, aside: null },
  crescent: { fields: CrescentFields, aside: null },
  mirror: { fields: MirrorFields, aside: null },
  bands: { fields: BandsFields, aside: null },
  arms: { fields: ArmsFields, aside: null },
  scatter: { fields: ScatterFields, aside: null },
  single: { fields: SingleFields, aside: null },
  on: { fields: OnThingsFields, aside: null },
  bundles: { fields: BundlesFields, aside: BundlesAside },
  boughs: { fields: BoughsFields, aside: null },
  spray: { fields: SprayFields, aside: null },
  wound: { fields: WrapFields, aside: null },
  laid: { fields: LapsFields, aside: null },
  mesh: { fields: MeshFields, aside: null },
  poofs: { fields: PoofsFields, aside: null },
  beads: { fields: BeadsFields, aside: BeadsAside },
  bow: { fields: BowFields, aside: null },
  hand: { fields: ManualFields, aside: null },
}
