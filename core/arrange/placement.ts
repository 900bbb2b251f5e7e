import type { Run } from '../base'
import { along, onRun } from '../base'
import type { Material, Shelf } from '../material'
import { pieceLength } from '../material'
import { deal, degrees, random, seedOf, wrapDegrees } from '../measure'
import type { Layer, Piece } from '../piece'
import type { Slot } from './slots'
import { slotsOf } from './slots'

/** One thing in its place on the base. Everything else about it is derived from this. */
export interface Placement {
  /** `layer:slot`. */
  readonly id: string
  readonly layer: string
  readonly slot: string
  /** Its number within the layer, from 1. */
  readonly number: number
  readonly material: string
  readonly run: string
  /** Distance along the run, mm. */
  readonly s: number
  /** Across the face: -1 inner edge, 1 outer edge. */
  readonly t: number
  readonly x: number
  readonly y: number
  /** Where it points on the drawing: degrees clockwise from pointing right. */
  readonly bearing: number
  /** Length and spread of the piece as it lies, mm. */
  readonly length: number
  readonly width: number
  /** How many layers lie under it. */
  readonly lift: number
  /** Tells twins apart: seeds its drawing. */
  readonly seed: number
  readonly nudged: boolean
  /** Where its cord starts when it hangs from one. */
  readonly cord: { readonly x: number, readonly y: number } | null
}

export interface LaidLayer {
  readonly layer: Layer
  readonly placements: readonly Placement[]
  /** Why nothing could be laid, if so. */
  readonly fault: 'no run' | 'no reference' | 'no material' | null
}

/** Lays every layer of a piece on its runs, in the order in which they go on. */
export function arrange(piece: Piece, runs: readonly Run[], shelf: Shelf): LaidLayer[] {
  const points = rulePoints(piece, runs, shelf)
  return piece.layers.map((layer, lift) => {
    const run = runs.find(({ id }) => id === layer.run)
    if (!run) return { layer, placements: [], fault: 'no run' }
    const mix = knownMix(layer, shelf)
    if (!mix.length) return { layer, placements: [], fault: 'no material' }
    const slots = points(layer.id)
    if (!slots) return { layer, placements: [], fault: 'no reference' }
    const dealt = dealMix(layer, shelf, slots.length)
    const phase = random(layer.seed).next()
    return { layer, fault: null, placements: slots.map((slot, i) => place(layer, run, slot, i, phase, dealt[i]!, lift)) }
  })
}

/** The slots of each layer's rule, looked up by layer: null for a layer that is not there or refers to itself. */
function rulePoints(piece: Piece, runs: readonly Run[], shelf: Shelf): (layer: string) => readonly Slot[] | null {
  const found = new Map<string, readonly Slot[] | null>()
  const ask = (id: string): readonly Slot[] | null => {
    const known = found.get(id)
    if (known !== undefined) return known
    found.set(id, null)
    const layer = piece.layers.find((each) => each.id === id)
    const run = runs.find((each) => each.id === layer?.run)
    if (!layer || !run) return null
    const slots = slotsOf(layer.rule, {
      run,
      pointsOf: (of) => ask(of)?.map(({ s }) => s) ?? null,
      widths: (n) => dealMix(layer, shelf, n).map(({ width }) => width),
    })
    found.set(id, slots)
    return slots
  }
  return ask
}

const knownMix = (layer: Layer, shelf: Shelf) => layer.mix.flatMap(({ material, share }) => {
  const known = shelf.materials[material]
  return known && share > 0 ? [{ known, share }] : []
})

/** The materials of `n` places in a row, dealt by rhythm. Empty when nothing in the mix is known. */
function dealMix(layer: Layer, shelf: Shelf, n: number): Material[] {
  const mix = knownMix(layer, shelf)
  return deal(n, mix.map(({ share }) => share)).map((kind) => mix[kind]!.known)
}

/** Kinds that hang level whatever the run does under them. */
const stands = (material: Material): boolean => material.kind === 'bow' || material.kind === 'sign' || material.kind === 'figure'

/** Steps of two sequences that fill an interval without clumps (additive recurrences on 1/g and 1/g², g the plastic number). */
const ACROSS_STEP = 0.7548776662466927
const LEAN_STEP = 0.5698402909980532

/** @param phase where in their sequences the layer's spreads start, 0 to 1 */
function place(layer: Layer, run: Run, slot: Slot, i: number, phase: number, material: Material, lift: number): Placement {
  const seed = seedOf(layer.seed, slot.id)
  const nudge = layer.nudges[slot.id]
  const s = onRun(run, slot.s + (nudge?.along ?? 0))
  const station = run.at(s)
  const swing = (step: number) => ((phase + i * step) % 1) * 2 - 1
  const t = layer.across + layer.acrossSpread * swing(ACROSS_STEP) + slot.across / station.half + (nudge?.across ?? 0)
  const lean = layer.lean + layer.leanSpread * swing(LEAN_STEP)
  const drop = layer.rule.kind === 'single' ? layer.rule.drop : 0
  const x = station.x + station.nx * station.half * t
  const y = station.y + station.ny * station.half * t
  const bearing = stands(material) ? layer.lean : direction(layer, run, s, seed, material, lean)
  return {
    id: `${layer.id}:${slot.id}`, layer: layer.id, slot: slot.id, number: i + 1, material: material.id, run: run.id,
    s, t, x, y: y + drop, bearing: wrapDegrees(bearing + (nudge?.turn ?? 0)),
    length: pieceLength(material, layer.cut), width: material.width,
    lift, seed, nudged: nudge !== undefined, cord: drop > 0 ? { x, y } : null,
  }
}

function direction(layer: Layer, run: Run, s: number, seed: number, material: Material, lean: number): number {
  if (material.form === 'disc') return random(seed).between(0, 360)
  const { tx, ty } = run.at(s)
  const forward = degrees(Math.atan2(ty, tx))
  const clockwise = forward - lean
  const anticlockwise = forward + 180 + lean
  const afterSeat = along(run, layer.seat * run.length, s)
  const pastSeat = run.closed ? afterSeat < run.length / 2 : afterSeat >= 0
  switch (layer.flow) {
    case 'clockwise': return clockwise
    case 'anticlockwise': return anticlockwise
    case 'apart': return pastSeat ? clockwise : anticlockwise
    case 'together': return pastSeat ? anticlockwise : clockwise
    case 'outward': return forward - 90 + lean
    case 'inward': return forward + 90 - lean
    case 'nest': return random(seed).next() < 0.5 ? clockwise : anticlockwise
  }
}
