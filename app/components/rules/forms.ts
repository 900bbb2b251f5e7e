import type { Component } from 'vue'
import type { RuleKind } from '#core/piece'
import AgainstFields from './AgainstFields.vue'
import ArmsFields from './ArmsFields.vue'
import BandsFields from './BandsFields.vue'
import BeadsFields from './BeadsFields.vue'
import BoughsFields from './BoughsFields.vue'
import BowFields from './BowFields.vue'
import BundlesFields from './BundlesFields.vue'
import ClusterFields from './ClusterFields.vue'
import CompassFields from './CompassFields.vue'
import CrescentFields from './CrescentFields.vue'
import EveryFields from './EveryFields.vue'
import HalfwayFields from './HalfwayFields.vue'
import HandFields from './HandFields.vue'
import LaidFields from './LaidFields.vue'
import MeshFields from './MeshFields.vue'
import MirrorFields from './MirrorFields.vue'
import PoofsFields from './PoofsFields.vue'
import ScatterFields from './ScatterFields.vue'
import SingleFields from './SingleFields.vue'
import SprayFields from './SprayFields.vue'
import WoundFields from './WoundFields.vue'
import BeadsAside from './BeadsAside.vue'
import BundlesAside from './BundlesAside.vue'

/** The fields of each kind of rule, and what helps while it is made. Each is given the layer and its rule. */
export const RULE_FORMS: Readonly<Record<RuleKind, { readonly fields: Component; readonly aside: Component | null }>> = {
  compass: { fields: CompassFields, aside: null },
  halfway: { fields: HalfwayFields, aside: null },
  every: { fields: EveryFields, aside: null },
  against: { fields: AgainstFields, aside: null },
  cluster: { fields: ClusterFields, aside: null },
  crescent: { fields: CrescentFields, aside: null },
  mirror: { fields: MirrorFields, aside: null },
  bands: { fields: BandsFields, aside: null },
  arms: { fields: ArmsFields, aside: null },
  scatter: { fields: ScatterFields, aside: null },
  single: { fields: SingleFields, aside: null },
  bundles: { fields: BundlesFields, aside: BundlesAside },
  boughs: { fields: BoughsFields, aside: null },
  spray: { fields: SprayFields, aside: null },
  wound: { fields: WoundFields, aside: null },
  laid: { fields: LaidFields, aside: null },
  mesh: { fields: MeshFields, aside: null },
  poofs: { fields: PoofsFields, aside: null },
  beads: { fields: BeadsFields, aside: BeadsAside },
  bow: { fields: BowFields, aside: null },
  hand: { fields: HandFields, aside: null },
}
