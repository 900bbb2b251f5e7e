import type { RuleKind, RuleOf } from '../../piece'
import { AGAINST } from './against'
import { ARMS } from './arms'
import type { Arranging } from './arranging'
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
import { SCATTER } from './scatter'
import { SINGLE } from './single'
import { SPRAY } from './spray'
import { WOUND } from './wound'

export type { Counted, Room } from './arranging'

const ARRANGING: { readonly [K in RuleKind]: Arranging<RuleOf<K>> } = {
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
  single: SINGLE,
  bundles: BUNDLES,
  boughs: BOUGHS,
  spray: SPRAY,
  wound: WOUND,
  laid: LAID,
  mesh: MESH,
  poofs: POOFS,
  beads: BEADS,
  bow: BOW,
  hand: HAND,
}

/** How a kind of rule puts things on a run. */
export const arrangingOf = <K extends RuleKind>(kind: K): Arranging<RuleOf<K>> => ARRANGING[kind] as unknown as Arranging<RuleOf<K>>
