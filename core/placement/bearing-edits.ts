import type { Run } from '../base'
import { nearestRun, stationAt } from '../base'
import type { Material, Shelf } from '../material'
import { materialOf } from '../material'
import { clamp, wrapDegrees } from '../measure'
import type { Added, Edit, Layer, Piece, RuleOf } from '../piece'
import { bearerOf, bears, EACH, freshLayerId, freshSeed, startLayer, usualRule } from '../piece'
import { borneBy } from './bearing'
import type { Dropped, DropPlace } from './manual-edits'
import { dropOnto, takeOff } from './manual-edits'
import { layerBearing } from './place'
import type { Placement } from './placement'

/** What hands do with things that lie on other things, as edits. */

const layerOf = (piece: Piece, id: string): Layer => piece.layers.find((layer) => layer.id === id)!

/** The layers that lie on the things of these, on theirs, and so on. */
function layersOn({ layers }: Piece, ids: ReadonlySet<string>): Layer[] {
  const found: Layer[] = []
  const under = new Set(ids)
  for (let before = -1; before < found.length;) {
    before = found.length
    for (const layer of layers)
      if (!under.has(layer.id) && under.has(bearerOf(layer.rule) ?? '')) {
        under.add(layer.id)
        found.push(layer)
      }
  }
  return found
}

/** Whether things of a layer can lie on those of another: they can bear, and do not lie on the first themselves. @param layer null for a new one */
export function canLieOn(piece: Piece, layer: string | null, bearer: string): boolean {
  const on = piece.layers.find(({ id }) => id === bearer)
  if (!on || !bears(on.rule)) return false
  return layer === null || (layer !== bearer && !layersOn(piece, new Set([layer])).some(({ id }) => id === bearer))
}

/** What changes in a layer that comes to lie on one thing, in its middle. */
const lyingOn = ({ layer, slot }: Placement): Partial<Layer> & { readonly rule: RuleOf<'on'> } => ({
  run: EACH,
  rule: { ...usualRule('on', layer), only: [slot] },
  nudges: {},
  added: [],
  taken: [],
  reserve: null,
  clear: false,
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
  const layer: Layer = { ...startLayer(freshLayerId(layers), material, freshSeed(layers)), ...lyingOn(bearer) }
  return { edit: { do: 'add layer', at: layers.length, layer }, layer: layer.id, slot: null }
}

/** Takes a thing from where it lies and puts it on another. @param alone whether it is all that its layer lays */
export function putOnThing(piece: Piece, thing: Placement, bearer: Placement, alone: boolean, shelf: Shelf): Edit | null {
  const material = materialOf(shelf, thing.material)
  if (!material || !canLieOn(piece, thing.layer, bearer.layer)) return null
  if (alone && !joining(piece, thing.material, bearer)) return { do: 'layer', layer: thing.layer, set: lyingOn(bearer) }
  const { edit } = dropOnThing(piece, material, bearer)
  return { do: 'several', edits: [alone ? { do: 'remove layer', layer: thing.layer } : takeOff([thing]), edit] }
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
  return { do: 'several', edits: [takeOff([thing]), dropOnto(piece, material, place, null).edit] }
}

/** Things as hands would put them on the base where they lie, pointing as they do. */
function asAdded(layer: Layer, things: readonly Placement[], runs: readonly Run[], shelf: Shelf): Added[] {
  return things.flatMap((thing, i): Added[] => {
    const material = materialOf(shelf, thing.material)
    if (!material) return []
    const { run, s } = nearestRun(runs, thing)
    const station = stationAt(run, s)
    const t = ((thing.x - station.x) * station.nx + (thing.y - station.y) * station.ny) / station.half
    const id = `b${i + 1}`
    return [
      {
        id,
        run: run.id,
        at: clamp(s / run.length, 0, 1),
        across: clamp(t, -2, 2),
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
  const gone = new Set(layer === null ? [] : [layer, ...layersOn(piece, new Set([layer])).map(({ id }) => id)])
  const slots = new Map<string, Set<string>>()
  for (const { layer: of, slot } of things) slots.set(of, (slots.get(of) ?? new Set()).add(slot))
  // A rule that names what goes names it no more.
  const renamed = piece.layers.flatMap(({ id, rule }): Edit[] => {
    if (gone.has(id) || rule.kind !== 'on' || !rule.only || !slots.has(rule.of)) return []
    const only = rule.only.filter((slot) => !slots.get(rule.of)!.has(slot))
    if (only.length === rule.only.length) return []
    return only.length ? [{ do: 'layer', layer: id, set: { rule: { ...rule, only } } }] : [{ do: 'remove layer', layer: id }]
  })
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
  return {
    do: 'several',
    edits: [
      ...renamed,
      ...(layer === null ? [takeOff(things)] : [...gone].map((id): Edit => ({ do: 'remove layer', layer: id }))),
      ...added,
    ],
  }
}

/** Things that move by themselves when these are moved: what one of them bears goes with that. */
export function movedAlone(things: readonly Placement[], all: readonly Placement[]): Placement[] {
  const carried = new Set(borneBy(new Set(things.map(({ id }) => id)), all).map(({ id }) => id))
  return things.filter(({ id }) => !carried.has(id))
}
