import type { Run } from '../base'
import { acrossAt, nearestRun, stationAt } from '../base'
import type { Material, Shelf } from '../material'
import { materialOf } from '../material'
import { clamp, wrapDegrees } from '../measure'
import type { Added, Edit, Layer, Piece, RuleKind } from '../piece'
import { bears, freshLayerId, freshSeed, ruleSortOf, startLayer, usualRule, withRuleKind } from '../piece'
import { borneBy, layersOn } from './bearing'
import type { Dropped, DropPlace } from './manual-edits'
import { dropOnto, takeOff } from './manual-edits'
import { layerBearing } from './place'
import type { Placement } from './placement'
import { placementId } from './placement'

/** What hands do with things that lie on other things, as edits. */

const layerOf = (piece: Piece, id: string): Layer => piece.layers.find((layer) => layer.id === id)!

/** Whether things of a layer can lie on those of another: they can bear, and do not lie on the first themselves. @param layer null for a new one */
export function canLieOn(piece: Piece, layer: string | null, bearer: string): boolean {
  const on = piece.layers.find(({ id }) => id === bearer)
  if (!on || !bears(on.rule)) return false
  return layer === null || (layer !== bearer && !layersOn(piece.layers, new Set([layer])).some(({ id }) => id === bearer))
}

/**
 * The layer that one goes by to begin with when it is laid by a kind of rule that goes by another: what bears others lies under it, so
 * the last of these before it, or any; else the first there is.
 * @returns its id; null where there is none, or the rule goes by no other
 */
export function goesByFirst(piece: Piece, layer: string, kind: RuleKind): string | null {
  if (!ruleSortOf(kind).refers) return null
  const others = piece.layers.filter(({ id }) => id !== layer)
  if (kind !== 'on') return others[0]?.id ?? null
  const can = others.filter(({ id }) => canLieOn(piece, layer, id))
  const before = piece.layers.slice(
    0,
    piece.layers.findIndex(({ id }) => id === layer),
  )
  return (can.findLast((each) => before.includes(each)) ?? can[0])?.id ?? null
}

/** What changes in a layer that comes to lie on one thing, in its middle. */
const lyingOn = (layer: Layer, { layer: of, slot }: Placement): Partial<Layer> => ({
  ...withRuleKind(layer, 'on', of),
  rule: { ...usualRule('on', of), only: [slot] },
})

/** A layer of so many of one material that were put one by one in the middle of things of that layer: one more joins it. */
const joining = (piece: Piece, material: string, { layer: of }: Placement): Layer | undefined =>
  piece.layers.find(
    ({ rule, mix, locked }) =>
      !locked &&
      rule.kind === 'on' &&
      rule.of === of &&
      rule.only !== null &&
      rule.spot === 'middle' &&
      mix.length === 1 &&
      mix[0]!.material === material,
  )

/** Puts one of a material on a thing. */
export function dropOnThing(piece: Piece, material: Material, bearer: Placement): Dropped {
  const known = joining(piece, material.id, bearer)
  if (known?.rule.kind === 'on' && known.rule.only) {
    const only = [...new Set([...known.rule.only, bearer.slot])]
    return { edit: { do: 'layer', layer: known.id, set: { rule: { ...known.rule, only } } }, layer: known.id, slot: null }
  }
  const { layers } = piece
  const begun = startLayer(freshLayerId(layers), material, freshSeed(layers))
  const layer: Layer = { ...begun, ...lyingOn(begun, bearer) }
  return { edit: { do: 'add layer', at: layers.length, layer }, layer: layer.id, slot: null }
}

/** The slots on which a rule lies that names them, without those of things that go, and of what these are borne by. */
function leftOn({ id, rule }: Layer, things: readonly Placement[]): readonly string[] | null {
  if (rule.kind !== 'on' || !rule.only) return null
  const { of, only, spot } = rule
  // Of several on the loops of one bow the others stay.
  const own = spot === 'loops' ? [] : things.filter(({ layer }) => layer === id)
  return only.filter((slot) => {
    const bearer = placementId(of, slot)
    return !things.some((each) => each.id === bearer) && !own.some((each) => each.bearer === bearer)
  })
}

/** Takes things out of their layers: a rule that names what bears them, or names them, does so no more. @returns also which layers that leaves with nothing */
function takenOut(piece: Piece, things: readonly Placement[]): { readonly edits: readonly Edit[]; readonly emptied: readonly string[] } {
  const emptied: string[] = []
  const named = new Set<string>()
  const edits = piece.layers.flatMap((layer): Edit[] => {
    const { id, rule, nudges } = layer
    const only = leftOn(layer, things)
    if (rule.kind !== 'on' || !only || only.length === rule.only!.length) return []
    if (!only.length) emptied.push(id)
    const own = new Set(things.flatMap((each) => (each.layer === id ? [each.slot] : [])))
    if (rule.spot !== 'loops') named.add(id)
    const kept = Object.fromEntries(Object.entries(nudges).filter(([slot]) => !own.has(slot)))
    return only.length ? [{ do: 'layer', layer: id, set: { rule: { ...rule, only: [...only] }, nudges: kept } }] : []
  })
  const rest = things.filter((each) => !named.has(each.layer) && !emptied.includes(each.layer))
  return { edits: [...edits, takeOff(rest)], emptied }
}

/** Takes a thing from where it lies and puts it on another. @param alone whether it is all that its layer lays */
export function putOnThing(piece: Piece, thing: Placement, bearer: Placement, alone: boolean, shelf: Shelf): Edit | null {
  const material = materialOf(shelf, thing.material)
  if (!material || !canLieOn(piece, thing.layer, bearer.layer)) return null
  const into = joining(piece, thing.material, bearer)
  const own = layerOf(piece, thing.layer)
  if (into?.id === own.id && own.rule.kind === 'on') {
    const only = [...new Set([...(leftOn(own, [thing]) ?? []), bearer.slot])]
    return { do: 'layer', layer: own.id, set: { rule: { ...own.rule, only } } }
  }
  if (alone && !into) return { do: 'layer', layer: own.id, set: lyingOn(own, bearer) }
  const { edit } = dropOnThing(piece, material, bearer)
  return { do: 'several', edits: [...(alone ? [{ do: 'remove layer', layer: own.id } as const] : takenOut(piece, [thing]).edits), edit] }
}

/** Takes a thing off what bears it and puts it on the base, where a hand lets it go. @param alone whether it is all that its layer lays */
export function putOnBase(piece: Piece, thing: Placement, place: DropPlace, alone: boolean, shelf: Shelf): Edit | null {
  const material = materialOf(shelf, thing.material)
  if (!material) return null
  const { run, s, across } = place
  if (alone) {
    const added: Added = { id: 'h1', run: run.id, at: s / run.length, across: clamp(across, -2, 2), turn: 0, material: material.id }
    return {
      do: 'layer',
      layer: thing.layer,
      set: { run: run.id, rule: { kind: 'hand' }, nudges: {}, taken: [], added: [added] },
    }
  }
  return { do: 'several', edits: [...takenOut(piece, [thing]).edits, dropOnto(piece, material, place, null).edit] }
}

/** Things as hands would put them on the base where they lie, pointing as they do. */
function asAdded(layer: Layer, things: readonly Placement[], runs: readonly Run[], shelf: Shelf): Added[] {
  return things.flatMap((thing, i): Added[] => {
    const material = materialOf(shelf, thing.material)
    if (!material) return []
    const { run, s } = nearestRun(runs, thing)
    const id = `b${i + 1}`
    return [
      {
        id,
        run: run.id,
        at: clamp(s / run.length, 0, 1),
        across: clamp(acrossAt(stationAt(run, s), thing), -2, 2),
        turn: wrapDegrees(thing.bearing - layerBearing(layer, { run, s, id }, runs, material) + 180) - 180,
        material: thing.material,
      },
    ]
  })
}

/** What is taken off, and what lay on it. */
export interface TakenOff {
  readonly things: readonly Placement[]
  /** The layer that goes with all of its things; null where only these go. */
  readonly layer: string | null
  readonly borne: readonly Placement[]
}

/** What goes when things do: what they bear too. @param layer that goes as a whole, or null */
export const takenOffWith = (things: readonly Placement[], layer: string | null, all: readonly Placement[]): TakenOff => ({
  things,
  layer,
  borne: borneBy(new Set(things.map(({ id }) => id)), all).filter((each) => !things.includes(each)),
})

/**
 * Takes things off, or a layer away, with what is to become of what they bear.
 * @param stays whether that stays where it is, put on the base by hand; else it goes with them
 */
export function takeOffBearing(piece: Piece, { things, layer, borne }: TakenOff, stays: boolean, runs: readonly Run[], shelf: Shelf): Edit {
  const { edits, emptied } = takenOut(piece, things)
  const whole = new Set(layer === null ? emptied : [...emptied, layer])
  const gone = new Set([...whole, ...layersOn(piece.layers, whole).map(({ id }) => id)])
  const kept = stays ? [...new Set(borne.map((each) => each.layer))] : []
  let ids: readonly Pick<Layer, 'id'>[] = piece.layers
  const added = kept.map((of): Edit => {
    const id = freshLayerId(ids)
    ids = [...ids, { id }]
    const like = layerOf(piece, of)
    const own = borne.filter((each) => each.layer === of)
    const base: Layer = { ...like, id, run: runs[0]!.id, rule: { kind: 'hand' }, mirrored: false, nudges: {}, taken: [], added: [] }
    return { do: 'add layer', at: piece.layers.length, layer: { ...base, added: asAdded(base, own, runs, shelf) } }
  })
  return { do: 'several', edits: [...edits, ...[...gone].map((id): Edit => ({ do: 'remove layer', layer: id })), ...added] }
}

/** Things that move by themselves when these are moved: what one of them bears goes with that. */
export function movedAlone(things: readonly Placement[], all: readonly Placement[]): Placement[] {
  const carried = new Set(borneBy(new Set(things.map(({ id }) => id)), all).map(({ id }) => id))
  return things.filter(({ id }) => !carried.has(id))
}
