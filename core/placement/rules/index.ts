import type { RuleKind, RuleOf } from '../../piece'
import { ALTERNATING_PLACEMENT } from './alternating'
import { ARMS_PLACEMENT } from './arms'
import type { Arranging } from './arranging'
import { BANDS_PLACEMENT } from './bands'
import { BEADS_PLACEMENT } from './beads'
import { BOUGHS_PLACEMENT } from './boughs'
import { BOW_PLACEMENT } from './bow'
import { BUNDLES_PLACEMENT } from './bundles'
import { CLUSTER_PLACEMENT } from './cluster'
import { EVENLY_COUNTED_PLACEMENT } from './evenly-counted'
import { CRESCENT_PLACEMENT } from './crescent'
import { EVENLY_SPACED_PLACEMENT } from './evenly-spaced'
import { BETWEEN_NEIGHBOURS_PLACEMENT } from './between-neighbours'
import { MANUAL_PLACEMENT } from './manual'
import { LAPS_PLACEMENT } from './laps'
import { MESH_PLACEMENT } from './mesh'
import { MIRROR_PLACEMENT } from './mirror'
import { ON_THINGS_PLACEMENT } from './on-things'
import { POOFS_PLACEMENT } from './poofs'
import { SCATTER_PLACEMENT } from './scatter'
import { SINGLE_PLACEMENT } from './single'
import { SPRAY_PLACEMENT } from './spray'
import { WRAP_PLACEMENT } from './wrap'

export type { CountedRule, Room } from './arranging'

const ARRANGING: { readonly [K in RuleKind]: Arranging<RuleOf<K>> } = {
  compass: EVENLY_COUNTED_PLACEMENT,
  halfway: BETWEEN_NEIGHBOURS_PLACEMENT,
  every: EVENLY_SPACED_PLACEMENT,
  against: ALTERNATING_PLACEMENT,
  cluster: CLUSTER_PLACEMENT,
  crescent: CRESCENT_PLACEMENT,
  mirror: MIRROR_PLACEMENT,
  bands: BANDS_PLACEMENT,
  arms: ARMS_PLACEMENT,
  scatter: SCATTER_PLACEMENT,
  single: SINGLE_PLACEMENT,
  on: ON_THINGS_PLACEMENT,
  bundles: BUNDLES_PLACEMENT,
  boughs: BOUGHS_PLACEMENT,
  spray: SPRAY_PLACEMENT,
  wound: WRAP_PLACEMENT,
  laid: LAPS_PLACEMENT,
  mesh: MESH_PLACEMENT,
  poofs: POOFS_PLACEMENT,
  beads: BEADS_PLACEMENT,
  bow: BOW_PLACEMENT,
  hand: MANUAL_PLACEMENT,
}

/** How a kind of rule puts things on a run. */
export const arrangingOf = <K extends RuleKind>(kind: K): Arranging<RuleOf<K>> => ARRANGING[kind] as unknown as Arranging<RuleOf<K>>
