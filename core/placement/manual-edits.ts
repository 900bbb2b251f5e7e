import type { Run } from '../base'
import { mirrored, onRun, stationAt } from '../base'
import type { Material, Shelf } from '../material'
import { materialOf } from '../material'
import { clamp, wrapDegrees } from '../measure'
import type { Added, Edit, Layer, Nudge, Piece } from '../piece'
import { addedSlot, bearerOf, freshLayerId, freshSeed, laidAlone, laysLengths, startLayer, STILL } from '../piece'
import type { Placement } from './placement'
import { layerBearing } from './place'

/** What hands do to things on the base, as edits: one thing or many at once. */

const layerOf = (piece: Piece, id: string): Layer => piece.layers.find((layer) => layer.id === id)!

/** Degrees in [-180, 180). */
const halfTurn = (angle: number): number => wrapDegrees(angle + 180) - 180

/** Moves a thing on top of how it has been moved before. `trim` and `pinned` are set, the rest adds up. */
export function nudgeBy(piece: Piece, { layer, slot }: Placement, by: Partial<Nudge>): Edit {
  const before = layerOf(piece, layer).nudges[slot] ?? STILL
  const held = (value: number, most: number): number => clamp(value, -most, most)
  return {
    do: 'nudge',
    layer,
    slot,
    nudge: {
      along: before.along + (by.along ?? 0),
      across: held(before.across + (by.across ?? 0), 2),
      turn: halfTurn(before.turn + (by.turn ?? 0)),
      lift: held(before.lift + (by.lift ?? 0), 60),
      trim: by.trim === undefined ? before.trim : by.trim,
      pinned: by.pinned ?? before.pinned,
    },
  }
}

export const nudgeAll = (piece: Piece, things: readonly Placement[], by: (each: Placement) => Partial<Nudge>): Edit => ({
  do: 'several',
  edits: things.map((each) => nudgeBy(piece, each, by(each))),
})

/** Takes things off: places of a rule stay empty, what a hand put on is gone. */
export function takeOff(things: readonly Placement[]): Edit {
  return { do: 'several', edits: byLayer(things).map(([layer, own]) => ({ do: 'take off', layer, slots: own.map(({ slot }) => slot) })) }
}

function byLayer(things: readonly Placement[]): [layer: string, things: Placement[]][] {
  const found = new Map<string, Placement[]>()
  for (const each of things) found.set(each.layer, [...(found.get(each.layer) ?? []), each])
  return [...found]
}

/** Ids for things that a hand adds to a layer, none of them taken. */
export function freshIds(layer: Pick<Layer, 'added'>, n: number): string[] {
  const taken = new Set(layer.added.map(({ id }) => id))
  const ids: string[] = []
  for (let i = 1; ids.length < n; i++) if (!taken.has(`h${i}`)) ids.push(`h${i}`)
  return ids
}

interface Put {
  readonly thing: Placement
  readonly run: Run
  readonly s: number
  readonly bearing: number
}

/** Puts copies of things somewhere else, each in its own layer. */
function put(piece: Piece, copies: readonly Put[], runs: readonly Run[], shelf: Shelf): Edit {
  return {
    do: 'several',
    edits: byLayer(copies.map(({ thing }) => thing)).map(([id]) => {
      const layer = layerOf(piece, id)
      const own = copies.filter(({ thing }) => thing.layer === id)
      const ids = freshIds(layer, own.length)
      const things = own.map(({ thing, run, s, bearing }, i): Added => ({
        id: ids[i]!,
        run: run.id,
        at: clamp(s / run.length, 0, 1),
        across: clamp(thing.t, -2, 2),
        material: thing.material,
        turn: halfTurn(bearing - layerBearing(layer, { run, s, id: ids[i]! }, runs, materialOf(shelf, thing.material)!)),
      }))
      return { do: 'add', layer: id, things }
    }),
  }
}

const runOf = (runs: readonly Run[], id: string): Run => runs.find((run) => run.id === id)!

function mirroredPlace(runs: readonly Run[], thing: Placement): Put {
  const run = runOf(runs, thing.run)
  const other = runs.find(({ id }) => id === run.mirror.run) ?? run
  return { thing, run: other, s: mirrored(run, thing.s), bearing: wrapDegrees(180 - thing.bearing) }
}

/** The same things again on the other side. */
export const copyAcross = (piece: Piece, things: readonly Placement[], runs: readonly Run[], shelf: Shelf): Edit =>
  put(
    piece,
    things.map((each) => mirroredPlace(runs, each)),
    runs,
    shelf,
  )

/** Moves things to the other side. */
export function mirrorAll(piece: Piece, things: readonly Placement[], runs: readonly Run[], shelf: Shelf): Edit {
  const copied = copyAcross(piece, things, runs, shelf)
  return { do: 'several', edits: [copied, takeOff(things)] }
}

/** Another of each, beside it. */
export function duplicate(piece: Piece, things: readonly Placement[], runs: readonly Run[], shelf: Shelf): Edit {
  return put(
    piece,
    things.map((thing): Put => {
      const run = runOf(runs, thing.run)
      const s = onRun(run, thing.s + (thing.form === 'leaf' ? thing.width / 2 : thing.width))
      const turned = stationAt(run, s)
      const was = stationAt(run, thing.s)
      const by = (Math.atan2(turned.ty, turned.tx) - Math.atan2(was.ty, was.tx)) * (180 / Math.PI)
      return { thing, run, s, bearing: thing.bearing + by }
    }),
    runs,
    shelf,
  )
}

/** Where something is put on a base: along a run, mm, and across its face, half widths. */
export interface DropPlace {
  readonly run: Run
  readonly s: number
  readonly across: number
}

/** What putting a material on a base does. @see dropOnto */
export interface Dropped {
  readonly edit: Edit
  readonly layer: string
  /** The slot of the thing that was put there; null where a layer of it was begun by its own rule. */
  readonly slot: string | null
}

/** Whether things of a material can be put into a layer one by one. */
const takesByHand = ({ locked, rule, mix }: Layer, material: Pick<Material, 'id' | 'kind'>): boolean =>
  !locked && !laysLengths(rule) && bearerOf(rule) === null && laidAlone(material) && mix.some((part) => part.material === material.id)

/**
 * Puts a material on the base at a place: into the open layer where that holds it, else into one by hand that begins with it, else
 * into a new layer of its own, by its usual rule where none of it can be put by hand.
 * @param open the layer that is open; null is none
 */
export function dropOnto(piece: Piece, material: Material, { run, s, across }: DropPlace, open: string | null): Dropped {
  const { layers } = piece
  const at = s / run.length
  const thing = (id: string): Added => ({ id, run: run.id, at, across: clamp(across, -1, 1), turn: 0, material: material.id })
  const into =
    layers.find((layer) => layer.id === open && takesByHand(layer, material)) ??
    layers.find(({ rule, mix, locked }) => rule.kind === 'hand' && !locked && mix[0]!.material === material.id)
  if (into) {
    const [id] = freshIds(into, 1)
    return { edit: { do: 'add', layer: into.id, things: [thing(id!)] }, layer: into.id, slot: addedSlot(id!) }
  }
  const byHand = laidAlone(material)
  const usual = startLayer(freshLayerId(layers), material, freshSeed(layers), [run], piece.brief.hand)
  const layer: Layer = {
    ...usual,
    run: run.id,
    rule: byHand ? { kind: 'hand' } : usual.rule.kind === 'bow' ? { ...usual.rule, at } : usual.rule,
    added: byHand ? [thing('h1')] : [],
  }
  return { edit: { do: 'add layer', at: layers.length, layer }, layer: layer.id, slot: byHand ? addedSlot('h1') : null }
}
