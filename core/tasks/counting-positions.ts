import type { Placement } from '../placement'
import { hidesEnds, inOrder } from '../placement'
import type { Run } from '../base'
import type { Layer } from '../piece'
import type { Task } from './task'

/**
 * Where hands come to while they lay a layer, one by one: stems so that each hides the cut end of the last, others along each run,
 * every thing, or the first sprig of every bundle.
 * @param placements of the whole piece
 */
export function stopsOf(
  { kind, layer: id }: Pick<Task, 'kind' | 'layer'>,
  layer: Layer | null,
  placements: readonly Placement[],
  runs: readonly Run[],
): Placement[] {
  if (kind !== 'lay' || !layer) return []
  const own = placements.filter((each) => each.layer === id)
  if (hidesEnds(layer, own)) return own
  const each = layer.rule.kind === 'bundles' ? layer.rule.sprigs : 1
  return runs.flatMap((run) => inOrder(own.filter((one) => one.run === run.id)).filter((_, i) => i % each === 0))
}
