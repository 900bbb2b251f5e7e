import type { Run } from '../base'
import type { Shelf } from '../material'
import { quantity, sum } from '../measure'
import type { Layer, Problem } from '../piece'
import { MOST_PLACES } from '../piece'
import type { LaidLayer } from './placement'

/** What is wrong with how layers are laid. */
export function arrangeProblems(laid: readonly LaidLayer[], runs: readonly Run[], shelf: Shelf): Problem[] {
  return laid.flatMap(({ layer, fault }) => [
    ...faultOf(layer, fault),
    ...unknownIn(layer, shelf),
    ...tooShort(layer, shelf),
    ...tooMany(layer, runs),
  ])
}

function faultOf(layer: Layer, fault: LaidLayer['fault']): Problem[] {
  if (fault !== 'no reference' && fault !== 'no run') return []
  const says = fault === 'no run' ? sum`This layer lies on a run that the base does not have.`
    : sum`This layer goes halfway between another layer’s points, but that layer is gone or leads back to this one.`
  return [{
    id: `${layer.id}:${fault}`, weight: 'fault', layer: layer.id, says,
    mends: [{ says: sum`Lay it by the compass instead`, edit: { do: 'layer', layer: layer.id, set: { rule: { kind: 'compass', count: 6, start: 0 }, run: 'ring' } } }],
  }]
}

function unknownIn(layer: Layer, shelf: Shelf): Problem[] {
  return layer.mix.filter(({ material }) => !shelf.materials[material]).map(({ material }) => ({
    id: `${layer.id}:unknown:${material}`, weight: 'fault', layer: layer.id,
    says: sum`The shelf has no “${material}”. It is neither drawn nor counted.`,
    mends: layer.mix.length > 1
      ? [{ says: sum`Leave it out of the mix`, edit: { do: 'layer', layer: layer.id, set: { mix: layer.mix.filter((each) => each.material !== material) } } }]
      : [{ says: sum`Choose another material for this layer`, edit: null }],
  }))
}

function tooShort(layer: Layer, shelf: Shelf): Problem[] {
  const { cut } = layer
  if (cut === null) return []
  return layer.mix.flatMap(({ material: id }) => {
    const material = shelf.materials[id]
    if (!material || material.form !== 'leaf' || material.length >= cut) return []
    return [{
      id: `${layer.id}:short:${id}`, weight: 'care', layer: layer.id,
      says: sum`A ${material.name} is ${quantity.length(material.length)} long, shorter than the cut of ${quantity.length(cut)}. It goes on whole.`,
      mends: [{ says: sum`Cut to ${quantity.length(material.length)}`, edit: { do: 'layer', layer: layer.id, set: { cut: material.length } } }],
    } satisfies Problem]
  })
}

function tooMany(layer: Layer, runs: readonly Run[]): Problem[] {
  const { rule } = layer
  const run = runs.find(({ id }) => id === layer.run)
  if (rule.kind !== 'every' || !run || run.length / rule.spacing <= MOST_PLACES) return []
  const widest = run.length / MOST_PLACES
  return [{
    id: `${layer.id}:many`, weight: 'care', layer: layer.id,
    says: sum`Every ${quantity.length(rule.spacing)} would take more than ${quantity.count(MOST_PLACES)}. The layer stops there.`,
    mends: [{ says: sum`Space them ${quantity.length(widest)} apart`, edit: { do: 'layer', layer: layer.id, set: { rule: { ...rule, spacing: widest } } } }],
  }]
}
